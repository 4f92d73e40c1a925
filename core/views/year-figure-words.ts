import type { Display } from '../units/display'
import type { YearFigure } from '../year/figures'

/** A figure that years are held against each other by: its name, what is saved of it, how it is written. */
interface FigureRow {
  key: YearFigure
  name: string
  saved: string
  write: (d: Display, x: number) => string
  /** Of draw-offs that wait: where there are none there is nothing to tell, and nought would be a figure. */
  ofWaits?: true
  /** A part of the row before: told where there is room for it. */
  partOf?: 'inputKwh'
}

const seconds = (d: Display, x: number) => d.seconds(x)

/** Each of them, in their order. */
const ROWS: readonly FigureRow[] = [
  { key: 'cost', name: 'Annual cost', saved: 'Saving', write: (d, x) => d.money(x) },
  { key: 'inputKwh', name: 'Purchased energy', saved: 'Purchased energy saved', write: (d, x) => d.energy(x) },
  {
    key: 'fuelKwh',
    name: 'Of which fuel and heat',
    saved: 'Fuel and heat saved',
    write: (d, x) => d.energy(x),
    partOf: 'inputKwh',
  },
  {
    key: 'electricityKwh',
    name: 'Of which electricity',
    saved: 'Electricity saved',
    write: (d, x) => d.energy(x),
    partOf: 'inputKwh',
  },
  { key: 'waterL', name: 'Water', saved: 'Water saved', write: (d, x) => d.litres(x) },
  { key: 'co2Kg', name: 'CO₂', saved: 'CO₂ saved', write: (d, x) => d.mass(x) },
  { key: 'waitMedianS', name: 'Median time to tap', saved: 'Median time to tap saved', write: seconds, ofWaits: true },
  {
    key: 'waitP90S',
    name: '90th percentile time to tap',
    saved: '90th percentile time to tap saved',
    write: seconds,
    ofWaits: true,
  },
  {
    key: 'unmetDraws',
    name: 'Unmet draw-offs',
    saved: 'Unmet draw-offs avoided',
    // Adding nought turns −0 into 0.
    write: (_, x) => (Math.round(x) + 0).toLocaleString('en-GB').replace('-', '−'),
    ofWaits: true,
  },
]

/** Those that can be told of years with so many draw-offs that wait. @param parts whether by carrier too */
export const figureRows = (waiting: number, parts: 'whole' | 'by carrier' = 'whole'): readonly FigureRow[] =>
  ROWS.filter((row) => (waiting > 0 || !row.ofWaits) && (parts === 'by carrier' || !row.partOf))
