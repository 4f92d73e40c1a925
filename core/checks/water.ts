import { mainsOnColdest } from '../household/lookups'
import { storeSetpoint } from '../household/supply'
import { SAFETY } from '../safety/limits'
import { hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { HARD_MG_L, SCALES_C } from '../water/hardness'
import { density } from '../water/properties'
import type { Level, Rule, Told } from './check'

/** Very hard water, mg/L, and so far above where scale grows sharply, K: both together are more than a word. */
const VERY_HARD = { mgL: 300, aboveK: 5 } as const

/** Scale by hardness and by how hot the water is made, of every heater with a thermostat. */
const scale: Rule = ({ study, write }) =>
  study.plant.heaters.filter(hasSetpoint).map((h): Told => {
    const { hardnessMgL } = study.site
    const { setpointC } = controlsOf(study).heaters[h.id]
    const hot = setpointC > SCALES_C
    const hard = hardnessMgL !== null && hardnessMgL >= HARD_MG_L
    const bad = hardnessMgL !== null && hardnessMgL >= VERY_HARD.mgL && setpointC > SCALES_C + VERY_HARD.aboveK
    const level: Level =
      hardnessMgL === null ? (hot ? 'not checked' : 'pass') : bad ? 'fail' : hard && hot ? 'marginal' : 'pass'
    return {
      id: `scale-${h.id}`,
      subject: { kind: 'heater', id: h.id },
      concern: 'fault',
      level,
      title: level === 'fail' || level === 'marginal' ? `Scale risk in ${h.name}` : `Scale in ${h.name}`,
      cause: { id: 'scale', title: 'Scale' },
      sentence:
        hardnessMgL === null
          ? `Hardness not checked; ${hot ? `above ${write.temperature(SCALES_C)} scale forms quickly in hard water` : `up to ${write.temperature(SCALES_C)} scale forms slowly`}.`
          : `${write.figure('hardness', hardnessMgL)} at ${write.temperature(setpointC)}: ${level === 'pass' ? (hard ? `hard, but not above ${write.temperature(SCALES_C)}` : 'not hard') : `scale forms quickly above ${write.temperature(SCALES_C)}, first on coil and immersion heater`}.`,
      figures: {
        setpointC: { value: setpointC, quantity: 'temperature', worse: { when: 'more', by: 1 } },
        ...(hardnessMgL === null ? {} : { hardnessMgL: { value: hardnessMgL, quantity: 'hardness' as const } }),
      },
      source: 'Practice; hardness as calcium carbonate',
      remedy:
        hardnessMgL === null
          ? 'Measure the hardness, or check a kettle for scale.'
          : level === 'pass'
            ? 'Have immersion heater and coil inspected about every 2 years.'
            : `Lower the setpoint to ${write.temperature(SCALES_C)}; have immersion heater, coil and cylinder inspected yearly.`,
      settledBy: 'hardness',
      setting: `heaters.${h.id}.setpointC`,
      board: [h.id],
    }
  })

const pressureOdd: Rule = ({ study, write }) => {
  const { pressureBar } = study.site
  if (pressureBar === null || (pressureBar >= SAFETY.pressure.value.low && pressureBar <= SAFETY.pressure.value.high))
    return []
  const high = pressureBar > SAFETY.pressure.value.high
  return [
    {
      id: 'pressure',
      concern: 'fault',
      level: 'fail',
      subject: { kind: 'supply', id: null },
      title: high ? 'Static pressure too high' : 'Static pressure too low',
      sentence: `Measured ${write.figure('pressure', pressureBar)}; usual range ${write.figure('pressure', SAFETY.pressure.value.low)} to ${write.figure('pressure', SAFETY.pressure.value.high)}.`,
      source: SAFETY.pressure.source,
      remedy: high
        ? 'Fit a pressure-reducing valve, and with it an expansion vessel at a cylinder.'
        : 'Measure again; ask the supplier; check for a partly closed valve. Many instantaneous heaters and mixers need more.',
      settledBy: 'pressure',
    },
  ]
}

/** A store that no thermostat holds is reckoned this hot, °C. */
const UNHELD_HOT_C = 80

const expansion: Rule = ({ study, write }) => {
  const { site, plant } = study
  const closed = site.backflowGuard === true || site.pressureReducer === true
  if (!plant.store || !closed || site.expansionVessel === true) return []
  return [
    {
      id: 'expansion',
      concern: 'fault',
      level: site.expansionVessel === null ? 'not checked' : 'fail',
      subject: { kind: 'supply', id: null },
      asks: 'site.expansionVessel',
      title: 'Expansion vessel',
      sentence: `${site.backflowGuard ? 'A backflow preventer' : 'A pressure-reducing valve'} blocks the cold main. ${write.figure('volume', plant.store.litres, 0)} of heated water expand by ${write.figure('volume', plant.store.litres * (density(mainsOnColdest(study)) / density(storeSetpoint(study) ?? UNHELD_HOT_C) - 1), 1)}${site.expansionVessel === null ? '; expansion vessel not checked' : '; no expansion vessel fitted'}.`,
      source: 'Density of water at the cold main against that at the setpoint (Kell 1975)',
      remedy: 'Fit an expansion vessel on the cold feed, between the check valve and the cylinder.',
    },
  ]
}

/** Water that may not be drunk, and hot water that is drunk all the same. */
const drunk: Rule = ({ study }) =>
  study.pipes.taps.flatMap((tap): Told[] => {
    const told = { subject: { kind: 'tap', id: tap.id }, source: 'Local drinking water code' } as const
    if (study.site.potable === false && tap.drunk !== false)
      return [
        {
          ...told,
          id: `not-potable-${tap.id}`,
          concern: 'harm',
          level: tap.drunk === true ? 'fail' : 'not checked',
          title: `Water not for drinking: ${tap.name}`,
          cause: { id: 'not-potable', title: 'Water not for drinking' },
          sentence:
            tap.drunk === true
              ? 'The supply is not drinking water, and it is drunk or cooked with here.'
              : 'Not checked: the supply is not drinking water; is it drunk or cooked with here?',
          remedy: 'Mark the outlet, and tell the household which one to drink from.',
          asks: `pipes.taps.${tap.id}.drunk`,
        },
      ]
    if (tap.drunk !== true) return []
    return [
      {
        ...told,
        id: `hot-drunk-${tap.id}`,
        concern: 'record',
        level: 'marginal',
        title: `Hot water is drunk or cooked with: ${tap.name}`,
        sentence: 'Hot water stands in cylinder and pipes and takes up more of their metals than cold.',
        remedy: 'Draw cold water for drinking and cooking, after what stood in the pipe has run off.',
      },
    ]
  })

export const WATER_CHECKS = { drunk, scale, pressureOdd, expansion }
