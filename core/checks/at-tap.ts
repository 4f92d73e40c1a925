import { supplyC } from '../household/supply'
import { type HeaterOf, isFedHot, isPointOfUse } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Tap } from '../study/pipes'
import type { Heater } from '../study/plant'
import { flowAtRise } from '../water/power'
import { demandOf, type Peaks } from '../year/demand'
import type { Told, Visit } from './check'
import { inletLevel, leastFlow, minutesOf, USABLE_SHARE } from './supply-limits'

/** The tap that a heater serves, its busiest moment there mixed at the heater's own temperature, and what its power gives, L/min. */
interface AtTap {
  visit: Visit
  tap: Tap
  peaks: Peaks
  setpointC: number
  madeLMin: number
}

const about = (heater: Heater) => ({ subject: { kind: 'heater', id: heater.id }, source: '' }) as const

/** Whether what heats one tap's water as it runs gives that tap its flow, fires for the least of it and stands its inlet. */
function asItRuns({ visit, tap, peaks, setpointC, madeLMin }: AtTap, heater: HeaterOf<'tap-electric'>): Told[] {
  const { study, write } = visit
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
      sentence: `${tap.name} takes up to ${write.figure('flow', peaks.hotLMin)} hot, ${write.figure('power', peaks.kw)} from ${write.temperature(peaks.coldC)} to ${write.temperature(setpointC)}; ${write.figure('power', heater.powerKw)} gives ${write.figure('flow', madeLMin)}.${short && fedHot ? ' Cooler until hot water arrives in the pipe.' : ''}`,
      figures: {
        neededKw: { value: peaks.kw, quantity: 'power', worse: { when: 'more', by: 0.5 } },
        givesKw: { value: heater.powerKw, quantity: 'power' },
      },
      source: 'Flow × ρ(inlet) × c(mean) × rise, on the draw-offs of this outlet',
      remedy: 'More power, a smaller flow at the outlet, or a point-of-use heater that stores.',
    },
    leastFlow(heater, peaks, write),
    ...(fedHot
      ? [
          {
            ...about(heater),
            id: 'inlet',
            concern: 'fault' as const,
            level: inletLevel(heater.maxInletC, comesC),
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
function fromStore({ visit, tap, peaks, madeLMin }: AtTap, heater: HeaterOf<'under-sink'>): Told[] {
  const { write } = visit
  const usableL = heater.litres * USABLE_SHARE
  const minutes = minutesOf(usableL, peaks.hotLMin, madeLMin)
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
  const { study, write } = visit
  const tap = study.pipes.taps.find((t) => t.id === heater.tapId)!
  const { setpointC } = controlsOf(study).heaters[heater.id]
  const { peaks } = demandOf(study, setpointC, (tapId) => tapId === tap.id)
  if (peaks.hotLMin === 0 || setpointC <= peaks.coldC)
    return [
      {
        ...about(heater),
        id: 'output',
        concern: 'comfort',
        level: 'not checked',
        title: 'Output at its outlet',
        sentence:
          peaks.hotLMin === 0
            ? `No use of hot water entered at ${tap.name}: output not checked.`
            : `Setpoint ${write.temperature(setpointC)} is not above the cold main, ${write.temperature(peaks.coldC)}.`,
        remedy: 'Enter the uses of this outlet, and its setpoint.',
      },
    ]
  const at = {
    visit,
    tap,
    peaks,
    setpointC,
    madeLMin: flowAtRise(heater.powerKw, peaks.coldC, setpointC - peaks.coldC),
  }
  return heater.kind === 'tap-electric' ? asItRuns(at, heater) : fromStore(at, heater)
}
