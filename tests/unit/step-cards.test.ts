import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checksOf } from '../../core/checks/catalogue'
import { DEMOS } from '../../core/demos'
import { forestFarm } from '../../core/demos/forest-farm'
import { harbourFlat } from '../../core/demos/harbour-flat'
import { hillTown } from '../../core/demos/hill-town'
import { removeHeater } from '../../core/household/edits/plant'
import { STEP_CARDS } from '../../core/procedures/cards'
import { progressOf, waitsFor, withoutTick, withTick, wordsIn } from '../../core/procedures/step-card'
import { SYMPTOMS } from '../../core/procedures/symptoms'
import { cardsFor, takeInHand } from '../../core/procedures/taken-in-hand'
import { displayOf } from '../../core/study/display-of'
import { CARD_NAMES, type CardName, type CardWork } from '../../core/study/step-cards'
import { Study } from '../../core/study/study'
import { changed } from '../../proof/studies'

const blank = (card: CardName): CardWork => ({ id: 'card-1', card, heaterId: null, ticks: [], shows: '' })
const cards = fc.constantFrom(...CARD_NAMES)
/** A card with some of its steps pressed in any order, as a thumb may. */
const pressed = cards.chain((name) =>
  fc
    .array(fc.nat({ max: STEP_CARDS[name].steps.length - 1 }), { maxLength: 30 })
    .map((order) =>
      order.reduce((w, i) => withTick(STEP_CARDS[name], w, STEP_CARDS[name].steps[i], '2026-03-02'), blank(name)),
    ),
)

describe('step cards', () => {
  it('have steps with names of their own, and shut off nothing that they do not give back', () => {
    for (const name of CARD_NAMES) {
      const { steps } = STEP_CARDS[name]
      expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length)
      expect(steps.every((s) => s.id.length <= 40)).toBe(true)
      const off = steps.findIndex((s) => s.isolates)
      if (off < 0) continue
      expect(steps[off].must).toBe(true)
      expect(steps.findIndex((s) => s.restores)).toBeGreaterThan(off)
    }
  })

  it('never have a step done before what has to be done first, in whatever order they are pressed', () => {
    fc.assert(
      fc.property(pressed, (work) => {
        const card = STEP_CARDS[work.card]
        for (const { step: id } of work.ticks)
          expect(
            waitsFor(
              card,
              work,
              card.steps.find((s) => s.id === id)!,
            ),
          ).toBeNull()
      }),
    )
  })

  it('lose with an isolation whatever waited for it, and come back to where they were by its tick alone', () => {
    fc.assert(
      fc.property(pressed, fc.nat({ max: 12 }), (work, i) => {
        const card = STEP_CARDS[work.card]
        const step = card.steps[i % card.steps.length]
        const less = withoutTick(card, work, step)
        for (const { step: id } of less.ticks)
          expect(
            waitsFor(
              card,
              less,
              card.steps.find((s) => s.id === id)!,
            ),
          ).toBeNull()
        expect(less.ticks.some((t) => t.step === step.id)).toBe(false)
      }),
    )
  })

  it('of electric work begin with isolating and proving dead', () => {
    for (const name of ['element-thermostat', 'room-control'] as const) {
      const card = STEP_CARDS[name]
      const [first, second, third] = card.steps
      expect([first.id, second.id]).toEqual(['isolate', 'prove'])
      expect(withTick(card, blank(name), third, '2026-03-02').ticks).toEqual([])
      expect(first.caution).toMatch(/Electric shock/)
    }
  })

  it('are finished with every step and with what is read at the end', () => {
    const card = STEP_CARDS['top-up']
    const all = card.steps.reduce((w, s) => withTick(card, w, s, '2026-03-02'), blank('top-up'))
    expect(progressOf(card, all)).toMatchObject({ finished: false, next: null })
    expect(progressOf(card, { ...all, shows: '1.2 bar' }).finished).toBe(true)
  })

  it('are offered for what a household has, and each symptom leads to one that there is', () => {
    const names = (study: Study) => cardsFor(study).map((c) => c.card)
    expect(names(hillTown)).toContain('loop-control')
    expect(names(harbourFlat)).not.toContain('loop-control')
    expect(names(harbourFlat)).not.toContain('drain-down')
    for (const { study } of DEMOS)
      for (const { heaterIds } of cardsFor(study))
        for (const id of heaterIds) expect(study.plant.heaters.some((h) => h.id === id)).toBe(true)
    for (const { card } of SYMPTOMS) expect(card === null || card in STEP_CARDS).toBe(true)
  })

  it('speak in the units of the study', () => {
    const us = displayOf({ ...hillTown, units: 'us' })
    const said = Object.values(STEP_CARDS).flatMap((c) => c.steps.flatMap((s) => [s.text, s.caution ?? '']))
    expect(said.map((w) => wordsIn(w, us)).join(' ')).not.toMatch(/\d ?(°C|bar|K)\b/)
    expect(said.map((w) => wordsIn(w, us)).join(' ')).toMatch(/140 °F/)
  })
})

describe('a card in hand', () => {
  const begun = takeInHand(hillTown, 'drain-down', null)
  const card = STEP_CARDS['drain-down']
  const at = (count: number) =>
    changed(begun.study, (s) => {
      s.cards = [card.steps.slice(0, count).reduce((w, x) => withTick(card, w, x, '2026-03-02'), s.cards[0])]
    })
  const found = (study: Study) => checksOf(study, null).find((c) => c.id === `steps-${begun.id}`)

  it('is a finding while something is shut off, another once it is back, and none at the end', () => {
    expect(found(at(0))).toBeUndefined()
    expect(found(at(3))).toMatchObject({ level: 'fail', title: expect.stringMatching(/Still isolated/) as string })
    expect(found(at(card.steps.length))).toBeUndefined()
  })

  it('is refused for a heater that is not there, and goes with its heater', () => {
    const doc = changed(hillTown, () => {})
    const lost = { ...doc, cards: [{ ...blank('keep-hot'), heaterId: 'nobody' }] }
    expect(Study.safeParse(lost).error?.issues[0].message).toBe('there is no heater "nobody"')
    const [last] = forestFarm.plant.heaters.filter((h) => h.kind === 'element')
    const held = takeInHand(forestFarm, 'element-thermostat', last.id).study
    expect(held.cards).toHaveLength(1)
    expect(removeHeater(held, last.id).cards).toEqual([])
  })
})
