import type { Meter } from '../study/meters'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'
import { LEAST_PERIODS, type Verified } from '../verification/saving'
import type { YearResult } from '../year/result'

/** What a change was to save a year at one meter, kWh or m³ of water; null: a year is missing. */
export function expectedSaving(
  { of }: Pick<Meter, 'of'>,
  found: YearResult | null,
  set: YearResult | null,
): number | null {
  if (!found || !set) return null
  const used = ({ energy, water }: YearResult) =>
    of === 'water' ? (water.mixedL + water.toWasteL + water.reliefL) / 1000 : (energy.inputKwh[of] ?? 0)
  return used(found) - used(set)
}

/** An amount at a meter in the words of its kind. */
export const meteredText = ({ of }: Pick<Meter, 'of'>, x: number, write: Display): string =>
  of === 'water' ? write.litres(1000 * x) : write.energy(x)

/** What a meter comes to, in a line: a rise is none of a saving. */
export const verdictText = ({ saving, ambiguous }: Pick<Verified, 'saving' | 'ambiguous'>): string =>
  ambiguous || !saving
    ? 'Not proved: it cannot be told apart yet.'
    : saving.high < 0
      ? 'No saving: by this meter use rose.'
      : 'Proved by the meter.'

/** What is said of a saving by a meter, line by line: the figure, the promise, what stands against it, what is missing. */
export function verifiedSentences(v: Verified, meter: Meter, expected: number | null, write: Display): string[] {
  const text = (x: number) => meteredText(meter, x, write)
  const { saving } = v
  const within = saving && expected !== null ? expected >= saving.low && expected <= saving.high : null
  const zero = saving !== null && saving.low <= 0 && saving.high >= 0
  return [
    saving
      ? `Saved a year by this meter: ${text(saving.middle)}, between ${text(saving.low)} and ${text(saving.high)} (95 of 100).`
      : `Too few readings: at least ${LEAST_PERIODS} periods before ${writeDay(v.splitOn, write.system)} and ${LEAST_PERIODS} after it; there are ${v.before.length} and ${v.after.length}.`,
    ...(expected === null
      ? []
      : [
          `Calculated: ${text(expected)} a year.${within === null ? '' : within ? ' The meter agrees.' : ' The meter does not agree.'}`,
        ]),
    ...v.alsoChanged.map(
      (c) =>
        `Also changed in this time, on ${writeDay(c.on, write.system)}: ${c.what}. The saving cannot be put down to one of them.`,
    ),
    ...(saving && zero ? ['It cannot be told apart from no saving yet.'] : []),
    ...(v.weeksNeeded === null || v.weeksNeeded > 0
      ? [
          v.weeksNeeded === null
            ? 'More weeks alone will not settle it: too little is known of the time before, or nothing is expected.'
            : `About ${v.weeksNeeded} more weeks of readings are needed.`,
        ]
      : []),
    ...reservations(v, text),
  ]
}

/** What a saving by a meter leaves out or takes for granted. */
const reservations = (v: Verified, text: (x: number) => string): string[] => [
  ...(v.weatherRecorded < 0.95 && v.model?.heating
    ? [
        `Weather recorded for ${Math.round(100 * v.weatherRecorded)}% of the days; for the rest a season may have been milder or colder than usual. A weather file narrows this most.`,
      ]
    : []),
  ...(v.model?.away
    ? [
        `Days away count by themselves: ${text(Math.abs(v.model.away.middle))} ${v.model.away.middle < 0 ? 'less' : 'more'} a day.`,
      ]
    : []),
  ...(v.use.estimates > 0 ? [`${v.use.estimates} estimated readings are left out.`] : []),
  ...v.use.problems.map((p) => `Left out: ${p}.`),
]
