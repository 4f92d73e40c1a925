import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hillTown } from '../../core/demos/hill-town'
import { readStudy, readStudyText } from '../../core/study/read'
import { VERSION } from '../../core/study/shape'
import { anyText } from '../../proof/hostile-documents'

describe('a hostile document', () => {
  it('is read or refused with a path and a reason of a line, and never throws', () => {
    fc.assert(
      fc.property(anyText, (text) => {
        const read = readStudyText(text)
        if (read.ok) return void expect(readStudy(read.value).ok).toBe(true)
        expect(read.faults.length).toBeGreaterThan(0)
        for (const { path, message } of read.faults) {
          expect(message).not.toBe('')
          expect(Math.max(path.length, message.length)).toBeLessThanOrEqual(300)
        }
      }),
      { numRuns: 1000 },
    )
  })

  it.each([
    [1, 'plant › heaters › 1 › kind'],
    [2, 'plant › heaters › 1 › kind'],
    [3, 'plant › heaters › 1 › kind'],
    [4, 'plant › heaters › 1 › kind'],
  ])('of version %i with null for a heater is refused by its place', (version, path) => {
    const read = readStudy({ ...structuredClone(hillTown), version, plant: { heaters: [null], store: null } })
    expect(!read.ok && read.faults.map((f) => f.path)).toContain(path)
  })

  it('nested without end is refused by its place, whichever part it stands in', () => {
    const nest = (depth: number) => {
      let inner: unknown = 1
      for (let k = 0; k < depth; k++) inner = k % 2 ? [inner] : { of: inner }
      return inner
    }
    for (const depth of [100, 3000, 200_000]) {
      const study = structuredClone(hillTown) as unknown as Record<string, never>
      const wrong = { ...study, controls: { ...(study.controls as object), changes: [{ from: nest(depth) }] } }
      const read = readStudy(wrong)
      expect(!read.ok && read.faults).toEqual([
        {
          path: expect.stringMatching(/^controls › changes › 1 › from › /),
          message: 'is nested more than 40 deep',
        },
      ])
    }
  })

  it('of a hundred thousand origins or a million values is refused by name, before it is looked at', () => {
    const many = Object.fromEntries(Array.from({ length: 200_000 }, (_, i) => [`plant.store.x${i}`, 'assumed']))
    const origins = readStudy({ ...hillTown, origins: many })
    expect(!origins.ok && origins.faults).toEqual([
      { path: 'origins', message: 'has 200000 entries; at most 5000 are kept' },
    ])
    const zeros = readStudy({ ...hillTown, readings: Array.from({ length: 1_000_001 }, () => 0) })
    expect(!zeros.ok && zeros.faults[0].path).toMatch(/^readings › \d+$/)
  })

  it('with readings as older versions could write them keeps each of them, one by one', () => {
    const one = {
      id: 'one',
      takenAt: '2026-03-02T10:00:00+01:00',
      kind: 'mains',
      sum: null,
      where: null,
      values: { mainsC: 9 },
      note: '',
      photo: null,
      adopted: null,
    }
    const { values: _, ...bare } = { ...one, id: 'bare' }
    const read = readStudy({
      ...hillTown,
      readings: [one, { ...one, note: 'the same id' }, bare, { ...one, id: 'odd', kind: 'moon-phase', note: 'Kept.' }],
    })
    expect(read.ok && new Set(read.value.readings.map((r) => r.id)).size).toBe(4)
    expect(read.ok && read.value.readings.map((r) => r.kind)).toEqual([one.kind, one.kind, one.kind, 'note'])
    expect(read.ok && read.value.readings[3].note).toBe('Of a kind that is not known here (moon-phase). Kept.')
    expect(read.ok && readStudy(read.value)).toEqual(read)
  })

  it.each(['\u200b\u200c', '\u2060', '\u3164', '\u2800 \u200d'])(
    'named by signs nobody sees (%j) is refused',
    (name) => {
      const read = readStudy({ ...hillTown, name })
      expect(!read.ok && read.faults.map((f) => f.path)).toEqual(['name'])
    },
  )

  it('with a version inside a version is refused', () => {
    const read = readStudy({ ...hillTown, version: { version: VERSION } })
    expect(!read.ok && read.faults[0].message).toContain(
      `is of a version that is no number; this Bagno reads version ${VERSION}`,
    )
  })

  it.each(['constructor', 'valueof', 'hasownproperty'])('may call a heater "%s" and is judged like any', (id) => {
    const study = structuredClone(hillTown)
    study.plant.heaters[0].id = id
    study.packages = []
    study.origins = {}
    const without = readStudy(study)
    expect(!without.ok && without.faults.map((f) => f.message)).toEqual(
      expect.arrayContaining(['needs a setpoint: the study has "Condensing boiler"']),
    )
    study.controls.found.heaters = { [id]: study.controls.found.heaters.boiler }
    study.controllers[0].commands = [id]
    expect(readStudy(study).ok).toBe(true)
  })
})
