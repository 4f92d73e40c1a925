import { nextDay, sameDayNext, yearsAfter } from '../calendar/comes-back'
import type { CalendarEvent } from '../calendar/ical'
import { firstDayOf } from '../calendar/year'
import { commandedName } from '../household/controllers'
import { lastDayThere } from '../household/last-day'
import { carrierOf } from '../study/heater-kinds'
import type { Study } from '../study/study'
import { HARD_MG_L } from '../water/hardness'

/** Makes an event of a household: its key is its own within it, and stays when the rest of it changes. */
export type Make = (event: Omit<CalendarEvent, 'uid'> & { key: string }) => CalendarEvent

/** The part of a name that an event's key is made of. */
export const slug = (text: string) => text.replace(/[^a-z0-9]+/gi, '-').toLowerCase()

/** A whole day of each year. */
export const yearly = { at: null, repeats: { years: 1 }, remindMin: null } as const

/** Water from this hardness on wants a look at coil and element twice as often. */
const scales = ({ site }: Study) => site.hardnessMgL !== null && site.hardnessMgL >= HARD_MG_L

/** Upkeep whose last day was written down, a year after it; the rest a year after the visit. */
export function upkeep(study: Study, from: string, make: Make): CalendarEvent[] {
  const { plant, pipes } = study
  const due = (key: string, title: string, on: string | null, text = ''): CalendarEvent[] =>
    on ? [make({ key, title, text: `Last on ${on}. ${text}`.trim(), day: sameDayNext(from, on), ...yearly })] : []
  const tested = (of: string, name: string, valve: unknown) =>
    due(
      `mixing-${of}`,
      `Test the mixing valve: ${name}`,
      typeof valve === 'object' && valve !== null ? (valve as { testedOn: string | null }).testedOn : null,
    )
  const there = study.finishedOn ?? lastDayThere(study)
  const sinceVisit = (key: string, title: string, text: string, years = 1): CalendarEvent[] =>
    there
      ? [
          make({
            key,
            title,
            text,
            day: yearsAfter(there, years, from),
            ...yearly,
            repeats: { years },
          }),
        ]
      : []
  return [
    ...plant.heaters.flatMap((h) =>
      'combustion' in h ? due(`service-${h.id}`, `Service: ${h.name}`, h.combustion.servicedOn) : [],
    ),
    ...plant.heaters.filter(burnsWood).map((h) =>
      make({
        key: `sweep-${h.id}`,
        title: `Sweep the flue: ${h.name}`,
        text: 'Before the heating season, by who is licensed for it here.',
        day: nextDay(from, firstDayOf(8) + 1),
        ...yearly,
      }),
    ),
    ...(plant.store ? tested('store', plant.store.name, plant.store.mixing) : []),
    ...pipes.taps.flatMap((t) => tested(t.id, t.name, t.guard)),
    ...study.controls.readBack.flatMap(({ of, on }) =>
      due(`read-back-${slug(of)}`, `Read the programme back: ${commandedName(study, of)}`, on),
    ),
    ...due(
      'drain-unit',
      'Inspect the waste water heat recovery',
      pipes.recovery?.inspectedOn ?? (pipes.recovery ? there : null),
      'Filter, tray and what has settled on the surface.',
    ),
    ...(plant.store
      ? [
          ...sinceVisit(
            'relief',
            'Relief valve: look at it and its discharge',
            'Dry, nothing tied or shut. It is lifted only where its maker says so: one that drips afterwards is replaced.',
          ),
          ...sinceVisit(
            'scale',
            'Scale: look at coil and immersion heater',
            scales(study) ? 'Hard water: each year, the cylinder too.' : 'Every second year is enough with this water.',
            scales(study) ? 1 : 2,
          ),
        ]
      : []),
    ...sinceVisit(
      'review',
      'Review of the visit',
      'Meters read on the same day as then, settings read back, what changed in the household, what was too cold.',
    ),
  ]
}
const burnsWood = (h: Study['plant']['heaters'][number]) => ['logs', 'pellets'].includes(carrierOf(h))
