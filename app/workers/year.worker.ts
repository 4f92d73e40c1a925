import { expose } from 'comlink'
import { yearWork } from './year-work'

/** The core, behind a worker's door. */
expose(yearWork)
