import { arrivals } from '../checks/delivery'
import { applyAll } from '../measures/apply'
import { displayOf } from '../study/display-of'
import type { PartPrice } from '../study/economics'
import type { Package } from '../study/measures'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { figuresOfYear, savedOf } from '../year/figures'
import type { YearResult } from '../year/result'
import { type Appraisal, appraised, yearSaved } from './appraisal'
import { appraisalRows } from './appraisal-words'
import type { Brought } from './brought'
import { costOfPackage, detailsOf } from './compare'
import { LEVEL_WORDS } from './level-words'
import { costText, paybackText } from './payback-words'
import { winterCredit } from './room-heat'
import { systemText } from './system-text'
import { figureRows } from './year-figure-words'

/** Most packages that stand beside each other. */
export const MOST_BESIDE = 4

/** A package as a column, against the household as it stands. */
export interface Column {
  id: string
  name: string
  measures: string[]
  /** Heaters, cylinder and circulation as they are with it. */
  system: string
  result: YearResult
  costMoney: PartPrice | null
  appraisal: Appraisal | null
  brought: Brought[]
  /** What comes at outlets that ask for hot water, °C, by outlet; one that has a heater of its own asks no more. */
  arrives: ReadonlyMap<string, number>
}

/** @param brought what the package makes worse */
export function columnOf(study: Study, pack: Package, now: YearResult, then: YearResult, brought: Brought[]): Column {
  const details = detailsOf(study, pack)
  return {
    id: pack.id,
    name: pack.name,
    measures: pack.measures.map((m) => m.name),
    system: systemText(applyAll(study, pack.measures), displayOf(study)),
    result: then,
    costMoney: costOfPackage(details),
    appraisal: appraised(
      study,
      pack.measures,
      details.map((d) => d.costMoney),
      yearSaved(now, then),
    ),
    brought,
    arrives: arrivesBy(applyAll(study, pack.measures)),
  }
}

const arrivesBy = (study: Study) => new Map(arrivals(study).map(({ tap, arrivesC }) => [tap.id, arrivesC]))

/** What each saves with the heat that the rooms get less of left out, and with it made again by the house's heating. */
function creditLines(study: Study, now: YearResult, columns: readonly Column[], write: Display): Line[] {
  const credits = columns.map((c) => winterCredit(study, now, c.result))
  if (credits.every((c) => Math.abs(c.lessHeatKwh) < 1)) return []
  const line = (name: string, of: 'grossMoney' | 'netMoney'): Line => ({
    name,
    cells: ['', ...credits.map((c) => write.money(-c[of]))],
  })
  return [line('Saving, gross of space heating', 'grossMoney'), line('Saving, net of space heating', 'netMoney')]
}

/** What comes at each outlet that asks for hot water, in a long draw-off of the coldest month. */
const arrivalLines = (study: Study, columns: readonly Column[], write: Display): Line[] =>
  arrivals(study).map(({ tap, arrivesC }) => ({
    name: `Arrives at ${tap.name}, ${write.temperature(tap.minHotInletC!)} required`,
    cells: [
      write.temperature(arrivesC),
      ...columns.map((c) => {
        const then = c.arrives.get(tap.id)
        return then === undefined ? 'heater of its own' : write.temperature(then)
      }),
    ],
  }))

/** A line of the comparison: a cell for the household as it stands, and one for each package. */
interface Line {
  name: string
  cells: string[]
}

/** Packages in columns, the first cell for the household as it stands. */
export function linesOf(study: Study, now: YearResult, columns: readonly Column[], write: Display): Line[] {
  const waiting = Math.min(now.comfort.waiting, ...columns.map((c) => c.result.comfort.waiting))
  const base = figuresOfYear(now)
  const figures = columns.map((c) => figuresOfYear(c.result))
  const yearly = figureRows(waiting, 'by carrier').map(({ key, name, write: text }): Line => ({
    name,
    cells: [text(write, base[key]), ...figures.map((f) => text(write, f[key]))],
  }))
  const saved = figureRows(waiting)
    .filter((row) => row.key === 'cost' || row.key === 'inputKwh')
    .map(({ key, saved: name, write: text }): Line => ({
      name,
      cells: ['', ...figures.map((f) => text(write, savedOf(base, f)[key]))],
    }))
  const money = columns.map((c) => new Map(c.appraisal ? appraisalRows(c.appraisal, write) : []))
  const names = [...new Set(money.flatMap((m) => [...m.keys()]))]
  return [
    { name: 'Measures', cells: ['', ...columns.map((c) => c.measures.join('; ') || 'none')] },
    { name: 'System', cells: [systemText(study, write), ...columns.map((c) => c.system)] },
    ...arrivalLines(study, columns, write),
    ...yearly,
    ...saved,
    ...creditLines(study, now, columns, write),
    { name: 'Cost', cells: ['', ...columns.map((c) => costText(c.costMoney, write, 'not fully priced'))] },
    {
      name: 'Simple payback',
      cells: ['', ...columns.map((c) => paybackText(c.appraisal && c.appraisal.paybackYears))],
    },
    ...names.map((name) => ({ name, cells: ['', ...money.map((m) => m.get(name) ?? 'not priced')] })),
    {
      name: 'Made worse',
      cells: [
        '',
        ...columns.map((c) => c.brought.map((b) => `${LEVEL_WORDS[b.level]}: ${b.title}`).join('; ') || 'no check'),
      ],
    },
  ]
}

/** Whether every package says the same, and what is there too where it has a cell. */
export const isSame = ({ cells }: Line): boolean => new Set(cells[0] === '' ? cells.slice(1) : cells).size === 1
