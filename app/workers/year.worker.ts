import { expose } from 'comlink'
import { SIGN, yearOf, yearWork } from './year-work'

/** The core, behind a worker's door. */
expose({ ...yearWork, year: (text: string) => yearOf(text, () => postMessage(SIGN)) })
