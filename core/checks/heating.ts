import { condensesBelowC } from '../heaters/efficiency'
import { radiatorsAt } from '../heaters/flow-temperature'
import { HEATING_HOURS } from '../heaters/run-hours'
import { designOutdoor, houseLoss } from '../household/heating/house-loss'
import { flowNeededOnColdest, flowOnColdest } from '../household/heating/radiators'
import { COLD_BAR } from '../readings/heating-readings'
import { CIRCUITS, type PressureCircuit } from '../study/heating'
import { controlsOf } from '../study/in-force'
import type { Display } from '../units/display'
import { heatingOutput, heatSourceOf } from '../year/heating/heating-year'
import type { Rule, Told } from './check'
import { CLOCK_OFF_MIN } from './controllers'

/** A flow this far above what the coldest day needs is worth lowering, and one this far below it leaves rooms cold, K. */
const FLOW_OVER_K = 5
const FLOW_UNDER_K = 2
/** An output this many times the loss is worth limiting. */
const OUTPUT_OVER = 1.5
/** A hot circuit closer than this to its relief valve opens it, as a share. */
const NEAR_RELIEF = 0.9

const controller = { kind: 'controller', id: null } as const

/** The flow temperature on the coldest day against what the radiators need. */
const flowAgainstRadiators: Rule = ({ study, write }) => {
  const { heating } = study
  const { flow } = controlsOf(study).heating
  const needed = heating && flowNeededOnColdest(study, heating)
  const set = heating && flowOnColdest(study, heating, flow)
  if (needed === null || set === null) return []
  const on = `At ${write.temperature(designOutdoor(study).c)} outdoors`
  if (set < needed - FLOW_UNDER_K)
    return [
      {
        id: 'flow-too-low',
        concern: 'comfort',
        level: 'marginal',
        subject: controller,
        title: 'Heating flow too low for the coldest day',
        sentence: `${on} the flow is ${write.temperature(set)}; the radiators need ${write.temperature(needed)}.`,
        source: 'EN 442: output ∝ (mean excess)^n',
        remedy: 'Raise the flow for such days, or a larger radiator in the room that lacks.',
      },
    ]
  if (set <= needed + FLOW_OVER_K) return []
  const source = heatSourceOf(study)
  const { returnC } = radiatorsAt(needed, heating!.roomC, heating!.exponent)
  const condenses = source.byReturn && returnC < condensesBelowC(source.carrier)
  return [
    {
      id: 'flow-too-high',
      concern: 'cost',
      level: 'marginal',
      subject: controller,
      title: 'Heating flow higher than the coldest day needs',
      sentence: `${on} the flow is ${write.temperature(set)}; ${write.temperature(needed)} carries the loss${condenses ? ', with a return that condenses' : ''}.`,
      source: 'EN 442: output ∝ (mean excess)^n',
      remedy:
        'Lower it step by step while every room stays comfortable, and log each step. The hot water setpoint is not touched.',
    },
  ]
}

/** An output for heating that is far above the loss goes on and off. */
const outputNotLimited: Rule = ({ study, write }) => {
  const { heating } = study
  if (!heating) return []
  const { kw } = houseLoss(study, heating)
  const { mostKw, leastKw } = heatingOutput(study)
  const { limitKw } = controlsOf(study).heating
  const output = limitKw ?? mostKw
  if (kw === null || output === null || output <= OUTPUT_OVER * kw) return []
  const least = leastKw !== null && leastKw > kw
  return [
    {
      id: 'output-not-limited',
      concern: 'cost',
      level: 'marginal',
      subject: controller,
      title: 'Output for heating far above the heat loss',
      sentence: `Up to ${write.figure('power', output, 1)} for a loss of ${write.figure('power', kw, 1)} on the coldest day${least ? `; its least output of ${write.figure('power', leastKw, 1)} is above that too, so that it goes on and off all winter` : ''}.`,
      source: 'Practice: limit for heating near the loss; hot water keeps the full output',
      remedy: 'Set the output limit for heating near the loss, by a registered installer where the menu is locked.',
    },
  ]
}

/** Energy of a year by the hours its appliance would run for it: a month's figure, or one of another year, shows by them. */
const energyByHours: Rule = ({ study, write }) => {
  const usedKwh = study.heating?.loss.usedKwh ?? null
  const { mostKw } = heatingOutput(study)
  if (usedKwh === null || mostKw === null) return []
  const hours = usedKwh / mostKw
  if (hours >= HEATING_HOURS.least && hours <= HEATING_HOURS.most) return []
  const few = hours < HEATING_HOURS.least
  return [
    {
      id: 'heating-energy-hours',
      concern: 'record',
      level: 'marginal',
      subject: controller,
      title: few ? 'Energy for heating: for a year or for a month' : 'Energy for heating: for one year or for more',
      sentence: `${write.energy(usedKwh)} is ${Math.round(hours)} h at the full output of ${write.figure('power', mostKw, 1)}; a year of heating takes ${HEATING_HOURS.least} to ${HEATING_HOURS.most} h.`,
      source: 'Energy ÷ output; practice',
      remedy: 'Ask which period and which unit the figure is for, and enter that of one year.',
    },
  ]
}

/** A room control where a radiator valve works against it. */
const valveInControlRoom: Rule = ({ study }) => {
  const { heating } = study
  const room = heating?.radiators.find((r) => r.id === heating.sensorIn)
  if (!room || room.valve !== 'thermostatic') return []
  return [
    {
      id: 'valve-in-control-room',
      concern: 'fault',
      level: 'marginal',
      subject: controller,
      title: `Room control and radiator valve in one room: ${room.name}`,
      sentence: 'The valve closes before the room control is satisfied: heating runs on, or other rooms overheat.',
      source: 'Practice: no thermostatic valve in the room of the room control',
      remedy: 'Open the valve in this room fully, or move the room control.',
    },
  ]
}

/** What a circuit's gauge says. */
function circuitTold(name: string, c: PressureCircuit, write: Display): Told[] {
  const bar = (x: number) => write.figure('pressure', x, 1)
  const told = { concern: 'fault', subject: controller, source: 'Manufacturer’s levels; practice' } as const
  const { coldBar, hotBar, warnBar, lockoutBar, reliefBar, fillingShut } = c
  // What is usual holds for radiators; of a fire only its maker says.
  const warns = warnBar ?? (name === 'heating' ? COLD_BAR.low : null)
  return [
    ...(coldBar !== null && lockoutBar !== null && coldBar <= lockoutBar
      ? [
          {
            ...told,
            id: `circuit-locked-${name}`,
            level: 'fail' as const,
            title: `Pressure at lock-out: ${name} circuit`,
            sentence: `${bar(coldBar)} cold; it locks out at ${bar(lockoutBar)}.`,
            remedy: 'Find the loss of water, then fill: see the step card.',
          },
        ]
      : coldBar !== null && warns !== null && coldBar < warns
        ? [
            {
              ...told,
              id: `circuit-low-${name}`,
              level: 'marginal' as const,
              title: `Low pressure: ${name} circuit`,
              sentence: `${bar(coldBar)} cold; ${warnBar === null ? `usual are ${bar(COLD_BAR.low)} to ${bar(COLD_BAR.high)}` : `it warns below ${bar(warnBar)}`}.`,
              remedy: 'Fill to the cold pressure and shut the filling again: see the step card. Count the top-ups.',
            },
          ]
        : []),
    ...(hotBar !== null && reliefBar !== null && hotBar >= NEAR_RELIEF * reliefBar
      ? [
          {
            ...told,
            id: `circuit-relief-${name}`,
            level: 'fail' as const,
            title: `Close to the relief pressure: ${name} circuit`,
            sentence: `${bar(hotBar)} hot; the relief valve opens at ${bar(reliefBar)}.`,
            remedy: 'Expansion vessel flat, or overfilled: registered installer.',
          },
        ]
      : []),
    ...(fillingShut === false
      ? [
          {
            ...told,
            id: `filling-open-${name}`,
            level: 'fail' as const,
            title: `Filling left open: ${name} circuit`,
            sentence: 'The pressure rises until the relief valve opens, and fresh water corrodes the circuit.',
            remedy: 'Shut both valves of the filling, and write down who did.',
          },
        ]
      : []),
  ]
}

const circuits: Rule = ({ study, write }) =>
  CIRCUITS.flatMap((name) => {
    const circuit = study.heating?.circuits[name]
    return circuit ? circuitTold(name, circuit, write) : []
  })

/** A radiator that is covered gives less than it is rated for. */
const covered: Rule = ({ study }) => {
  const rooms = study.heating?.radiators.filter((r) => r.clear === false) ?? []
  if (rooms.length === 0) return []
  return [
    {
      id: 'radiators-covered',
      concern: 'comfort',
      level: 'marginal',
      subject: controller,
      title: 'Radiators covered',
      sentence: `${rooms.map((r) => r.name).join(', ')}: furniture or curtains hold the heat back.`,
      source: 'Practice',
      remedy: 'Clear them before the flow temperature is raised.',
    },
  ]
}

/** A clock that drifts is off again before the next visit. */
const clockDrifts: Rule = ({ study }) =>
  study.controllers.flatMap(({ id, name }): Told[] => {
    const read = study.readings
      .filter((r) => r.kind === 'clock' && r.where === id && typeof r.values.aheadMin === 'number')
      .sort((a, b) => a.takenAt.localeCompare(b.takenAt))
    const [before, last] = read.slice(-2)
    if (!before || !last) return []
    const moved = Number(last.values.aheadMin) - Number(before.values.aheadMin)
    if (Math.abs(moved) < CLOCK_OFF_MIN) return []
    return [
      {
        id: `clock-drifts-${id}`,
        concern: 'record',
        level: 'marginal',
        subject: controller,
        title: `Clock drifts: ${name}`,
        sentence: `${Math.abs(moved)} min ${moved > 0 ? 'gained' : 'lost'} between ${before.takenAt.slice(0, 10)} and ${last.takenAt.slice(0, 10)}, unless it was set in between.`,
        source: 'Two readings of the controller clock',
        remedy: 'Change the battery, and check it twice a year with the change of clocks.',
        settledBy: 'clock',
      },
    ]
  })

export const HEATING_CHECKS = {
  flowAgainstRadiators,
  outputNotLimited,
  energyByHours,
  valveInControlRoom,
  circuits,
  covered,
  clockDrifts,
}
