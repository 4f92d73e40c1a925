import { TERMS } from './terms'

/** A line for each specialist field whose label is no term by itself, by that label in metric words. */
const FIELDS: Record<string, string> = {
  joints: 'How the pipe is joined; some joints limit the temperature.',
  'bypass valve closes at': 'Hot water reaching the valve at this temperature stops it passing.',
  'sensor location': 'Where the pump’s thermostat feels the water.',
  'circulation loss, measured (ua)': 'From a reading of flow and return; blank: calculated from the pipes.',
  'pump-off temperature': 'The pump stops when its sensor reaches this.',
  'test interval': 'How often the pump starts to test the circulation.',
  'test duration': 'How long it runs before the sensor is read.',
  'lead time before draw-off': 'How long before the draw-off the pump is started.',
  'maximum run time': 'The pump stops after this even if the water is not warm.',
  'fraction of draw-offs without request': 'Draw-offs taken without starting the pump, 0 to 1.',
  'learning period, weeks': 'Weeks of draw-offs the control looks back on.',
  'run threshold, fraction of weeks': 'Runs in an hour with draw-offs in at least this fraction of the weeks.',
  'cable output': 'Most the heating cable gives per length.',
  'timer acts on': 'A timer on the supply also stops frost protection and disinfection.',
  'hold time': 'How long the temperature is held.',
  'clock offset (+ = fast)': 'How far the controller’s clock is ahead of the time of day.',
  'backup control': 'What lets the backup immersion heater run.',
  'cascade control': 'Units fire one after the other, or share the flow.',
  'rated output applies': 'Burners lose output with height above sea level.',
  efficiency: 'Heat to the water per gross energy of the fuel.',
  'efficiency, gross, 0 to 1': 'Heat to the water per gross energy of the fuel.',
  'efficiency correction': 'Measured efficiency minus that of the curve at the same return temperature.',
  'rated input (data plate)': 'Fuel input, not output.',
  'rating basis': 'Net (LHV) counts no condensation; gross (HHV) is about 10% more for natural gas.',
  'minimum output': 'Below this the burner cycles on and off.',
  'start-up delay': 'From opening the outlet to the first heat.',
  'heat exchanger water volume': 'Cools between draw-offs and is reheated each time.',
  'heat exchanger loss (ua)': 'Heat lost per kelvin above the room while it is hot.',
  'standby power': 'Electricity of controls at all times.',
  'coil heat transfer coefficient (ua)': 'Heat through the coil per kelvin between primary and cylinder.',
  'primary circuit volume': 'Water between boiler and coil; its heat is left over after a charge.',
  'primary circuit heat loss (ua)': 'Heat lost per kelvin while the circuit is hot.',
  'maximum primary flow temperature': 'The burner goes out at this.',
  'cylinder temperature limit': 'Solar and surplus heating stop at this.',
  'distance between ports': 'Height between the two connections of the coil.',
  'fittings, equivalent length': 'Straight pipe with the same resistance as bends and valves.',
  'standing loss from': 'Label class, manufacturer’s test, or a measured coefficient.',
  'label class': 'Upper bound of the class, EU 812/2013.',
  'loss in 24 h': 'From the data plate or the manufacturer’s test.',
  'test temperature difference': 'Cylinder minus room in that test.',
  'relief temperature': 'At which the T&P valve opens.',
  'minimum hot inlet temperature': 'Hot supply the mixer or the appliance needs.',
  'hot drip rate': 'Count drops or collect them for ten minutes.',
  'volume correction factor': 'All draw-offs times this: from a hot water meter.',
  'time spread (standard deviation)': 'Two of three times it happens within this of the time given.',
  'unattended run time': 'The outlet runs on warm and unused for this long.',
  'standing charge, hot water share': 'The part of the standing charge that hot water answers for.',
  'dead-leg volume limit': 'Cold water accepted before hot arrives; runs above it are marked.',
  'drop below the shower': 'Drain water reaches the unit cooler by this.',
  'main fuse': 'Per phase, at the supply to the house.',
  'spare ways': 'Free places in the consumer unit.',
  'other maximum demand': 'What the house draws at its busiest, without water heating.',
  'design outdoor temperature': 'Coldest outdoor air to design for, by the local code.',
}

/** Terms that anybody understands beside a field. */
const EVERYDAY = new Set([
  'heater',
  'heat source',
  'cold main',
  'outlet',
  'circulation',
  'occupant',
  'use',
  'measure',
  'reading',
])

let all: Map<string, string> | undefined

/**
 * The line of help for a field, by its label in metric words whatever its case; undefined where the label says enough.
 * @example helpOf('Setpoint') // the help of the term
 */
export function helpOf(label: string): string | undefined {
  all ??= new Map([
    ...Object.values(TERMS)
      .filter(({ metric }) => !EVERYDAY.has(metric))
      .map(({ metric, help }) => [metric.toLowerCase(), help] as const),
    ...Object.entries(FIELDS),
  ])
  return all.get(label.toLowerCase())
}

/** Labels that have a line of their own here, for the test that each is that of a field. */
export const HELPED_FIELDS = Object.keys(FIELDS)
