import { MINUTES_A_DAY } from '../calendar/clock'
import { BTU_H_PER_KW, fromUnit, GAL_L, type Quantity, type System, type Unit, unitOf } from './quantities'

/** "quantity unit" → how to make a figure in that unit metric. */
const SPELLINGS = new Map<string, (x: number) => number>()

function spell(of: Quantity[], factor: number, names: string, shift = 0): void {
  for (const quantity of of)
    for (const name of names.split(' ')) SPELLINGS.set(`${quantity} ${name}`, (x) => (x - shift) * factor)
}

spell(['temperature'], 1, 'c °c degc')
spell(['temperature'], 1 / 1.8, 'f °f degf', 32)
spell(['rise'], 1, 'k c °c')
spell(['rise'], 1 / 1.8, 'f °f')
spell(['flow'], 1, 'l/min lpm')
spell(['flow'], 1 / 60, 'l/h lph')
spell(['flow'], 60, 'l/s')
spell(['drip'], 1, 'l/h lph')
spell(['drip'], 60, 'l/min')
spell(['drip'], GAL_L, 'gal/h gph')
spell(['flow'], GAL_L, 'gpm gal/min')
spell(['volume', 'bigVolume'], 1, 'l litre litres liter liters')
spell(['volume', 'bigVolume'], 0.001, 'ml')
spell(['volume', 'bigVolume'], 1000, 'm3 m³')
spell(['volume', 'bigVolume'], GAL_L, 'gal gallon gallons')
spell(['volume', 'bigVolume'], 28.316847, 'ft3 ft³')
spell(['length', 'altitude'], 1, 'm')
spell(['length', 'altitude'], 0.3048, "ft ' feet foot")
spell(['power'], 1, 'kw')
spell(['power'], 0.001, 'w')
spell(['power'], 1000 / BTU_H_PER_KW, 'kbtu/h mbh')
spell(['power'], 1 / BTU_H_PER_KW, 'btu/h')
spell(['electricPower'], 1, 'kw')
spell(['electricPower'], 0.001, 'w')
spell(['linePower'], 1, 'w/m')
spell(['linePower'], 1 / 0.3048, 'w/ft')
spell(['watts'], 1, 'w')
spell(['watts'], 1000, 'kw')
spell(['conductivity', 'pipeLossRate'], 1, 'w/mk')
spell(['hardness'], 1, 'mg/l ppm')
spell(['hardness'], 17.118, 'gpg gr/gal')
spell(['lossRate'], 1, 'w/k')
spell(['lossRate'], 1 / 1.895634, 'btu/h°f btu/hf')
spell(['pressure'], 1, 'bar')
spell(['pressure'], 0.0689476, 'psi')
spell(['pressure'], 0.01, 'kpa')
spell(['thickness'], 1, 'mm')
spell(['thickness'], 10, 'cm')
spell(['thickness'], 25.4, 'in " inch inches')
spell(['mass'], 1, 'kg')
spell(['mass'], 0.45359237, 'lb')
spell(['seconds'], 1, 's sec')
spell(['seconds'], 60, 'min')
spell(['duration'], 60, 'h hour hours')
spell(['duration'], 1, 'min minute minutes')
spell(['area'], 1, 'm2 m²')
spell(['area'], 0.09290304, 'ft2 ft² sqft')
spell(['energy'], 1, 'kwh')
spell(['energy'], 0.001, 'wh')
spell(['energy'], 29.307107, 'therm therms')

/** Which sign parts the decimals in what is typed; where nobody has said so, what can be read in two ways is asked. */
export const NUMBER_STYLES = ['not said', 'decimal point', 'decimal comma'] as const
export type NumberStyle = (typeof NUMBER_STYLES)[number]

/** A comma before three last digits: a thousand in one country, a fraction in another. "0,125" and "1200,125" are fractions. */
const DOUBTFUL = /^\s*[-−–+]?[1-9]\d{0,2},\d{3}(?![\d.,])/

/**
 * The two things that an entry can mean, the larger first, each as it would be written without doubt; null where there is
 * none.
 * @example meanings('1,200 m') // ['1200 m', '1.200 m']
 */
export const meanings = (text: string): [string, string] | null =>
  DOUBTFUL.test(text) ? [text.replace(',', ''), text.replace(',', '.')] : null

/** The same with a point, which is doubtful only where decimals are parted by a comma. */
const DOUBTFUL_POINT = /^\s*[-−–+]?[1-9]\d{0,2}\.\d{3}(?![\d.,])/

/**
 * What a doubtful entry means to somebody who has said how they part decimals, and what it would mean to others, each as it
 * would be written without doubt; null where there is no doubt, or where nobody has said.
 * @example understood('1.200 m', 'decimal comma') // { meant: '1200 m', other: '1.200 m' }
 */
export function understood(text: string, style: NumberStyle): { meant: string; other: string } | null {
  if (style === 'not said') return null
  const either = meanings(text)
  if (either) {
    const [whole, part] = either
    return style === 'decimal point' ? { meant: whole, other: part } : { meant: part, other: whole }
  }
  return style === 'decimal comma' && DOUBTFUL_POINT.test(text) ? { meant: text.replace('.', ''), other: text } : null
}

/** Thousands parted by commas and a decimal point, or by points and a decimal comma, when it can only be that. */
function ungrouped(t: string): string {
  if (/^[-+]?\d{1,3}(,\d{3})+\.\d*$|^[-+]?\d{1,3}(,\d{3}){2,}$/.test(t)) return t.replaceAll(',', '')
  if (/^[-+]?\d{1,3}(\.\d{3})+,\d*$|^[-+]?\d{1,3}(\.\d{3}){2,}$/.test(t)) return t.replaceAll('.', '')
  return t
}

/** A number as people write it: 1 234.5, 1,234.5, 1.234,5, 1,5, 3/4, 1-1/2, −4. Returns null when it is none, or one of two. */
export function parseNumber(text: string): number | null {
  const t = text
    .trim()
    .replace(/^[−–]/, '-')
    .replace(/(\d)[ \u00a0\u202f](?=\d{3}(\D|$))/g, '$1')
  const fraction = /^(-?)(?:(\d+)[ -])?(\d+)\/(\d+)$/.exec(t)
  if (fraction) {
    const [, minus, whole = '0', top, bottom] = fraction
    if (Number(bottom) === 0) return null
    const value = Number(whole) + Number(top) / Number(bottom)
    return minus ? -value : value
  }
  const plain = ungrouped(t)
  if (meanings(plain) || !/^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(plain)) return null
  return Number(plain.replace(',', '.'))
}

/** Feet and inches: 12'6", 12' 6 1/2", 6". In metres; null when it is none. */
function parseFeetInches(text: string): number | null {
  const m = /^(?:(\d+(?:[.,]\d+)?)\s*(?:'|ft))?\s*(?:(\d+(?:[.,]\d+)?(?:[ -]\d+\/\d+)?|\d+\/\d+)\s*(?:"|in))?$/.exec(
    text.trim(),
  )
  if (!m || (m[1] === undefined && m[2] === undefined)) return null
  const feet = m[1] === undefined ? 0 : parseNumber(m[1])
  const inches = m[2] === undefined ? 0 : parseNumber(m[2])
  return feet === null || inches === null ? null : (feet * 12 + inches) * 0.0254
}

/**
 * A figure with or without its unit, as a heating engineer would type it, in metric. Without a unit it is in the units
 * of the system in use. Returns null when it cannot be read.
 * @example parseQuantity('flow', 'metric', '1.2 gpm') // 4.54
 */
export function parseQuantity(
  quantity: Quantity,
  system: System,
  text: string,
  unit: Unit = unitOf(quantity, system),
): number | null {
  if (quantity === 'length') {
    const length = parseFeetInches(text)
    if (length !== null) return length
  }
  const m = /^\s*([-−–+]?[\d.,/\u00a0\u202f -]*\d[.,]?)\s*(.*?)\s*$/.exec(text)
  if (!m) return null
  const value = parseNumber(m[1])
  if (value === null) return null
  const word = m[2].toLowerCase()
  if (word === '' || word === unit.label.toLowerCase()) return fromUnit(unit, value)
  return SPELLINGS.get(`${quantity} ${word}`)?.(value) ?? null
}

/**
 * A time of day in minutes from midnight: 7:30, 07.30, 0730, 7, 7:30p, 7pm, 24:00. Null when it is none.
 * @example parseTime('7:30p') // 1170
 */
export function parseTime(text: string): number | null {
  const m = /^\s*(\d{1,2})(?:[:.h]?(\d{2}))?\s*([ap])?\.?m?\.?\s*$/i.exec(text)
  if (!m) return null
  let hours = Number(m[1])
  const minutes = Number(m[2] ?? 0)
  if (m[3]) {
    if (hours < 1 || hours > 12) return null
    hours = (hours % 12) + (m[3].toLowerCase() === 'p' ? 12 : 0)
  }
  const total = hours * 60 + minutes
  return minutes > 59 || total > MINUTES_A_DAY ? null : total
}
