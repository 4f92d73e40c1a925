import { drawnL, purchasedKwh, type YearResult } from './result'

/** Figures of a year that households and packages are held against each other by, in their order. */
export const YEAR_FIGURES = [
  'cost',
  'inputKwh',
  'fuelKwh',
  'electricityKwh',
  'waterL',
  'co2Kg',
  'waitMedianS',
  'waitP90S',
  'unmetDraws',
] as const
export type YearFigure = (typeof YEAR_FIGURES)[number]
export type YearFigures = Record<YearFigure, number>

export const figuresOfYear = (year: YearResult): YearFigures => ({
  cost: year.cost.total,
  inputKwh: purchasedKwh(year),
  fuelKwh: purchasedKwh(year) - (year.energy.inputKwh.electricity ?? 0),
  electricityKwh: year.energy.inputKwh.electricity ?? 0,
  waterL: drawnL(year.water),
  co2Kg: year.co2Kg,
  waitMedianS: year.comfort.waitMedianS,
  waitP90S: year.comfort.waitP90S,
  unmetDraws: year.comfort.unmetDraws,
})

/** The same of each figure. */
export const eachFigure = <T>(of: (figure: YearFigure) => T): Record<YearFigure, T> =>
  Object.fromEntries(YEAR_FIGURES.map((figure) => [figure, of(figure)])) as Record<YearFigure, T>

/** What changes from one year to another: less is negative. */
export const changeOf = (from: YearFigures, to: YearFigures): YearFigures => eachFigure((f) => to[f] - from[f])

/** What is saved from one year to another: less is positive, as everywhere where something is called saved. */
export const savedOf = (from: YearFigures, to: YearFigures): YearFigures => eachFigure((f) => from[f] - to[f])
