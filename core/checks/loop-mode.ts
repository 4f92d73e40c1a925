import { runsTo } from '../household/lookups'
import { LOOP_PLACE_NAMES } from '../household/loop-places'
import { LOOP_MODE_TAKES } from '../study/loop-modes'
import type { MeasureOf } from '../study/measures'
import type { Loop } from '../study/pipes'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import type { Told } from './check'
import { one } from './one'

const isThere = (place: Loop['pumpAt']) => place !== 'not there' && place !== 'not checked'

/** What a way of running a loop needs along it: a supply for the pump or cable, a sensor, a wire between them. */
export function loopModeChecks(study: Study, { mode }: Pick<MeasureOf<'loop-mode'>, 'mode'>, write: Display): Told[] {
  const { loop } = study.pipes
  if (!loop || mode === 'off') return []
  if (mode === 'trace heating')
    return [
      one(
        'supply',
        'not checked',
        'The cable needs its own supply with earth fault protection and is fitted under the insulation, by a licensed electrician.',
      ),
    ]
  const pump = isThere(loop.pumpAt)
    ? one('pump', 'pass', `Pump ${LOOP_PLACE_NAMES[loop.pumpAt]}, supply at hand.`)
    : one(
        'pump',
        'not checked',
        `${loop.pumpAt === 'not there' ? 'A pump must be fitted' : 'Pump location not checked'}: anywhere on the circulation with a power supply and access.`,
      )
  return LOOP_MODE_TAKES[mode].target ? [pump, sensor(study, loop, write)] : [pump]
}

function sensor(study: Study, { pumpAt, sensorAt, returnConnectionRunId }: Loop, write: Display): Told {
  if (!isThere(sensorAt))
    return one(
      'sensor',
      'not checked',
      `${sensorAt === 'not there' ? 'A sensor must be fitted' : 'Sensor location not checked'}: at the furthest outlet it reads the outlet temperature, on the return also the return pipe loss.`,
    )
  const outM = runsTo(study, { runId: returnConnectionRunId }).reduce((s, r) => s + r.lengthM, 0)
  const wire =
    pumpAt === sensorAt
      ? 'short cable to the pump'
      : [pumpAt, sensorAt].includes('at the far tap') && [pumpAt, sensorAt].includes('at the plant')
        ? `about ${write.figure('length', outM)} of cable to the pump, or radio`
        : 'cable length depends on its place on the return'
  return one(
    'sensor',
    isThere(pumpAt) ? 'pass' : 'not checked',
    `Sensor ${LOOP_PLACE_NAMES[sensorAt]}; ${isThere(pumpAt) ? wire : 'cable length depends on the pump location'}.`,
  )
}
