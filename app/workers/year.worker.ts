import { expose } from 'comlink'
import { SIGN } from './signs'
import { yearOf, yearWork } from './year-work'

/** The core, behind a worker's door. */
expose({ ...yearWork, year: (text: string) => yearOf(text, () => postMessage(SIGN)) })
