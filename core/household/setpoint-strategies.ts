import { SAFETY } from '../safety/limits'
import { beginHotRun, type HeaterControl } from '../study/controls'
import { isHeatPump, isRunning } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Display } from '../units/display'
import { SCALES_C } from '../water/hardness'

/** A school of practice as a place to begin from, and why it says so. */
export interface School {
  id: string
  name: string
  why: string
  sets: Partial<HeaterControl>
}

/** Schools that fit a heater. */
export function schoolsFor(heater: Heater, write: Display): School[] {
  if (isRunning(heater))
    return [
      {
        id: 'as-used',
        name: `As warm as it is used, ${write.temperature(45)}`,
        why: 'Nothing is stored, so nothing grows in it: hotter only loses more in pipes and exchanger, condenses less and scalds.',
        sets: { setpointC: 45 },
      },
      {
        id: 'mixer',
        name: `For mixers that ask for it, ${write.temperature(SAFETY.livesOn.value)}`,
        why: 'Some thermostatic mixers need water well above what they give; a tepid kitchen tap is the other reason.',
        sets: { setpointC: SAFETY.livesOn.value },
      },
    ]
  return [
    {
      id: 'hot-mixed',
      name: `Store hot and mix down, ${write.temperature(SAFETY.storedHot.value)}`,
      why: 'At this nothing lives on, and the store holds more; a mixing valve at the store or the taps keeps it from scalding.',
      sets: { setpointC: SAFETY.storedHot.value, disinfection: null },
    },
    {
      id: 'cool-hot-run',
      name: `Store at ${write.temperature(SAFETY.livesOn.value)} with a weekly hot run`,
      why: 'Less standing loss, better condensing and heat pumps; once a week all of it is brought to a heat that kills.',
      sets: { setpointC: SAFETY.livesOn.value, disinfection: beginHotRun() },
    },
  ]
}

/** Where a setpoint of a heater usually belongs, °C, and what speaks for more and for less. */
export function bandFor(heater: Heater, write: Display): { lowC: number; highC: number; raise: string; lower: string } {
  if (isRunning(heater))
    return {
      lowC: 42,
      highC: SAFETY.livesOn.value,
      raise: 'a mixer or a sink that needs it, a long run that cools it',
      lower: `less lost in pipes, more condensing, no scald above ${write.temperature(SAFETY.scalds.value)}`,
    }
  if (isHeatPump(heater))
    return {
      lowC: SAFETY.livesOn.value,
      highC: 55,
      raise: 'growth, a store too small for the worst hour',
      lower: 'each kelvin cooler makes the heat pump about 2 % better, and the element stays off',
    }
  return {
    lowC: SAFETY.storedHot.value,
    highC: 65,
    raise: 'a store too small for the worst hour, a loop that comes back tepid',
    lower: `standing loss, scale above ${write.temperature(SCALES_C)}, condensing, scald`,
  }
}
