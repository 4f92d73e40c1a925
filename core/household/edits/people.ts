import { edited } from '../../study/edited'
import { freshId } from '../../study/fresh-id'
import { isPointOfUse } from '../../study/heater-kinds'
import { forget } from '../../study/measures'
import type { Study } from '../../study/study'

/** The study without a person: what they did is the household's now, who was to live like them does not come. */
export const removePerson = (study: Study, id: string): Study =>
  edited(study, ({ people }) => {
    people.persons = people.persons.filter((p) => p.id !== id)
    people.absences = people.absences.filter((a) => a.personId !== id)
    people.guests = people.guests.filter((g) => g.likePersonId !== id)
    for (const h of people.uses) if (h.personId === id) h.personId = null
  })

/** Why a tap must stay, or null. */
export function keepsTap({ pipes, plant, people }: Study, id: string): string | null {
  if (pipes.taps.length === 1) return 'the last outlet cannot be removed'
  if (plant.heaters.some((h) => isPointOfUse(h) && h.tapId === id)) return 'it has a point-of-use heater'
  const { draws } = people
  if (people.uses.some((h) => h.tapId === id)) return 'a use is assigned to it'
  if (draws.kind === 'standard' && draws.tapId === id) return 'the tapping profile uses it'
  if (draws.kind === 'logged' && draws.draws.some((d) => d.tapId === id)) return 'the draw-off log uses it'
  return null
}

/** The study without a tap, and without what was proposed for it. */
export const removeTap = (study: Study, id: string): Study =>
  keepsTap(study, id) !== null
    ? study
    : edited(study, ({ pipes, packages, handover }) => {
        pipes.taps = pipes.taps.filter((t) => t.id !== id)
        if (pipes.drain) pipes.drain.tapIds = pipes.drain.tapIds.filter((x) => x !== id)
        const { recovery } = pipes
        if (recovery) recovery.tapIds = recovery.tapIds.filter((x) => x !== id)
        if (recovery?.tapIds.length === 0) pipes.recovery = null
        forget(packages, 'taps', (x) => x === id)
        handover.tests = handover.tests.filter((t) => t.at !== id && t.beside !== id)
      })

/** One more tap like the last, to be typed over. */
export const addTap = (study: Study): Study =>
  edited(study, ({ pipes }) => {
    const { taps } = study.pipes
    pipes.taps.push({ ...taps[taps.length - 1], id: freshId('tap', taps), name: 'New outlet' })
  })

/** Days that an absence and guests begin with: a fortnight in August, the week after midwinter. */
const DEFAULT_AWAY = { fromDay: 213, toDay: 226 } as const
const DEFAULT_GUESTS = { fromDay: 358, toDay: 365 } as const

/** One more absence of everybody. */
export const addAbsence = (study: Study): Study =>
  edited(study, ({ people }) => void people.absences.push({ personId: null, ...DEFAULT_AWAY }))

/** Two guests more, who live as the first of the household does; nobody can live like nobody. */
export const addGuests = (study: Study): Study =>
  edited(study, ({ people }) => {
    const [like] = study.people.persons
    if (like) people.guests.push({ name: 'Guests', count: 2, likePersonId: like.id, ...DEFAULT_GUESTS })
  })

/** One end of a stretch of days moved; the other goes along so that it never ends before it begins. */
export function moveEnd(span: { fromDay: number; toDay: number }, end: 'fromDay' | 'toDay', day: number): void {
  span[end] = day
  if (end === 'fromDay') span.toDay = Math.max(span.toDay, day)
  else span.fromDay = Math.min(span.fromDay, day)
}

/** The study without a use, and without what was proposed for it. */
export const removeHabit = (study: Study, id: string): Study =>
  edited(study, ({ people, packages }) => {
    people.uses = people.uses.filter((h) => h.id !== id)
    forget(packages, 'uses', (x) => x === id)
  })
