import { mainsOnColdest } from '../household/lookups'
import { supplyC } from '../household/supply'
import { isFedHot, isPointOfUse, type PointOfUseHeater } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import { flowAtRise } from '../water/power'
import { demandOf } from '../year/demand'
import type { Told, Visit } from './check'
import { USABLE_SHARE } from './usable-share'

const about = (heater: Heater) => ({ subject: { kind: 'heater', id: heater.id }, source: '' }) as const

/** The only tap that a heater serves, its busiest moment there mixed at the heater's own temperature. */
function ownDemand({ study }: Visit, heater: PointOfUseHeater, hotC: number) {
  const tap = study.pipes.taps.find((t) => t.id === heater.tapId)!
  return { tap, peaks: demandOf(study, hotC, (tapId) => tapId === tap.id).peaks }
}

/** Whether what heats one tap's water as it runs gives that tap its flow, fires for the least of it and stands its inlet. */
function asItRuns(visit: Visit, heater: Extract<Heater, { kind: 'tap-electric' }>): Told[] {
  const { study, write } = visit
  const { setpointC } = controlsOf(study).heaters[heater.id]
  const { tap, peaks } = ownDemand(visit, heater, setpointC)
  const givesLMin = flowAtRise(heater.powerKw, peaks.coldC, setpointC - peaks.coldC)
  const short = peaks.kw > heater.powerKw
  const fedHot = isFedHot(heater)
  const comesC = supplyC(study)
  return [
    {
      ...about(heater),
      id: 'output',
      concern: 'comfort',
      level: !short ? 'pass' : fedHot ? 'marginal' : 'fail',
      title: 'Output at its outlet',
      sentence: `${tap.name} takes up to ${write.figure('flow', peaks.hotLMin)} hot, ${write.figure('power', peaks.kw)} from ${write.temperature(peaks.coldC)} to ${write.temperature(setpointC)}; ${write.figure('power', heater.powerKw)} gives ${write.figure('flow', givesLMin)}.${short && fedHot ? ' Cooler until hot water arrives in the pipe.' : ''}`,
      figures: {
        neededKw: { value: peaks.kw, quantity: 'power', worse: { when: 'more', by: 0.5 } },
        givesKw: { value: heater.powerKw, quantity: 'power' },
      },
      source: 'Flow × ρ(inlet) × c(mean) × rise, on the draw-offs of this outlet',
      remedy: 'More power, a smaller flow at the outlet, or a point-of-use heater that stores.',
    },
    {
      ...about(heater),
      id: 'least-flow',
      concern: 'fault',
      level: peaks.leastHotLMin < heater.minActivationFlowLMin ? 'fail' : 'pass',
      title: 'Minimum activation flow',
      sentence: `Smallest use ${write.figure('flow', peaks.leastHotLMin)} hot in summer; starts at ${write.figure('flow', heater.minActivationFlowLMin)}.`,
      source: 'Mixer balance at the warmest month, against the minimum activation flow',
      remedy: 'Heater with a lower minimum activation flow, or more flow at that outlet.',
    },
    ...(fedHot
      ? [
          {
            ...about(heater),
            id: 'inlet',
            concern: 'fault' as const,
            level:
              heater.maxInletC === null
                ? ('not checked' as const)
                : heater.maxInletC < comesC
                  ? ('fail' as const)
                  : ('pass' as const),
            title: 'Maximum inlet temperature',
            sentence: `Fed by the hot pipe at ${write.temperature(comesC)}; ${heater.maxInletC === null ? 'maximum inlet temperature not checked' : `maximum inlet ${write.temperature(heater.maxInletC)}`}.`,
            source: 'Manufacturer’s maximum inlet temperature against the hot supply',
            remedy: 'Check the data sheet, or feed it from the cold pipe.',
          },
        ]
      : []),
  ]
}

/**
 * How long a small store lasts: what of it can be drawn hot, and what its heater makes meanwhile, at the largest flow of its
 * tap; and whether that covers the busiest hour there.
 */
function fromStore(visit: Visit, heater: Extract<Heater, { kind: 'under-sink' }>): Told[] {
  const { study, write } = visit
  const { setpointC } = controlsOf(study).heaters[heater.id]
  const { tap, peaks } = ownDemand(visit, heater, setpointC)
  if (peaks.hotLMin === 0) return []
  const usableL = heater.litres * USABLE_SHARE
  const coldC = mainsOnColdest(study)
  const madeLMin = flowAtRise(heater.powerKw, coldC, setpointC - coldC)
  const minutes = peaks.hotLMin > madeLMin ? usableL / (peaks.hotLMin - madeLMin) : Infinity
  const hourL = usableL + 60 * madeLMin
  const fits = hourL >= peaks.worstHourL
  return [
    {
      ...about(heater),
      id: 'supply-minutes',
      concern: 'comfort',
      level: fits ? 'pass' : isFedHot(heater) ? 'marginal' : 'fail',
      title: 'Minutes of supply',
      sentence: `${tap.name} takes up to ${write.figure('flow', peaks.hotLMin)} hot: ${minutes === Infinity ? 'sustained without limit' : `lasts ${minutes < 10 ? minutes.toFixed(1) : Math.round(minutes)} min`} from ${write.figure('volume', usableL)} usable. Peak hour ${write.figure('volume', peaks.worstHourL)}; ${write.figure('volume', hourL)} available in an hour.`,
      figures: {
        hourL: { value: peaks.worstHourL, quantity: 'volume' },
        availableL: { value: hourL, quantity: 'volume', worse: { when: 'less', by: 1 } },
        ...(minutes === Infinity ? {} : { minutes: { value: minutes, unit: 'min' } }),
      },
      source: `${Math.round(100 * USABLE_SHARE)}% of the volume is usable, plus what its element heats meanwhile; cold main at its coldest`,
      remedy: 'More volume or power, or a smaller flow at the outlet.',
    },
  ]
}

/** What stands at one tap against what that tap asks for. A fire's vessel is judged by its day. */
export function atTapChecks(visit: Visit, heater: Heater): Told[] {
  if (!isPointOfUse(heater) || heater.kind === 'reservoir') return []
  return heater.kind === 'tap-electric' ? asItRuns(visit, heater) : fromStore(visit, heater)
}
