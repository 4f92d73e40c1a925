import { FIELDS } from '../calculators/fields'
import { calculatorNamed } from '../calculators/registry'
import { HEATERS } from '../heaters/kinds'
import { z } from '../schema/zod'
import { displayOf } from '../study/display-of'
import { takes } from '../study/limits'
import type { Reading, ReadingKindName } from '../study/readings'
import type { Study } from '../study/study'
import { climb } from './climb'
import { difference } from './difference'
import { drain } from './drain-readings'
import { EVENTS } from './events'
import { dial, heaterDisplay, meter } from './heater-readings'
import { circuit, clock, flowDial, flowLog } from './heating-readings'
import { loop, pump } from './loop-readings'
import { defineReading, type Judgement, NOTED, type ReadingKind } from './reading-kind'
import { overnightDrop, reheat, storeTop } from './store-readings'
import { isPassing, takenNotes } from './taken-with'
import { bucket, droop, tapTemperature, timeToHot } from './tap-readings'
import { hardness, hotLitres, mains, pressure } from './water-readings'

const event = defineReading({
  kind: 'event',
  title: 'Event or change',
  how: 'Top-up, reset, fault or relief discharge, with its litres; change of works, outlets, occupants or weather. Cause and details in the note.',
  section: 'log',
  needs: [],
  at: null,
  input: z.strictObject({
    event: z.enum(EVENTS),
    volumeL: FIELDS.volumeL.optional(),
    dryAgain: z.enum(['yes', 'no']).optional(),
  }),
  begin: { event: 'topped up' },
  possible: () => true,
  judge: () => NOTED,
})

const note = defineReading({
  kind: 'note',
  title: 'Note or picture',
  how: 'Free note or picture.',
  section: 'log',
  needs: [],
  at: null,
  input: z.strictObject({}),
  begin: {},
  possible: () => true,
  judge: () => NOTED,
})

/** Each kind of reading by its name, in the order of a visit; one that is missing does not compile. Kept sums are not taken. */
export const READINGS: { [K in Exclude<ReadingKindName, 'sum'>]: ReadingKind<K> } = {
  mains,
  pressure,
  hardness,
  'hot-litres': hotLitres,
  bucket,
  difference,
  'time-to-hot': timeToHot,
  climb,
  'tap-temperature': tapTemperature,
  droop,
  'heater-display': heaterDisplay,
  meter,
  dial,
  clock,
  circuit,
  'flow-log': flowLog,
  'flow-dial': flowDial,
  'store-top': storeTop,
  'overnight-drop': overnightDrop,
  reheat,
  loop,
  pump,
  drain,
  event,
  note,
}
export const KINDS: readonly ReadingKind[] = Object.values(READINGS)

/** Taps, heaters or controllers that a kind of reading can be taken at: of the heaters those that show it. */
export function placesFor(
  study: Study,
  { at, kind }: Pick<ReadingKind, 'at' | 'kind'>,
): { id: string; name: string }[] {
  if (at === 'tap') return study.pipes.taps
  if (at === null) return []
  if (at === 'controller') return study.controllers
  return study.plant.heaters.filter((h) => HEATERS[h.kind].readings.some((r) => r === kind))
}

/** Whether a kind of reading can be taken in a household. */
export const canTake = (study: Study, kind: ReadingKind): boolean =>
  kind.possible(study) && (kind.at === null || placesFor(study, kind).length > 0)

export const kindOf = ({ kind }: Pick<Reading, 'kind'>): ReadingKind | undefined =>
  kind === 'sum' ? undefined : READINGS[kind]

/** Title of a reading, of whatever kind. */
export function titleOf(reading: Reading): string {
  if (reading.kind === 'sum') return calculatorNamed(reading.sum ?? '')?.title ?? 'Calculator'
  return kindOf(reading)?.title ?? reading.kind
}

/** What a reading comes to and what it says of the study; null for kept sums, and for values that its kind does not take. */
export function judge(study: Study, reading: Reading): Judgement | null {
  const kind = kindOf(reading)
  if (!kind || !kind.possible(study)) return null
  const values = kind.input.safeParse(reading.values)
  if (!values.success) return null
  const { worked, verdict, offers, results } = kind.judge(study, reading, values.data as never)
  const passing = isPassing(reading)
  return {
    results,
    worked: {
      ...worked,
      notes: [...takenNotes(study, values.data, reading, displayOf(study)), ...worked.notes],
    },
    verdict: passing ? null : verdict,
    // What the study would not take is not offered.
    offers: passing ? [] : offers.filter((o) => takes(study, o.path, o.value)),
  }
}
