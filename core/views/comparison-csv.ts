import Papa from 'papaparse'
import type { Ranges } from '../scenarios/ranges'
import type { Study } from '../study/study'
import { fromMetric } from '../units/quantities'
import { ENERGY_SHOWN } from '../units/quantities'
import { figuresOfYear, YEAR_FIGURES, type YearFigure } from '../year/figures'
import { appraisalAssumes } from './appraisal-words'
import type { Comparison } from './compare'

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
] as const
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>

/** A figure in the unit of the study. */
function inUnit(study: Study, figure: YearFigure): { unit: string; of: (x: number) => number } {
  const plain = (unit: string) => ({ unit, of: (x: number) => x })
  if (figure === 'cost') return plain(`${study.prices.currency}/yr`)
  if (figure === 'inputKwh') {
    const { label, perMetric } = ENERGY_SHOWN[study.energyIn]
    return { unit: `${label}/yr`, of: (kwh) => kwh * perMetric }
  }
  if (figure === 'waterL')
    return study.units === 'metric' ? plain('L/yr') : { unit: 'gal/yr', of: (l) => fromMetric('volume', 'us', l) }
  if (figure === 'co2Kg')
    return study.units === 'metric' ? plain('kg/yr') : { unit: 'lb/yr', of: (kg) => fromMetric('mass', 'us', kg) }
  return plain(figure === 'unmetDraws' ? 'draw-offs/yr' : 's')
}

const NAMES: Record<YearFigure, string> = {
  cost: 'Annual cost',
  inputKwh: 'Purchased energy',
  waterL: 'Water',
  co2Kg: 'Carbon dioxide',
  waitMedianS: 'Median time to tap',
  waitP90S: '90th percentile time to tap',
  unmetDraws: 'Unmet draw-offs',
}

/**
 * A comparison as separated values: for each package and measure every figure with what is saved of it (less is positive), its
 * range where it was worked out, costs, worth and what was assumed. Each says where it is from.
 */
export function comparisonCsv(
  study: Study,
  comparison: Comparison,
  rangesOf: (packageId: string) => Ranges | null,
): string {
  const rows: Row[] = []
  const found = figuresOfYear(comparison.asFound)
  for (const pack of comparison.packages) {
    const ranges = rangesOf(pack.id)
    const then = figuresOfYear(pack.result)
    for (const figure of YEAR_FIGURES) {
      const { unit, of } = inUnit(study, figure)
      const saving = ranges?.savings?.[figure]
      rows.push({
        package: pack.name,
        figure: NAMES[figure],
        unit,
        from: 'computed',
        'in this order': of(-pack.againstSet[figure]),
        'as found': of(found[figure]),
        'with package': of(then[figure]),
        ...(saving ? { P10: of(saving.p10), P50: of(saving.p50), P90: of(saving.p90) } : {}),
      })
      for (const m of pack.measures)
        rows.push({
          package: pack.name,
          measure: m.name,
          figure: NAMES[figure],
          unit,
          from: 'computed',
          'stand-alone': of(m.alone[figure]),
          'in this order': of(m.inOrder[figure]),
          'last-in': of(m.lastIn[figure]),
        })
    }
    for (const m of pack.measures) {
      for (const part of m.parts)
        rows.push({
          package: pack.name,
          measure: m.name,
          figure: `${part.count} ${part.unit}: ${part.name}, each`,
          unit: study.prices.currency,
          from: part.priceFrom ?? 'not priced',
          ...(part.priceEach ? { P10: part.priceEach.low, P50: part.priceEach.likely, P90: part.priceEach.high } : {}),
        })
    }
    if (pack.appraisal) {
      const { netPresentValue: npv } = pack.appraisal
      rows.push({
        package: pack.name,
        figure: 'Net present value',
        unit: study.prices.currency,
        from: 'computed',
        P10: npv.low,
        P50: npv.likely,
        P90: npv.high,
      })
      for (const sentence of appraisalAssumes(pack.appraisal, study.economics))
        rows.push({ package: pack.name, figure: sentence, from: 'assumption' })
    }
  }
  return `${Papa.unparse(rows, { columns: [...COLUMNS], newline: '\n', escapeFormulae: true })}\n`
}
