import { SLITS } from '../pipes/loss'
import { z } from '../schema/zod'
import { JACKET_CLEAR } from '../stores/jacket'
import { HeaterControl, LoopMode, SetpointC } from './controls'
import { PartKey, PartPrice } from './economics'
import { between, Id, Name, Share } from './fields'
import { InsulationField, LengthOfPipe, Loop, Recovery, withSize } from './pipes'
import { Heater } from './plant'
import { PlaceField } from './site'
import { StoreField } from './store'
import { Schedule } from './week'

const common = {
  id: Id,
  name: Name,
  /** What all of it costs to do, money; null: nobody has asked, and the prices of its parts say it where all are known. */
  costMoney: between(0, 1_000_000).nullable(),
  /** Money for one of a part as it was offered, by the key of the part; without one the price book of the study says it. */
  partPrices: z.record(PartKey, PartPrice),
  /** Work that is paid by the hour, h; null: not asked. */
  hours: between(0, 1000).nullable(),
  /** What somebody else pays towards it, once, money; null: not asked. */
  grantMoney: between(0, 1_000_000).nullable(),
  /** Years that it lasts; null: the usual of its kind. */
  lifeYears: between(1, 100).nullable(),
  /** Money a year to keep it in order; null: not asked. */
  upkeepAYear: between(0, 100_000).nullable(),
}

/** Of a measure nobody has asked yet what it costs. */
export const NOT_PRICED = {
  costMoney: null,
  partPrices: {},
  hours: null,
  grantMoney: null,
  lifeYears: null,
  upkeepAYear: null,
} satisfies Record<Exclude<keyof typeof common, 'id' | 'name'>, unknown>
const Pipe = LengthOfPipe.pick({ material: true, size: true, lengthM: true })

/** A change to the household, as data. What each does is in `apply`. */
export const Measure = z.discriminatedUnion('kind', [
  z.strictObject({
    ...common,
    kind: z.literal('insulate-runs'),
    runIds: z.array(Id).max(200),
    /** Insulate the loop's return as well. */
    loopReturn: z.boolean(),
    insulation: InsulationField,
    /** How its slit is closed where it is foam or rubber. */
    slit: z.enum(SLITS),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('jacket'),
    insulation: InsulationField,
    /** Share of the store's surface that it covers: what stays clear is not in it. */
    coveredShare: Share,
    /** What somebody has looked at and cuts out. */
    clear: z.array(z.enum(JACKET_CLEAR)).max(JACKET_CLEAR.length),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('store-connections'),
    /** Heat traps, or pipes that fall first, at the connections on its top. */
    heatTraps: z.boolean(),
    /** What the first length of the cold inlet is wrapped with; null: it stays as it is. */
    insulation: InsulationField.nullable(),
  }),
  z.strictObject({ ...common, kind: z.literal('setpoint'), heaterId: Id, setpointC: SetpointC }),
  z.strictObject({ ...common, kind: z.literal('heater-schedule'), heaterId: Id, schedule: Schedule.nullable() }),
  z.strictObject({ ...common, kind: z.literal('heater-control'), heaterId: Id, control: HeaterControl }),
  z.strictObject({ ...common, kind: z.literal('loop-mode'), mode: LoopMode }),
  z.strictObject({ ...common, kind: z.literal('loop-schedule'), schedule: Schedule }),
  /** A loop laid where there is none, and how it is run. */
  z.strictObject({ ...common, kind: z.literal('lay-loop'), loop: Loop, mode: LoopMode, schedule: Schedule }),
  z.strictObject({ ...common, kind: z.literal('tap-flow'), tapId: Id, flowLMin: between(0.5, 60) }),
  /** A device that cuts the flow once the water is warm. */
  z.strictObject({ ...common, kind: z.literal('stop-when-warm'), tapId: Id }),
  /** A tap that drips hot water is made tight. */
  z.strictObject({ ...common, kind: z.literal('mend-drip'), tapId: Id }),
  z.strictObject({
    ...common,
    kind: z.literal('shorter-draws'),
    useIds: z.array(Id).max(200),
    /** What is left of each amount. */
    share: between(0.1, 1),
  }),
  z.strictObject({
    ...common,
    kind: z.literal('bath-to-shower'),
    useIds: z.array(Id).max(200),
    /** The shower taken instead, and for how long. */
    tapId: Id,
    minutes: between(0.5, 60),
  }),
  z.strictObject({ ...common, kind: z.literal('repipe'), runId: Id, pipe: withSize(Pipe) }),
  z.strictObject({ ...common, kind: z.literal('own-run'), tapId: Id, pipe: withSize(Pipe) }),
  /** Heater and store stand nearer to the taps: so much shorter is every run that leaves them, and a loop's return. */
  z.strictObject({ ...common, kind: z.literal('move-heater'), nearerM: between(0.1, 200), place: PlaceField }),
  z.strictObject({ ...common, kind: z.literal('drain-recovery'), recovery: Recovery }),
  z.strictObject({
    ...common,
    kind: z.literal('heat-source'),
    /** Heaters that go. */
    replaces: z.array(Id).max(8),
    heater: Heater,
    /** How it is set, where a thermostat holds it. */
    control: HeaterControl.nullable(),
    /** A store that comes with it in the place of what is there; null: what is there stays, or one is assumed. */
    store: StoreField.nullable(),
  }),
])
export type Measure = z.infer<typeof Measure>
export type MeasureKind = Measure['kind']
export type MeasureOf<K extends MeasureKind> = Extract<Measure, { kind: K }>

export const Package = z.strictObject({
  id: Id,
  name: Name,
  measures: z.array(Measure).max(40),
})
export type Package = z.infer<typeof Package>

/** What belongs to the price of a measure, and not to what it does. */
export type Priced = keyof typeof NOT_PRICED

/** Parts of a household that measures name, each by its ids. */
export type Named = Record<'thermostats' | 'heaters' | 'taps' | 'runs' | 'uses', string[]>

/** What a measure must find: without it there is nothing to do. */
export function needs(m: Measure): Named {
  return {
    thermostats: 'heaterId' in m ? [m.heaterId] : [],
    heaters: [],
    taps: [
      ...('tapId' in m ? [m.tapId] : []),
      ...(m.kind === 'heat-source' && 'tapId' in m.heater ? [m.heater.tapId] : []),
    ],
    runs: m.kind === 'repipe' ? [m.runId] : m.kind === 'lay-loop' ? [m.loop.returnConnectionRunId] : [],
    uses: [],
  }
}

/** What a measure lists: it does what is left when one of them is gone. */
export function lists(m: Measure): Named {
  return {
    thermostats: [],
    heaters: m.kind === 'heat-source' ? m.replaces : [],
    taps: m.kind === 'drain-recovery' ? m.recovery.tapIds : [],
    runs: m.kind === 'insulate-runs' ? m.runIds : [],
    uses: 'useIds' in m ? m.useIds : [],
  }
}

/** Packages without what named a thing that is gone. Changes them in place. */
export function forget(packages: Package[], what: keyof Named, gone: (id: string) => boolean): void {
  for (const pack of packages) {
    pack.measures = pack.measures.filter((m) => !needs(m)[what].some(gone))
    for (const m of pack.measures) {
      const list = lists(m)[what]
      for (let i = list.length - 1; i >= 0; i--) if (gone(list[i])) list.splice(i, 1)
    }
    // A unit that no tap drains through is none.
    pack.measures = pack.measures.filter((m) => m.kind !== 'drain-recovery' || m.recovery.tapIds.length > 0)
  }
}
