import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { hillTown } from '../../core/demos/hill-town'
import { changesBetween, restoreFound, setAnew, settleControls } from '../../core/household/changes'
import { settingsOf } from '../../core/household/register'
import type { Controls } from '../../core/study/controls'
import { edited } from '../../core/study/edited'
import { controlsOf } from '../../core/study/in-force'
import type { Reading } from '../../core/study/readings'
import { MOST_CHANGES } from '../../core/study/shape'
import type { Study } from '../../core/study/study'
import { changed } from '../../proof/studies'
import { open } from './judged'

const set = (study: Study, on: string, edit: (controls: Controls) => void): Study =>
  setAnew(study, edited(controlsOf(study), edit), on)
const setpoint = (c: number) => (k: Controls) => void (k.heaters.boiler!.setpointC = c)
const path = 'heaters.boiler.setpointC'
const found = controlsOf(hillTown).heaters.boiler!.setpointC

describe('the log of changes', () => {
  it('has a setting from what to what on each day, and nothing for what ends where it began', () => {
    const first = set(set(hillTown, '2026-03-02', setpoint(60)), '2026-03-02', setpoint(58))
    expect(first.controls.changes).toEqual([
      { on: '2026-03-02', path, from: found, to: 58, as: 'set', by: '', why: '', shows: '' },
    ])
    const later = set(first, '2026-03-09', setpoint(55))
    expect(later.controls.changes.at(-1)).toEqual({
      on: '2026-03-09',
      path,
      from: 58,
      to: 55,
      as: 'set',
      by: '',
      why: '',
      shows: '',
    })
    expect(set(later, '2026-03-09', setpoint(58)).controls.changes).toEqual(first.controls.changes)
    expect(set(hillTown, '2026-03-02', () => {}).controls.changes).toEqual([])
  })

  it('knows every setting of the register, and forgets the oldest', () => {
    const schedule = set(hillTown, '2026-03-02', (k) => void (k.loop.schedule = k.loop.schedule.map(() => [])))
    expect(schedule.controls.changes.map((c) => c.path)).toEqual(['loop.schedule'])
    expect(settingsOf(hillTown).map((s) => s.path)).toContain('loop.schedule')
    let many = hillTown
    for (let i = 0; i < MOST_CHANGES + 5; i++)
      many = set(many, new Date(Date.UTC(2026, 0, 1 + i)).toISOString().slice(0, 10), setpoint(50 + (i % 2)))
    expect(many.controls.changes).toHaveLength(MOST_CHANGES)
    expect(changesBetween(many, { from: '2026-01-01', to: '2026-01-03' })).toEqual([])
    expect(changesBetween(many, { from: '2026-02-01', to: '2026-02-03' })).toHaveLength(3)
  })
})

describe('two changes between two readings', () => {
  const reading = (id: string, day: string): Reading => ({
    id,
    takenAt: `${day}T08:00:00+01:00`,
    kind: 'heater-display',
    sum: null,
    where: 'boiler',
    values: { inletC: 10, outletC: 60, flowLMin: 6 },
    note: '',
    photo: null,
    adopted: null,
  })
  const read = changed(hillTown, (s) => void (s.readings = [reading('a', '2026-03-01'), reading('b', '2026-03-20')]))
  const together = (study: Study) => open(study).find((c) => c.id === 'pair-b')
  it('are pointed out, one alone or one of them outside is not', () => {
    const one = set(read, '2026-03-05', setpoint(60))
    expect(together(one)).toBeUndefined()
    expect(checksOf(one, null).find((c) => c.id === 'pair-b')?.level).toBe('pass')
    const both = set(one, '2026-03-12', (k) => void (k.loop.mode = 'always'))
    expect(together(both)?.sentence).toMatch(/setpoint of .* on 2026-03-05.*on 2026-03-12/)
    const after = set(one, '2026-03-25', (k) => void (k.loop.mode = 'always'))
    expect(together(after)).toBeUndefined()
    // The same setting twice is one thing.
    expect(together(set(one, '2026-03-12', setpoint(58)))).toBeUndefined()
  })
})

describe('settling', () => {
  it('is the same once and twice, for any run of settings', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(50, 55, found), { minLength: 1, maxLength: 6 }), (steps) => {
        let study = hillTown
        for (const c of steps) {
          const next = set(study, '2026-03-02', setpoint(c))
          expect(settleControls(study, next, '2026-03-02')).toBe(next)
          study = next
        }
        const back = restoreFound(study, null, '2026-03-02')
        expect(settleControls(study, back, '2026-03-02').controls.changes).toEqual([])
      }),
    )
  })
})
