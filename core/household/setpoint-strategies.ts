import { SAFETY } from '../safety/limits'
import { defaultPasteurisation, type HeaterControl } from '../study/controls'
import { isHeatPump, storesWater } from '../study/heater-kinds'
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
export function strategiesFor(heater: Heater, write: Display): School[] {
  if (!storesWater(heater))
    return [
      {
        id: 'as-used',
        name: `At use temperature, ${write.temperature(45)}`,
        why: 'No storage, no growth in it: a higher setpoint adds pipe losses and scald risk and reduces condensing.',
        sets: { setpointC: 45 },
      },
      {
        id: 'mixer',
        name: `For mixing valves that require it, ${write.temperature(SAFETY.livesOn.value)}`,
        why: 'Some thermostatic mixing valves need a supply well above their setting; a remote kitchen outlet is the other reason.',
        sets: { setpointC: SAFETY.livesOn.value },
      },
    ]
  return [
    {
      id: 'hot-mixed',
      name: `Store hot and mix down, ${write.temperature(SAFETY.storedHot.value)}`,
      why: 'Legionella does not survive and usable volume is larger; requires a mixing valve at cylinder or outlets.',
      sets: { setpointC: SAFETY.storedHot.value, pasteurisation: null },
    },
    {
      id: 'cool-hot-run',
      name: `Cylinder at ${write.temperature(SAFETY.livesOn.value)} with a weekly pasteurisation cycle`,
      why: 'Lower standing loss, better condensing and heat pump efficiency; a weekly cycle disinfects the whole cylinder.',
      sets: { setpointC: SAFETY.livesOn.value, pasteurisation: defaultPasteurisation() },
    },
  ]
}

/** Where a setpoint of a heater usually belongs, °C, and what speaks for more and for less. */
export function bandFor(heater: Heater, write: Display): { lowC: number; highC: number; raise: string; lower: string } {
  if (!storesWater(heater))
    return {
      lowC: 42,
      highC: SAFETY.livesOn.value,
      raise: 'a mixer or sink that requires it, a long run',
      lower: `lower pipe losses, more condensing, no scald risk above ${write.temperature(SAFETY.scalds.value)}`,
    }
  if (isHeatPump(heater))
    return {
      lowC: SAFETY.livesOn.value,
      highC: 55,
      raise: 'legionella, cylinder too small for the peak hour',
      lower: 'heat pump efficiency about 2% better per kelvin, no backup',
    }
  return {
    lowC: SAFETY.storedHot.value,
    highC: 65,
    raise: 'cylinder too small for the peak hour, cool secondary return',
    lower: `standing loss, scale above ${write.temperature(SCALES_C)}, condensing, scald risk`,
  }
}
