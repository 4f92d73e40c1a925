import { DAYS, yearMean } from '../calendar/year'
import { type Place } from '../climate/places'
import { airAround } from '../household/air-around'
import { connectionsUa } from '../household/store-connections'
import { storeThermostat, supplyOf } from '../household/supply'
import { tapFigures } from '../household/tap-figures'
import { apply } from '../measures/apply'
import { beginMeasure } from '../measures/begin'
import { type Run } from '../study/pipes'
import type { Study } from '../study/study'
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

/** What water that turns over in the pipes at the top of the store, and its bare cold inlet, cost a year. */
const storeConnections: Rule = ({ study, write }) => {
  const { store } = study.plant
  if (!store) return []
  const { heatTraps, inlet } = store.connections
  const airC = yearMean(study.site.monthlyAirC.map((_, m) => airAround(store, m, study.site.monthlyAirC)))
  const { setpointC } = storeThermostat(study) ?? supplyOf(study)
  const yearKwh = (uaWK: number) => (uaWK * Math.max(0, setpointC - airC) * DAYS * 24) / 1000
  const at = {
    id: 'store-connections',
    concern: 'cost',
    subject: { kind: 'store', id: null },
    source:
      'U′ of the pipe over the length in which its water turns over, or conduction along it; setpoint less air, all year',
    asks: 'plant.store.connections.heatTraps',
  } as const
  if (heatTraps === null || inlet === null) {
    // What is known is taken as it is, and the rest at its worst.
    const most = connectionsUa(study, {
      heatTraps: heatTraps ?? false,
      inlet: inlet ?? { at: 'top', ...pipeAtPlant(study), insulation: null },
    })
    const within = store.loss.kind === 'ua'
    return [
      {
        ...at,
        asks: heatTraps === null ? at.asks : 'plant.store.connections.inlet',
        level: 'not checked',
        title: 'Heat traps and cold inlet',
        sentence: `Not checked. Up to ${write.energy(yearKwh(within ? most : most - connectionsUa(study)))} a year without heat traps and with a bare cold inlet, ${within ? 'part of the standing loss as entered' : 'not in the figures'}.`,
        remedy:
          'Look for heat traps or pipes that fall first, and for insulation of the cold inlet; enter both with the cylinder.',
      },
    ]
  }
  const now = connectionsUa(study)
  const least = connectionsUa(apply(study, beginMeasure(study, 'store-connections', 'tried')))
  const saves = yearKwh(now - least)
  return [
    {
      ...at,
      level: saves < WORTH_KWH ? 'pass' : 'marginal',
      title: saves < WORTH_KWH ? 'Heat traps and cold inlet' : heatTraps ? 'Cold inlet not insulated' : 'No heat traps',
      sentence: `Connections of the cylinder take ${write.energy(yearKwh(now))} a year${saves < WORTH_KWH ? '' : `; with heat traps and an insulated cold inlet ${write.energy(yearKwh(least))}`}.`,
      remedy: 'Fit heat traps and insulate the first length of the cold inlet: add it under Improve.',
      mendedBy: 'store-connections',
    },
  ]
}

/** Less than this a year is not worth a word, kWh. */
const WORTH_KWH = 20

const pipeAtPlant = ({ pipes }: Study) => {
  const { material, size } = pipes.runs.find((r) => r.from === null)!
  return { material, size }
}

export const PIPES_CHECKS = { storeConnections, bareInTheCold, metalsMet, leadsNowhere, contentsSaid }
