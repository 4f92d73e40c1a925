import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hillTown } from '../../core/demos/hill-town'
import { changesBetween, restoreFound, setAnew } from '../../core/household/changes'
import { settingsOf, wasChanged } from '../../core/household/register'
import { Controls } from '../../core/study/controls'
import { edited } from '../../core/study/edited'
import { controlsOf } from '../../core/study/in-force'
import { RIGHT_CLOCK } from '../../core/study/new-controller'
import type { Study } from '../../core/study/study'
import { display } from '../../core/units/display'
import { randomStudy } from '../../proof/random-study'

const write = display('metric', 'EUR', 'kwh')
const on = '2026-11-25'
const set = (study: Study, edit: (c: Controls) => void): Study => setAnew(study, edited(controlsOf(study), edit), on)
const changed = set(hillTown, (c) => {
  c.heaters.boiler!.setpointC = 60
  c.loop.mode = 'off'
  c.clocks['controller-1'].aheadMin = 12
})

describe('the register', () => {
  it('holds what was found beside what stands now', () => {
    expect(settingsOf(hillTown).some(wasChanged)).toBe(false)
    expect(
      settingsOf(changed)
        .filter(wasChanged)
        .map((s) => [s.path, s.found, s.now]),
    ).toEqual([
      ['heaters.boiler.setpointC', 65, 60],
      ['loop.mode', 'clock', 'off'],
      ['clocks.controller-1.aheadMin', 0, 12],
    ])
  })

  it('puts one back, and the last one or all clear what was set', () => {
    const one = restoreFound(changed, 'loop.mode', on)
    expect(one.controls.set).toMatchObject({ loop: { mode: 'clock' }, heaters: { boiler: { setpointC: 60 } } })
    expect(one.controls.setOn).toBe(on)
    const rest = restoreFound(restoreFound(one, 'heaters.boiler.setpointC', on), 'clocks.controller-1.aheadMin', on)
    for (const back of [rest, restoreFound(changed, null, on)]) expect(back.controls).toEqual(hillTown.controls)
    expect(restoreFound(hillTown, 'loop.mode', on)).toBe(hillTown)
  })

  it('keeps in the log what was put back on another day', () => {
    const back = restoreFound(changed, 'loop.mode', '2026-12-01')
    expect(back.controls.changes.at(-1)).toEqual({
      on: '2026-12-01',
      path: 'loop.mode',
      from: 'off',
      to: 'clock',
      as: 'set',
      by: '',
      why: '',
      shows: '',
    })
  })

  it('reads as words, in the units of the study', () => {
    const functions = set(hillTown, (c) => {
      const boiler = c.heaters.boiler!
      boiler.holidayC = 45
      boiler.pasteurisation = { weekday: 0, atMin: 180, toC: 65, holdMin: 30 }
      boiler.overrides = [{ setpointC: 60, fromDay: 32, fromMin: 480, minutes: null, weekly: false }]
      c.loop.mode = 'sampled'
      c.loop.sampled = { everyMin: 15, testS: 20 }
      c.heating.heaterId = 'boiler'
      c.clocks['controller-1'].aheadMin = -12
    })
    const us = display('us', 'USD', 'therm')
    const said = settingsOf(functions)
      .filter(wasChanged)
      .map((s) => [s.what, s.say(s.found, write), s.say(s.now, us)])
    expect(said).toEqual([
      ['Holiday setpoint', 'unchanged', '113 °F'],
      ['Pasteurisation cycle', 'none', 'Monday 3:00 am, 149 °F held 30 min'],
      ['Manual overrides', 'nothing', '140 °F from 1 Feb 8:00 am without end time'],
      ['Circulation mode', 'schedule', 'sampled'],
      ['Test interval', 'every 20 min for 30 s', 'every 15 min for 20 s'],
      ['Space heating', 'another appliance', 'Condensing boiler'],
      ['Clock offset (+ = fast)', '0 min', '-12 min'],
    ])
  })

  it('misses nothing: whatever differs in the controls of any household is listed, in use, logged, and goes back', () => {
    fc.assert(
      fc.property(randomStudy, randomStudy, (study, other) => {
        const [a, b] = [controlsOf(study), controlsOf(other)]
        const from = { ...study, controls: { ...study.controls, set: null, found: a, changes: [] } }
        const to: Controls = {
          ...b,
          heaters: Object.fromEntries(
            Object.entries(a.heaters).map(([id, c]) => {
              const [{ keepHot: _, ...like } = c] = Object.values(b.heaters)
              return [id, 'keepHot' in c ? { ...like, keepHot: !c.keepHot } : like]
            }),
          ),
          heating: { ...b.heating, heaterId: a.heating.heaterId },
          loop: study.pipes.loop ? b.loop : a.loop,
          clocks: Object.fromEntries(
            Object.keys(a.clocks).map((id, i) => [id, Object.values(b.clocks)[i] ?? RIGHT_CLOCK]),
          ),
        }
        const after = setAnew(from, Controls.parse(to), on)
        const moved = settingsOf(after).filter(wasChanged)
        for (const s of moved) {
          expect([s.say(s.found, write), s.say(s.now, write)]).not.toContain('not readable')
          expect(`${s.say(s.found, write)} ${s.say(s.now, write)}`).not.toMatch(/undefined|NaN|null|\[object/)
        }
        expect(changesBetween(after).map((c) => c.setting.path)).toEqual(moved.map((s) => s.path))
        // One by one every one of them goes back, and then nothing is left that differs.
        const back = moved.reduce((at, s) => restoreFound(at, s.path, on), after)
        expect(back.controls).toEqual({ ...from.controls, setOn: null })
      }),
      { numRuns: 60 },
    )
  })

  it('says of a value that no such setting can have that it cannot be read', () => {
    for (const s of settingsOf(hillTown)) expect(s.say({ of: 'somebody else' }, write), s.path).toBe('not readable')
  })
})
