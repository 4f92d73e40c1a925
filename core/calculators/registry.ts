import type { Calculator } from './calculator'
import { flowAtRiseSum, heaterSize, meterRate, moneyHours, pumpPower, runningCost, waterPowerSum } from './energy'
import { fireIntoStore, stovePump } from './fire'
import { gasPipe } from './gas'
import { heatLoss, modulation, radiatorOutput } from './heating'
import { cupLength, loopLoss, pipeContent, pipeLossSum, tapWait, wasteYear } from './pipes'
import { drawOff, expansionVessel, reheat, storeLoss, thermosiphon } from './stores'
import { bucketFlow, drainRecoverySum, mix, scald } from './taps'
import { billLoss, labelYear } from './year-figures'

/** Every bench sum, in the order of a visit. The pocket of sums, the command line and the visit log all read this. */
export const CALCULATORS: readonly Calculator[] = [
  bucketFlow,
  tapWait,
  pipeContent,
  cupLength,
  pipeLossSum,
  waterPowerSum,
  meterRate,
  flowAtRiseSum,
  heaterSize,
  gasPipe,
  storeLoss,
  reheat,
  drawOff,
  expansionVessel,
  mix,
  scald,
  loopLoss,
  pumpPower,
  runningCost,
  moneyHours,
  labelYear,
  billLoss,
  wasteYear,
  drainRecoverySum,
  radiatorOutput,
  heatLoss,
  modulation,
  thermosiphon,
  stovePump,
  fireIntoStore,
]

export const calculatorNamed = (name: string): Calculator | undefined => CALCULATORS.find((s) => s.name === name)
