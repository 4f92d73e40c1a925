import { SUMMER_TIMES } from '../calendar/summer-time'
import { PLACES } from '../climate/places'
import { z } from '../schema/zod'
import { AirC, between, DataSource, Name, Note, Twelve, WaterC, YesNoUnknown } from './fields'
import { Carrier } from './fuels'

export const PlaceField = z.enum(PLACES)

/** What keeps water in the cold from freezing, as somebody has seen it. */
export const FROST_GUARDS = ['not checked', 'none', 'trace heating', 'drained in winter', 'room kept warm'] as const

/** Where the household is, what its weather and its cold main are like, and what keeps it warm. */
export const Site = z.strictObject({
  name: Name,
  note: Note,
  altitudeM: between(-430, 5000),
  /** North positive; the sun's path follows from it, degrees. */
  latitudeDeg: between(-66, 66),
  monthlyAirC: Twelve(AirC),
  /** Sun on the level, mean of each month, kWh/m² a day. */
  monthlySunKwhM2: Twelve(between(0, 12)),
  mains: z.discriminatedUnion('kind', [
    /** From the air of the site, for long shallow mains that pass under warm streets. */
    z.strictObject({ kind: z.literal('model') }),
    /** From the months of air through the ground above the main. */
    z.strictObject({ kind: z.literal('ground') }),
    z.strictObject({ kind: z.literal('monthly'), monthlyC: Twelve(WaterC) }),
  ]),
  pressureBar: between(0, 16).nullable(),
  /** Coldest air that is reckoned with there, °C; null: not asked. */
  designAirC: between(-50, 20).nullable(),
  /** What keeps pipes and appliances in the cold from freezing. */
  frostGuard: z.enum(FROST_GUARDS),
  /**
   * What the house is connected to; null: not looked. A of each phase; V between two phases where there are three, and across
   * the supply where there is one; ways free.
   */
  electricMain: z
    .strictObject({
      amps: between(10, 400),
      volts: between(100, 480),
      phases: z.union([z.literal(1), z.literal(3)]),
      spareWays: z.int().min(0).max(40),
      /** What the house draws at its busiest besides, A. */
      otherAmps: between(0, 400),
    })
    .nullable(),
  /** Whether a gas main and a heat network lead to the house; null: not looked. */
  networks: z.strictObject({ gas: YesNoUnknown, heat: YesNoUnknown }),
  /** Gas input that the line to the heater can carry, kW; null: not asked. */
  gasLineKw: between(1, 500).nullable(),
  /**
   * The pipe from the meter to the heater: length with its bends counted, bore, and what else hangs on it, kW of gas; null: not
   * looked.
   */
  gasPipe: z.strictObject({
    lengthM: between(0.5, 300).nullable(),
    boreMm: between(6, 150).nullable(),
    otherKw: between(0, 500).nullable(),
  }),
  /** What another heater would find where it is to stand; null: not looked. */
  heaterPlace: z.strictObject({ flue: YesNoUnknown, condensate: YesNoUnknown, socket: YesNoUnknown }),
  hardnessMgL: between(0, 1000).nullable(),
  /** Whose the figures of cold main and hardness are where they were typed from papers. */
  sources: z.strictObject({ mains: DataSource, hardness: DataSource }),
  /** Whether its water may be drunk; null: not asked. */
  potable: YesNoUnknown,
  /** What was looked for at the main; null: not looked. */
  metered: YesNoUnknown,
  backflowGuard: YesNoUnknown,
  pressureReducer: YesNoUnknown,
  expansionVessel: YesNoUnknown,
  /** Months in which the house is heated, January first. */
  heatingMonths: Twelve(z.boolean()),
  heating: z.strictObject({ carrier: Carrier, efficiency: between(0.2, 6) }),
  /** Months in which the house is cooled, and heat taken out for each kWh of electricity; null: it is not. */
  cooling: z.strictObject({ months: Twelve(z.boolean()), efficiency: between(1, 10) }).nullable(),
  /** Whether and when clocks go forward there. */
  summerTime: z.enum(SUMMER_TIMES),
  /** Day of the week of 1 January, 0 = Monday. */
  firstWeekday: z.int().min(0).max(6),
})
export type Site = z.infer<typeof Site>
