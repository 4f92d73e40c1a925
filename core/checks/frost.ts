import { emptyDays } from '../household/empty-days'
import { frostAt, hoursUntilIce } from '../household/frost'
import { frostCare } from '../household/frost-care'
import { isCollector, isPointOfUse } from '../study/heater-kinds'
import type { Study } from '../study/study'
import type { Level, Rule, Told, Visit } from './check'

/** Water in a pipe that stands longer than this before it freezes gets through a night, h. */
const NIGHT_H = 24

const GUARD_WORDS: Record<Study['site']['frostGuard'], string> = {
  'not checked': 'frost protection not checked',
  none: 'no frost protection',
  'trace heating': 'trace heating with thermostat, while powered',
  'drained in winter': 'drained in winter',
  'room kept warm': 'room kept above freezing',
}

interface Cold {
  name: string
  subject: Told['subject']
  coldestC: number
  asked: boolean
  /** Hours until it freezes when nothing moves; null: it is no pipe. */
  hours: number | null
  /** What a heater there needs against it. */
  care?: string[]
}

/** Everything that holds water where frost can come. Collectors have a fluid of their own. */
function inTheCold({ study }: Visit): Cold[] {
  const { pipes, plant } = study
  const at = <T extends { place: Study['plant']['heaters'][number]['place'] }>(things: readonly T[]) =>
    things.flatMap((thing) => {
      const frost = frostAt(study, thing.place)
      return frost ? [{ thing, ...frost }] : []
    })
  return [
    ...at(pipes.runs).map(({ thing, ...f }) => ({
      name: thing.name,
      subject: { kind: 'run', id: thing.id } as const,
      hours: hoursOf(thing, study, f.coldestC),
      ...f,
    })),
    ...at(pipes.loop ? [pipes.loop.back] : []).map(({ thing, ...f }) => ({
      name: 'the secondary return',
      subject: { kind: 'loop', id: null } as const,
      hours: hoursOf(thing, study, f.coldestC),
      ...f,
    })),
    ...at(plant.store ? [plant.store] : []).map(({ thing, ...f }) => ({
      name: thing.name,
      subject: { kind: 'store', id: null } as const,
      hours: null,
      ...f,
    })),
    ...at(plant.heaters.filter((h) => !isCollector(h) && !isPointOfUse(h))).map(({ thing, ...f }) => ({
      name: thing.name,
      subject: { kind: 'heater', id: thing.id } as const,
      hours: null,
      care: frostCare(thing),
      ...f,
    })),
  ]
}

/** Hours until standing water begins to freeze; null where it never does. */
function hoursOf(...of: Parameters<typeof hoursUntilIce>): number | null {
  const hours = hoursUntilIce(...of)
  return hours !== null && Number.isFinite(hours) ? hours : null
}

/** What can freeze, against the coldest air that was entered, and how long a pipe there takes. */
const freezes: Rule = (visit): Told[] => {
  const { study, write } = visit
  const cold = inTheCold(visit)
  if (cold.length === 0) return []
  const { frostGuard } = study.site
  const guarded = frostGuard !== 'not checked' && frostGuard !== 'none'
  const empty = emptyDays(study.people).size > 0
  return cold.map((c): Told => {
    // A pipe that outlasts a night is drawn through in the morning, where somebody is there.
    const lasts = c.hours !== null && c.hours > NIGHT_H && !empty
    const unguarded: Level = lasts ? 'marginal' : 'fail'
    const level: Level = guarded
      ? 'pass'
      : unguarded === 'fail' && (frostGuard === 'not checked' || !c.asked)
        ? 'not checked'
        : unguarded
    return {
      id: `freezes-${c.subject.kind}${c.subject.id ? `-${c.subject.id}` : ''}`,
      subject: c.subject,
      concern: 'harm',
      level,
      title: `Frost risk: ${c.name}`,
      cause: { id: 'freezes', title: 'Pipes and appliances at frost risk' },
      sentence: `Air at ${c.name} ${c.asked ? 'falls to' : 'may fall to'} ${write.temperature(c.coldestC)}${c.asked ? '' : ' (design outdoor temperature not entered)'}; ${GUARD_WORDS[frostGuard]}.${c.hours === null ? '' : ` Standing water there starts to freeze after ${c.hours < 10 ? c.hours.toFixed(1) : Math.round(c.hours)} h.`}`,
      figures: {
        coldestC: { value: c.coldestC, quantity: 'temperature' },
        ...(c.hours === null
          ? {}
          : { hoursUntilIce: { value: c.hours, unit: 'h', worse: { when: 'less' as const, by: 1 } } }),
      },
      source: 'Design air temperature by location; standing water cools by exp(−t/τ); insulation delays freezing',
      remedy: c.asked
        ? c.care
          ? `Check: ${c.care.join('; ')}. Record the frost protection under Heater.`
          : 'Fit trace heating with thermostat, reroute the pipe, or drain it in winter. Record it under Heater.'
        : 'Enter the design outdoor temperature and check the frost protection.',
      asks: c.asked ? 'site.frostGuard' : 'site.designAirC',
    }
  })
}

export const FROST_CHECKS = { freezes }
