import { ALWAYS, type Week } from '../calendar/week'
import { supplyOf } from '../household/supply'
import { INSULATIONS } from '../pipes/loss'
import { SAFETY } from '../safety/limits'
import { rangeOf } from '../schema/shape'
import { hasSetpoint } from '../study/heater-kinds'
import type { Measure } from '../study/measures'
import { Tap } from '../study/pipes'
import { controlsOf, type Study } from '../study/study'

/** Thickness that pipes are wrapped with to begin with, mm. */
const WRAP_MM = 20
/** A setpoint is lowered by so much to begin with, K, and a flow brought to this share of what it is. */
const LOWER_K = 5
const FLOW_SHARE = 0.8

const { min: LEAST_FLOW_L_MIN } = rangeOf(Tap.shape.flowLMin)

type MeasureKind = Measure['kind']

/** What each kind of measure is called when one is added, in the order they are offered. */
export const MEASURE_NAMES: Record<MeasureKind, string> = {
  'insulate-runs': 'Insulate pipes',
  setpoint: 'Change the setpoint',
  'heater-windows': 'Heater timer',
  'loop-mode': 'Change the loop’s mode',
  'loop-windows': 'Loop windows',
  'tap-flow': 'Reduce the flow of a tap',
}
const OF_THE_LOOP: readonly MeasureKind[] = ['loop-mode', 'loop-windows']
const OF_A_THERMOSTAT: readonly MeasureKind[] = ['setpoint', 'heater-windows']

/** Kinds of measure that a household has something for. */
export function measuresFor(study: Study): MeasureKind[] {
  const supplying = study.plant.heaters.find((h) => h.id === supplyOf(study).heaterId)!
  const none = [...(study.pipes.loop ? [] : OF_THE_LOOP), ...(hasSetpoint(supplying) ? [] : OF_A_THERMOSTAT)]
  return (Object.keys(MEASURE_NAMES) as MeasureKind[]).filter((kind) => !none.includes(kind))
}

/** A week of its own: what is edited in a measure leaves the controls as they are. */
const ownWeek = (week: Week): Week => week.map((day) => day.map((w) => ({ ...w })))

/** A measure as it is begun at a household; what it costs nobody has asked. A setpoint below what is safe is not lowered. */
export function beginMeasure(study: Study, kind: MeasureKind, id: string): Measure {
  const { pipes } = study
  const controls = controlsOf(study)
  const { heaterId, setpointC } = supplyOf(study)
  const common = { id, costMoney: null }
  switch (kind) {
    case 'insulate-runs':
      return {
        ...common,
        kind,
        name: `Insulate pipes, ${WRAP_MM} mm`,
        runIds: pipes.runs.filter((r) => r.reachable).map((r) => r.id),
        loopReturn: pipes.loop?.back.reachable ?? false,
        insulation: { lambdaWMK: INSULATIONS['elastomeric rubber'], thicknessMm: WRAP_MM },
      }
    case 'setpoint':
      return {
        ...common,
        kind,
        name: 'Lower setpoint',
        heaterId,
        setpointC: Math.min(setpointC, Math.max(SAFETY.livesOn.value, setpointC - LOWER_K)),
      }
    case 'heater-windows': {
      const windows = ownWeek(controls.heaters[heaterId].windows ?? ALWAYS)
      return { ...common, kind, name: 'Heater timer', heaterId, windows }
    }
    case 'loop-mode':
      return { ...common, kind, name: 'Loop off', mode: 'off' }
    case 'loop-windows':
      return { ...common, kind, name: 'Loop windows', windows: ownWeek(controls.loop.windows) }
    case 'tap-flow': {
      const tap = pipes.taps.find((t) => t.kind === 'shower') ?? pipes.taps[0]
      const flowLMin = Math.max(LEAST_FLOW_L_MIN, Math.round(tap.flowLMin * FLOW_SHARE * 10) / 10)
      return { ...common, kind, name: `${tap.name}, less flow`, tapId: tap.id, flowLMin }
    }
  }
}
