import { HEATERS } from '../heaters/kinds'
import type { Measure, MeasureKind } from '../study/measures'

/** Whose work a measure is. Local codes decide; this is what is usual. */
const WHO: Record<MeasureKind, string> = {
  'insulate-runs': 'Competent householder. Near a flue or hot surface only heat-resistant material.',
  jacket: 'Competent householder, supply isolated. On a gas storage water heater only if its manufacturer allows it.',
  'store-connections': 'Heat traps by a licensed plumber; insulation by a competent householder.',
  setpoint: 'Heating engineer.',
  'heater-schedule': 'Heating engineer.',
  'heater-control': 'Heating engineer.',
  'loop-mode': 'Heating engineer; pump or valve by a plumber.',
  'loop-schedule': 'Heating engineer.',
  'lay-loop': 'Licensed plumber; the pump’s supply by a registered installer.',
  'tap-flow': 'Competent householder.',
  'stop-when-warm': 'Competent householder.',
  'mend-drip': 'Competent householder, supply isolated; plumber if the seat is worn.',
  'shorter-draws': 'Household.',
  'bath-to-shower': 'Household.',
  repipe: 'Licensed plumber.',
  'own-run': 'Licensed plumber.',
  'move-heater': 'Registered installers: water, fuel or cable, flue.',
  'drain-recovery': 'Licensed plumber: drain and drinking water share one wall.',
  'heat-source': 'Registered installer.',
}

/** Who does it, with the caution of the heater it is about. */
export const whoDoes = (measure: Measure): string =>
  measure.kind === 'heat-source' ? `${WHO['heat-source']} ${HEATERS[measure.heater.kind].caution}` : WHO[measure.kind]
