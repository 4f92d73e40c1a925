import { hotFlow, leastWantedAt, mainsOnWarmest } from '../household/hot-flow'
import { supplyOf } from '../household/supply'
import { MOST_DROP_SHARE, tapFigures } from '../household/tap-figures'
import { pipeOf } from '../pipes/catalogue'
import { isRunning, ownStoreOf, runningOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Rule, Told } from './check'

/**
 * Whether each tap asks for enough hot water to light what heats as it runs: least of it is asked for with the main at its
 * warmest. What a store or the sun has warmed before it takes no part in the flow.
 */
const willFire: Rule = ({ study, write }) => {
  const heater = runningOf(study.plant.heaters)
  if (!heater) return []
  const { setpointC } = supplyOf(study)
  const warmest = mainsOnWarmest(study)
  const asked = study.pipes.taps
    .filter((tap) => !ownStoreOf(study.plant.heaters, tap.id))
    .filter((tap) => study.people.habits.some((h) => h.tapId === tap.id))
    .map((tap) => {
      const wantedC = leastWantedAt(study, tap.id)
      return { tap, wantedC, hotLMin: hotFlow(tap, wantedC, warmest, setpointC) }
    })
  return asked.map(({ tap, wantedC, hotLMin }): Told => {
    const short = hotLMin < heater.leastFlowLMin
    return {
      id: `will-not-fire-${tap.id}`,
      subject: { kind: 'tap', id: tap.id },
      concern: 'fault',
      level: short ? 'fail' : 'pass',
      title: short ? `The heater does not start for ${tap.name}` : `Start of the heater at ${tap.name}`,
      cause: { id: 'will-not-fire', title: `${heater.name} does not start for every tap` },
      sentence: `In summer, mixed to ${write.temperature(wantedC)}, ${tap.name} asks for ${write.figure('flow', hotLMin)} of hot water; ${heater.name} needs ${write.figure('flow', heater.leastFlowLMin)}.`,
      figures: {
        hotFlowLMin: { value: hotLMin, quantity: 'flow', worse: { when: 'less', by: 0.1 } },
        neededLMin: { value: heater.leastFlowLMin, quantity: 'flow' },
      },
      source: 'Mixer balance at the warmest main, against the least flow of the heater',
      remedy:
        'More flow at that tap, or a heater that starts at less. The hotter it is set, the less hot water is asked for.',
      settledBy: 'bucket',
      setting: `heaters.${heater.id}.setpointC`,
      board: [heater.id],
    }
  })
}

/** Fastest that hot water should run in a branch, m/s: above it copper erodes and pipes sing. */
const FASTEST_M_S = 2

const tooFast: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Told[] => {
    const run = study.pipes.runs.find((r) => r.id === tap.runId)!
    const { innerM } = pipeOf(run.material, run.size)
    const metres = tap.flowLMin / 60_000 / ((Math.PI / 4) * innerM ** 2)
    if (metres <= FASTEST_M_S) return []
    return [
      {
        id: `velocity-${tap.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'run', id: run.id },
        title: `Water runs fast to ${tap.name}`,
        sentence: `${write.figure('flow', tap.flowLMin)} through ${run.name} is ${write.figure('speed', metres)}; above ${write.figure('speed', FASTEST_M_S)} copper erodes, pipes sing and taps hammer.`,
        source: 'Flow over the bore’s area; usual limit of design',
        remedy: 'Less flow at the tap, or a wider last run.',
      },
    ]
  })

/** Pipes whose friction leaves too little of the main's pressure. */
const tooMuchDrop: Rule = ({ study, write }) => {
  const { pressureBar } = study.site
  if (pressureBar === null) return []
  return study.pipes.taps.flatMap((tap): Told[] => {
    const { dropBar } = tapFigures(study, tap)
    if (dropBar <= MOST_DROP_SHARE * pressureBar) return []
    return [
      {
        id: `drop-${tap.id}`,
        concern: 'comfort',
        level: 'fail',
        subject: { kind: 'run', id: tap.runId },
        title: `Thin pipes take the pressure of ${tap.name}`,
        sentence: `At ${write.figure('flow', tap.flowLMin)} they take ${write.figure('pressure', dropBar)} of the ${write.figure('pressure', pressureBar)} at the main.`,
        source: 'Friction of pipe and fittings; a third of the pressure is what heights, valves and the tap leave',
        remedy:
          'A wider run where it is thinnest, or less flow. The least bore that the local code allows is to be asked.',
        mendedBy: 'repipe',
      },
    ]
  })
}

const loopTooSlow: Rule = ({ study, write }) => {
  const { loop } = study.pipes
  const held = controlsOf(study)
  const id = supplyOf(study).heaterId
  const heater = study.plant.heaters.find((h) => h.id === id)!
  if (!loop || held.loop.mode === 'off' || !isRunning(heater) || loop.pumpLMin >= heater.leastFlowLMin) return []
  return [
    {
      id: 'loop-too-slow',
      concern: 'fault',
      level: 'fail',
      subject: { kind: 'loop', id: null },
      title: 'The loop is too slow to fire the heater',
      sentence: `The pump moves ${write.figure('flow', loop.pumpLMin)}; ${heater.name} needs ${write.figure('flow', heater.leastFlowLMin)}, so the loop goes cold.`,
      source: 'Least flow of the heater',
      remedy: 'A larger pump, or a small store between heater and loop.',
      settledBy: 'loop',
    },
  ]
}

export const FLOW_CHECKS = { willFire, tooFast, tooMuchDrop, loopTooSlow }
