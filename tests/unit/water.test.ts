import { describe, expect, it } from 'vitest'
import { mainsThroughYear } from '../../core/water/mains'

describe('cold main', () => {
  it('is replaced by measured months, day by day', () => {
    const monthlyC = Array.from({ length: 12 }, (_, m) => 5 + m)
    const days = mainsThroughYear({
      mains: { kind: 'monthly', monthlyC },
      monthlyAirC: Array(12).fill(12),
      latitudeDeg: 47,
    })
    expect([days[0], days[30], days[31], days[364]]).toEqual([5, 5, 6, 16])
  })
})
