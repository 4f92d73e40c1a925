import type { Heater } from '../study/plant'
import type { CardWork } from '../study/step-cards'
import type { Study } from '../study/study'
import type { Display } from '../units/display'

/** Words of a card: with figures in the units of the study where it has any. */
export type Words = string | ((write: Display) => string)
export const wordsIn = (words: Words, write: Display): string => (typeof words === 'string' ? words : words(write))

/** A step of the hand. */
export interface Step {
  /** Stands in the study beside the day it was ticked; it stays when the words change. */
  id: string
  text: Words
  /** What can hurt here, said where it bites. */
  caution?: Words
  /** Nothing after it can be ticked before it is. */
  must?: true
  /** From here on something is shut off; from there on it is back. */
  isolates?: true
  restores?: true
}

/** Work by hand, step by step, for appliances of any make. */
export interface StepCard {
  title: string
  /** When it is taken in hand. */
  when: string
  /** Whose work it is. */
  who: string
  /** Heaters that it is done at; null: the household as a whole. */
  at: ((heater: Heater) => boolean) | null
  /** Whether a household has what it is about; always where nothing is said. */
  has?: (study: Study) => boolean
  /** What is read at the end as proof, where something shows it. */
  proof?: string
  steps: readonly Step[]
}

const ticked = (work: Pick<CardWork, 'ticks'>, step: Step) => work.ticks.some((t) => t.step === step.id)

/** The step before one that has to be ticked first; null: none. */
export function waitsFor(card: StepCard, work: Pick<CardWork, 'ticks'>, step: Step): Step | null {
  const before = card.steps.slice(0, card.steps.indexOf(step))
  return before.find((s) => s.must && !ticked(work, s)) ?? null
}

/** Ticks of a card with one more; as they were where a step before it has to be done first, or where it is ticked already. */
export function withTick(card: StepCard, work: CardWork, step: Step, on: string): CardWork {
  if (ticked(work, step) || waitsFor(card, work, step)) return work
  return { ...work, ticks: [...work.ticks, { step: step.id, on }] }
}

/** The same with a tick taken back: of a step that others wait for, theirs go with it. */
export function withoutTick(card: StepCard, work: CardWork, step: Step): CardWork {
  const after = step.must ? card.steps.slice(card.steps.indexOf(step) + 1) : []
  const gone = new Set([step, ...after].map((s) => s.id))
  return { ...work, ticks: work.ticks.filter((t) => !gone.has(t.step)) }
}

/** How far a card is: steps ticked of all of them, whether something is still shut off, and what comes next. */
export function progressOf(card: StepCard, work: Pick<CardWork, 'ticks' | 'shows'>) {
  const done = card.steps.filter((s) => ticked(work, s))
  const isolated =
    done.findLastIndex((s) => s.isolates) > -1 && !done.some((s) => s.restores) && card.steps.some((s) => s.restores)
  const left = card.steps.filter((s) => !ticked(work, s))
  const proven = !card.proof || work.shows.trim() !== ''
  return {
    done: done.length,
    of: card.steps.length,
    isolated,
    next: left[0] ?? null,
    finished: left.length === 0 && proven,
  }
}
