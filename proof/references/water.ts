import { mainsTemperature } from '../../core/water/mains'
import { density, specificHeat } from '../../core/water/properties'
import { amount, type ReferenceCase, share } from './case'

export const WATER: ReferenceCase[] = [
  ...(
    [
      [10, 999.7],
      [40, 992.22],
      [60, 983.2],
    ] as const
  ).map(([t, expected]): ReferenceCase => ({
    what: `Density of water at ${t} °C`,
    source: 'Kell 1975',
    unit: 'kg/m³',
    expected,
    within: share(1e-4),
    got: () => density(t),
  })),
  ...(
    [
      [20, 4.1826],
      [60, 4.1846],
    ] as const
  ).map(([t, expected]): ReferenceCase => ({
    what: `Specific heat of water at ${t} °C`,
    source: 'Popiel & Wojtkowiak 1998',
    unit: 'kJ/kgK',
    expected,
    within: share(5e-4),
    got: () => specificHeat(t),
  })),
  ...(
    [
      [15, 10.89],
      [196, 18.72],
    ] as const
  ).map(([day, expected]): ReferenceCase => ({
    what: `Cold main on day ${day}, air mean 11.5 °C, span 18 K`,
    source: 'Burch & Christensen 2007',
    unit: '°C',
    expected,
    within: amount(0.05),
    got: () => mainsTemperature(11.5, 18, day),
  })),
]
