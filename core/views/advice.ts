import { everyDay } from '../calendar/week'
import { checksOf } from '../checks/catalogue'
import { type Check, rank } from '../checks/check'
import { asksAlone, requiredSupplyC } from '../checks/delivery'
import { scaldLimitOf } from '../household/at-risk'
import type { Wrap } from '../household/engineer/defaults'
import { storeThermostat, supplyOf } from '../household/supply'
import { apply } from '../measures/apply'
import { beginMeasure, measuresFor } from '../measures/begin'
import { type Controls, defaultPasteurisation, SETPOINT_C } from '../study/controls'
import { displayOf } from '../study/display-of'
import { edited } from '../study/edited'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { MeasureKind } from '../study/measures'
import { RIGHT_CLOCK } from '../study/new-controller'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { lowerFirst } from '../words/lower-first'
import type { YearResult } from '../year/result'
import { type Brought, broughtBy } from './brought'
import { findingsOf } from './findings'

/** Something that might mend a check, to be tried on the house before it is advised. */
export interface Candidate {
  /** The check that it is for. */
  check: string
  words: string
  /** The kind of measure that it is begun as, where it is one. */
  measure: MeasureKind | null
  /** The household with it. */
  study: Study
}

/** What a candidate does to the house it was tried on. */
export interface Tried extends Omit<Candidate, 'study'> {
  /** How its check stands with it, and whether that is better. */
  level: Check['level']
  helps: boolean
  /** Money a year less than now; negative: it costs more. */
  savesMoney: number
  /** What it makes worse. */
  brought: Brought[]
  /** It helps and hurts nobody: it may be advised. */
  offered: boolean
}

/** Most that is tried for one household, so that a long list does not keep the cores from the next change. */
const MOST_TRIED = 16
/** A setpoint is tried so much higher or lower, K. */
const STEP_K = 5
/** A differential that is tried against frequent starts, K. */
const WIDE_K = 8
/** Hours of morning and evening in which most houses draw. */
const BUSY = [
  [5.5 * 60, 9.5 * 60],
  [16 * 60, 23 * 60],
] as const

const within = (c: number) => Math.min(SETPOINT_C.high, Math.max(SETPOINT_C.low, Math.round(c * 2) / 2))
const set = (study: Study, change: (controls: Controls) => void): Study =>
  edited(study, ({ controls }) => {
    controls.set = edited(controlsOf(study), change)
  })
const setpoint = (study: Study, heaterId: string, c: number) =>
  set(study, (k) => void (k.heaters[heaterId].setpointC = within(c)))

type Idea = Omit<Candidate, 'check'>
/** What could be tried for a check, by the beginning of its name. */
type Ideas = (study: Study, c: Check, write: Display) => Idea[]

const idea = (words: string, study: Study): Idea => ({ words, measure: null, study })

/** A setpoint moved by some kelvins, or to a figure. */
function toSetpoint(study: Study, heaterId: string, c: number, write: Display): Idea[] {
  const now = controlsOf(study).heaters[heaterId]?.setpointC
  if (now === undefined || within(c) === now) return []
  return [idea(`Setpoint ${write.temperature(within(c))}`, setpoint(study, heaterId, c))]
}
const moved = (study: Study, heaterId: string, byK: number, write: Display) => {
  const now = controlsOf(study).heaters[heaterId]?.setpointC
  return now === undefined ? [] : toSetpoint(study, heaterId, now + byK, write)
}

/** Hotter water, where a thermostat sets how hot it is. */
function hotter(study: Study, write: Display): Idea[] {
  const { heaterId } = supplyOf(study)
  return study.plant.heaters.some((h) => h.id === heaterId && hasSetpoint(h))
    ? moved(study, heaterId, STEP_K, write)
    : []
}

const IDEAS: Record<string, Ideas> = {
  scald: (study, _c, write) => {
    const limitC = scaldLimitOf(study).value
    if (study.plant.store)
      return [
        idea(
          `Mixing valve at the cylinder, ${write.temperature(limitC)}`,
          edited(study, ({ plant }) => void (plant.store!.mixing = { mixesToC: limitC, testedOn: null })),
        ),
      ]
    return toSetpoint(study, supplyOf(study).heaterId, limitC, write)
  },
  'growth-store': (study, _c, write) => {
    const id = storeThermostat(study)?.heaterId
    if (!id) return []
    const cycle = controlsOf(study).heaters[id].pasteurisation
    const limitC = scaldLimitOf(study).value
    return [
      ...toSetpoint(study, id, 60, write),
      idea(
        `Cylinder at ${write.temperature(60)}, mixing valve ${write.temperature(limitC)}`,
        edited(
          setpoint(study, id, 60),
          ({ plant }) => void (plant.store!.mixing = { mixesToC: limitC, testedOn: null }),
        ),
      ),
      ...(cycle
        ? []
        : [
            idea(
              'Weekly pasteurisation cycle',
              set(study, (k) => void (k.heaters[id].pasteurisation = defaultPasteurisation())),
            ),
          ]),
      ...(controlsOf(study).heaters[id].schedule
        ? [
            idea(
              'No hot water schedule',
              set(study, (k) => void (k.heaters[id].schedule = null)),
            ),
          ]
        : []),
    ]
  },
  'growth-': (study, c, write) =>
    c.subject.kind === 'heater' && c.subject.id ? toSetpoint(study, c.subject.id, 60, write) : [],
  'growth-loop': (study, _c, write) => [
    ...hotter(study, write),
    idea(
      'Circulation continuous',
      set(study, (k) => void (k.loop.mode = 'always')),
    ),
  ],
  delivery: (study, c, write) => [
    ...(c.subject.kind === 'controller' && c.subject.id
      ? [
          idea(
            'No hot water schedule',
            set(study, (k) => void (k.heaters[c.subject.id!].schedule = null)),
          ),
        ]
      : []),
    ...hotter(study, write),
  ],
  'need-': (study, c, write) => {
    const tap = study.pipes.taps.find((t) => t.id === c.subject.id)
    const carried = tap && requiredSupplyC(study, tap)
    const { heaterId } = supplyOf(study)
    // For one tap the whole house is not heated.
    if (asksAlone(study)) return []
    return carried && controlsOf(study).heaters[heaterId] ? toSetpoint(study, heaterId, carried + 0.5, write) : []
  },
  'mixer-reach': (study, _c, write) => hotter(study, write),
  'loop-costs': (study) => [
    idea(
      'Stop when hot',
      set(study, (k) => void (k.loop.mode = 'stop warm')),
    ),
    idea(
      'Circulation schedule, mornings and evenings',
      set(
        study,
        (k) =>
          void (
            (k.loop.mode = 'clock'),
            (k.loop.schedule = everyDay(...BUSY.map(([a, b]) => [a, b] as [number, number])))
          ),
      ),
    ),
  ],
  'cycling-': (study, c) => {
    const h = study.plant.heaters.find((x) => x.id === c.subject.id)
    if (!h || !hasSetpoint(h)) return []
    return [
      ...(controlsOf(study).heaters[h.id].keepHot
        ? [
            idea(
              `Keep-hot off: ${h.name}`,
              set(study, (k) => void (k.heaters[h.id].keepHot = false)),
            ),
          ]
        : []),
      ...(controlsOf(study).heaters[h.id].differentialK < WIDE_K
        ? [
            idea(
              `Wider switching differential: ${h.name}`,
              set(study, (k) => void (k.heaters[h.id].differentialK = WIDE_K)),
            ),
          ]
        : []),
    ]
  },
  'keep-hot-': (study, c) => [
    idea(
      'Keep-hot off',
      set(study, (k) => void (k.heaters[c.subject.id!].keepHot = false)),
    ),
  ],
  'sensor-below-': (study, c) => {
    const heater = study.plant.heaters.find((h) => h.id === c.subject.id)
    const from = heater && 'coil' in heater ? heater.coil.bottom : heater && 'height' in heater ? heater.height : null
    if (!heater || from === null) return []
    const at = Math.min(1, from + 0.1)
    return [
      idea(
        `Sensor at ${Math.round(100 * at)}% of the height`,
        edited(study, ({ plant }) => {
          const moved = plant.heaters.find((h) => h.id === heater.id)!
          if ('sensorHeight' in moved && moved.sensorHeight !== null) moved.sensorHeight = at
          else plant.store!.sensorHeight = at
        }),
      ),
    ]
  },
  'scale-': (study, c, write) => toSetpoint(study, c.subject.id!, 60, write),
  'reach-': (study, c, write) => toSetpoint(study, c.subject.id!, Math.floor(c.figures.makesC.value), write),
  'will-not-fire-': (study, _c, write) => moved(study, supplyOf(study).heaterId, -STEP_K, write),
  'condensing-': (study, c, write) => moved(study, c.subject.id!, -STEP_K, write),
  'backup-': (study, c, write) => moved(study, c.subject.id!, -STEP_K, write),
  'hot-run': (study, c, write) => {
    const run = controlsOf(study).heaters[c.subject.id!]?.pasteurisation
    return run && run.toC > 60
      ? [
          idea(
            `Cycle at ${write.temperature(60)}`,
            set(study, (k) => void (k.heaters[c.subject.id!].pasteurisation!.toC = 60)),
          ),
        ]
      : []
  },
  'clock-wrong-': (study) => [
    idea(
      'Clock set',
      set(study, (k) => {
        for (const id of Object.keys(k.clocks)) k.clocks[id] = { ...RIGHT_CLOCK }
      }),
    ),
  ],
}

/** Ideas of a check: those of its own name, or of the longest beginning of it. */
const ideasFor = (id: string): Ideas | null => {
  const key = Object.keys(IDEAS)
    .filter((k) => id === k || (k.endsWith('-') && id.startsWith(k)) || (k === 'scald' && id.startsWith('scald-')))
    .sort((a, b) => b.length - a.length)[0]
  return key ? IDEAS[key] : null
}

/**
 * What is worth trying for what stands out: settings and measures that might mend it, a few for each cause, dangers first.
 * Every one of them is only an idea until it has been simulated on the house. Pipes are wrapped with the engineer's own.
 */
export function candidatesFor(study: Study, checks: readonly Check[], wrap: Wrap = null): Candidate[] {
  const write = displayOf(study)
  const possible = measuresFor(study)
  return findingsOf(checks)
    .flatMap((f) => {
      const [first] = f.parts
      const ideas = ideasFor(first.id)?.(study, first, write) ?? []
      const measure = first.mendedBy && possible.includes(first.mendedBy) ? first.mendedBy : null
      const asMeasure = measure && beginMeasure(study, measure, 'tried', wrap)
      return [...ideas, ...(asMeasure ? [{ words: asMeasure.name, measure, study: apply(study, asMeasure) }] : [])].map(
        (i) => ({ ...i, check: first.id }),
      )
    })
    .slice(0, MOST_TRIED)
}

/** A candidate by the year that was simulated with it: what it does to its check, what it costs, and what it makes worse. */
export function tried(
  now: { year: YearResult; checks: readonly Check[] },
  { study, ...candidate }: Candidate,
  then: YearResult,
): Tried {
  const checks = checksOf(study, then)
  const before = now.checks.find((c) => c.id === candidate.check)
  const after = checks.find((c) => c.id === candidate.check)
  const level = after?.level ?? 'pass'
  const brought = broughtBy(now.checks, checks)
  const better =
    before !== undefined && (rank(level) < rank(before.level) || (after !== undefined && improves(before, after)))
  const helps = better && !brought.some((b) => b.id === candidate.check)
  return {
    ...candidate,
    level,
    helps,
    savesMoney: now.year.cost.total - then.cost.total,
    brought,
    offered: helps && !brought.some((b) => b.concern === 'harm'),
  }
}

/** A figure of a check that got better by more than anybody would miss, and none that got worse. */
function improves(before: Check, after: Check): boolean {
  const moves = Object.entries(after.figures).flatMap(([name, is]) => {
    const was = before.figures[name]
    if (!was || !is.worse) return []
    const gain = is.worse.when === 'more' ? was.value - is.value : is.value - was.value
    return [{ gain, by: is.worse.by }]
  })
  return moves.some((m) => m.gain > m.by) && !moves.some((m) => m.gain < -m.by)
}

const moneyOf = ({ savesMoney }: Tried, write: Display) =>
  Math.abs(savesMoney) < 0.5
    ? 'no change in cost'
    : `${savesMoney > 0 ? 'saves' : 'costs'} ${write.money(Math.abs(savesMoney))} a year`

/** The same in a few words: what it is, its money, and that something gets worse. */
export const adviceInShort = (t: Tried, write: Display): string =>
  `${t.words}, ${moneyOf(t, write)}${t.brought.length ? `, ${t.brought.length} worse` : ''}`

/** What a tried remedy does, in words. */
export function adviceSentence(t: Tried, write: Display): string {
  const money = moneyOf(t, write)
  const what = t.level === 'pass' ? 'solves it' : 'improves it'
  const worse = t.brought.length ? `; makes worse: ${t.brought.map((b) => lowerFirst(b.title)).join(', ')}` : ''
  return `${t.words}: ${what}, ${money}${worse}.`
}
