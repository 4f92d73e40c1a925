import { hottestOf } from '../household/hottest'
import { mixesTo } from '../household/supply'
import { SAFETY } from '../safety/limits'
import { burnTime, scaldSeconds } from '../safety/scald'
import { isLocal } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import type { Check, Judge, Level } from './check'

/** Taps that nobody puts a hand under. */
const NO_HANDS = new Set(['machine'])

const atRisk = (study: Study) => study.people.persons.filter((p) => p.kind !== 'adult')

/** Seconds to a burn at each tap, by the hottest water of its year: whatever heats it, and whatever mixes it down. */
export const scaldAtTaps: Judge = ({ study, year, write }) => {
  const risk = atRisk(study)
  const limitC = risk.length ? SAFETY.scaldsAtRisk.value : SAFETY.scalds.value
  const valve = mixesTo(study.plant.store)
  return study.pipes.taps
    .filter((tap) => !NO_HANDS.has(tap.kind))
    .map((tap): Check => {
      const hottestC = year.taps.find((t) => t.id === tap.id)?.hottestC ?? null
      const base = { id: `scald-${tap.id}`, title: `Burns at ${tap.name}` }
      if (hottestC === null)
        return {
          ...base,
          level: 'green',
          sentence: `Nothing hot is drawn at ${tap.name} in the year.`,
          source: 'The year’s draws',
        }
      const { adultS, childS } = scaldSeconds(hottestC)
      const burnsIn = risk.length ? childS : adultS
      const level: Level = hottestC <= limitC + 0.05 ? 'green' : burnsIn < SAFETY.burnsAtOnce.value ? 'red' : 'amber'
      return {
        ...base,
        level,
        sentence: `Up to ${write.temperature(hottestC)} comes: an adult burns in ${burnTime(adultS)}, a child in ${burnTime(childS)}${valve === null ? '' : `, with the valve behind the store at ${write.temperature(valve)}`}. ${risk.length ? `With ${risk.map((p) => p.name).join(', ')} in the house` : 'With adults alone'} the limit is ${write.temperature(limitC)}.`,
        source: risk.length ? SAFETY.scaldsAtRisk.source : SAFETY.scalds.source,
      }
    })
}

/** What sun, fires and other heaters make at their hottest, which no setpoint ends. */
export const wildHeat: Judge = ({ study, heaterId, write }) => {
  const controls = controlsOf(study).heaters
  const valve = mixesTo(study.plant.store)
  return study.plant.heaters
    .filter((h) => !isLocal(h) && h.id !== heaterId && !controls[h.id])
    .flatMap((h): Check[] => {
      const hottestC = hottestOf(h, undefined)
      if (hottestC === null || hottestC <= SAFETY.scalds.value) return []
      const comesC = Math.min(hottestC, valve ?? Infinity)
      const { adultS } = scaldSeconds(comesC)
      return [
        {
          id: `wild-${h.id}`,
          title: `${h.name} at its hottest`,
          level: comesC <= SAFETY.scalds.value ? 'green' : adultS < SAFETY.burnsAtOnce.value ? 'red' : 'amber',
          sentence: `Whatever is set, ${h.name} can bring the water to ${write.temperature(hottestC)}; ${valve === null ? 'no valve that is known mixes it down' : `the valve behind the store mixes it down to ${write.temperature(comesC)}`}. That burns an adult in ${burnTime(adultS)}.`,
          source: 'What its physics or its own limit ends',
        },
      ]
    })
}
