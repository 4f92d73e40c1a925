import { DIAL_WITHIN_K, type DialMark, dialText, type DialWork, dialWork } from '../heaters/dial'
import { SPACE_HEATING } from '../study/commanded'
import type { Commanded, Controller } from '../study/controllers'
import type { Controls } from '../study/controls'
import { hasSetpoint, isOnStore, outputOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import type { Reading } from '../study/readings'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { KJ_PER_LITRE_K } from '../water/properties'
import { commandedName, controllerOf } from './controllers'
import { mainsOnColdest } from './lookups'

/** Drawn off beyond what reaches the sensor, so that the thermostat calls for certain. */
const MARGIN = 1.2
/** Without a store the flow itself makes it fire: so many litres until it holds steady. */
const STEADY_L = 8

/** A sensor at the very bottom feels so much of the store, as a share. */
const LEAST_SHARE = 0.1
/** A heating flow is steady after so long, min. */
const FLOW_STEADY_MIN = 10
/** Closer to the first mark than this is its lowest position, divisions. */
const AT_LOWEST = 1.25

/** A dial without degrees, and how the work on it stands. */
export interface DialGuide {
  /** What it sets: the hot water of a heater, or the flow of the heating. */
  of: Commanded
  name: string
  heater: Heater | null
  /** The controller whose dial it is; null: none is recorded, and divisions are numbers. */
  controller: Controller | null
  marks: DialMark[]
  requiredC: number
  work: DialWork
  /** Litres drawn hot until the thermostat calls; null: nothing is drawn. Minutes until it stops again; null: not known. */
  drawL: number | null
  waitMin: number | null
  /** Another thermostat of the same cylinder: both have to be set alike. */
  pair: Heater | null
}

/** Marks of a dial as they were read, oldest first. */
export const dialMarks = (study: Study, of: Commanded): DialMark[] =>
  study.readings
    .filter((r) => (of === SPACE_HEATING ? r.kind === 'flow-dial' : r.kind === 'dial' && r.where === of))
    .sort((a, b) => a.takenAt.localeCompare(b.takenAt))
    .map((r) => ({ division: Number(r.values.division), tempC: Number(r.values.hotC ?? r.values.supplyC) }))

/** A mark as it goes to the log. */
export const dialReading = (
  of: Commanded,
  division: number,
  tempC: number,
): Pick<Reading, 'kind' | 'where' | 'values'> =>
  of === SPACE_HEATING
    ? { kind: 'flow-dial', where: null, values: { division, supplyC: tempC } }
    : { kind: 'dial', where: of, values: { division, hotC: tempC } }

/** Water that a heater holds up to its sensor, L; null: it heats as the water runs. A small store at an outlet is all of it. */
function heldL({ plant: { store } }: Study, heater: Heater): number | null {
  if ('tapId' in heater && 'litres' in heater) return heater.litres
  if (!isOnStore(heater) || !store) return null
  const own = 'sensorHeight' in heater ? heater.sensorHeight : null
  return store.litres * Math.max(LEAST_SHARE, own ?? store.sensorHeight)
}

/** Litres that have to be drawn so that a thermostat calls: what it holds up to its sensor, and a fifth more. */
export function drawToCall(study: Study, heater: Heater): number {
  const held = heldL(study, heater)
  return held === null ? STEADY_L : MARGIN * held
}

/** Minutes to heat what was drawn back to the setpoint; null where its output is not known, or where nothing is stored. */
export function waitAfterDraw(study: Study, heater: Heater, drawL: number): number | null {
  const kw = outputOf(heater)?.kw
  const control = controlsOf(study).heaters[heater.id]
  if (!kw || !control || heldL(study, heater) === null) return null
  return (drawL * KJ_PER_LITRE_K * Math.max(0, control.setpointC - mainsOnColdest(study))) / kw / 60
}

/** What a dial may be on: each heater with a thermostat, and the heating where it was looked at. */
export const dialsPossible = (study: Study): Commanded[] => [
  ...study.plant.heaters.filter(hasSetpoint).map((h) => h.id),
  ...(study.heating ? [SPACE_HEATING] : []),
]

/** Flow that is looked for where none is set, °C. */
const USUAL_FLOW_C = 55

/** What is looked for at a dial, to begin with: what is set. */
export const requiredAt = ({ heaters, heating }: Controls, of: Commanded): number =>
  of === SPACE_HEATING ? (heating.flow?.by === 'fixed' ? heating.flow.flowC : USUAL_FLOW_C) : heaters[of].setpointC

/** A guide for each dial that there is: by its controller, or because a mark of it was read. */
export const dialGuides = (study: Study, required: (of: Commanded) => number): DialGuide[] =>
  dialsPossible(study).flatMap((of): DialGuide[] => {
    const commands = controllerOf(study, of)
    const controller = commands?.dial ? commands : null
    const marks = dialMarks(study, of)
    if (!controller && marks.length === 0) return []
    const heater = study.plant.heaters.find((h) => h.id === of) ?? null
    const drawL = heater && drawToCall(study, heater)
    const requiredC = required(of)
    return [
      {
        of,
        name: commandedName(study, of),
        heater,
        controller,
        marks,
        requiredC,
        work: dialWork(marks, requiredC),
        drawL,
        waitMin: heater ? waitAfterDraw(study, heater, drawL!) : FLOW_STEADY_MIN,
        pair:
          study.plant.heaters.find(
            (h) => heater && h !== heater && isOnStore(h) && isOnStore(heater) && hasSetpoint(h),
          ) ?? null,
      },
    ]
  })

/** A step at a dial; at one of them it is waited. */
export interface DialStep {
  text: string
  waits?: true
}

/** What is done at a dial each time round, in order. */
export function dialSteps({ controller, heater, drawL, waitMin }: DialGuide, write: Display): DialStep[] {
  const turns = controller?.dial?.hotter
  const minutes = waitMin === null ? '' : `, about ${Math.max(1, Math.round(waitMin))} min`
  const first = [
    { text: 'Mark where it stands, and take a picture.' },
    {
      text: `Turn it${turns && turns !== 'not checked' ? `, hotter is ${turns}` : ''}.${heater ? ' The dial is under a cover on some: isolate first, see the step card.' : ''}`,
    },
  ]
  if (!heater)
    return [
      ...first,
      { text: 'Let heating call: room control up, radiator valves open.' },
      { text: `Wait until the flow pipe holds steady${minutes}.`, waits: true },
      { text: 'Read the flow pipe with a clamp-on thermometer under insulation.' },
    ]
  return [
    ...first,
    {
      text: `Draw ${write.figure('volume', drawL!, 0)} hot at the nearest outlet, so that the thermostat calls. With two persons: one at the outlet, one at the dial.`,
    },
    { text: `Wait until it ${waitMin === null ? 'holds steady' : 'stops by itself'}${minutes}.`, waits: true },
    { text: 'Read the hot water at the nearest outlet, steady. Scald hazard: a container, not a hand.' },
  ]
}

/** Positions of a dial without names, by the marks that were read. */
export const unnamed = (marks: readonly DialMark[]): string[] =>
  Array.from({ length: Math.max(5, ...marks.map((m) => Math.ceil(m.division))) }, (_, i) => String(i + 1))

/** What stands at the divisions of a dial. */
export const marksOn = ({ controller, marks }: DialGuide): readonly string[] =>
  controller?.dial?.marks ?? unnamed(marks)

/** What is to be done next at a dial, in a sentence. */
export function dialNext(guide: DialGuide, write: Display): string {
  const { work, marks } = guide
  const at = (division: number) => dialText(marksOn(guide), division)
  switch (work.does) {
    case 'turn':
      return `Turn to ${at(work.to)} (${work.to.toFixed(1)}), from ${marks.length} readings. ${work.verified ? 'It was right when it was read there.' : 'Unverified until it is read there.'}${guide.controller?.dial?.lowestIsOff && work.to < AT_LOWEST ? ' Its lowest position is off.' : ''}`
    case 'stop':
      return `Stop: ${at(work.at)} gives ${write.temperature(work.readC)}, within ${write.figure('rise', DIAL_WITHIN_K)} of what is required. Leave a mark there.`
    default:
      return work.why
  }
}
