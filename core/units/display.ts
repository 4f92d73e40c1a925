import { fromMetric, unitOf, type Quantity, type System } from './quantities'

const LOCALE = 'en-GB'

/** Writes figures with their units in one system and currency. */
export interface Display {
  system: System
  /** Any quantity, rounded as the trade rounds. */
  figure: (quantity: Quantity, metric: number, decimals?: number) => string
  temperature: (c: number) => string
  energy: (kwh: number) => string
  litres: (l: number) => string
  seconds: (s: number) => string
  mass: (kg: number) => string
  money: (amount: number) => string
  /** In whole units of the currency, for figures at a glance. */
  wholeMoney: (amount: number) => string
  /** With its sign, and none for nothing. */
  moneyChange: (amount: number) => string
}

/** @example display('us', 'USD').temperature(60) // "140 °F" */
export function display(system: System, currency: string): Display {
  const number = (value: number, decimals: number) =>
    // Adding nought turns −0 into 0.
    (Number(value.toFixed(decimals)) + 0).toLocaleString(LOCALE, { minimumFractionDigits: decimals, maximumFractionDigits: decimals })
  const figure = (quantity: Quantity, metric: number, decimals?: number) => {
    const u = unitOf(quantity, system)
    return `${number(fromMetric(quantity, system, metric), decimals ?? u.decimals).replace('-', '−')} ${u.label}`
  }
  const money = (amount: number, sign = false, decimals = Math.abs(amount) < 100 ? 2 : 0) => {
    const text = (Number(amount.toFixed(decimals)) + 0).toLocaleString(LOCALE, {
      style: 'currency',
      currency,
      currencyDisplay: 'narrowSymbol',
      minimumFractionDigits: decimals,
      maximumFractionDigits: decimals,
      signDisplay: sign ? 'exceptZero' : 'auto',
    })
    return text.replace('-', '−')
  }
  return {
    system,
    figure,
    temperature: (c) => figure('temperature', c),
    energy: (kwh) => figure('energy', kwh),
    litres: (l) => figure('bigVolume', l),
    seconds: (s) => figure('seconds', s),
    mass: (kg) => figure('mass', kg),
    money: (amount) => money(amount),
    wholeMoney: (amount) => money(amount, false, 0),
    moneyChange: (amount) => money(amount, true),
  }
}

