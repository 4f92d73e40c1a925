import type { HeaterKind } from '../heaters/kinds'
import type { Measure, MeasureKind } from '../study/measures'

/**
 * Years that what a measure brings usually lasts: pipes and their insulation as long as anybody looks ahead, fittings with a
 * moving part ten, settings until somebody turns them. From practice; the manufacturer's guarantee is no life.
 */
const LIFE: Record<Exclude<MeasureKind, 'heat-source'>, number> = {
  'insulate-runs': 25,
  jacket: 15,
  'store-connections': 25,
  setpoint: 5,
  'heater-schedule': 5,
  'heater-control': 5,
  'loop-mode': 10,
  'loop-schedule': 5,
  'lay-loop': 20,
  'tap-flow': 8,
  'stop-when-warm': 8,
  'mend-drip': 5,
  'shorter-draws': 3,
  'bath-to-shower': 3,
  repipe: 40,
  'own-run': 40,
  'move-heater': 20,
  'drain-recovery': 25,
}
const HEATER_LIFE: Partial<Record<HeaterKind, number>> = { 'heat-pump': 15, element: 10, 'instant-electric': 15 }
const USUAL_HEATER_LIFE = 20

/** Years that a measure lasts: as somebody said, or as its kind usually does. */
export const lifeOf = (m: Measure): { years: number; usual: boolean } => ({
  years: m.lifeYears ?? usualLife(m),
  usual: m.lifeYears === null,
})

const usualLife = (m: Measure): number =>
  m.kind === 'heat-source' ? (HEATER_LIFE[m.heater.kind] ?? USUAL_HEATER_LIFE) : LIFE[m.kind]
