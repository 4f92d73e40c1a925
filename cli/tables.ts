import Table from 'cli-table3'
import { type Schedule, weekInWords } from '../core/calendar/week'
import { LOOP_MODE_WORDS } from '../core/household/loop-mode-words'
import { type Carrier, CARRIER_NAMES } from '../core/money/carriers'
import type { ClaimsTogether, JudgedClaim } from '../core/scenarios/claims'
import type { Interaction } from '../core/scenarios/interactions'
import { type ModeRow } from '../core/scenarios/loop-modes'
import type { Found, Tried } from '../core/scenarios/optimise-schedule'
import type { OrderOfWork } from '../core/scenarios/order-of-work'
import type { Ranges, Spread } from '../core/scenarios/ranges'
import type { Claim } from '../core/study/claims'
import { displayOf } from '../core/study/display-of'
import type { Package } from '../core/study/measures'
import type { Study } from '../core/study/study'
import type { Brought } from '../core/views/brought'
import { claimSentences, claimText, togetherText, VERDICT_WORDS } from '../core/views/claim-words'
import { assessed } from '../core/views/comfort'
import { type FullComparison, netCostOf } from '../core/views/compare'
import type { Finding } from '../core/views/findings'
import { LEVEL_WORDS } from '../core/views/level-words'
import { unpricedText, workSentences, workSummary } from '../core/views/order-of-work'
import { costText, paybackRangeText } from '../core/views/payback-words'
import { narrowsText, nextText, refusedText } from '../core/views/range-words'
import { winterCreditSentence } from '../core/views/room-heat'
import type { Sized, Sizes } from '../core/views/sizes'
import { sourceSentences, type SourceYear } from '../core/views/sources'
import { figureRows } from '../core/views/year-figure-words'
import { houseHeatSentence } from '../core/year/account/house-heat'
import { moneyRows } from '../core/year/account/money-rows'
import { drawnL, purchasedKwh, type YearResult } from '../core/year/result'

const table = (head: string[]) =>
  new Table({
    head,
    style: { head: [], border: [] },
    colAligns: ['left', ...head.slice(1).map(() => 'right' as const)],
  })

/** What came in for nothing. */
const FREE: [keyof YearResult['energy'], string][] = [
  ['renewableKwh', 'Solar'],
  ['ambientKwh', 'Air source, by heat pump'],
  ['recoveredKwh', 'Recovered from the drain'],
]

/** Rows of a ledger in the order of the water. */
const LEDGER: [keyof YearResult['energy'], string][] = [
  ['usefulKwh', 'Useful heat'],
  ['toWasteKwh', 'Draw-off to waste'],
  ['deadLegKwh', 'Dead-leg loss'],
  ['loopKwh', 'Circulation loss'],
  ['storeKwh', 'Standing loss'],
  ['primaryKwh', 'Primary circuit loss'],
  ['conversionKwh', 'Conversion loss'],
  ['reliefKwh', 'T&P valve discharge'],
  ['storedChangeKwh', 'Change in storage'],
  ['residualKwh', 'Balance error'],
]

/** A year in a table for people. */
export function yearTable(study: Study, r: YearResult): string {
  const d = displayOf(study)
  const t = table([study.name, 'a year'])
  for (const [carrier, kwh] of Object.entries(r.energy.inputKwh))
    t.push([`Purchased ${CARRIER_NAMES[carrier as Carrier].toLowerCase()}`, d.energy(kwh)])
  for (const [key, label] of FREE) if (r.energy[key]) t.push([label, d.energy(r.energy[key] as number)])
  for (const [key, label] of LEDGER) t.push([`  ${label}`, d.energy(r.energy[key] as number)])
  for (const row of moneyRows(r.cost)) t.push([row.name, d.money(row.money)])
  t.push(['Total', d.money(r.cost.total)])
  t.push(['Water at the outlets', d.litres(r.water.mixedL)])
  t.push(['Draw-off to waste', d.litres(r.water.toWasteL)])
  if (r.water.reliefL) t.push(['T&P valve discharge', d.litres(r.water.reliefL)])
  if (r.collectorStagnationHours) t.push(['Collector stagnation', `${Math.round(r.collectorStagnationHours)} h`])
  t.push(['Median time to tap (P50)', assessed(r.comfort.waiting, d.seconds(r.comfort.waitMedianS))])
  t.push(['Unmet draw-offs', assessed(r.comfort.waiting, `${r.comfort.unmetDraws} of ${r.comfort.waiting}`)])
  t.push(['Carbon dioxide', d.mass(r.co2Kg)])
  return `${t.toString()}\n${houseHeatSentence(r.energy, study.prices.creditHouseHeat, d)}\n`
}

/** Every mode of the loop side by side; money against the loop off. */
export function modesTable(study: Study, rows: readonly ModeRow[]): string {
  const d = displayOf(study)
  const head = [
    'Circulation',
    'pump',
    'starts',
    'out',
    'back',
    'draw-off to waste',
    'purchased',
    'net a year',
    'median time to tap',
    'P90',
    'growth range',
  ]
  const t = table(head)
  for (const r of rows)
    t.push([
      LOOP_MODE_WORDS[r.mode].name,
      d.energy(r.pumpKwh),
      String(r.pumpStarts),
      d.energy(r.outKwh),
      d.energy(r.backKwh),
      d.litres(r.toWasteL),
      d.energy(r.fuelKwh),
      d.moneyChange(r.net.total),
      assessed(r.waiting, d.seconds(r.waitMedianS)),
      assessed(r.waiting, d.seconds(r.waitP90S)),
      `${Math.round(r.tepidHoursWeek)} h/wk`,
    ])
  return `${t.toString()}\n`
}

/** What a search for windows came to. */
export function foundTable(study: Study, found: Found): string {
  const d = displayOf(study)
  const t = table(['', 'money a year', `hot within ${found.goal.withinS} s`])
  const row = (name: string, { cost, warm }: Tried) => t.push([name, d.money(cost), `${(100 * warm).toFixed(1)}%`])
  row('As set', found.asItStands)
  row('Always on', found.always)
  row('Cheapest schedule', found.best)
  row('One step longer', found.warmer)
  const plan = (name: string, week: Schedule | null) => (week ? `${name}: ${weekInWords(week, d.time)}\n` : '')
  return `${t.toString()}\n${plan('Circulation', found.best.plan.loop)}${plan('Heater', found.best.plan.heater)}${found.kept ? '' : 'Target not achievable: always on misses it too. The schedule shown matches always on.\n'}${found.years} years were simulated.\n`
}

/** A comparison, with the pairs of each package where somebody asked for them. */
type Compared = Omit<FullComparison, 'packages'> & {
  packages: (FullComparison['packages'][number] & { pairs?: readonly Interaction[] })[]
}

/** As found, as set and every package side by side, then what each measure saves. */
export function comparisonTable(study: Study, c: Compared): string {
  const d = displayOf(study)
  const t = table(['', 'money a year', 'change', 'purchased', 'water', 'median time to tap'])
  const row = (name: string, r: YearResult, change: number | null) =>
    t.push([
      name,
      d.money(r.cost.total),
      change === null ? '' : d.moneyChange(change),
      d.energy(purchasedKwh(r)),
      d.litres(drawnL(r.water)),
      assessed(r.comfort.waiting, d.seconds(r.comfort.waitMedianS)),
    ])
  row('As found', c.asFound, null)
  if (c.asSet) row('As set', c.asSet.result, c.asSet.difference.cost)
  for (const p of c.packages) row(p.name, p.result, p.difference.cost)
  let out = `${study.name}\n${t.toString()}\n`
  for (const p of c.packages) {
    const m = table([p.name, 'stand-alone saving', 'in this order', 'last-in saving', 'costs'])
    for (const x of p.measures)
      m.push([x.name, d.money(x.alone.cost), d.money(x.inOrder.cost), d.money(x.lastIn.cost), costText(x.costMoney, d)])
    m.push([
      'Together',
      `not ${d.money(p.sumOfSingles)}`,
      d.money(p.together),
      '',
      costText(p.costMoney, d, 'not fully priced'),
    ])
    out += `${m.toString()}\n`
    for (const { measures, money } of p.pairs ?? [])
      out += `${measures.join(' and ')}: ${money === null ? 'not simulated' : d.money(money)} together, less each stand-alone\n`
    const credit = winterCreditSentence(study, c.asSet?.result ?? c.asFound, p.result, d)
    if (credit) out += `${credit}\n`
    for (const t of p.targets) out += `${LEVEL_WORDS[t.level]}: ${t.sentence}\n`
    if (p.brought.length) out += `New findings:\n${broughtText(study, p.brought)}`
  }
  return out
}

export function sizeTable(study: Study, { peaks, there, instead, beside, atTap }: Sizes): string {
  const d = displayOf(study)
  const names = peaks.tapIds.map((id) => study.pipes.taps.find((t) => t.id === id)!.name).join(', ')
  const rows = (title: string, sized: readonly Sized[]) =>
    sized.length === 0
      ? ''
      : `\n${title}\n${sized
          .map(
            (s) =>
              `${LEVEL_WORDS[s.level].padEnd(13)} ${s.heater}\n${s.checks.map((c) => `${' '.repeat(14)}${LEVEL_WORDS[c.level]}: ${c.sentence}\n`).join('')}`,
          )
          .join('')}`
  return `${study.name}: peak demand ${d.figure('flow', peaks.hotLMin)} of hot water (${names}), ${d.figure('power', peaks.kw)}; ${d.litres(peaks.worstHourL)} in the peak hour\n${rows('Existing', there)}${rows('Replacement', instead)}${rows('Additional', beside)}${rows('At one outlet', atTap)}`
}

/** What stands out, one entry for each cause, with its parts. */
export const findingsText = (list: readonly Finding[]): string =>
  list
    .map((f) => {
      const parts = f.parts.length > 1 ? f.parts : []
      const lines = parts.length ? parts.map((c) => `        - ${c.sentence}\n`).join('') : `        ${f.sentence}\n`
      return `${f.severity.padEnd(7)} ${f.title}\n${lines}        ${f.remedy}\n`
    })
    .join('')

/** What a change makes worse, with the figures that moved. */
export const broughtText = (study: Study, list: readonly Brought[]): string => {
  const d = displayOf(study)
  return list
    .map((b) => {
      const moved = b.worsened.map((w) => `${d.value(w.was, w.was.value)} → ${d.value(w.is, w.is.value)}`)
      return `${LEVEL_WORDS[b.level].padEnd(12)} ${b.title}${moved.length ? ` (${moved.join('; ')})` : ''}\n             ${b.sentence}\n`
    })
    .join('')
}

/** A year with each heat source, in words. */
export function sourcesTable(study: Study, now: YearResult, years: readonly (SourceYear & { name: string })[]): string {
  const d = displayOf(study)
  const of = (y: SourceYear & { name: string }) =>
    `${y.name}, ${y.how === 'instead' ? 'replacement' : 'additional'}\n${sourceSentences(y, d)
      .map((sentence) => `    ${sentence}\n`)
      .join('')}`
  return `${study.name}: ${d.wholeMoney(now.cost.total)} a year as set; sorted by running cost\n\n${years.map(of).join('')}`
}

/** What a household's year may be, what a package may save of it, and what to find out next. */
export function rangesTable(study: Study, pack: Package | null, r: Ranges): string {
  const d = displayOf(study)
  const t = table([`${r.samples} samples`, '1 in 10 below', 'median', '1 in 10 above'])
  const rows = figureRows(r.waiting)
  const row = (name: string, { p10, p50, p90 }: Spread, write: (x: number) => string) =>
    t.push([name, ...[p10, p50, p90].map(write)])
  for (const { key, name, write } of rows) row(name, r.year[key], (x) => write(d, x))
  for (const { key, saved, write } of r.savings ? rows : [])
    row(`“${pack!.name}”: ${saved.toLowerCase()}`, r.savings![key], (x) => write(d, x))
  const lines = [
    refusedText(r.refused),
    ...(r.savings
      ? [
          `Saves money in ${Math.round(100 * r.chanceOfSaving!)}% of samples, against the household as it stands.`,
          `Median saving known to ±${d.money(r.savings.cost.p50Within)}.`,
          `Simple payback: ${paybackRangeText(netCostOf(study, pack!), r.savings.cost)}.`,
        ]
      : []),
    ...(r.next.length ? ['Find out next:', ...r.next.map((n) => `- ${nextText(n)}: ${narrowsText(n)}`)] : []),
  ]
  return `${t.toString()}\n${lines.filter(Boolean).join('\n')}\n`
}

/** Which measures to do, in which order, and what is left out and why. */
export function orderTable(study: Study, order: OrderOfWork): string {
  const d = displayOf(study)
  const steps = workSentences(order, study).map((sentence, i) => `${i + 1}. ${sentence}\n`)
  const left = order.left.map(({ measure, why }) => `- ${measure.name}: ${why.join(' ')}\n`)
  const unpriced = order.notPriced.map((n) => `- ${unpricedText(n, d)}\n`)
  return [
    `${study.name}\n${workSummary(order, study)}\n`,
    ...steps,
    ...(left.length ? ['Left out:\n', ...left] : []),
    ...(unpriced.length ? ['Not priced:\n', ...unpriced] : []),
  ].join('')
}

/** Each claim with its verdict and what it rests on. */
export function claimsText(
  study: Study,
  claims: readonly (JudgedClaim & { claim: Claim })[],
  together: ClaimsTogether | null,
): string {
  const d = displayOf(study)
  if (claims.length === 0) return 'no claims\n'
  const lines = claims.map(
    ({ claim, ...judged }) =>
      `${VERDICT_WORDS[judged.verdict].name.padEnd(13)} ${claimText(claim)}\n              ${claimSentences(claim, judged, d).join(' ')}\n`,
  )
  return [...lines, together ? `${togetherText(together)}\n` : ''].join('')
}
