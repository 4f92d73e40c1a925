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
      title: 'Uninsulated pipes in unheated space',
      sentence: `${named(bare)}: ${write.figure(
        'length',
        bare.reduce((s, r) => s + r.lengthM, 0),
      )} without insulation${lost === null ? '' : `, losing ${write.energy(lost)} a year`}.`,
      source: 'Loss of a bare pipe in still air; annual simulation',
      remedy: `Insulate: add it under Improve. Start with the first ${write.figure('length', 2)} from the cylinder.`,
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
        sentence: `${run.name} is galvanised steel downstream of ${before.name}, which is copper: pitting corrosion.`,
        source: 'Galvanic series: steel before copper in the direction of flow',
        remedy: 'Change the order or the material; a dielectric union alone does not prevent it.',
      },
    ]
  })

/** A run that leads to no tap and no loop: hot water stands in it. */
const leadsNowhere: Rule = ({ study, write }) => {
  const { runs, taps, loop } = study.pipes
  const from = new Set(runs.map((r) => r.from))
  const ends = runs.filter(
    (r) => !from.has(r.id) && loop?.returnConnectionRunId !== r.id && !taps.some((t) => t.runId === r.id),
  )
  return ends.map((run) => ({
    id: `stub-${run.id}`,
    concern: 'fault',
    level: 'fail',
    subject: { kind: 'run', id: run.id },
    title: `Blind end: ${run.name}`,
    sentence: `${write.figure('length', run.lengthM)} without an outlet: water stagnates, a legionella risk.`,
    source: 'Blind ends: codes require none, or less than twice the bore',
    remedy: 'Remove it at the tee, or enter the outlet it serves.',
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
        title: `Reported pipe volume differs: ${tap.name}`,
        sentence: `Reported ${write.figure('volume', tap.saidContentL, 2)}; calculated from material, size and length ${write.figure('volume', contentL, 2)}.`,
        source: 'Pipe volume = π/4 × bore² × length',
        remedy: 'Check size and length, or measure the time to tap.',
        settledBy: 'time-to-hot',
      },
    ]
  })

export const PIPES_CHECKS = { bareInTheCold, metalsMet, leadsNowhere, contentsSaid }
