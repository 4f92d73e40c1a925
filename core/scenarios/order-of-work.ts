import { outlookOf } from '../household/outlook'
import { applyAll } from '../measures/apply'
import { boughtAt } from '../measures/bought'
import { lifeOf } from '../measures/life'
import { costOf, partsOf } from '../measures/parts'
import { paybackYears } from '../measures/payback'
import { presentWorth, yearlyCost } from '../money/appraisal'
import type { Measure } from '../study/measures'
import type { Study } from '../study/study'
import { dependsOn } from '../year/depends-on'
import type { YearResult } from '../year/result'
import type { Simulator } from './optimise-schedule'

/** A measure that could be done, with what it costs. */
interface Option {
  measure: Measure
  /** Money of the household for it, and a year over its life; null: not priced. */
  cost: number | null
  aYear: number
}

/** Says what is against a set of measures, by the year with them; nothing: it may be advised. */
type Refusals = (measures: readonly Measure[], then: YearResult) => Promise<readonly string[]>

/** A measure at its place in the order of work. */
interface WorkStep {
  measure: Measure
  /** Money a year that it saves after those before it, and what it costs, money. */
  saves: number
  cost: number
  paybackYears: number
}

export interface OrderOfWork {
  steps: WorkStep[]
  /** Of all of them: money saved a year, their cost, and what is left of the saving after what they cost a year. */
  saves: number
  cost: number
  benefit: number
  /** The best of single measures and of pairs that may be advised, by what is left a year; null: there is none. */
  bestOfFew: number | null
  /** Measures that are not in it, and why. */
  left: { measure: Measure; why: string[] }[]
  /** Measures that nobody has priced: what each would save after all of them, and what it may cost to pay over its life. */
  notPriced: { measure: Measure; saves: number; worthUpTo: number; against: string[] }[]
  budget: number | null
  years: number
}

/** What is left of a saving has to be better by this to count, money a year. */
const LEAST_BETTER = 0.01

/** What a measure costs the household. What takes no parts and no money is a setting or a habit, done on the visit. */
function optionOf(study: Study, measure: Measure): Option {
  const byHand = measure.costMoney === null && partsOf(study, measure).length === 0
  const cost = byHand ? { likely: 0 } : costOf(study, measure)
  if (!cost) return { measure, cost: null, aYear: 0 }
  const bought = boughtAt(measure, cost.likely, study.economics)
  return {
    measure,
    cost: bought.cost - bought.grant,
    aYear: yearlyCost(bought, outlookOf(study.economics).discountPercent / 100),
  }
}

/** What a year depends on, to nine digits: two ways to one household differ in the last ones. */
const roughly = (study: Study) =>
  dependsOn(study).replace(/-?\d+\.\d+(e-?\d+)?/g, (figure) => Number(figure).toPrecision(9))

/**
 * Whether two measures cannot be done together: two of a kind are about the same thing, one takes away what the other sets, or
 * it matters which of them is done first, so that one undoes part of the other.
 */
export function exclude(study: Study, a: Measure, b: Measure): boolean {
  const target = (m: Measure) =>
    'heaterId' in m ? m.heaterId : 'tapId' in m ? m.tapId : 'runId' in m ? m.runId : m.kind
  if (a.kind === b.kind) return a.kind !== 'insulate-runs' && target(a) === target(b)
  const gone = (source: Measure, m: Measure) =>
    source.kind === 'heat-source' && 'heaterId' in m && source.replaces.includes(m.heaterId)
  return gone(a, b) || gone(b, a) || roughly(applyAll(study, [a, b])) !== roughly(applyAll(study, [b, a]))
}

type Known = YearResult | null

/**
 * Looks for the measures that are worth most together after what they cost a year, within the budget and nothing against them:
 * every single one and every pair first, then one more and one less for as long as that is better. Each set is judged by its own year.
 * @param base the year as it is set; @param simulate throws to end the search
 */
export async function orderOfWork(
  study: Study,
  measures: readonly Measure[],
  base: YearResult,
  simulate: Simulator,
  refusals: Refusals,
): Promise<OrderOfWork> {
  const options = measures.map((m) => optionOf(study, m))
  const known = new Map<string, Known>([['', base]])
  const against = new Map<string, readonly string[]>()
  const budget = study.economics.budgetMoney

  const keyOf = (set: readonly number[]) => [...set].sort((x, y) => x - y).join(' ')
  const inOrder = (set: readonly number[]) => [...set].sort((x, y) => x - y).map((i) => measures[i])
  async function years(sets: readonly (readonly number[])[]): Promise<void> {
    const wanted = [...new Map(sets.map((s) => [keyOf(s), s])).entries()].filter(([key]) => !known.has(key))
    const all = await simulate(wanted.map(([, set]) => applyAll(study, inOrder(set))))
    wanted.forEach(([key], i) => known.set(key, all[i]))
  }
  const moneyOf = (set: readonly number[]) => {
    const year = known.get(keyOf(set))
    return year ? base.cost.total - year.cost.total : -Infinity
  }
  const sum = (set: readonly number[], of: (o: Option) => number) => set.reduce((s, i) => s + of(options[i]), 0)
  const costOfSet = (set: readonly number[]) => sum(set, (o) => o.cost!)
  const benefit = (set: readonly number[]) => moneyOf(set) - sum(set, (o) => o.aYear)
  const affordable = (set: readonly number[]) => budget === null || costOfSet(set) <= budget
  async function refusedBy(set: readonly number[]): Promise<readonly string[]> {
    const key = keyOf(set)
    const year = known.get(key)
    if (!year) return ['A year with it could not be simulated.']
    const said = against.get(key) ?? (await refusals(inOrder(set), year))
    against.set(key, said)
    return said
  }
  /** The best of some sets that may be advised; null where none is better than a benefit. */
  async function best(sets: readonly (readonly number[])[], than: number): Promise<readonly number[] | null> {
    const ranked = sets.filter((s) => affordable(s) && benefit(s) > than + LEAST_BETTER)
    ranked.sort((x, y) => benefit(y) - benefit(x))
    for (const set of ranked) if ((await refusedBy(set)).length === 0) return set
    return null
  }

  const priced = options.flatMap((o, i) => (o.cost === null ? [] : [i]))
  const apart = measures.map((a, i) => measures.map((b, k) => (k < i ? exclude(study, a, b) : false)))
  const excluded = (i: number, k: number) => apart[Math.max(i, k)][Math.min(i, k)]
  const fit = (set: readonly number[], i: number) => set.every((k) => !excluded(k, i))
  const few = priced.flatMap((a) => [[a], ...priced.filter((b) => b > a && fit([a], b)).map((b) => [a, b])])
  await years(few)
  const first = await best(few, 0)
  let set: readonly number[] = first ?? []
  for (;;) {
    const more = priced.filter((i) => !set.includes(i) && fit(set, i)).map((i) => [...set, i])
    const less = set.map((i) => set.filter((k) => k !== i))
    await years([...more, ...less])
    const next = await best([...more, ...less], benefit(set))
    if (!next) break
    set = next
  }

  return {
    steps: await stepsOf(),
    saves: moneyOf(set),
    cost: costOfSet(set),
    benefit: benefit(set),
    bestOfFew: first && benefit(first),
    left: await leftOf(),
    notPriced: await notPricedOf(),
    budget,
    years: known.size - 1,
  }

  /** In which order: what saves most for its money first, each after those before it. */
  async function stepsOf(): Promise<WorkStep[]> {
    const steps: WorkStep[] = []
    let done: number[] = []
    while (done.length < set.length) {
      const rest = set.filter((i) => !done.includes(i))
      await years(rest.map((i) => [...done, i]))
      const saved = (i: number) => moneyOf([...done, i]) - moneyOf(done)
      const worth = (i: number) => (options[i].cost! > 0 ? saved(i) / options[i].cost! : saved(i) >= 0 ? Infinity : 0)
      const [next] = rest.sort((x, y) => (worth(x) === worth(y) ? saved(y) - saved(x) : worth(y) - worth(x)))
      const [saves, cost] = [saved(next), options[next].cost!]
      steps.push({ measure: measures[next], saves, cost, paybackYears: paybackYears(cost, saves)! })
      done = [...done, next]
    }
    return steps
  }

  async function leftOf(): Promise<OrderOfWork['left']> {
    const out = priced.filter((i) => !set.includes(i))
    await years(out.filter((i) => fit(set, i)).map((i) => [...set, i]))
    return Promise.all(
      out.map(async (i) => {
        const rival = set.find((k) => excluded(k, i))
        if (rival !== undefined) return { measure: measures[i], why: [`In its place: ${measures[rival].name}.`] }
        const whole = [...set, i]
        const why = [...(await refusedBy(whole))]
        if (!affordable(whole)) why.push('Over the budget.')
        if (benefit(whole) <= benefit(set) + LEAST_BETTER) why.push('It costs as much a year as it saves, or more.')
        return { measure: measures[i], why }
      }),
    )
  }

  async function notPricedOf(): Promise<OrderOfWork['notPriced']> {
    const { discountPercent, growthPercent } = outlookOf(study.economics)
    const out = options.flatMap((o, i) => (o.cost === null && fit(set, i) ? [i] : []))
    await years(out.map((i) => [...set, i]))
    const told = await Promise.all(
      out.map(async (i) => {
        const saves = moneyOf([...set, i]) - moneyOf(set)
        const { years: life } = lifeOf(measures[i])
        const worth = presentWorth(Math.max(0, saves), life, discountPercent / 100, growthPercent / 100)
        return { measure: measures[i], saves, worthUpTo: worth, against: [...(await refusedBy([...set, i]))] }
      }),
    )
    return told.filter((t) => t.saves > LEAST_BETTER).sort((a, b) => b.worthUpTo - a.worthUpTo)
  }
}
