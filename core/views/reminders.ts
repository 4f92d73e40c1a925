import { MINUTES_A_DAY } from '../calendar/clock'
import { nextDay, nextWeekday, sameDayNext } from '../calendar/comes-back'
import { dayAfter } from '../calendar/days'
import { type CalendarEvent, icalText } from '../calendar/ical'
import { summerTimeDays } from '../calendar/summer-time'
import { type Schedule, type Window } from '../calendar/week'
import { firstDayOf } from '../calendar/year'
import { boostNotice, weekdayOf } from '../household/boost'
import { controllerWeeks } from '../household/controller-weeks'
import { dueAgain } from '../household/due-again'
import { backOn, flowNext, flowStepsOf } from '../household/heating/flow-steps'
import { STEP_CARDS } from '../procedures/cards'
import { READINGS } from '../readings/kinds'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import type { Display } from '../units/display'
import { blocksOf } from '../verification/protocol'
import { type Make, slug, upkeep, yearly } from './upkeep'

/** The household is told of hot water that can scald so long before, and of a day's work on the evening before, min. */
const BEFORE_MIN = 60
const EVENING_BEFORE_MIN = 6 * 60

/** Each period of a week once, with the days that have it. */
function periodsOf(week: Schedule): { window: Window; days: number[] }[] {
  const all = new Map<string, { window: Window; days: number[] }>()
  week.forEach((day, d) =>
    day.forEach((window) => {
      const key = `${window.fromMin}-${window.toMin}`
      const there = all.get(key) ?? { window, days: [] }
      there.days.push(d)
      all.set(key, there)
    }),
  )
  return [...all.values()]
}

const schedules = (study: Study, from: string, make: Make): CalendarEvent[] =>
  controllerWeeks(study, controlsOf(study)).flatMap(({ of, name, week }) =>
    periodsOf(week).map(({ window, days }) =>
      make({
        key: `week-${slug(of)}-${window.fromMin}-${window.toMin}`,
        title: `${name} on`,
        text: '',
        day: nextWeekday(from, days),
        at: { min: window.fromMin, minutes: window.toMin - window.fromMin },
        repeats: { weekdays: days },
        remindMin: null,
      }),
    ),
  )

function cycles(study: Study, from: string, write: Display, make: Make): CalendarEvent[] {
  return study.plant.heaters.filter(hasSetpoint).flatMap((h) => {
    const { pasteurisation: run, overrides } = controlsOf(study).heaters[h.id]
    return [
      ...(run
        ? [
            make({
              key: `pasteurisation-${h.id}`,
              title: `Pasteurisation cycle, ${h.name}`,
              text: `${write.temperature(run.toC)} held for ${run.holdMin} min: scald hazard at outlets until the water has cooled.`,
              day: nextWeekday(from, [run.weekday]),
              at: { min: run.atMin, minutes: Math.max(60, run.holdMin) },
              repeats: { weekdays: [run.weekday] },
              remindMin: BEFORE_MIN,
            }),
          ]
        : []),
      ...overrides.flatMap((o, i): CalendarEvent[] => {
        const weekday = weekdayOf(study, o.fromDay)
        const day = o.weekly ? nextWeekday(from, [weekday]) : nextDay(from, o.fromDay)
        const repeats = o.weekly ? { weekdays: [weekday] } : null
        const end = o.fromMin + (o.minutes ?? MINUTES_A_DAY)
        return [
          make({
            key: `boost-${h.id}-${i}`,
            title: `${write.temperature(o.setpointC)} by hand, ${h.name}`,
            text: boostNotice(study, o, write),
            day,
            at: { min: o.fromMin, minutes: o.minutes ?? 60 },
            repeats,
            remindMin: BEFORE_MIN,
          }),
          make({
            key: `boost-end-${h.id}-${i}`,
            title: `Back to the setpoint, ${h.name}`,
            text: 'Check that the setting by hand has ended; put it back where it has not.',
            day: dayAfter(day, Math.floor(end / MINUTES_A_DAY)),
            at: { min: end % MINUTES_A_DAY, minutes: 15 },
            repeats: repeats && { weekdays: [(weekday + Math.floor(end / MINUTES_A_DAY)) % 7] },
            remindMin: 0,
          }),
        ]
      }),
    ]
  })
}

/** Steps of a card as the text of a reminder. */
const stepsOf = (card: 'leaving' | 'coming-back', write: Display): string =>
  STEP_CARDS[card].steps.map((s, i) => `${i + 1}. ${typeof s.text === 'string' ? s.text : s.text(write)}`).join('\n')

/** Going away and coming back, of absences of all occupants. */
const absences = (study: Study, from: string, write: Display, make: Make): CalendarEvent[] =>
  study.people.absences
    .filter((a) => a.personId === null)
    .flatMap((a, i) => {
      const away = nextDay(from, a.fromDay)
      const back = nextDay(away, a.toDay)
      const all = { at: null, repeats: null, remindMin: EVENING_BEFORE_MIN } as const
      return [
        make({
          key: `leaving-${i}`,
          title: STEP_CARDS.leaving.title,
          text: stepsOf('leaving', write),
          day: away,
          ...all,
        }),
        make({
          key: `coming-back-${i}`,
          title: STEP_CARDS['coming-back'].title,
          text: stepsOf('coming-back', write),
          day: back,
          ...all,
        }),
      ]
    })

/** Clocks and batteries of controllers. */
function controllers(study: Study, from: string, make: Make): CalendarEvent[] {
  const changes = summerTimeDays(study.site.summerTime, study.site.firstWeekday)
  const days = changes ? [changes.begins + 1, changes.ends + 1] : [firstDayOf(3) + 1, firstDayOf(9) + 1]
  return study.controllers.flatMap(({ id, name, batteryOn }) => [
    ...days.map((day, i) =>
      make({
        key: `clock-${id}-${i}`,
        title: `Check the clock: ${name}`,
        text: 'Time and weekday on the controller; note how far it is off before it is set.',
        day: nextDay(from, day),
        ...yearly,
      }),
    ),
    ...(batteryOn
      ? [
          make({
            key: `battery-${id}`,
            title: `Batteries: ${name}`,
            text: `Changed on ${batteryOn}. Read the programme back afterwards.`,
            day: sameDayNext(from, batteryOn),
            ...yearly,
          }),
        ]
      : []),
  ])
}

/** First months with heating and without, where there are both. */
function seasons(study: Study, from: string, make: Make): CalendarEvent[] {
  const dial = study.controls.own.some((s) => s.kind === 'mode dial')
  const { flow } = controlsOf(study).heating
  // A fixed flow that was raised in a frost stays raised unless somebody remembers it.
  if (!dial && flow?.by !== 'season' && flow?.by !== 'fixed') return []
  const heats = study.site.heatingMonths
  return heats.flatMap((on, m) => {
    if (on === heats[(m + 11) % 12]) return []
    return [
      make({
        key: `season-${m}`,
        title: on ? 'Heating season begins: mode and flow' : 'Heating season ends: mode and flow',
        text: on
          ? 'Mode dial to heating and hot water; pressure of the circuit. Flow temperature a small step at a time: note the day, the flow and how warm it was.'
          : 'Mode dial to hot water only, not to standby; hot water stays as it is. A flow temperature that was raised in a frost goes back.',
        day: nextDay(from, firstDayOf(m) + 1),
        ...yearly,
      }),
    ]
  })
}

/** A flow in small steps: each on its day until something was said of it, and back when the frost has gone. */
function flowSteps(study: Study, from: string, write: Display, make: Make): CalendarEvent[] {
  const plan = study.heating?.steps
  if (!plan) return []
  const steps = flowStepsOf(study, plan)
  const next = flowNext(steps)
  const whole = { at: null, repeats: null, remindMin: EVENING_BEFORE_MIN } as const
  const back = backOn(study, plan)
  return [
    ...(next.does === 'try' || next.does === 'ask'
      ? steps
          .filter((s) => s.vote === null)
          .map((s, i) =>
            make({
              key: `flow-step-${i}`,
              title: `Heating flow to ${write.temperature(s.flowC)}`,
              text: 'One step only. Before the next: note the day, how cold it is outdoors and how warm the rooms are.',
              day: s.due,
              ...whole,
            }),
          )
      : []),
    ...(back
      ? [
          make({
            key: 'flow-back',
            title: `Heating flow back to ${write.temperature(plan.fromC)}`,
            text: 'It was raised for the cold. Go down by the same steps while rooms stay warm.',
            day: back,
            ...whole,
          }),
        ]
      : []),
  ].filter((e) => e.day >= from)
}

/** Readings that a change has made old, on the day from which they are worth taking. */
const again = (study: Study, from: string, make: Make): CalendarEvent[] =>
  dueAgain(study).map((d) =>
    make({
      key: `again-${d.kind}`,
      title: `Measure again: ${READINGS[d.kind].title}`,
      text: `${d.because} changed on ${d.changedOn}: ${d.conditions}.`,
      day: d.due < from ? from : d.due,
      at: null,
      repeats: null,
      remindMin: null,
    }),
  )

/** Weeks on and off: on the day on which each begins it is switched, and the meter is read. */
const onAndOff = ({ verification }: Study, from: string, make: Make): CalendarEvent[] => {
  const { protocol, meters } = verification
  if (!protocol) return []
  const meter = meters.find((m) => m.id === protocol.meterId)!
  const blocks = blocksOf(protocol)
  const day = (on: string, key: string, does: string) =>
    make({
      key: `protocol-${key}`,
      title: `${does}; read the meter: ${meter.name}`,
      text: 'Read it at the same hour each time, and write it down at once. Nothing else is changed in these weeks.',
      day: on,
      at: null,
      repeats: null,
      remindMin: EVENING_BEFORE_MIN,
    })
  const named = protocol.of[0].toUpperCase() + protocol.of.slice(1)
  return [
    ...blocks.map((b, i) => day(b.from, String(i), `${named} ${b.on ? 'on' : 'off'}`)),
    day(blocks[blocks.length - 1].to, 'end', `${named} as it was`),
  ].filter((e) => e.day >= from)
}

/** Everything of a household that comes on a day: schedules, cycles, boosts, absences, clocks, seasons, upkeep. */
export function remindersOf(study: Study, from: string, write: Display): CalendarEvent[] {
  const words = wordsOf(study)
  const make: Make = ({ key, title, text, ...event }) => ({
    uid: `${key}@${study.id}.bagno.invalid`,
    title: words(title),
    text: words(text),
    ...event,
  })
  return [
    ...schedules(study, from, make),
    ...cycles(study, from, write, make),
    ...absences(study, from, write, make),
    ...controllers(study, from, make),
    ...seasons(study, from, make),
    ...flowSteps(study, from, write, make),
    ...upkeep(study, from, make),
    ...again(study, from, make),
    ...onAndOff(study, from, make),
  ]
}

/** The same as a calendar file. @param from first day; @param stamp when it is written, UTC */
export const calendarFile = (
  study: Study,
  write: Display,
  { from, zone, stamp }: { from: string; zone: string; stamp: string },
): string => icalText(remindersOf(study, from, write), study.name, zone, stamp)
