import Papa from 'papaparse'
import type { Ranges } from '../scenarios/ranges'
import type { PartPrice } from '../study/economics'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'
import { ENERGY_SHOWN, fromMetric, type Quantity, unitOf } from '../units/quantities'
import { figuresOfYear, type YearFigure } from '../year/figures'
import { appraisalAssumes } from './appraisal-words'
import type { Comparison, PackageResult } from './compare'
import { figureRows } from './year-figure-words'

const COLUMNS = [
  'package',
  'measure',
  'figure',
  'unit',
  'from',
  'stand-alone',
  'in this order',
  'last-in',
  'as found',
  'with package',
  'P10',
  'P50',
  'P90',
  'low',
  'likely',
  'high',
] as const
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>

/** A figure in the unit of the study. */
function inUnit(study: Study, figure: YearFigure): { unit: string; of: (x: number) => number } {
  const plain = (unit: string) => ({ unit, of: (x: number) => x })
  const of = (quantity: Quantity) => ({
    unit: `${unitOf(quantity, study.units).label}/yr`,
    of: (x: number) => fromMetric(quantity, study.units, x),
  })
  if (figure === 'cost') return plain(`${study.prices.currency}/yr`)
  if (figure === 'inputKwh' || figure === 'fuelKwh' || figure === 'electricityKwh') {
    const { label, perMetric } = ENERGY_SHOWN[study.energyIn]
    return { unit: `${label}/yr`, of: (kwh) => kwh * perMetric }
  }
  if (figure === 'waterL') return of('volume')
  if (figure === 'co2Kg') return of('mass')
  return plain(figure === 'unmetDraws' ? 'a year' : 's')
}

/** What is paid for a package: its parts, each with whose price it is, and what it is worth over the years. */
function moneyRows(study: Study, { name, measures, appraisal }: PackageResult): Row[] {
  const unit = study.prices.currency
  const between = ({ low, likely, high }: PartPrice) => ({ low, likely, high })
  return [
    ...measures.flatMap((m) => [
      ...m.parts.map((part): Row => ({
        package: name,
        measure: m.name,
        figure: `${part.count} ${part.unit}: ${part.name}, each`,
        unit,
        from: part.priceFrom ?? 'not priced',
        ...(part.priceEach ? between(part.priceEach) : {}),
      })),
      {
        package: name,
        measure: m.name,
        figure: 'Cost',
        unit,
        from: m.costMoney ? 'computed' : 'not priced',
        ...(m.costMoney ? between(m.costMoney) : {}),
      },
    ]),
    ...(appraisal
      ? [
          {
            package: name,
            figure: `Net present value, ${appraisal.outlook.years} years`,
            unit,
            from: 'computed',
            ...between(appraisal.netPresentValue),
          },
          ...appraisalAssumes(appraisal, study.economics).map((figure) => ({
            package: name,
            figure,
            from: 'assumption',
          })),
        ]
      : []),
  ]
}

/**
 * A comparison as separated values, in the words of the study: for each package and measure every figure with what is saved of
 * it (less is positive), its range where it was worked out, costs, worth and what was assumed. Each says where it is from; of
 * draw-offs that do not wait nothing is told.
 */
export function comparisonCsv(
  study: Study,
  comparison: Comparison,
  rangesOf: (packageId: string) => Ranges | null,
): string {
  const found = figuresOfYear(comparison.asFound)
  const rows = comparison.packages.flatMap((pack): Row[] => {
    const ranges = rangesOf(pack.id)
    const then = figuresOfYear(pack.result)
    const waiting = Math.min(comparison.asFound.comfort.waiting, pack.result.comfort.waiting)
    const figures = figureRows(waiting, 'by carrier').flatMap(({ key, name }): Row[] => {
      const { unit, of } = inUnit(study, key)
      const saving = ranges?.savings?.[key]
      const row = { package: pack.name, figure: name, unit, from: 'computed' }
      return [
        {
          ...row,
          'in this order': of(-pack.againstSet[key]),
          'as found': of(found[key]),
          'with package': of(then[key]),
          ...(saving ? { P10: of(saving.p10), P50: of(saving.p50), P90: of(saving.p90) } : {}),
        },
        ...pack.measures.map((m) => ({
          ...row,
          measure: m.name,
          'stand-alone': of(m.alone[key]),
          'in this order': of(m.inOrder[key]),
          'last-in': of(m.lastIn[key]),
        })),
      ]
    })
    return [...figures, ...moneyRows(study, pack)]
  })
  return wordsOf(study)(`${Papa.unparse(rows, { columns: [...COLUMNS], newline: '\n', escapeFormulae: true })}\n`)
}
