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
      expect.arrayContaining(['needs a setpoint: the plant has "Condensing boiler"']),
    )
    study.controls.found.heaters = { [id]: study.controls.found.heaters.boiler }
    expect(readStudy(study).ok).toBe(true)
  })
})
