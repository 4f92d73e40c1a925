import { coldestMonth } from '../calendar/year'
import { type Place, placeTemperature } from '../climate/places'
import { MOST_DROP_SHARE, tapFigures } from '../household/tap-figures'
import { pipeOf } from '../pipes/catalogue'
import { SAFETY } from '../safety/limits'
import type { Run } from '../study/pipes'
import type { Finding, Rule } from './finding'

/** A month with this mean or colder has frost, °C, and what stands outside heated rooms can freeze. */
const FROST_C = 1
/** Where it is cold enough for a bare pipe to be worth wrapping, and short ones are not worth a word, m. */
const COLD: readonly Place[] = ['cellar', 'loft', 'outdoors']
const WORTH_M = 2
/** Fastest that hot water should run in a branch, m/s: above it copper erodes and pipes sing. */
const FASTEST_M_S = 2

const named = (runs: readonly Pick<Run, 'name'>[]) => runs.map((r) => r.name).join(', ')

export const pressureOdd: Rule = ({ study, write }) => {
  const { pressureBar } = study.site
  if (pressureBar === null || (pressureBar >= SAFETY.pressure.value.low && pressureBar <= SAFETY.pressure.value.high))
    return []
  const high = pressureBar > SAFETY.pressure.value.high
  return [
    {
      id: 'pressure',
      severity: 'mend',
      station: 'main',
      on: null,
      what: high ? 'Pressure too high for the fittings' : 'Hardly any pressure',
      why: `The gauge said ${write.figure('pressure', pressureBar)}; fittings and heaters are made for ${write.figure('pressure', SAFETY.pressure.value.low)} to ${write.figure('pressure', SAFETY.pressure.value.high)}.`,
      source: SAFETY.pressure.source,
      mend: high
        ? 'A pressure reducer, and with it an expansion vessel at a store.'
        : 'Read it again; ask the supplier, look for a half-shut valve. Many instantaneous heaters and mixers do not work so low.',
      reading: 'pressure',
    },
  ]
}

export const freezes: Rule = ({ study, write }) => {
  const { monthlyAirC } = study.site
  const month = coldestMonth(monthlyAirC)
  const lengths = [
    ...study.pipes.runs,
    ...(study.pipes.loop ? [{ ...study.pipes.loop.back, name: 'the loop’s return' }] : []),
  ]
  const cold = lengths.filter(
    (r) => r.place !== 'heated' && r.place !== 'slab' && placeTemperature(r.place, month, monthlyAirC) <= FROST_C,
  )
  if (cold.length === 0) return []
  return [
    {
      id: 'freezes',
      severity: 'danger',
      station: 'runs',
      on: null,
      what: 'Pipes that can freeze',
      why: `${named(cold)}: the coldest month has a mean of ${write.temperature(placeTemperature(cold[0].place, month, monthlyAirC))} there, and nights are colder.`,
      source: 'Monthly means of the air by place; insulation slows freezing and does not stop it',
      mend: 'Lead it another way, drain it in winter, or trace heating with a thermostat; see to it before the frost.',
    },
  ]
}

export const bareInTheCold: Rule = ({ study, year, write }) => {
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
      severity: 'mend',
      station: 'runs',
      on: bare[0].id,
      what: 'Bare pipes where it is cold',
      why: `${named(bare)}: ${write.figure(
        'length',
        bare.reduce((s, r) => s + r.lengthM, 0),
      )} without insulation${lost === null ? '' : `, losing ${write.energy(lost)} a year`}.`,
      source: 'Loss of a bare pipe in still air; the year',
      mend: 'Wrap them: try it under Improve. The first two metres from a store first.',
      tries: 'insulate-runs',
    },
  ]
}

export const tooFast: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Finding[] => {
    const run = study.pipes.runs.find((r) => r.id === tap.runId)!
    const { innerM } = pipeOf(run.material, run.size)
    const metres = tap.flowLMin / 60_000 / ((Math.PI / 4) * innerM ** 2)
    if (metres <= FASTEST_M_S) return []
    return [
      {
        id: `velocity-${tap.id}`,
        severity: 'look',
        station: 'runs',
        on: run.id,
        what: `Water runs fast to ${tap.name}`,
        why: `${write.figure('flow', tap.flowLMin)} through ${run.name} is ${write.figure('speed', metres)}; above ${write.figure('speed', FASTEST_M_S)} copper erodes, pipes sing and taps hammer.`,
        source: 'Flow over the bore’s area; usual limit of design',
        mend: 'Less flow at the tap, or a wider last run.',
      },
    ]
  })

/** Pipes whose friction leaves too little of the main's pressure. */
export const tooMuchDrop: Rule = ({ study, write }) => {
  const { pressureBar } = study.site
  if (pressureBar === null) return []
  return study.pipes.taps.flatMap((tap): Finding[] => {
    const { dropBar } = tapFigures(study, tap)
    if (dropBar <= MOST_DROP_SHARE * pressureBar) return []
    return [
      {
        id: `drop-${tap.id}`,
        severity: 'mend',
        station: 'runs',
        on: tap.runId,
        what: `Thin pipes take the pressure of ${tap.name}`,
        why: `At ${write.figure('flow', tap.flowLMin)} they take ${write.figure('pressure', dropBar)} of the ${write.figure('pressure', pressureBar)} at the main.`,
        source: 'Friction of pipe and fittings; a third of the pressure is what heights, valves and the tap leave',
        mend: 'A wider run where it is thinnest, or less flow. The least bore that the local code allows is to be asked.',
        tries: 'repipe',
      },
    ]
  })
}

/** Steel behind copper is eaten by what the water carries from the copper. */
export const metalsMet: Rule = ({ study }) =>
  study.pipes.runs.flatMap((run): Finding[] => {
    const before = study.pipes.runs.find((r) => r.id === run.from)
    if (!run.material.startsWith('steel') || !before?.material.startsWith('copper')) return []
    return [
      {
        id: `metals-${run.id}`,
        severity: 'mend',
        station: 'runs',
        on: run.id,
        what: 'Steel after copper',
        why: `${run.name} is steel and its water comes through ${before.name}, which is copper: copper in the water pits galvanised steel.`,
        source: 'Galvanic series: steel before copper in the direction of flow',
        mend: 'Change the order or the material; a dielectric union alone does not stop what the water carries.',
      },
    ]
  })

/** A run that leads to no tap and no loop: hot water stands in it. */
export const leadsNowhere: Rule = ({ study, write }) => {
  const { runs, taps, loop } = study.pipes
  const from = new Set(runs.map((r) => r.from))
  const ends = runs.filter((r) => !from.has(r.id) && loop?.turnsAt !== r.id && !taps.some((t) => t.runId === r.id))
  return ends.map((run) => ({
    id: `stub-${run.id}`,
    severity: 'mend',
    station: 'runs',
    on: run.id,
    what: `${run.name} leads nowhere`,
    why: `${write.figure('length', run.lengthM)} of it end at no tap: unfinished, capped or shut off. Water that stands there cools and lets bacteria grow.`,
    source: 'Dead legs: codes ask for none, or for less than twice the bore',
    mend: 'Cut it off at its tee, or write down what it feeds.',
  }))
}
