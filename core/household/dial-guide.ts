import { DIAL_WITHIN_K, type DialMark, dialText, type DialWork, dialWork } from '../heaters/dial'
import type { Controller } from '../study/controllers'
import { hasSetpoint, isOnStore, outputOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { KJ_PER_LITRE_K } from '../water/properties'
import { controllerOf } from './controllers'
import { mainsOnColdest } from './lookups'

/** Drawn off beyond what reaches the sensor, so that the thermostat calls for certain. */
const MARGIN = 1.2
/** Without a store the flow itself makes it fire: so many litres until it holds steady. */
const STEADY_L = 8

/** A dial without degrees, and how the work on it stands. */
export interface DialGuide {
  heater: Heater
  /** The controller whose dial it is; null: none is recorded, and divisions are numbers. */
  controller: Controller | null
  marks: DialMark[]
  requiredC: number
  work: DialWork
  /** Litres drawn hot until the thermostat calls, and minutes until it stops again; null: not known. */
  drawL: number
  waitMin: number | null
  /** Another thermostat of the same cylinder: both have to be set alike. */
  pair: Heater | null
}

/** Marks of a heater’s dial as they were read, oldest first. */
export const dialMarks = (study: Study, heaterId: string): DialMark[] =>
  study.readings
    .filter((r) => r.kind === 'dial' && r.where === heaterId)
    .sort((a, b) => a.takenAt.localeCompare(b.takenAt))
    .map((r) => ({ division: Number(r.values.division), tempC: Number(r.values.hotC) }))

/**
 * Litres that have to be drawn so that a thermostat calls: the store below its sensor, and a fifth more; where nothing stores,
 * what the exchanger and the pipe hold.
 */
export function drawToCall({ plant }: Study, heater: Heater): number {
  const { store } = plant
  if (!isOnStore(heater) || !store) return STEADY_L
  const own = 'sensorHeight' in heater ? heater.sensorHeight : null
  return MARGIN * store.litres * Math.max(0.1, own ?? store.sensorHeight)
}

/** Minutes to heat what was drawn back to the setpoint; null where its output is not known. */
export function waitAfterDraw(study: Study, heater: Heater, drawL: number): number | null {
  const kw = outputOf(heater)?.kw
  const control = controlsOf(study).heaters[heater.id]
  if (!kw || !control || !isOnStore(heater)) return isOnStore(heater) ? null : 1
  return (drawL * KJ_PER_LITRE_K * Math.max(0, control.setpointC - mainsOnColdest(study))) / kw / 60
}

/** A dial on each heater that has one: by its controller, or because a mark of it was read. */
export const dialGuides = (study: Study, required: (heaterId: string) => number): DialGuide[] =>
  study.plant.heaters.filter(hasSetpoint).flatMap((heater): DialGuide[] => {
    const controller = controllerOf(study, heater.id)
    const marks = dialMarks(study, heater.id)
    if (!controller?.dial && marks.length === 0) return []
    const drawL = drawToCall(study, heater)
    const requiredC = required(heater.id)
    return [
      {
        heater,
        controller: controller?.dial ? controller : null,
        marks,
        requiredC,
        work: dialWork(marks, requiredC),
        drawL,
        waitMin: waitAfterDraw(study, heater, drawL),
        pair:
          study.plant.heaters.find((h) => h !== heater && isOnStore(h) && isOnStore(heater) && hasSetpoint(h)) ?? null,
      },
    ]
  })

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
      return `Turn to ${at(work.to)} (${work.to.toFixed(1)}), from ${marks.length} readings. ${work.verified ? 'It was right when it was read there.' : 'Unverified until it is read there.'}`
    case 'stop':
      return `Stop: ${at(work.at)} gives ${write.temperature(work.readC)}, within ${write.figure('rise', DIAL_WITHIN_K)} of what is required. Leave a mark there.`
    default:
      return work.why
  }
}
