import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { hillTown } from '../../core/demos/hill-town'
import { withOwnSetting } from '../../core/household/own-settings'
import { judge } from '../../core/readings/kinds'
import { circuitNotRead, heatingNotChecked } from '../../core/study/heating'
import type { OwnSetting } from '../../core/study/own-settings'
import type { Reading } from '../../core/study/readings'
import type { Study } from '../../core/study/study'
import { changed } from '../../proof/studies'

const levels = (study: Study, like: string) =>
  checksOf(study, null)
    .filter((c) => c.id.startsWith(like) && c.level !== 'pass')
    .map((c) => `${c.id} ${c.level}`)

describe('what was never reviewed', () => {
  const factory = (c: number, edit: (s: Study) => void = () => {}) =>
    levels(
      changed(hillTown, (s) => {
        s.controls.factory.boiler = c
        edit(s)
      }),
      'as-delivered',
    )
  it('is a setpoint as it leaves the factory, until it is set or gone through', () => {
    expect(factory(65)).toEqual(['as-delivered-boiler marginal'])
    expect(factory(60)).toEqual([])
    expect(factory(65, (s) => (s.plant.heaters[0].settingsReviewed = true))).toEqual([])
    const set = (s: Study) => {
      s.controls.set = structuredClone(s.controls.found)
      s.controls.set.heaters.boiler.setpointC = 58
    }
    expect(factory(65, set)).toEqual([])
  })

  it('and a setting of one’s own that is as delivered, changed without proof, or a sign that is not explained', () => {
    const own = (edit: Partial<OwnSetting>) =>
      levels(
        changed(withOwnSetting(hillTown, '2026-03-02'), (s) => Object.assign(s.controls.own[0], edit)),
        '',
      ).filter((id) => /own-|unexplained/.test(id))
    expect(own({ found: '3', factory: '3' })).toEqual(['own-as-delivered-own-1 marginal'])
    expect(own({ found: '3', factory: '3', now: '2', shows: '2' })).toEqual([])
    expect(own({ found: '3', now: '2' })).toEqual(['own-no-proof-own-1 not checked'])
    expect(own({ kind: 'unexplained sign', found: 'snowflake' })).toEqual(['unexplained-own-1 not checked'])
    expect(own({ kind: 'unexplained sign', found: 'snowflake', effects: 'Frost protection is on' })).toEqual([])
  })
})

describe('two questions of a set-up', () => {
  it('where the pump is, and how its valve stands: shut while circulation runs fails', () => {
    const valve = (pumpIs: string, returnValve: string, mode = 'clock') =>
      levels(
        changed(hillTown, (s) => {
          Object.assign(s.pipes.loop!, { pumpIs, returnValve })
          s.controls.found.loop.mode = mode as 'clock'
        }),
        'return-valve',
      )
    expect(valve('external', 'not checked')).toEqual([])
    expect(valve('built into the appliance', 'not checked')).toEqual(['return-valve not checked'])
    expect(valve('built into the appliance', 'set for circulation')).toEqual([])
    expect(valve('built into the appliance', 'set for no circulation')).toEqual(['return-valve fail'])
    expect(valve('built into the appliance', 'set for no circulation', 'off')).toEqual([])
  })
})

describe('water and age', () => {
  it('a supply that is not drinking water is asked for at each outlet, and blocks where it is drunk', () => {
    const drunk = (potable: boolean | null, sink: boolean | null) =>
      levels(
        changed(hillTown, (s) => {
          s.site.potable = potable
          for (const t of s.pipes.taps) t.drunk = t.id === 'kitchen-sink' ? sink : false
        }),
        '',
      ).filter((id) => /potable|hot-drunk/.test(id))
    expect(drunk(null, null)).toEqual([])
    expect(drunk(false, null)).toEqual(['not-potable-kitchen-sink not checked'])
    expect(drunk(false, true)).toEqual(['not-potable-kitchen-sink fail'])
    expect(drunk(true, true)).toEqual(['hot-drunk-kitchen-sink marginal'])
  })

  it('a cylinder is old twenty years after the year on its plate', () => {
    const made = (madeYear: number | null) =>
      levels(
        changed(hillTown, (s) => {
          s.controls.foundOn = '2026-03-02'
          s.plant.store!.madeYear = madeYear
        }),
        'old-cylinder',
      )
    expect([null, 2007, 2006].map(made)).toEqual([[], [], ['old-cylinder marginal']])
  })
})

describe('readings of controllers and of the heating side', () => {
  const reading = (kind: Reading['kind'], takenAt: string, values: Reading['values'], where: string | null = null) => ({
    id: `${kind}-${takenAt}`,
    takenAt: `${takenAt}T10:00:00+01:00`,
    kind,
    sum: null,
    where,
    values,
    note: '',
    photo: null,
    adopted: null,
  })
  it('a clock read twice says its drift, and ten minutes of it are a finding', () => {
    const first = reading('clock', '2026-01-01', { aheadMin: 1 }, 'controller-1')
    const again = reading('clock', '2026-07-02', { aheadMin: 13 }, 'controller-1')
    const study = changed(hillTown, (s) => void s.readings.push(first, again))
    // 12 min in 182 days are 2.0 a month.
    expect(judge(study, again)!.worked.notes[0]).toMatch(/^Gains 2\.0 min a month since 2026-01-01/)
    expect(judge(study, first)!.worked.notes[0]).toMatch(/Read again/)
    expect(levels(study, 'clock-drifts')).toEqual(['clock-drifts-controller-1 marginal'])
    const less = changed(study, (s) => (s.readings[1].values.aheadMin = 9))
    expect(levels(less, 'clock-drifts')).toEqual([])
  })

  it('a clock that drifted, marks of a dial and flows in other weather do not contradict each other; a pressure that rises by itself does', () => {
    const log = (first: Partial<Reading>, second: Partial<Reading>) =>
      levels(
        changed(hillTown, (s) => {
          s.heating = heatingNotChecked(1.3)
          s.heating.circuits.heating = { ...circuitNotRead(), coldBar: 1.2 }
          s.controls.found.heating.flow = { by: 'curve', slope: 1, shiftK: 5, mostC: 65 }
          s.readings.push(
            { ...reading('clock', '2026-01-01', {}), ...first } as Reading,
            { ...reading('clock', '2026-01-09', {}), ...second } as Reading,
          )
        }),
        'contradicts',
      ).length
    const two = (kind: Reading['kind'], a: Reading['values'], b: Reading['values'], where: string | null = null) =>
      log({ kind, values: a, where }, { kind, values: b, where })
    expect(two('clock', { aheadMin: 2 }, { aheadMin: 9 }, 'controller-1')).toBe(0)
    expect(two('dial', { division: 2, hotC: 47 }, { division: 4, hotC: 65 }, 'boiler')).toBe(0)
    const flow = (outdoorC: number, supplyC: number) => ({ outdoorC, supplyC, feels: 'right' })
    expect(two('flow-log', flow(-5, 50), flow(10, 35))).toBe(0)
    const bar = (circuit: string, gauge: string, pressureBar: number) => ({ circuit, gauge, pressureBar })
    expect(two('circuit', bar('heating', 'cold', 1.2), bar('heating', 'hot', 2))).toBe(0)
    expect(two('circuit', bar('heating', 'cold', 0.6), bar('heating', 'cold', 1.2))).toBe(1)
    // One that falls is a leak, not a slip of the gauge: that is a finding of its own.
    expect(two('circuit', bar('heating', 'cold', 1.2), bar('heating', 'cold', 0.6))).toBe(0)
  })

  it('a flow that was logged is held against its setting, and says what comes next', () => {
    const study = changed(hillTown, (s) => {
      s.heating = heatingNotChecked(1.3)
      Object.assign(s.controls.found.heating, {
        heaterId: 'boiler',
        flow: { by: 'curve', slope: 1, shiftK: 5, mostC: 65 },
      })
    })
    const log = reading('flow-log', '2026-01-10', { outdoorC: 0, supplyC: 46, returnC: 40, feels: 'right' })
    const said = judge(study, log)!
    expect(said.verdict).toMatchObject({ measured: 46, modelled: 45 })
    // The curve of natural gas at a return of 40 °C.
    expect(said.worked.steps[0].value).toBeCloseTo(93.5, 6)
    expect(said.worked.notes[0]).toMatch(/lower the flow by 3\.0 K/)
    expect(judge(hillTown, log)).toBeNull()
  })

  it('a circuit takes over what its gauge shows', () => {
    const study = changed(hillTown, (s) => {
      s.heating = heatingNotChecked(1.3)
      s.heating.circuits.heating = { ...circuitNotRead(), coldBar: 1.5 }
    })
    const read = reading('circuit', '2026-01-10', { circuit: 'heating', gauge: 'cold', pressureBar: 1.1 })
    const said = judge(study, read)!
    expect(said.offers).toMatchObject([{ path: 'heating.circuits.heating.coldBar', value: 1.1 }])
    expect(said.verdict?.likely[0]).toMatch(/leak/)
  })
})
