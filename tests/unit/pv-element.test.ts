import { describe, expect, it } from 'vitest'
import { everyMonth } from '../../core/calendar/year'
import { hillTown } from '../../core/demos/hill-town'
import { generationKw, houseLoadKw } from '../../core/heaters/photovoltaics'
import { addHeater } from '../../core/household/edits/plant'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { purchasedKwh } from '../../core/year/result'
import { simulate } from '../../core/year/simulate'
import { hoursOf } from '../../core/year/weather/site-hours'
import { changed } from '../../proof/studies'

const withPv = (change: (pv: HeaterOf<'pv-element'>, study: Study) => void = () => {}) =>
  changed(addHeater(hillTown, 'pv-element'), (s) =>
    change(
      s.plant.heaters.find((h): h is HeaterOf<'pv-element'> => h.kind === 'pv-element')!,
      s,
    ),
  )

describe('an element on surplus sun', () => {
  const base = simulate(hillTown)

  it('takes nothing where the house uses all that is made', () => {
    const year = simulate(withPv((pv) => void ((pv.houseKwhDay = 200), (pv.pvKwp = 0.5))))
    expect(year.energy.renewableKwh).toBe(0)
    expect(year.cost.total).toBeCloseTo(base.cost.total, 6)
  })

  it('takes all surplus where the store has room for it', () => {
    const study = withPv((pv, s) => {
      Object.assign(pv, { pvKwp: 1, houseKwhDay: 2, powerKw: 3, height: 0, storeLimitC: 95 })
      s.controls.found.heaters.boiler.setpointC = 40
      s.plant.store!.litres = 1000
    })
    const pv = study.plant.heaters[1] as HeaterOf<'pv-element'>
    const hours = hoursOf(study.site)
    let surplus = 0
    for (let h = 0; h < 8760; h++) {
      const { beamWM2, skyWM2 } = hours.onPlane(h, pv.tiltDeg, pv.azimuthDeg)
      const kw = generationKw(pv.pvKwp, pv.performance, beamWM2 + skyWM2) - houseLoadKw(pv.houseKwhDay, h % 24)
      // Less than 50 W is left to the grid.
      if (kw >= 0.05) surplus += kw
    }
    expect(surplus).toBeGreaterThan(300)
    expect(simulate(study).energy.renewableKwh).toBeCloseTo(surplus, 0)
  })

  it('costs what the sun’s electricity would have brought, and buys none', () => {
    const free = simulate(withPv())
    const sold = simulate(withPv((_, s) => void (s.prices.carriers.electricity!.exportPerKwh = 0.08)))
    expect(free.cost.exportForgone).toBe(0)
    expect(sold.cost.exportForgone).toBeCloseTo(0.08 * sold.energy.renewableKwh, 3)
    expect(sold.cost.total - free.cost.total).toBeCloseTo(sold.cost.exportForgone, 6)
    expect(purchasedKwh(free)).toBeLessThan(purchasedKwh(base) - 0.9 * free.energy.renewableKwh)
    expect(Math.abs(free.energy.residualKwh)).toBeLessThan(1e-3)
  })

  it('is dark under a dark sky', () =>
    expect(simulate(withPv((_, s) => void (s.site.monthlySunKwhM2 = everyMonth(0)))).energy.renewableKwh).toBe(0))

  it('the house uses in a day what it uses', () => {
    const day = Array.from({ length: 24 }, (_, h) => houseLoadKw(9, h)).reduce((s, x) => s + x, 0)
    expect(day).toBeCloseTo(9, 9)
  })
})
