import type { Display } from '../units/display'
import type { Peaks } from '../year/demand'
import type { Level, Told } from './check'

/** Of a store that is as hot as it is set, this share can be drawn before it runs cool: cold water mixes in below. */
export const USABLE_SHARE = 0.75

/** Minutes that so many litres last at a flow, with what is made meanwhile, L/min; Infinity where it never ends. */
export const minutesOf = (usableL: number, flowLMin: number, madeLMin: number): number =>
  flowLMin > madeLMin ? usableL / (flowLMin - madeLMin) : Infinity

/** Water at an inlet against the warmest that it accepts, °C; null: not read. */
export const inletLevel = (maxInletC: number | null, comesC: number): Level =>
  maxInletC === null ? 'not checked' : maxInletC < comesC ? 'fail' : 'pass'

/** The smallest use against the flow at which a heater starts, L/min. */
export const leastFlow = (
  heater: { id: string; minActivationFlowLMin: number },
  { leastHotLMin }: Peaks,
  write: Display,
): Told => ({
  subject: { kind: 'heater', id: heater.id },
  id: 'least-flow',
  concern: 'fault',
  level: leastHotLMin < heater.minActivationFlowLMin ? 'fail' : 'pass',
  title: 'Minimum activation flow',
  sentence: `Smallest use ${write.figure('flow', leastHotLMin)} hot in summer; starts at ${write.figure('flow', heater.minActivationFlowLMin)}.`,
  figures: {
    hotFlowLMin: { value: leastHotLMin, quantity: 'flow' },
    neededLMin: { value: heater.minActivationFlowLMin, quantity: 'flow' },
  },
  source: 'Mixer balance at the warmest month, against the minimum activation flow',
  remedy: 'Heater with a lower minimum activation flow, or more flow at that outlet.',
})
