import { hotFlow, leastWantedAt, mainsOnWarmest } from '../household/hot-flow'
import { supplyOf } from '../household/supply'
import { MOST_DROP_SHARE, tapFigures } from '../household/tap-figures'
import { pipeOf } from '../pipes/catalogue'
import { instantaneousOf, isInstantaneous, pointOfUseOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Rule, Told } from './check'

/**
 * Whether each tap asks for enough hot water to light what heats as it runs: least of it is asked for with the main at its
 * warmest. What a store or the sun has warmed before it takes no part in the flow.
 */
const willFire: Rule = ({ study, write }) => {
  const heater = instantaneousOf(study.plant.heaters)
  if (!heater) return []
  const { setpointC } = supplyOf(study)
  const warmest = mainsOnWarmest(study)
  const asked = study.pipes.taps
    .filter((tap) => !pointOfUseOf(study.plant.heaters, tap.id))
    .map((tap) => {
      const requiredC = leastWantedAt(study, tap.id)
      const used = study.people.uses.some((h) => h.tapId === tap.id)
      return { tap, used, requiredC, hotLMin: hotFlow(tap, requiredC, warmest, setpointC) }
    })
  return asked.map(({ tap, used, requiredC, hotLMin }): Told => {
    const short = hotLMin < heater.minActivationFlowLMin
    return {
      id: `will-not-fire-${tap.id}`,
      subject: { kind: 'tap', id: tap.id },
      concern: 'fault',
      // What nobody has entered a use for may still be opened: it is judged as a shower would be, and does not fail by that.
      level: !short ? 'pass' : used ? 'fail' : 'marginal',
      title: short ? `Flow below minimum activation flow: ${tap.name}` : `Minimum activation flow, ${tap.name}`,
      cause: { id: 'will-not-fire', title: `Flow below minimum activation flow of ${heater.name}` },
      sentence: `In summer, mixed to ${write.temperature(requiredC)}, ${tap.name} takes ${write.figure('flow', hotLMin)} of hot water; ${heater.name} starts at ${write.figure('flow', heater.minActivationFlowLMin)}.${used ? '' : ` No use entered: ${write.temperature(requiredC)} assumed.`}`,
      figures: {
        hotFlowLMin: { value: hotLMin, quantity: 'flow', worse: { when: 'less', by: 0.1 } },
        neededLMin: { value: heater.minActivationFlowLMin, quantity: 'flow' },
      },
      source: 'Mixer balance at the warmest month, against the minimum activation flow',
      remedy:
        'Increase the flow of that outlet, lower the setpoint, or use a heater with a lower minimum activation flow.',
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
        title: `High velocity to ${tap.name}`,
        sentence: `${write.figure('flow', tap.flowLMin)} through ${run.name} is ${write.figure('speed', metres)}; above ${write.figure('speed', FASTEST_M_S)}: erosion, noise and water hammer.`,
        source: 'Flow / bore area; usual design limit',
        remedy: 'Reduce the flow of the outlet, or enlarge the last run.',
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
        title: `High pressure drop to ${tap.name}`,
        sentence: `Pressure drop ${write.figure('pressure', dropBar)} at ${write.figure('flow', tap.flowLMin)}; supply pressure ${write.figure('pressure', pressureBar)}.`,
        source: 'Friction of pipe and fittings; one third of the supply pressure is available',
        remedy: 'Enlarge the narrowest run, or reduce the flow. Minimum bore: follow the local code.',
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
  if (!loop || held.loop.mode === 'off' || !isInstantaneous(heater) || loop.pumpLMin >= heater.minActivationFlowLMin)
    return []
  return [
    {
      id: 'loop-too-slow',
      concern: 'fault',
      level: 'fail',
      subject: { kind: 'loop', id: null },
      title: 'Circulation flow below minimum activation flow',
      sentence: `Pump flow ${write.figure('flow', loop.pumpLMin)}; ${heater.name} starts at ${write.figure('flow', heater.minActivationFlowLMin)}, so the circulation cools.`,
      source: 'Minimum activation flow',
      remedy: 'Larger pump, or a small cylinder between heater and circulation.',
      settledBy: 'loop',
    },
  ]
}

export const FLOW_CHECKS = { willFire, tooFast, tooMuchDrop, loopTooSlow }
