import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { DAYS, WEEK_MIN } from '../calendar/year'
import { z } from '../schema/zod'
import { ControllerClock } from './controllers'
import { between, Id, Share } from './fields'
import { FlowSetting } from './heating'
import { LOOP_MODES } from './loop-modes'
import { RIGHT_CLOCK } from './new-controller'
import { Schedule } from './week'

export const LoopMode = z.enum(LOOP_MODES)

/** Limits of a hot-water setpoint, °C. */
export const SETPOINT_C = { low: 30, high: 85 } as const
export const SetpointC = between(SETPOINT_C.low, SETPOINT_C.high)

const MinuteOfDay = z
  .int()
  .min(0)
  .max(MINUTES_A_DAY - 1)
export const TIMER_BY = ['not checked', 'its control', 'its mains'] as const

/** A setting made by hand: a boost, or an override that somebody has to end. */
export const Override = z
  .strictObject({
    setpointC: SetpointC,
    fromDay: z.int().min(1).max(DAYS),
    fromMin: MinuteOfDay,
    /** It comes back on the same day of each week, until the end of the year. */
    weekly: z.boolean(),
    /** How long it lasts; null: until somebody ends it. */
    minutes: z
      .int()
      .min(1)
      .max(DAYS * MINUTES_A_DAY)
      .nullable(),
  })
  .refine((o) => !o.weekly || (o.minutes !== null && o.minutes < WEEK_MIN), {
    message: 'one that comes back each week ends by itself, before it comes back',
    path: ['minutes'],
  })
export type Override = z.infer<typeof Override>

export const HeaterControl = z.strictObject({
  setpointC: SetpointC,
  /** The thermostat calls this far below the setpoint, K. */
  differentialK: between(0.5, 20),
  /** When the heater may heat; null: at all times. */
  schedule: Schedule.nullable(),
  /** Its exchanger is kept warm at all times: what heats water as it runs has this, and nothing else. */
  keepHot: z.boolean().optional(),
  /** What it is held at on days when nobody is there, °C; null: as always. */
  holidayC: SetpointC.nullable(),
  /** A hot run against growth, each week; null: none. It heats whatever its windows say. */
  pasteurisation: z
    .strictObject({
      weekday: z
        .int()
        .min(0)
        .max(DAYS_A_WEEK - 1),
      atMin: MinuteOfDay,
      toC: between(55, SETPOINT_C.high),
      holdMin: z.int().min(1).max(240),
    })
    .nullable(),
  /** Settings by hand beside the rest: from a minute of a day of the year on, for so many minutes, or without an end. */
  overrides: z.array(Override).max(12),
  /** Whether it waits for the cheapest price of what it runs on. */
  prices: z.enum(['any', 'cheapest']),
  /** What its timer switches: it asks the heater's control, or it cuts its mains. */
  timerBy: z.enum(TIMER_BY),
})
export type HeaterControl = z.infer<typeof HeaterControl>

export const LoopControl = z.strictObject({
  mode: LoopMode,
  /** When it may run: by the clock, sampled, until warm, or as a cable. */
  schedule: Schedule,
  /** Up to where the pump runs at its sensor, or what a cable holds, °C; and how far below it begins again, K. */
  targetC: between(25, 75),
  differentialK: between(0.5, 20),
  /** Sampled: how often it tests, and for how long it runs before it reads, s. */
  sampled: z.strictObject({ everyMin: z.int().min(1).max(240), testS: between(0, 300) }),
  /** On demand: so long before the tap is opened, so long it runs at most, and how many draws come without. */
  demand: z.strictObject({
    by: z.enum(['button', 'presence']),
    leadS: between(0, 600),
    runOnS: between(5, 1800),
    missedShare: Share,
  }),
  /** Learned: from so many weeks; it runs in an hour in which draws came in at least this share of them. */
  learned: z.strictObject({ weeks: z.int().min(1).max(8), threshold: between(0.01, 1) }),
  /** Cable: what it can give, W/m. */
  trace: z.strictObject({ wPerM: between(1, 60) }),
})
export type LoopControl = z.infer<typeof LoopControl>

/** How a loop's settings begin; what is assumed of them is a usual figure. */
export const defaultLoopControl = (): Omit<LoopControl, 'mode' | 'schedule'> => ({
  targetC: 45,
  differentialK: 5,
  sampled: { everyMin: 20, testS: 30 },
  demand: { by: 'button', leadS: 30, runOnS: 180, missedShare: 0.1 },
  learned: { weeks: 4, threshold: 0.5 },
  trace: { wPerM: 9 },
})

/** How a weekly hot run begins: in the night from Sunday to Monday, when the fewest taps are opened. */
export const defaultPasteurisation = (): NonNullable<HeaterControl['pasteurisation']> => ({
  weekday: 6,
  atMin: 180,
  toC: 65,
  holdMin: 30,
})

/** How the settings of a heater's functions begin: none in use. */
export const defaultFunctions = (): Omit<HeaterControl, 'setpointC' | 'differentialK' | 'schedule' | 'keepHot'> => ({
  holidayC: null,
  pasteurisation: null,
  overrides: [],
  prices: 'any',
  timerBy: 'not checked',
})

/** Everything that is set on the visit: one entry for each heater with a thermostat, and the loop. */
export const Controls = z.strictObject({
  heaters: z.record(Id, HeaterControl),
  loop: LoopControl,
  /** Heating of the house by the same appliance: which one, when, and whether hot water goes before it. */
  heating: z.strictObject({
    heaterId: Id.nullable(),
    schedule: Schedule.nullable(),
    hotWaterFirst: z.boolean(),
    /** Flow temperature of the radiators; null: not read. */
    flow: FlowSetting.nullable(),
    /** Most output for heating, kW; null: none is set. */
    limitKw: between(0.5, 500).nullable(),
    /** Room temperatures of the room control, °C: by day and lowered; null: not read. */
    comfortC: between(5, 30).nullable(),
    economyC: between(5, 30).nullable(),
  }),
  /** Clock of each controller. */
  clocks: z.record(Id, ControllerClock),
})
export type Controls = z.infer<typeof Controls>

/** Controls besides those of heaters and loop as they begin: nothing else heats with them, and every clock is right. */
export const defaultControls = (controllers: readonly { id: string }[]): Pick<Controls, 'heating' | 'clocks'> => ({
  heating: {
    heaterId: null,
    schedule: null,
    hotWaterFirst: true,
    flow: null,
    limitKw: null,
    comfortC: null,
    economyC: null,
  },
  clocks: Object.fromEntries(controllers.map(({ id }) => [id, { ...RIGHT_CLOCK }])),
})
