import { edited } from '../study/edited'
import { freshId } from '../study/fresh-id'
import { CARD_NAMES, type CardName, type CardWork, MOST_CARD_WORK } from '../study/step-cards'
import type { Study } from '../study/study'
import { STEP_CARDS } from './cards'

/** Cards that a household has a use for, each with the heaters it is done at; none where it is done to the household. */
export const cardsFor = (study: Study): { card: CardName; heaterIds: string[] }[] =>
  CARD_NAMES.flatMap((card) => {
    const { at, has } = STEP_CARDS[card]
    if (has && !has(study)) return []
    if (at === null) return [{ card, heaterIds: [] }]
    const heaterIds = study.plant.heaters.filter(at).map((h) => h.id)
    return heaterIds.length ? [{ card, heaterIds }] : []
  })

/** A study with a card taken in hand; of a full list the oldest goes. @returns the id that it was given too */
export function takeInHand(study: Study, card: CardName, heaterId: string | null): { study: Study; id: string } {
  const id = freshId('card', study.cards)
  const work: CardWork = { id, card, heaterId, ticks: [], shows: '' }
  return { id, study: edited(study, (s) => void (s.cards = [...s.cards, work].slice(-MOST_CARD_WORK))) }
}
