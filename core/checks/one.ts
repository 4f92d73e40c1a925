import type { Concern, Level, Told } from './check'

/** What is looked at before a measure is done, by the id of its check: a title, what is at stake, and what is done about it. */
const ABOUT = {
  'least-flow': ['Least flow of the heater', 'fault', 'More flow, or a heater that starts at less.'],
  wait: ['Time to tap', 'comfort', 'Insulation, or a shorter way.'],
  contents: ['Pipe volume', 'comfort', 'A smaller bore or a shorter way.'],
  pressure: ['Pressure at the tap', 'comfort', 'A wider bore, or less flow; read the pressure at the main.'],
  heat: ['Heat the insulation stands', 'fault', 'A material that stands it.'],
  bore: ['Least bore by local code', 'fault', 'A larger size, or look the code up.'],
  reach: ['Access', 'record', 'None: it stays as it is.'],
  'first-metres': ['First metres at the plant', 'cost', 'Put them on the list.'],
  loop: ['Pipes of the loop', 'cost', 'Put them on the list.'],
  clear: ['What stays clear', 'harm', 'Leave it clear.'],
  flue: ['Loss by the flue', 'cost', 'Leave it clear.'],
  late: ['Warm before anybody comes', 'cost', 'Ask, and write the seconds beside the use.'],
  way: ['Distance', 'fault', 'Less nearer, or another place.'],
  lines: ['Supplies at the new place', 'fault', 'Look before it is moved.'],
  room: ['Room air', 'comfort', 'Ducts, or another room.'],
  drains: ['Taps that drain while they run', 'fault', 'Showers, no baths.'],
  height: ['Height of the stack', 'fault', 'A flat unit under the tray, or look at the drain.'],
  diameter: ['Diameter of the stack', 'fault', 'A unit of its size, or adapters that keep the wall smooth.'],
  access: ['Access', 'fault', 'A place that can be got at.'],
  time: ['Work', 'record', 'Ask whoever does it.'],
  'way-round': ['Direction of flow', 'fault', 'Cold in at the bottom, out at the top.'],
  inlet: ['Warmest inlet of the heater', 'fault', 'Connection B, or read the heater’s papers.'],
  'least-load': ['Least output on preheated water', 'fault', 'Connection B, or a heater that turns further down.'],
  supply: ['Supply', 'harm', 'For a licensed electrician.'],
  pump: ['Pump', 'fault', 'Put one in, where it can be got at.'],
  sensor: ['Sensor', 'fault', 'Put one on.'],
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
    source: 'The house as the measures before it leave it; maker’s papers; local code',
  }
}
