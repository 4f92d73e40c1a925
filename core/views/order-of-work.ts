import { checksOf } from '../checks/catalogue'
import type { Check } from '../checks/check'
import { checksOfMeasure } from '../checks/measure'
import { HEATERS } from '../heaters/kinds'
import { sourcesFor } from '../household/edits/heat-source'
import type { Wrap } from '../household/engineer/defaults'
import { LOOP_MODE_WORDS } from '../household/loop-mode-words'
import { apply, applyAll } from '../measures/apply'
import { beginHeatSource, beginMeasure, measuresFor } from '../measures/begin'
import type { OrderOfWork } from '../scenarios/order-of-work'
import { displayOf } from '../study/display-of'
import { controlsOf } from '../study/in-force'
import { LOOP_MODES } from '../study/loop-modes'
import { type Measure, type MeasureKind, NOT_PRICED, type Package } from '../study/measures'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { dependsOn } from '../year/depends-on'
import type { YearResult } from '../year/result'
import { broughtBy } from './brought'
import { comfortLost } from './comfort'
import { paybackText } from './payback-words'
import { sizes } from './sizes'

/** Kinds that are tried as they are begun; habits are the household's own, and moving or laying pipe wants a plan first. */
const TRIED: readonly MeasureKind[] = [
  'insulate-runs',
  'jacket',
  'store-connections',
  'setpoint',
  'tap-flow',
  'stop-when-warm',
  'mend-drip',
  'drain-recovery',
]

/** What a measure does, whatever it is called. */
const doing = ({ id: _, name: _name, ...what }: Measure) => JSON.stringify(what)

/**
 * Measures that an order of work is looked for among: those of the packages, and what else could be done here as it is begun.
 * What a check of a measure or its sizing rules out is not among them.
 */
export function workOptions(study: Study, wrap: Wrap = null): Measure[] {
  const packed = study.packages.flatMap((p) => p.measures)
  const has = (kind: MeasureKind) => packed.some((m) => m.kind === kind)
  const offered = measuresFor(study)
  const begun = TRIED.filter((kind) => offered.includes(kind) && !has(kind)).map((kind): Measure =>
    beginMeasure(study, kind, 'begun', wrap),
  )
  const modes = study.pipes.loop
    ? LOOP_MODES.filter(
        (mode) => mode !== controlsOf(study).loop.mode && mode !== 'always' && mode !== 'trace heating',
      ).map((mode): Measure => ({
        ...structuredClone(NOT_PRICED),
        kind: 'loop-mode',
        id: 'begun',
        name: `Circulation: ${LOOP_MODE_WORDS[mode].name}`,
        mode,
      }))
    : []
  const sized = sizes(study)
  const sources = sourcesFor(study, 'instead')
    .filter((kind) => HEATERS[kind].heats !== 'tap')
    .filter((kind) => sized.instead.find((s) => s.kind === kind)?.level !== 'fail')
    .flatMap((kind) => beginHeatSource(study, kind, 'instead', 'begun') ?? [])
  const all = [...new Map([...packed, ...begun, ...modes, ...sources].map((m) => [doing(m), m])).values()]
  const now = dependsOn(study)
  return all
    .filter((m) => dependsOn(apply(study, m)) !== now)
    .filter((m) => checksOfMeasure(study, m).every((c) => c.level !== 'fail'))
    .map((m, i) => ({ ...m, id: `work-${i + 1}` }))
}

/**
 * What is against measures by the year with them: a check that fails, a danger that was not there or that nobody has ruled out,
 * and, unless the household agrees to it, comfort that gets worse.
 */
export function refusalsOf(
  study: Study,
  measures: readonly Measure[],
  now: YearResult,
  then: YearResult,
  worseComfort: boolean,
  before: readonly Check[] = checksOf(study, now),
): string[] {
  const brought = broughtBy(before, checksOf(applyAll(study, measures), then))
    .filter((b) => b.level === 'fail' || b.concern === 'harm')
    .map((b) => b.title)
  // What is to be looked at before a measure is done stands in the way while it could hurt somebody.
  const open = measures
    .flatMap((m, i) => checksOfMeasure(applyAll(study, measures.slice(0, i)), m))
    .filter((c) => c.level === 'fail' || (c.level === 'not checked' && c.concern === 'harm'))
    .map((c) => (c.level === 'fail' ? c.title : `${c.title}: not checked`))
  const write = displayOf(study)
  return [
    ...[...new Set([...brought, ...open])].map((title) => `${title}.`),
    ...(worseComfort
      ? []
      : comfortLost(now, then).map(({ what, quantity, was, is }) =>
          quantity
            ? `${what} ${write.figure(quantity, was)} → ${write.figure(quantity, is)}.`
            : `${what} ${was} → ${is}.`,
        )),
  ]
}

/** The order of work as a package to be looked at; its measures in their order. */
export const packageOfWork = ({ steps }: OrderOfWork, id: string): Package => ({
  id,
  name: 'Order of work',
  measures: steps.map((s) => s.measure),
})

/** The order of work as an engineer would say it, a sentence a measure. */
export function workSentences(order: OrderOfWork, study: Study): string[] {
  const d = displayOf(study)
  return order.steps.map(({ measure, saves, cost, paybackYears }) => {
    const costs = cost === 0 ? 'with nothing to buy' : `for ${d.money(cost)}, paid back in ${paybackText(paybackYears)}`
    return saves >= 0
      ? `${measure.name}: saves ${d.money(saves)} a year ${costs}.`
      : `${measure.name}: costs ${d.money(-saves)} a year more ${costs}; what follows needs it.`
  })
}

/** What the order comes to, and how far it was looked. */
export function workSummary(order: OrderOfWork, study: Study): string {
  const d = displayOf(study)
  if (order.steps.length === 0) return 'No priced measure is worth its cost and passes the checks.'
  return `Together ${d.money(order.saves)} a year for ${d.money(order.cost)}: ${d.money(order.benefit)} a year after what it costs over its service life. ${order.years} years simulated; every single measure and every pair among them.`
}

/** A measure that nobody has priced, in a sentence. */
export function unpricedText(
  { measure, saves, worthUpTo, against }: OrderOfWork['notPriced'][number],
  d: Display,
): string {
  const worth = `${measure.name}: saves ${d.money(saves)} a year on top, worth up to ${d.money(worthUpTo)}.`
  return [worth, ...against].join(' ')
}
