import { describe, expect, it } from 'vitest'
import { coldestMonth } from '../../core/calendar/year'
import { hillTown } from '../../core/demos/hill-town'
import { addHeater } from '../../core/household/edits/plant'
import { reservoirDay } from '../../core/household/reservoir-day'
import type { HeaterOf } from '../../core/study/heater-kinds'
import type { Study } from '../../core/study/study'
import { mainsByMonth } from '../../core/water/mains'
import { simulate } from '../../core/year/simulate'
import { changed } from '../../proof/studies'
import { open } from './judged'

const tapId = hillTown.people.uses[0]!.tapId
const base = addHeater(hillTown, 'reservoir')
const of = (study: Study) => study.plant.heaters.at(-1) as HeaterOf<'reservoir'>
/** A tall house with a reservoir at the tap of its first habit, which alone is left: so many litres a day. */
const house = (litresADay: number, hoursADay: number, uaWK = 0): Study =>
  changed(base, (s) => {
    Object.assign(of(s), {
      tapId,
      litres: 150,
      uaWK,
      waterKw: 2,
      firings: [{ days: Array.from({ length: 7 }, () => true), atMin: 300, hours: hoursADay, kg: 20 }],
    })
    const [habit] = s.people.uses
    s.people.volumeFactor = 1
    s.people.uses = [
      {
        ...habit!,
        days: habit!.days.map(() => true),
        chance: 1,
        requiredC: 38,
        use: { kind: 'filled', litres: litresADay },
      },
    ]
    s.packages = []
  })

describe('a reservoir’s day', () => {
  it('is the heat of its fire over the rise, and linear in hours', () => {
    const one = reservoirDay(house(40, 1), of(house(40, 1)))!
    const three = reservoirDay(house(40, 3), of(house(40, 3)))!
    expect(three.makesL / one.makesL).toBeCloseTo(3, 6)
    // 2 kWh are 1,720 kcal, and a kilocalorie lifts a litre by a kelvin.
    const coldC = mainsByMonth(hillTown.site)[coldestMonth(hillTown.site.monthlyAirC)]!
    expect(one.makesL / (1720 / (38 - coldC))).toBeCloseTo(1, 2)
    expect(one.usesL).toBeCloseTo(40, 9)
    expect(reservoirDay(house(40, 1, 5), of(house(40, 1, 5)))!.makesL).toBeLessThan(one.makesL)
  })

  it('that gives less than is drawn is pointed out, and the year has draws too cool there; one that gives enough is not', () => {
    const short = house(200, 1, 2)
    const id = `reservoir-short-${of(short).id}`
    expect(open(short).find((c) => c.id === id)?.sentence).toMatch(/200 L are drawn/)
    const enough = house(20, 4, 2)
    expect(open(enough).find((c) => c.id === id)).toBeUndefined()
    expect(simulate(short).comfort.unmetDraws).toBeGreaterThan(simulate(enough).comfort.unmetDraws)
  })

  it('of a tap that nobody draws from is none', () => {
    const none = changed(house(20, 1), (s) => void (s.people.uses = []))
    expect(reservoirDay(none, of(none))).toBeNull()
  })
})
