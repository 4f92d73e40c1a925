import { deadLegVolumes, loopStandsHot } from '../household/dead-leg-limit'
import { purchasedKwh } from '../year/result'
import type { Level, Rule, Told } from './check'

/**
 * Litres that somebody is ready to run off and energy that may be bought, held together, since each is easily kept at the
 * cost of the other: a loop that always runs wastes no water, and a loop that rests no heat. Nothing where none was chosen.
 */
const wasteLimit: Rule = ({ study, write }): Told[] => {
  const { deadLegLimitL } = study.pipes
  if (deadLegLimitL === null) return []
  const past = (loopHot: boolean) => {
    const marks = deadLegVolumes(study, deadLegLimitL, loopHot)
    return study.pipes.taps.filter((t) => marks.get(t.runId)!.at !== 'within').map((t) => t.name)
  }
  const stands = loopStandsHot(study)
  const [atBest, cold] = [past(stands !== 'never'), past(stands === 'always')]
  const level: Level = cold.length === 0 ? 'pass' : atBest.length === 0 ? 'marginal' : 'fail'
  const litres = write.figure('volume', deadLegLimitL, 2)
  return [
    {
      id: 'waste-limit',
      subject: { kind: 'tap', id: null },
      concern: 'comfort',
      level,
      title: 'Dead-leg volume',
      sentence:
        level === 'pass'
          ? `Dead-leg volume at most ${litres} at every outlet.`
          : level === 'marginal'
            ? `Dead-leg volume at most ${litres} at every outlet while the circulation is hot; above it with the pump off at ${cold.join(', ')}.`
            : `Dead-leg volume above ${litres} at ${atBest.join(', ')}.`,
      figures: { tapsPast: { value: cold.length, unit: 'taps', worse: { when: 'more', by: 0.5 } } },
      source: 'Pipe volume from the last circulated hot water',
      remedy: 'Shorten or narrow the run, add a dedicated run, or extend the circulation.',
    },
  ]
}

const energyLimit: Rule = ({ study, year, write }): Told[] => {
  const { energyLimitKwh } = study.pipes
  if (energyLimitKwh === null || !year) return []
  const bought = purchasedKwh(year)
  return [
    {
      id: 'energy-limit',
      subject: { kind: 'supply', id: null },
      concern: 'cost',
      level: bought <= energyLimitKwh ? 'pass' : 'fail',
      title: 'Annual energy limit',
      sentence: `Purchased energy ${write.energy(bought)}; limit ${write.energy(energyLimitKwh)}.`,
      figures: {
        purchasedKwh: { value: bought, quantity: 'energy', worse: { when: 'more', by: 20 } },
        limitKwh: { value: energyLimitKwh, quantity: 'energy' },
      },
      source: 'Annual heat balance against the chosen limit',
      remedy: 'Reduce losses, or raise the limit.',
    },
  ]
}

export const TARGET_CHECKS = { wasteLimit, energyLimit }
