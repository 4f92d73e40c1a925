import { runsTo } from '../household/ways'
import { LOOP_MODE_TAKES } from '../study/loop-modes'
import type { MeasureOf } from '../study/measures'
import type { Loop } from '../study/pipes'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import type { Told } from './check'
import { one } from './one'

const isThere = (place: Loop['pumpAt']) => place !== 'not there' && place !== 'not looked'

/** What a way of running a loop needs along it: a supply for the pump or cable, a sensor, a wire between them. */
export function loopModeChecks(study: Study, { mode }: MeasureOf<'loop-mode'>, write: Display): Told[] {
  const { loop } = study.pipes
  if (!loop || mode === 'off') return []
  if (mode === 'trace heating')
    return [
      one(
        'supply',
        'not checked',
        'A cable needs a supply of its own, guarded against faults to earth, and lies under the insulation: for a licensed electrician.',
      ),
    ]
  const pump = isThere(loop.pumpAt)
    ? one('pump', 'pass', `The pump sits ${loop.pumpAt}, where it has its supply.`)
    : one(
        'pump',
        'not checked',
        `${loop.pumpAt === 'not there' ? 'A pump has to be put in' : 'Where the pump sits was not looked at'}: anywhere on the circle, where there is a supply and it can be got at.`,
      )
  return LOOP_MODE_TAKES[mode].target ? [pump, sensor(study, loop, write)] : [pump]
}

function sensor(study: Study, { pumpAt, sensorAt, turnsAt }: Loop, write: Display): Told {
  if (!isThere(sensorAt))
    return one(
      'sensor',
      'not checked',
      `${sensorAt === 'not there' ? 'A sensor has to be put on' : 'Where the sensor sits was not looked at'}: at the far tap it tells what comes there, on the return also what was lost on the way back.`,
    )
  const outM = runsTo(study, { runId: turnsAt }).reduce((s, r) => s + r.lengthM, 0)
  const wire =
    pumpAt === sensorAt
      ? 'its wire to the pump is short'
      : [pumpAt, sensorAt].includes('at the far tap') && [pumpAt, sensorAt].includes('at the plant')
        ? `to the pump its wire is about ${write.figure('length', outM)}, or it goes by radio`
        : 'how long its wire to the pump is depends on where on the return that is'
  return one(
    'sensor',
    isThere(pumpAt) ? 'pass' : 'not checked',
    `The sensor sits ${sensorAt}; ${isThere(pumpAt) ? wire : 'how long its wire is depends on where the pump sits'}.`,
  )
}
