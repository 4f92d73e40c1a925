import { ENERGY_SHOWN, type EnergyUnit, fromMetric, type Quantity, type System, unitOf } from './quantities'

/** A minute of the day (0 to 1440) as people of a system write it. */
function timeOfDay(minute: number, system: System): string {
  const [hour, rest] = [Math.floor(minute / 60) % 24, String(Math.round(minute) % 60).padStart(2, '0')]
  if (system === 'metric') return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${rest}`
  return `${hour % 12 || 12}:${rest} ${hour < 12 ? 'am' : 'pm'}`
}

const LOCALE = 'en-GB'

/** Formats by the number of decimals: making one takes longer than writing a thousand figures with it. */
const PLAIN = new Map<number, Intl.NumberFormat>()
function plain(decimals: number): Intl.NumberFormat {
  let format = PLAIN.get(decimals)
  if (!format) {
    format = new Intl.NumberFormat(LOCALE, { minimumFractionDigits: decimals, maximumFractionDigits: decimals })
    PLAIN.set(decimals, format)
  }
  return format
}

const COINS = new Map<string, Intl.NumberFormat>()
function coins(currency: string, decimals: number, sign: boolean): Intl.NumberFormat {
  const key = `${currency} ${decimals} ${sign}`
  let format = COINS.get(key)
  if (!format) {
    format = new Intl.NumberFormat(LOCALE, {
      style: 'currency',
      currency,
      currencyDisplay: 'narrowSymbol',
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
      signDisplay: sign ? 'exceptZero' : 'auto',
    })
    COINS.set(key, format)
  }
  return format
}

/** How a figure is written: by its quantity, or in a unit of its own; "money" in a unit is the currency. */
export interface Shown {
  readonly quantity?: Quantity
  readonly unit?: string
  readonly decimals?: number
}

/** Writes figures with their units in one system and currency. */
export interface Display {
  system: System
  /** Any quantity, rounded as the trade rounds. */
  figure: (quantity: Quantity, metric: number, decimals?: number) => string
  /** A figure of a sum or a reading: by its quantity, or in a unit that both systems share; null is not known. */
  value: (figure: Shown, value: number | string | null) => string
  /** How far two such figures lie apart: a difference of temperatures has no zero point. */
  difference: (figure: Shown, value: number) => string
  temperature: (c: number) => string
  energy: (kwh: number) => string
  litres: (l: number) => string
  seconds: (s: number) => string
  mass: (kg: number) => string
  /** A time of day: 24 hours, or 12 where that is usual. @example "19:30", "7:30 pm" */
  time: (minute: number) => string
  money: (amount: number) => string
  /** In whole units of the currency, for figures at a glance. */
  wholeMoney: (amount: number) => string
  /** With its sign, and none for nothing. */
  moneyChange: (amount: number) => string
}

/** @example display('us', 'USD', 'therm').temperature(60) // "140 °F" */
export function display(system: System, currency: string, energyIn: EnergyUnit): Display {
  // Adding nought turns −0 into 0.
  const number = (value: number, decimals: number) => plain(decimals).format(Number(value.toFixed(decimals)) + 0)
  const figure = (quantity: Quantity, metric: number, decimals?: number) => {
    if (quantity === 'energy') {
      const { label, perMetric, decimals: usual } = ENERGY_SHOWN[energyIn]
      return `${number(metric * perMetric, decimals === undefined ? usual : decimals).replace('-', '−')} ${label}`
    }
    const u = unitOf(quantity, system)
    return `${number(fromMetric(quantity, system, metric), decimals ?? u.decimals).replace('-', '−')} ${u.label}`
  }
  const value = (shown: Shown, at: number | string | null) => {
    if (at === null) return 'not known'
    if (typeof at === 'string') return at
    if (shown.quantity) return figure(shown.quantity, at, shown.decimals)
    const unit = shown.unit?.replace('money', currency) ?? ''
    return `${number(at, shown.decimals ?? 2).replace('-', '−')}${unit.startsWith('%') ? '' : ' '}${unit}`.trim()
  }
  const difference = (shown: Shown, at: number) =>
    value(shown.quantity === 'temperature' ? { quantity: 'rise' } : shown, at)
  const money = (amount: number, sign = false, decimals = Math.abs(amount) < 10 ? 2 : 0) => {
    const text = coins(currency, decimals, sign).format(Number(amount.toFixed(decimals)) + 0)
    return text.replace('-', '−')
  }
  return {
    system,
    figure,
    value,
    difference,
    temperature: (c) => figure('temperature', c),
    energy: (kwh) => figure('energy', kwh),
    litres: (l) => figure('bigVolume', l),
    seconds: (s) => figure('seconds', s),
    mass: (kg) => figure('mass', kg),
    time: (minute) => timeOfDay(minute, system),
    money: (amount) => money(amount),
    wholeMoney: (amount) => money(amount, false, 0),
    moneyChange: (amount) => money(amount, true),
  }
}
