import { describe, expect, it } from 'vitest'
import { hillTown } from '../../core/demos/hill-town'
import { findings } from '../../core/findings/findings'
import { changesBetween, setAnew } from '../../core/household/changes'
import { settingsOf } from '../../core/household/register'
import type { Controls } from '../../core/study/controls'
import { edited } from '../../core/study/edited'
import { controlsOf } from '../../core/study/in-force'
import type { Reading } from '../../core/study/readings'
import { MOST_CHANGES } from '../../core/study/shape'
import type { Study } from '../../core/study/study'
import { changed } from '../../proof/studies'

const set = (study: Study, on: string, edit: (controls: Controls) => void): Study =>
  setAnew(study, edited(controlsOf(study), edit), on)
const setpoint = (c: number) => (k: Controls) => void (k.heaters.boiler!.setpointC = c)
const path = 'heaters.boiler.setpointC'
const found = controlsOf(hillTown).heaters.boiler!.setpointC

describe('the log of changes', () => {
  it('has a setting from what to what on each day, and nothing for what ends where it began', () => {
    const first = set(set(hillTown, '2026-03-02', setpoint(60)), '2026-03-02', setpoint(58))
    expect(first.controls.changes).toEqual([{ on: '2026-03-02', path, from: found, to: 58 }])
    const later = set(first, '2026-03-09', setpoint(55))
    expect(later.controls.changes.at(-1)).toEqual({ on: '2026-03-09', path, from: 58, to: 55 })
    expect(set(later, '2026-03-09', setpoint(58)).controls.changes).toEqual(first.controls.changes)
    expect(set(hillTown, '2026-03-02', () => {}).controls.changes).toEqual([])
  })

  it('knows every setting of the register, and forgets the oldest', () => {
    const windows = set(hillTown, '2026-03-02', (k) => void (k.loop.windows = k.loop.windows.map(() => [])))
    expect(windows.controls.changes.map((c) => c.path)).toEqual(['loop.windows'])
    expect(settingsOf(hillTown).map((s) => s.path)).toContain('loop.windows')
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
    values: { tempC: 60 },
    note: '',
    photo: null,
    adopted: null,
  })
  const read = changed(hillTown, (s) => void (s.readings = [reading('a', '2026-03-01'), reading('b', '2026-03-20')]))
  const together = (study: Study) => findings(study, null).find((f) => f.id === 'together-b')
  it('are pointed out, one alone or one of them outside is not', () => {
    const one = set(read, '2026-03-05', setpoint(60))
    expect(together(one)).toBeUndefined()
    const both = set(one, '2026-03-12', (k) => void (k.loop.mode = 'always'))
    expect(together(both)?.why).toMatch(/setpoint of .* on 2026-03-05.*on 2026-03-12/)
    const after = set(one, '2026-03-25', (k) => void (k.loop.mode = 'always'))
    expect(together(after)).toBeUndefined()
    // The same setting twice is one thing.
    expect(together(set(one, '2026-03-12', setpoint(58)))).toBeUndefined()
  })
})
