import { z } from 'zod'
import { Controls } from '../controls/controls'
import { Package } from '../measures/measures'
import { Prices } from '../money/prices'
import { checkReferences } from './references'
import { Day, Id, Name } from './fields'
import { People } from './people'
import { Pipes } from './pipes'
import { Plant } from './plant'
import { ENERGY_UNITS } from '../units/quantities'
import { Reading } from './readings'
import { Site } from './site'

export const FORMAT = 'bagno-study'
export const VERSION = 4

/** Where a figure came from. Figures not listed in `origins` were entered by hand. */
export const Origin = z.enum(['measured', 'entered', 'assumed'])
export type Origin = z.infer<typeof Origin>

/** The shape of a study, before its parts are held against each other. */
export const StudyShape = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  id: Id,
  name: Name,
  units: z.enum(['metric', 'us']),
  /** What heat and fuel are counted in on screen and paper; prices keep the unit of the bill. */
  energyIn: z.enum(ENERGY_UNITS),
  site: Site,
  people: People,
  pipes: Pipes,
  plant: Plant,
  /** `found` is the register of what stood there on the visit; `set` what was set since, null when nothing was; and on which days. */
  controls: z.strictObject({ found: Controls, foundOn: Day.nullable(), set: Controls.nullable(), setOn: Day.nullable() }),
  prices: Prices,
  packages: z.array(Package).max(20),
  readings: z.array(Reading).max(5000),
  /** Path of a figure (see paths.ts), such as "plant.store.loss" → where it came from. */
  origins: z.record(z.string().max(200), Origin),
})

/**
 * A study: one household, everything that is known of it, set in it and proposed for it.
 * Metric inside: °C, L, m, mm, kW, W/K, minutes of the day, money per kWh.
 */
export const Study = StudyShape.superRefine(checkReferences)
export type Study = z.infer<typeof StudyShape>

/** The controls in force: as set, or as found where nothing has been set. */
export function controlsOf(study: Study): Controls {
  return study.controls.set ?? study.controls.found
}

/** The same household as it was found. */
export function asFound(study: Study): Study {
  return study.controls.set ? { ...study, controls: { ...study.controls, set: null, setOn: null } } : study
}
