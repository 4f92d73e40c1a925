import type { Person, Use } from '../../study/people'
import type { Tap } from '../../study/pipes'
import { basin, bath, DAYS_OF, dishes, shower } from '../defaults/build'
import type { QuickAnswers, QuickDay } from './answers'

/** When each thing is done by those who are out by day, at home, or up late; the first of several, HH:MM. */
const WHEN: Record<QuickDay, { wash: string; hands: readonly string[]; dishes: readonly string[]; bath: string }> = {
  out: { wash: '06:30', hands: ['07:15', '18:30'], dishes: ['19:30'], bath: '19:00' },
  home: { wash: '08:00', hands: ['08:45', '12:15', '18:00'], dishes: ['09:15', '13:00', '19:00'], bath: '18:30' },
  evening: { wash: '20:15', hands: ['08:30', '21:45'], dishes: ['20:00'], bath: '21:00' },
}
/** One after the other in the bathroom, min. */
const APART_MIN = 14
/** Showers a day and their minutes; a bath now and then instead, of so many litres. */
const SHOWER = { adult: [0.85, 6], old: [0.7, 5], child: [0.6, 5] } as const
const BATH_SHARE = { besides: 0.12, instead: 0.4, child: 0.4 } as const
const BATH_L = { adult: 110, child: 70 } as const
/** Hands and faces, L at the basin each time; washing up at the sink, L: for the household, and more for each. */
const HANDS_L = 2
const DISHES_L = { household: 6, each: 2.5 } as const
const MACHINE_L = 12
/** A wash at a basin or sink where there is neither shower nor bath, L. */
const WASH_L = 10

const after = (at: string, min: number) => {
  const all = Math.min(23 * 60 + 30, Number(at.slice(0, 2)) * 60 + Number(at.slice(3)) + min)
  return `${String(Math.floor(all / 60)).padStart(2, '0')}:${String(all % 60).padStart(2, '0')}`
}

export function quickPersons({ adults, children, older }: QuickAnswers): Person[] {
  const several = (n: number, kind: Person['kind'], id: string, name: string) =>
    Array.from({ length: n }, (_, i): Person => ({
      id: `${id}-${i + 1}`,
      name: n > 1 ? `${name} ${i + 1}` : name,
      kind,
    }))
  return [
    ...several(adults, 'adult', 'adult', 'Adult'),
    ...several(older, 'old', 'older', 'Older occupant'),
    ...several(children, 'child', 'child', 'Child'),
  ]
}

/** What the occupants draw on a usual day: by who they are, what there is to draw from and when they are at home. */
export function quickHabits(answers: QuickAnswers, persons: readonly Person[], taps: readonly Tap[]): Use[] {
  const when = WHEN[answers.day]
  const of = (kind: Tap['kind']) => taps.filter((t) => t.kind === kind)
  const one = (among: readonly Tap[], i: number) => among[i % among.length]
  const [showers, baths, basins, sinks, machines] = (['shower', 'bath', 'basin', 'kitchen', 'machine'] as const).map(of)
  const hands = basins.length ? basins : sinks
  const uses: Use[] = []
  const mixed = [...showers, ...baths, ...basins, ...sinks]
  persons.forEach((person, i) => {
    const kind = person.kind === 'child' ? 'child' : person.kind === 'old' ? 'old' : 'adult'
    const who = (tap: Tap, what: string, n: number) => ({
      id: `${person.id}-${what}-${n}`,
      name: `${person.name}, ${what}`,
      personId: person.id,
      tapId: tap.id,
    })
    const turn = after(when.wash, Math.floor(i / Math.max(1, showers.length)) * APART_MIN)
    if (showers.length) {
      const [chance, minutes] = SHOWER[kind]
      uses.push(shower(who(one(showers, i), 'shower', 1), { days: 'every', at: turn, chance }, minutes))
    }
    if (baths.length) {
      const chance = !showers.length ? BATH_SHARE.instead : kind === 'child' ? BATH_SHARE.child : BATH_SHARE.besides
      const litres = kind === 'child' ? BATH_L.child : BATH_L.adult
      const at = after(when.bath, i * 2 * APART_MIN)
      uses.push(bath(who(one(baths, i), 'bath', 1), { days: 'every', at, chance }, litres))
    }
    if (!showers.length && !baths.length && mixed.length)
      uses.push(basin(who(one(mixed, i), 'wash', 1), { days: 'every', at: turn }, WASH_L))
    if (hands.length)
      when.hands.forEach((at, n) =>
        uses.push(basin(who(one(hands, i), 'hands', n + 1), { days: 'every', at: after(at, i * 3) }, HANDS_L)),
      )
  })
  const household = (tap: Tap, id: string, name: string) => ({ id, name, personId: null, tapId: tap.id })
  if (sinks.length) {
    const litres = (DISHES_L.household + DISHES_L.each * persons.length) / when.dishes.length
    when.dishes.forEach((at, n) =>
      uses.push(dishes(household(one(sinks, n), `dishes-${n + 1}`, 'Washing up'), { days: 'every', at }, litres)),
    )
  }
  machines.forEach((tap, n) =>
    uses.push({
      ...basin(household(tap, `machine-${n + 1}`, tap.name), { days: 'every', at: '14:00', chance: 0.6 }, MACHINE_L),
      spreadMin: 120,
    }),
  )
  return uses.map((h) => ({ ...h, days: [...DAYS_OF.every] }))
}
