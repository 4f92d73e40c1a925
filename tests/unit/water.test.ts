import { describe, expect, it } from 'vitest'
import { mainsTemperature, mainsThroughYear } from '../../core/water/mains'
import { density, specificHeat } from '../../core/water/properties'

const within = (got: number, want: number, share: number) => expect(Math.abs(got / want - 1)).toBeLessThan(share)

describe('water', () => {
  it.each([
    [10, 999.7],
    [40, 992.22],
    [60, 983.2],
  ])('density at %d °C is %d kg/m³', (t, want) => within(density(t), want, 1e-4))

  it.each([
    [20, 4.1826],
    [60, 4.1846],
  ])('specific heat at %d °C is %d kJ/kgK', (t, want) => within(specificHeat(t), want, 5e-4))
})

describe('cold main', () => {
  it('matches the reference for a mean of 11.5 °C and a span of 18 K', () => {
    expect(mainsTemperature(11.5, 18, 15)).toBeCloseTo(10.89, 1)
    expect(Math.abs(mainsTemperature(11.5, 18, 15) - 10.89)).toBeLessThan(0.05)
    expect(Math.abs(mainsTemperature(11.5, 18, 196) - 18.72)).toBeLessThan(0.05)
  })

  it('is replaced by measured months, day by day', () => {
    const monthlyC = Array.from({ length: 12 }, (_, m) => 5 + m)
    const days = mainsThroughYear({ kind: 'monthly', monthlyC }, Array(12).fill(12))
    expect([days[0], days[30], days[31], days[364]]).toEqual([5, 5, 6, 16])
  })
})
