import { STEP_CARDS } from '../procedures/cards'
import { progressOf, wordsIn } from '../procedures/step-card'
import { type Rule, type Told } from './check'

/** Step cards that were begun and not ended: what is still shut off, and what was left in the middle. */
const stepsLeft: Rule = ({ study, write }) =>
  study.cards.flatMap((work): Told[] => {
    const card = STEP_CARDS[work.card]
    const { done, of, isolated, next, finished } = progressOf(card, work)
    if (done === 0 || finished) return []
    return [
      {
        id: `steps-${work.id}`,
        concern: isolated ? 'fault' : 'record',
        level: isolated ? 'fail' : 'marginal',
        subject: work.heaterId ? { kind: 'heater', id: work.heaterId } : { kind: 'controller', id: null },
        title: isolated ? `Still isolated: ${card.title}` : `Step card not finished: ${card.title}`,
        sentence: `${done} of ${of} steps done. ${next ? `Next: ${wordsIn(next.text, write)}` : `Left: ${card.proof!.toLowerCase()}.`}`,
        source: 'Step card',
        remedy: 'Finish the card under Settings, Step cards, or remove it.',
      },
    ]
  })

export const STEPS_CHECKS = { stepsLeft }
