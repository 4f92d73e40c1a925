import { readdirSync, readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CALCULATORS } from '../../core/calculators/registry'
import { checksOf } from '../../core/checks/catalogue'
import { checksOfMeasure } from '../../core/checks/measure'
import { duplex } from '../../core/demos/duplex'
import { DEMOS } from '../../core/demos/index'
import { HEATERS } from '../../core/heaters/kinds'
import { LOOP_MODE_WORDS } from '../../core/household/loop-mode-words'
import { settingsOf } from '../../core/household/register'
import { MEASURES } from '../../core/measures/names'
import { partsOf } from '../../core/measures/parts'
import { READINGS } from '../../core/readings/kinds'
import type { Study } from '../../core/study/study'
import { wordsOf } from '../../core/study/words-of'
import { inWordsOf } from '../../core/words/dialect'
import { HELPED_FIELDS, helpOf } from '../../core/words/field-help'
import { findTerms } from '../../core/words/find'
import type { Term } from '../../core/words/term'
import { TERMS } from '../../core/words/terms'
import { simulate } from '../../core/year/simulate'
import { randomStudy } from '../../proof/random-study'
import { METRIC_UNITS, NEVER_SAY, ours, US_UNITS } from '../never-say'

/** What a household is told: titles, sentences and remedies of every check, of its measures, and what these take. */
const told = (study: Study) => [
  ...checksOf(study, simulate(study)).flatMap((c) => [c.title, c.sentence, c.remedy, c.source, c.cause.title]),
  ...study.packages
    .flatMap((p) => p.measures)
    .flatMap((m) => [
      ...checksOfMeasure(study, m).flatMap((c) => [c.title, c.sentence, c.remedy, c.source]),
      ...partsOf(study, m).flatMap((p) => [p.unit, p.also ?? '']),
    ]),
  ...settingsOf(study).map((s) => s.what),
]
/** Texts that are the same in every study. */
const always = [
  ...Object.values(HEATERS).flatMap((h) => [h.name, h.caution]),
  ...Object.values(LOOP_MODE_WORDS).flatMap((m) => [m.name, m.does]),
  ...Object.values(MEASURES).map((m) => m.name),
  ...Object.values(READINGS).flatMap((r) => [r.title, r.how]),
  ...CALCULATORS.flatMap((s) => [s.title, s.about, ...Object.values(s.results).map((r) => r.label)]),
]
describe('a line of help', () => {
  const source = (at: string) => readFileSync(new URL(`../../${at}`, import.meta.url), 'utf8')
  const folder = new URL('../../app/components', import.meta.url)
  const fields =
    readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter((f) => f.endsWith('.vue'))
      .map((f) => source(`app/components/${f}`))
      .join('\n') + source('app/utils/heater-rows.ts')

  it('is that of a field there is, which has none of its own', () => {
    for (const label of HELPED_FIELDS) {
      const quoted = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
      const at = new RegExp(`["'\`]${quoted}["'\`]`, 'i').exec(fields)
      expect(at, label).not.toBeNull()
      expect(/^[^}>]{0,160}\bhelp[=:]/.test(fields.slice(at!.index, at!.index + 160)), label).toBe(false)
    }
  })

  it('is short, in the trade’s words, and says no more than that', () => {
    for (const label of HELPED_FIELDS) {
      const line = helpOf(label)!
      expect(line.split(' ').length, line).toBeLessThanOrEqual(17)
      expect(line).not.toMatch(NEVER_SAY)
      expect(line).not.toMatch(METRIC_UNITS)
      expect(inWordsOf('us', line, [])).not.toMatch(NEVER_SAY)
    }
    for (const { help } of Object.values<Term>(TERMS)) {
      expect(help).not.toMatch(NEVER_SAY)
      expect(help).not.toMatch(METRIC_UNITS)
    }
    expect(helpOf('SETPOINT')).toBe(TERMS.setpoint.help)
    expect(helpOf('Name')).toBeUndefined()
  })
})

describe('the words of the trade', () => {
  it('are explained in a line each, and none is another’s', () => {
    const terms = Object.values<Term>(TERMS)
    for (const { metric, help } of terms) expect(help.split(' ').length, metric).toBeLessThanOrEqual(17)
    expect(new Set(terms.map((t) => t.metric)).size).toBe(terms.length)
  })

  it('are said once: what is in US words stays as it is', () => {
    const texts = [...always, ...DEMOS.flatMap((d) => told(d.study))]
    for (const text of texts) {
      const us = inWordsOf('us', text)
      expect(inWordsOf('us', us)).toBe(us)
      expect(inWordsOf('metric', text)).toBe(text)
    }
  })

  it.each(DEMOS.map((d) => [d.study.id, d.study] as const))('are those of %s, in either system', (_, study) => {
    for (const units of ['metric', 'us'] as const) {
      const as = { ...study, units }
      for (const text of told(as).map((t) => ours(as, t))) {
        expect(text).not.toMatch(NEVER_SAY)
        expect(text).not.toMatch(units === 'us' ? METRIC_UNITS : US_UNITS)
      }
    }
    for (const text of always) expect(text).not.toMatch(NEVER_SAY)
  })

  it('leave what was typed as it was', () => {
    const study = structuredClone(duplex)
    study.pipes.taps[0]!.name = 'Cellar tap by the cylinder'
    study.site.note = 'an outlet in the loft'
    const words = wordsOf(study)
    expect(words('Scald risk at Cellar tap by the cylinder: an outlet')).toBe(
      'Scald risk at Cellar tap by the cylinder: a fixture',
    )
    expect(words('an outlet in the loft')).toBe('an outlet in the loft')
    expect(words('Outlets in the loft')).toBe('Fixtures in the attic')
    // A note told within a sentence stands in quotation marks.
    expect(words('“the loft tap”: outlet not stated')).toBe('“the loft tap”: fixture not stated')
    study.pipes.taps[0]!.name = 'a'
    expect(wordsOf(structuredClone(study))('Outlet a: a cylinder and a tap')).toBe('Fixture a: a tank and a faucet')
  })

  it('leave the names of any study as they are', () => {
    fc.assert(
      fc.property(randomStudy, fc.constantFrom('Cylinder of ', 'Outlet: '), (study, before) => {
        const us: Study = { ...study, units: 'us' }
        const { name } = us.pipes.taps[0]!
        expect(wordsOf(us)(`${before}${name}`).endsWith(name)).toBe(true)
      }),
      { numRuns: 40 },
    )
  })

  it.each([
    ['geyser', 'cylinder'],
    ['tankless', 'instantaneous'],
    ['cylinder', 'cylinder'],
    ['tank', 'cylinder'],
    ['dead leg', 'deadLeg'],
    ['twig', 'deadLeg'],
    ['secondary return', 'secondaryReturn'],
    ['immersion', 'immersion'],
    ['keep-hot', 'keepHot'],
    ['pre-heat', 'keepHot'],
    ['hysteresis', 'differential'],
    ['legionella', 'logReduction'],
  ])('find "%s" as %s', (word, concept) => expect(findTerms(word)[0]).toBe(concept))
})
