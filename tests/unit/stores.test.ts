import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { labelBoundW, standingUa } from '../../core/stores/standing-loss'
import { KJ_PER_LITRE_K } from '../../core/water/properties'
import { Outflow } from '../../core/year/pipes/outflow'
import { LayeredStore } from '../../core/year/stores/layered-store'

const draw = (store: LayeredStore, litres: number, coldC: number) => {
  const out = new Outflow()
  store.draw(litres, out)
  store.fillBottom(litres, coldC)
  store.settle()
  return out
}

describe('standing loss', () => {
  it('takes a test figure, a label and a known one', () => {
    expect(standingUa({ kind: 'test', kwhDay: 1.8, riseK: 45 }, 200)).toBeCloseTo(1.6667, 3)
    expect(labelBoundW('C', 200)).toBeCloseTo(16.66 + 8.33 * 200 ** 0.4, 6)
    expect(standingUa({ kind: 'label', label: 'C' }, 200)).toBeCloseTo(labelBoundW('C', 200) / 45, 9)
    expect(standingUa({ kind: 'ua', uaWK: 2.2 }, 200)).toBe(2.2)
  })
})

describe('a store with no draws', () => {
  it('cools by its closed form', () => {
    const store = new LayeredStore(200, 1.3, 2, 60)
    store.ambientC = 15
    for (let h = 0; h < 48; h++) {
      store.stand(3600)
      store.settle()
    }
    const tau = (200 * KJ_PER_LITRE_K * 1000) / 2
    const want = 15 + 45 * Math.exp((-48 * 3600) / tau)
    expect(store.meanC).toBeCloseTo(want, 4)
    expect(store.takeLost()).toBeCloseTo(200 * KJ_PER_LITRE_K * (60 - want), 1)
    expect(store.secondsToCool(60, want) / 3600).toBeCloseTo(48, 1)
  })
})

describe('one draw from a full store', () => {
  it('gives its whole contents hot, then cold', () => {
    const store = new LayeredStore(180, 1.2, 0, 60)
    let hot = 0
    for (let k = 0; k < 250; k++) {
      const out = draw(store, 1, 10)
      for (let i = 0; i < out.n; i++) if (out.tempC[i] > 35) hot += out.litres[i]
    }
    expect(hot).toBeGreaterThan(180 * 0.97)
    expect(hot).toBeLessThan(180 * 1.03)
    expect(store.meanC).toBeCloseTo(10, 6)
  })

  it('gives less when the inlet stirs', () => {
    const hotLitres = (mix: number) => {
      const store = new LayeredStore(180, 1.2, 0, 60, mix)
      let hot = 0
      for (let k = 0; k < 180; k++) {
        const out = draw(store, 1, 10)
        for (let i = 0; i < out.n; i++) if (out.tempC[i] > 45) hot += out.litres[i]
      }
      return hot
    }
    expect(hotLitres(0.3)).toBeLessThan(hotLitres(0))
  })
})

describe('any use of a store', () => {
  const act = fc.oneof(
    fc.record({
      do: fc.constant('draw' as const),
      litres: fc.double({ min: 0.05, max: 60, noNaN: true }),
      c: fc.double({ min: 3, max: 25, noNaN: true }),
    }),
    fc.record({
      do: fc.constant('loop' as const),
      litres: fc.double({ min: 0.05, max: 60, noNaN: true }),
      c: fc.double({ min: 20, max: 60, noNaN: true }),
      at: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    fc.record({
      do: fc.constant('heat' as const),
      kj: fc.double({ min: 1, max: 2000, noNaN: true }),
      from: fc.double({ min: 0, max: 0.8, noNaN: true }),
    }),
    fc.record({ do: fc.constant('stand' as const), s: fc.integer({ min: 1, max: 7200 }) }),
  )

  it('closes its account, stays layered warm over cold and keeps ten layers or more', () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 60 }), fc.double({ min: 0, max: 0.2, noNaN: true }), (acts, mix) => {
        const store = new LayeredStore(200, 1.3, 2.5, 55, mix)
        const start = store.heldKj()
        let heat = 0
        for (const a of acts) {
          if (a.do === 'stand') store.stand(a.s)
          else if (a.do === 'heat') {
            store.heat(a.kj, a.from)
            heat += a.kj
          } else {
            const out = new Outflow()
            store.draw(a.litres, out)
            heat += (a.litres * a.c - out.total * out.meanC) * KJ_PER_LITRE_K
            if (a.do === 'draw') store.fillBottom(a.litres, a.c)
            else store.fillAt(a.at, a.litres, a.c)
          }
          store.settle()
          expect(store.layers).toBeGreaterThanOrEqual(10)
          const slices = store.slices()
          for (let i = 1; i < slices.length; i++) expect(slices[i]).toBeGreaterThanOrEqual(slices[i - 1] - 1e-6)
        }
        expect(Math.abs(start + heat - store.takeLost() - store.heldKj())).toBeLessThan(1e-5 * start)
      }),
      { numRuns: 200 },
    )
  })
})
