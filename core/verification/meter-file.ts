import type { Meter } from '../study/meters'
import type { Study } from '../study/study'
import type { Result } from '../units/result'
import { LARGEST_METER_FILE, readMeterCsv } from './meter-csv'
import { LARGEST_ESPI, readEspi } from './meter-espi'

/** Largest file of readings that is opened, bytes; each kind has its own limit besides. */
export const LARGEST_READINGS = Math.max(LARGEST_METER_FILE, LARGEST_ESPI)

/** Meter readings out of a file, whichever of the two kinds it is: an ESPI feed begins with a bracket, separated values do not. */
export const readMeterFile = (study: Study, text: string): Result<Meter[]> =>
  text
    .replace(/^\uFEFF/, '')
    .trimStart()
    .startsWith('<')
    ? readEspi(study, text)
    : readMeterCsv(study, text)
