import { type Doc, list, object } from './doc'

const figure = (x: unknown): string => (typeof x === 'number' || typeof x === 'string' ? String(x) : '')

/** What a heater was sized by. */
const sizeOf = (h: Doc): string => figure(h.outputKw ?? h.powerKw ?? h.areaM2 ?? h.pvKwp ?? h.waterKw)

/** Parts were named so that another part could have the price of the one before it. */
function partKey(key: string, m: Doc, units: unknown): string {
  const length = units === 'us' ? 'ft' : 'm'
  const insulation = object(m.insulation)
  const wrap = `${figure(insulation.lambdaWMK)} ${figure(insulation.thicknessMm)}`
  const pipe = object(m.pipe)
  if (key.startsWith('foam ')) return `${key} ${wrap} ${length}`
  if (key === 'jacket') return `jacket ${wrap}`
  if (key === 'tape') return 'tape m'
  if (key === 'unit') return `drain unit ${figure(object(m.recovery).mount)}`
  if (key === 'heater') return `heater ${figure(object(m.heater).kind)} ${sizeOf(object(m.heater))}`
  if (key === 'store') return `store ${figure(object(m.store).litres)}`
  if (key === 'labour') return `labour ${figure(m.kind)}`
  if (key !== 'pipe' && key !== 'pipe ft') return key
  const unit = key === 'pipe' ? 'm' : 'ft'
  return m.recovery === undefined ? `pipe ${figure(pipe.material)} ${figure(pipe.size)} ${unit}` : `cold pipe ${unit}`
}

/** Insulation came in pieces of 2 m everywhere; in a study in feet a piece is 6 ft now. */
const partPrice = (key: string, price: unknown, units: unknown): unknown =>
  key.startsWith('foam ') && units === 'us' && typeof price === 'number' ? (price * 6 * 0.3048) / 2 : price

/** Version 10 knew nothing of hours, grants, lives and price books, nor of what somebody claims. */
export const from10 = (doc: Doc): Doc => ({
  ...doc,
  version: 11,
  economics: {
    discountPercent: null,
    growthPercent: null,
    years: null,
    budgetMoney: null,
    book: {},
    bookFrom: '',
    bookAsOf: null,
  },
  packages: list(doc.packages).map((p) => ({
    ...p,
    measures: list(p.measures).map((m) => ({
      ...m,
      partPrices: Object.fromEntries(
        Object.entries(object(m.partPrices)).map(([key, price]) => [
          partKey(key, m, doc.units).replaceAll('.', ','),
          partPrice(key, price, doc.units),
        ]),
      ),
      hours: null,
      grantMoney: null,
      lifeYears: null,
      upkeepAYear: null,
      ...(m.kind === 'insulate-runs' ? { slit: 'plain' } : {}),
      ...(m.kind === 'jacket' ? { clear: [] } : {}),
    })),
  })),
  claims: [],
})
