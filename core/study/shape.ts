import { z } from '../schema/zod'
import { NUMBER_STYLES } from '../units/parse'
import { ENERGY_UNITS } from '../units/quantities'
import { MOST_ORIGINS } from './bounds'
import { Claim, MOST_CLAIMS } from './claims'
import { Commanded, Controller, MOST_CONTROLLERS } from './controllers'
import { Controls, SetpointC } from './controls'
import { Economics } from './economics'
import { Day, Id, Name, Note } from './fields'
import { Handover } from './handover'
import { HouseHeating } from './heating'
import { Package } from './measures'
import { Verification } from './meters'
import { MOST_OWN_SETTINGS, OwnSetting } from './own-settings'
import { People } from './people'
import { Pipes } from './pipes'
import { MOST_HEATERS, Plant } from './plant'
import { Prices } from './prices'
import { Reading } from './readings'
import { Site } from './site'
import { CardWork, MOST_CARD_WORK } from './step-cards'
import { Schedule } from './week'

export const FORMAT = 'bagno-study'
export const VERSION = 15

/** Where a figure came from. Figures not listed in `origins` were entered by hand. */
export const Origin = z.enum(['measured', 'entered', 'assumed'])
export type Origin = z.infer<typeof Origin>

/** Most changes of settings that a study remembers; the oldest go first. */
export const MOST_CHANGES = 300

/** The reason that somebody gave for a setting which a check of the board puts in red. */
export const Reason = z.strictObject({
  check: z.string().max(60),
  heaterId: Id,
  text: Note.min(1, 'a reason, not empty'),
  on: Day,
})

/** A week as a display showed it, and on which day. */
export const ReadBack = z.strictObject({ of: Commanded, on: Day, week: Schedule })
export type ReadBack = z.infer<typeof ReadBack>

/** The shape of a study, before its parts are held against each other. */
export const StudyShape = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  id: Id,
  name: Name,
  units: z.enum(['metric', 'us']),
  /** What heat and fuel are counted in on screen and paper; prices keep the unit of the bill. */
  energyIn: z.enum(ENERGY_UNITS),
  /** How figures are typed: which sign parts the decimals. */
  numbers: z.enum(NUMBER_STYLES),
  site: Site,
  people: People,
  pipes: Pipes,
  plant: Plant,
  /** What is set by hand, box by box, and what each commands. */
  controllers: z.array(Controller).max(MOST_CONTROLLERS),
  /** The heating side of the same visit; null: not looked at. */
  heating: HouseHeating.nullable(),
  /** `found` is the register of what stood there on the visit; `set` what was set since, null when nothing was; and on which days. */
  controls: z.strictObject({
    /** Which of the two is being written under Set. */
    writes: z.enum(['found', 'set']),
    /** Who is at work: stands beside each change; empty: nobody said. */
    by: z.string().max(120),
    found: Controls,
    foundOn: Day.nullable(),
    set: Controls.nullable(),
    setOn: Day.nullable(),
    /**
     * What was changed on which day, oldest first: a setting by its path within the controls, from what to what, whether it
     * was entered as found or set, by whom and why.
     */
    changes: z
      .array(
        z.strictObject({
          on: Day,
          path: z.string().max(120),
          from: z.json(),
          to: z.json(),
          as: z.enum(['found', 'set']),
          by: z.string().max(120),
          why: z.string().max(400),
          /** What the display showed afterwards, as proof. */
          shows: z.string().max(120),
        }),
      )
      .max(MOST_CHANGES),
    /** Why something is set as it is though the board warns of it. */
    reasons: z.array(Reason).max(100),
    /** What the display of a controller showed when it was read back, of each thing it commands. */
    readBack: z.array(ReadBack).max(MOST_HEATERS + 2),
    /** Settings that no list has, as the engineer has added them. */
    own: z.array(OwnSetting).max(MOST_OWN_SETTINGS),
    /** Setpoint that a heater leaves the factory with, °C, where it was read. */
    factory: z.record(Id, SetpointC),
  }),
  prices: Prices,
  economics: Economics,
  /** Day on which somebody marked the visit as finished; null: it goes on. */
  finishedOn: Day.nullable(),
  packages: z.array(Package).max(20),
  claims: z.array(Claim).max(MOST_CLAIMS),
  /** Step cards that were taken in hand, oldest first. */
  cards: z.array(CardWork).max(MOST_CARD_WORK),
  readings: z.array(Reading).max(5000),
  handover: Handover,
  verification: Verification,
  /** Path of a figure (see paths.ts), such as "plant.store.loss" → where it came from. */
  origins: z
    .record(z.string().max(200), Origin)
    .refine((all) => Object.keys(all).length <= MOST_ORIGINS, `at most ${MOST_ORIGINS} of them`),
})
export type StudyShape = z.infer<typeof StudyShape>
