import { describe, expect, it } from 'vitest'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { HEATER_KINDS } from '../../core/heaters/kinds'
import { assumedHeater } from '../../core/household/defaults/assumed-heaters'
import {
  addHeater,
  changeHeaterKind,
  keepsHeater,
  refusesAnother,
  removeHeater,
} from '../../core/household/edits/plant'
import { defaultFunctions } from '../../core/study/controls'
import {
  hasSetpoint,
  isInstantaneous,
  isOnStore,
  isPointOfUse,
  outputOf,
  pointOfUseOf,
} from '../../core/study/heater-kinds'
import { MOST_HEATERS } from '../../core/study/plant'
import { readStudy } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import { faultText } from '../../core/units/result'
import { uncontrolled } from '../../proof/studies'

/** What the reader says of a changed study. */
function faults(base: Study, change: (s: Study) => void): string {
  const study = structuredClone(base)
  change(study)
  const read = readStudy(JSON.parse(JSON.stringify(study)))
  return read.ok ? '' : read.faults.map(faultText).join('\n')
}
const control = { setpointC: 55, differentialK: 3, schedule: null, keepHot: false, ...defaultFunctions() }
const with2 = (s: Study, kind: (typeof HEATER_KINDS)[number]) => {
  s.plant.heaters.push(assumedHeater(kind, 'extra', 'heated', s.pipes.taps[0].id, null))
  s.controls.found.heaters.extra = control
}

describe('parts of a plant that do not go together are refused by name', () => {
  it.each<[string, Study, (s: Study) => void, RegExp]>([
    [
      'two heaters as the water runs',
      harbourFlat,
      (s) => {
        with2(s, 'instant-electric')
      },
      /plant › heaters › 2: only one instantaneous water heater is possible/,
    ],
    [
      'a coil without a store',
      harbourFlat,
      (s) => {
        with2(s, 'element')
      },
      /plant › store: needs a cylinder: "Immersion heater" heats one/,
    ],
    [
      'a store that nothing heats',
      forestFarm,
      (s) => {
        s.plant.heaters = [assumedHeater('instant-electric', 'range', 'heated', 'x', null)]
        s.controls.found.heaters = { range: control }
        uncontrolled(s)
        s.packages = []
      },
      /plant › store: has no heater/,
    ],
    [
      'only a store at one tap',
      harbourFlat,
      (s) => {
        s.plant.heaters = [assumedHeater('under-sink', 'wall-heater', 'heated', 'basin', null)]
        uncontrolled(s)
        s.packages = []
      },
      /plant › heaters: at least one heater must serve all outlets/,
    ],
    [
      'a small store at a tap that is not there',
      forestFarm,
      (s) => {
        ;(s.plant.heaters[3] as { tapId: string }).tapId = 'cellar'
      },
      /plant › heaters › 4 › tapId: there is no outlet "cellar"/,
    ],
    [
      'two small stores at one tap',
      forestFarm,
      (s) => {
        s.plant.heaters.push({ ...s.plant.heaters[3], id: 'extra' })
        s.controls.found.heaters.extra = control
      },
      /tapId: this outlet has a point-of-use heater already/,
    ],
    [
      'a coil upside down',
      forestFarm,
      (s) => {
        ;(s.plant.heaters[1] as { coil: { bottom: number } }).coil.bottom = 0.9
      },
      /plant › heaters › 2 › coil › top: must be above the bottom/,
    ],
    [
      'a fuel that does not burn there',
      forestFarm,
      (s) => {
        ;(s.plant.heaters[0] as { carrier: string }).carrier = 'natural-gas'
      },
      /plant › heaters › 1 › carrier: must be "wood-logs" or "pellets"/,
    ],
    [
      'a fuel without a price',
      forestFarm,
      (s) => {
        delete s.prices.carriers['wood-logs']
      },
      /prices › carriers › wood-logs: needs a price: "Coil in the range" uses it/,
    ],
    [
      'guests like nobody',
      forestFarm,
      (s) => {
        s.people.guests[0].likePersonId = 'uncle'
      },
      /people › guests › 1 › likePersonId: there is no person "uncle"/,
    ],
    [
      'guests who leave before they come',
      forestFarm,
      (s) => {
        s.people.guests[0].toDay = 3
      },
      /people › guests › 1 › toDay: must not be before/,
    ],
    [
      'a log of draws at a tap that is gone',
      forestFarm,
      (s) => {
        s.people.draws = {
          kind: 'logged',
          source: 'x',
          days: 1,
          firstWeekday: 0,
          draws: [{ atMin: 3, tapId: 'gone', litres: 3, requiredC: 40 }],
        }
      },
      /people › draws › draws › 1 › tapId: there is no outlet "gone"/,
    ],
    [
      'a drain under a tap that is gone',
      forestFarm,
      (s) => {
        s.pipes.drain!.tapIds = ['gone']
      },
      /pipes › drain › tapIds › 1: there is no outlet "gone"/,
    ],
    [
      'a relief valve that never opens',
      forestFarm,
      (s) => {
        s.plant.store!.reliefC = 150
      },
      /plant › store › reliefC: must be 99 or less/,
    ],
    [
      'a day that is none',
      forestFarm,
      (s) => {
        s.controls.foundOn = '2026-02-30'
      },
      /controls › foundOn: a day as YYYY-MM-DD/,
    ],
    [
      'a tap that pours litres nobody has',
      forestFarm,
      (s) => {
        s.pipes.taps[0].saidContentL = 900
      },
      /saidContentL: must be 100 or less/,
    ],
    [
      'half a bend',
      forestFarm,
      (s) => {
        s.pipes.runs[0].fittings.bends = 1.5
      },
      /pipes › runs › 1 › fittings › bends/,
    ],
    [
      'a unit that no bill has',
      hillTown,
      (s) => {
        ;(s.prices.carriers['natural-gas'] as { unit: string }).unit = 'bushel'
      },
      /prices › carriers › natural-gas › unit: must be "kwh" or/,
    ],
    [
      'too many heaters',
      hillTown,
      (s) => {
        for (let i = 0; i < MOST_HEATERS; i++) {
          s.plant.heaters.push(assumedHeater('element', `e${i}`, 'heated', '', null))
          s.controls.found.heaters[`e${i}`] = control
        }
      },
      /plant › heaters: /,
    ],
  ])('%s', (_, base, change, message) => expect(faults(base, change)).toMatch(message))

  it('while the demos, and every kind as it is assumed, are sound', () => {
    for (const kind of HEATER_KINDS) {
      const study = changeHeaterKind(hillTown, 'boiler', kind)
      if (study !== hillTown)
        expect(
          faults(study, () => {}),
          kind,
        ).toBe('')
      expect(
        faults(addHeater(hillTown, kind), () => {}),
        kind,
      ).toBe('')
    }
  })
})

describe('what may be added and what must stay', () => {
  it('says why not, in words', () => {
    expect(refusesAnother(harbourFlat, 'district-heat')).toMatch(/an instantaneous water heater already/)
    expect(refusesAnother(harbourFlat, 'under-sink')).toBeNull()
    const all = harbourFlat.pipes.taps.reduce((s) => addHeater(s, 'under-sink'), harbourFlat)
    expect(refusesAnother(all, 'reservoir')).toBe('every outlet has one already')
    const full = Array.from({ length: 9 }).reduce<Study>((s) => addHeater(s, 'element'), hillTown)
    expect(full.plant.heaters).toHaveLength(MOST_HEATERS)
    expect(refusesAnother(full, 'element')).toMatch(/8 heaters already/)
  })

  it('keeps one that serves all taps, and takes the store with its last heater', () => {
    const sink = addHeater(harbourFlat, 'under-sink')
    expect(keepsHeater(sink, 'wall-heater')).toBe(true)
    expect(keepsHeater(sink, 'under-sink')).toBe(false)
    expect(removeHeater(sink, 'wall-heater')).toBe(sink)
    const solar = addHeater(harbourFlat, 'solar')
    expect(solar.plant.store).not.toBeNull()
    const back = removeHeater(solar, 'solar')
    expect(back.plant.store).toBeNull()
    expect(back.controls.found.heaters).toEqual(harbourFlat.controls.found.heaters)
    expect(Object.keys(back.origins).some((p) => p.startsWith('plant.store'))).toBe(false)
  })

  it('every kind stands in the water in one way only', () => {
    for (const kind of HEATER_KINDS) {
      const heater = assumedHeater(kind, 'x', 'heated', 'tap', null)
      expect([isInstantaneous(heater), isPointOfUse(heater), isOnStore(heater)].filter(Boolean)).toHaveLength(1)
      expect(outputOf(heater) === null).toBe(kind === 'solar')
      expect(hasSetpoint(heater)).toBe(!['solar', 'pv-element', 'wood-coil', 'reservoir'].includes(kind))
    }
    expect(pointOfUseOf(forestFarm.plant.heaters, 'workshop')?.id).toBe('workshop-store')
    expect(pointOfUseOf(forestFarm.plant.heaters, 'shower')).toBeNull()
    expect(
      pointOfUseOf(
        forestFarm.plant.heaters.map((h) => (h.kind === 'under-sink' ? { ...h, feed: 'hot' as const } : h)),
        'workshop',
      ),
    ).toBeNull()
  })
})
