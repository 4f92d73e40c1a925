import type { Concern, Level, Told } from './check'

/** What is looked at before a measure is done, by the id of its check: a title, what is at stake, and what is done about it. */
const ABOUT = {
  'least-flow': [
    'Minimum activation flow',
    'fault',
    'Increase the flow, or use a heater with a lower minimum activation flow.',
  ],
  wait: ['Time to tap', 'comfort', 'Insulate, or shorten the run.'],
  contents: ['Pipe volume', 'comfort', 'Reduce the bore or shorten the run.'],
  pressure: ['Pressure at the outlet', 'comfort', 'Enlarge the bore or reduce the flow; measure the supply pressure.'],
  heat: ['Temperature limit of the insulation', 'fault', 'Use a material rated for it.'],
  bore: ['Minimum bore (local code)', 'fault', 'Use a larger size, or check the local code.'],
  reach: ['Access', 'record', 'None: left as it is.'],
  'first-metres': ['First length at the hot connection', 'cost', 'Add them to the measure.'],
  loop: ['Pipes of the circulation', 'cost', 'Add them to the measure.'],
  clear: ['Clearances', 'harm', 'Keep it clear.'],
  flue: ['Flue loss', 'cost', 'Keep it clear.'],
  traps: ['Heat traps', 'cost', 'Look, and enter it with the cylinder.'],
  'cold-inlet': ['Cold inlet', 'cost', 'Look, and enter it with the cylinder.'],
  late: ['Unattended run time', 'cost', 'Ask, and enter it with the use.'],
  route: ['Route of the return', 'fault', 'Check the route before ordering.'],
  way: ['Distance', 'fault', 'Move it less, or choose another location.'],
  lines: ['Supplies at the new location', 'fault', 'Check before moving.'],
  room: ['Room air', 'comfort', 'Use ducts, or another room.'],
  drains: ['Outlets that drain while they run', 'fault', 'Showers, no baths.'],
  height: ['Height of the stack', 'fault', 'Use a horizontal unit under the tray, or check the drain.'],
  diameter: ['Diameter of the stack', 'fault', 'Use a unit of its size, or smooth adapters.'],
  access: ['Access', 'fault', 'Choose an accessible location.'],
  time: ['Work', 'record', 'Ask the installer.'],
  'way-round': ['Direction of flow', 'fault', 'Cold in at the bottom, out at the top.'],
  inlet: ['Maximum inlet temperature of the heater', 'fault', 'Use connection B, or check the heater’s data sheet.'],
  'least-load': [
    'Minimum output with preheated water',
    'fault',
    'Use connection B, or a heater with a lower minimum output.',
  ],
  supply: ['Supply', 'harm', 'For a licensed electrician.'],
  pump: ['Pump', 'fault', 'Fit one at an accessible location.'],
  sensor: ['Sensor', 'fault', 'Fit one.'],
} as const satisfies Record<string, readonly [string, Concern, string]>
export type AboutMeasure = keyof typeof ABOUT

/** A check of a measure: by its name, or by its name and what it is at. */
export function one(name: AboutMeasure, level: Level, sentence: string, at?: string): Told {
  const [title, concern, remedy] = ABOUT[name]
  return {
    id: at ? `${name}-${at}` : name,
    subject: { kind: 'measure', id: null },
    concern,
    level,
    title,
    sentence,
    remedy,
    source: 'Study with the preceding measures; data sheet; local code',
  }
}
