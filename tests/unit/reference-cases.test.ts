import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { REFERENCE_CASES, strain } from '../../proof/reference-cases'
import { inDoubt, licencesPage } from '../../scripts/licences'
import { limitsPage } from '../../scripts/limits'
import { studySchema } from '../../scripts/study-schema'
import { validationPage } from '../../scripts/validation'

describe('references', () => {
  it.each(REFERENCE_CASES.map((c) => [c.what, c] as const))('%s', (_, c) => {
    const got = c.got()
    expect(strain(c, got), `expected ${c.expected} ${c.unit}, got ${got}`).toBeLessThan(1)
  })
})

describe('what is published', () => {
  it('is made of nothing whose licence is in doubt', () => expect(inDoubt()).toEqual([]))

  it.each([
    ['docs/validation.md', validationPage],
    ['docs/limits.md', limitsPage],
    ['docs/licences.md', licencesPage],
    ['docs/study.schema.json', () => `${JSON.stringify(studySchema(), null, 2)}\n`],
  ])('%s is what the code says now; npm run docs writes it', (file, now) => {
    expect(readFileSync(file, 'utf8')).toBe(now())
  })
})

it('the README shows every picture there is, and none that is not', () => {
  const named = [...readFileSync('README.md', 'utf8').matchAll(/docs\/screenshots\/([\w-]+\.png)/g)].map((m) => m[1])
  expect(new Set(named)).toEqual(new Set(readdirSync('docs/screenshots')))
})
