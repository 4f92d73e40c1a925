import { HEATERS } from '../heaters/kinds'
import type { Measure, MeasureKind } from '../study/measures'

/** Whose work a measure is. Local codes decide; this is what is usual. */
const WHO: Record<MeasureKind, string> = {
  'insulate-runs': 'Anyone handy. Near a flue or a hot surface only what stands the heat.',
  jacket: 'Anyone handy, with the supply isolated. On a gas store only where its maker allows it.',
  setpoint: 'The engineer, on the visit.',
  'heater-windows': 'The engineer, on the visit.',
  'heater-control': 'The engineer, on the visit.',
  'loop-mode': 'The engineer; a pump or valve by the plumber.',
  'loop-windows': 'The engineer, on the visit.',
  'tap-flow': 'Anyone handy.',
  'stop-when-warm': 'Anyone handy.',
  'mend-drip': 'Anyone handy, with the supply shut; a plumber where its seat is worn.',
  'shorter-draws': 'The household.',
  'bath-to-shower': 'The household.',
  repipe: 'A licensed plumber.',
  'own-run': 'A licensed plumber.',
  'move-heater': 'Licensed trades: water, fuel or cable, flue.',
  'drain-recovery': 'A licensed plumber: drains and drinking water meet at one wall.',
  'heat-source': 'Licensed trades.',
}

/** Who does it, with the caution of the heater it is about. */
export const whoDoes = (measure: Measure): string =>
  measure.kind === 'heat-source' ? `${WHO['heat-source']} ${HEATERS[measure.heater.kind].caution}` : WHO[measure.kind]
