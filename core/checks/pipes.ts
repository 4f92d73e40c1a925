import { type Place } from '../climate/places'
import { tapFigures } from '../household/tap-figures'
import { type Run } from '../study/pipes'
import type { Rule, Told } from './check'

/** Where it is cold enough for a bare pipe to be worth wrapping, and short ones are not worth a word, m. */
const COLD: readonly Place[] = ['cellar', 'loft', 'outdoors']

const WORTH_M = 2

const named = (runs: readonly Pick<Run, 'name'>[]) => runs.map((r) => r.name).join(', ')

const bareInTheCold: Rule = ({ study, year, write }) => {
  const bare = study.pipes.runs.filter(
    (r) =>
      COLD.includes(r.place) &&
      r.reachable &&
      (!r.insulation || r.insulation.thicknessMm === 0) &&
      r.lengthM >= WORTH_M,
  )
  if (bare.length === 0) return []
  const lost = year ? bare.reduce((s, r) => s + (year.runs.find((x) => x.id === r.id)?.lossKwh ?? 0), 0) : null
  return [
    {
      id: 'bare-pipes',
      concern: 'cost',
      level: 'fail',
      subject: { kind: 'run', id: bare[0].id },
      title: 'Bare pipes where it is cold',
      sentence: `${named(bare)}: ${write.figure(
        'length',
        bare.reduce((s, r) => s + r.lengthM, 0),
      )} without insulation${lost === null ? '' : `, losing ${write.energy(lost)} a year`}.`,
      source: 'Loss of a bare pipe in still air; the year',
      remedy: 'Wrap them: try it under Improve. The first two metres from a store first.',
      mendedBy: 'insulate-runs',
    },
  ]
}

/** Steel behind copper is eaten by what the water carries from the copper. */
const metalsMet: Rule = ({ study }) =>
  study.pipes.runs.flatMap((run): Told[] => {
    const before = study.pipes.runs.find((r) => r.id === run.from)
    if (!run.material.startsWith('steel') || !before?.material.startsWith('copper')) return []
    return [
      {
        id: `metals-${run.id}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'run', id: run.id },
        title: 'Steel after copper',
        sentence: `${run.name} is steel and its water comes through ${before.name}, which is copper: copper in the water pits galvanised steel.`,
        source: 'Galvanic series: steel before copper in the direction of flow',
        remedy: 'Change the order or the material; a dielectric union alone does not stop what the water carries.',
      },
    ]
  })

/** A run that leads to no tap and no loop: hot water stands in it. */
const leadsNowhere: Rule = ({ study, write }) => {
  const { runs, taps, loop } = study.pipes
  const from = new Set(runs.map((r) => r.from))
  const ends = runs.filter((r) => !from.has(r.id) && loop?.turnsAt !== r.id && !taps.some((t) => t.runId === r.id))
  return ends.map((run) => ({
    id: `stub-${run.id}`,
    concern: 'fault',
    level: 'fail',
    subject: { kind: 'run', id: run.id },
    title: `${run.name} leads nowhere`,
    sentence: `${write.figure('length', run.lengthM)} of it end at no tap: unfinished, capped or shut off. Water that stands there cools and lets bacteria grow.`,
    source: 'Dead legs: codes ask for none, or for less than twice the bore',
    remedy: 'Cut it off at its tee, or write down what it feeds.',
  }))
}

/** Contents said and computed further apart than this many times are a slip. */
const FAR_TIMES = 1.5

const contentsSaid: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Told[] => {
    if (tap.saidContentL === null) return []
    const { contentL, ownStore } = tapFigures(study, tap)
    if (ownStore) return []
    const times = tap.saidContentL / contentL
    if (times < FAR_TIMES && times > 1 / FAR_TIMES) return []
    return [
      {
        id: `contents-${tap.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'tap', id: tap.id },
        title: `Litres to ${tap.name} far from what the pipes hold`,
        sentence: `${write.figure('volume', tap.saidContentL, 2)} was said; material, size and length make ${write.figure('volume', contentL, 2)}, ${times > 1 ? `${times.toFixed(1)} times less` : `${(1 / times).toFixed(1)} times more`}.`,
        source: 'Contents = π/4 × bore² × length',
        remedy: 'Measure size and length again, or time the wait: one of the two is a slip.',
        settledBy: 'time-to-hot',
      },
    ]
  })

export const PIPES_CHECKS = { bareInTheCold, metalsMet, leadsNowhere, contentsSaid }
