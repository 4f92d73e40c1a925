import { isOn } from '../calendar/week'
import { coldestMonth, DAYS } from '../calendar/year'
import { atAltitude } from '../household/at-altitude'
import { mainsOnColdest, steadyAtTap, wantedAt } from '../household/lookups'
import { reservoirDay } from '../household/reservoir-day'
import { supplyC } from '../household/supply'
import { hasSetpoint, instantaneousOf, isPointOfUse, pointOfUseOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Tap } from '../study/pipes'
import type { Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'
import { waterPower } from '../water/power'
import { KJ_PER_LITRE_K } from '../water/properties'
import { COOL_K } from '../year/taps/tap-draw'
import type { Level, Rule, Told, Visit } from './check'
import { unmetNoticed } from './noticed'

/** Shares of draws that came too cool: from the first on somebody speaks of it, from the second on it fails. */
const COOL_SHARE = { marginal: 0.01, fail: 0.02 } as const
/** A mixer that has to take in more hot water than this share has nothing left to set. */
const MIXER_FULL = 0.95
/** Of the cool draws, the share in hours in which a timer lets nothing heat, from which on it is to blame. */
const TIMER_SHARE = 0.5

/** What arrives at a tap in a long draw of the coldest month, °C. */
const arrivesAt = (study: Study, tap: Tap) =>
  steadyAtTap(study, tap, supplyC(study), coldestMonth(study.site.monthlyAirC))

/** Heaters with a timer, and in how many of the hours with cool draws none of them may heat. */
function byTimer({ study }: Visit, unmetByHour: readonly number[]) {
  const timed = study.plant.heaters.filter(hasSetpoint).flatMap((heater) => {
    const { schedule } = controlsOf(study).heaters[heater.id]
    return schedule ? [{ heater, schedule }] : []
  })
  const held = study.plant.heaters.filter((h) => hasSetpoint(h) && !isPointOfUse(h))
  // Where one that serves the house may heat at any time, no timer is to blame.
  if (timed.length === 0 || held.some((h) => !timed.some((t) => t.heater.id === h.id))) return { timed, shut: 0 }
  const shut = unmetByHour.reduce(
    (s, n, h) => s + (timed.some(({ schedule }) => isOn(schedule, h * 60 + 30)) ? 0 : n),
    0,
  )
  return { timed, shut }
}

/** Draws that came too cool or were given up, and what is to blame. */
const delivery: Rule = (visit): Told[] => {
  const { year, write } = visit
  if (!year) return []
  const { unmetDraws: cool, waiting, unmetOn, unmetByHour } = year.comfort
  const share = waiting ? cool / waiting : 0
  const level: Level =
    waiting === 0
      ? 'not checked'
      : share >= COOL_SHARE.fail
        ? 'fail'
        : share > COOL_SHARE.marginal
          ? 'marginal'
          : 'pass'
  const { timed, shut } = byTimer(visit, unmetByHour)
  const timer = cool > 0 && level !== 'pass' && shut >= TIMER_SHARE * cool
  const worst = year.taps.reduce((a, b) => (b.unmetDraws > a.unmetDraws ? b : a))
  return [
    {
      id: 'delivery',
      subject: timer ? { kind: 'controller', id: timed[0].heater.id } : { kind: 'tap', id: worst.id },
      concern: 'comfort',
      level,
      title:
        level === 'pass' || waiting === 0
          ? 'Unmet draw-offs'
          : timer
            ? 'Unmet draw-offs with hot water schedule'
            : 'Too little hot water',
      sentence:
        waiting === 0
          ? `Not checked. No use waits for hot water, so none can be unmet.`
          : `${cool} of ${waiting} draw-offs a year that wait for hot water are below required temperature or abandoned (${(100 * share).toFixed(1)}%)${cool ? `, on ${unmetOn.length} ${unmetOn.length === 1 ? 'day' : 'days'}` : ''}${timer ? `; ${shut} of them outside the on periods of ${timed.map((t) => t.heater.name).join(' and ')}` : ''}.`,
      figures: {
        unmetDraws: { value: cool, unit: 'draw-offs', worse: { when: 'more', by: unmetNoticed(waiting) } },
        waiting: { value: waiting, unit: 'draw-offs' },
      },
      source: `Annual draw-offs: mean more than ${write.figure('rise', COOL_K)} low, or abandoned`,
      remedy: timer
        ? 'Start the on periods earlier.'
        : 'Increase output or cylinder volume, reduce the flow of the largest outlet, or stagger use.',
      settledBy: 'store-top',
      setting: timer ? `heaters.${timed[0].heater.id}.schedule` : null,
      board: 'all',
    },
  ]
}

/** Taps that need hot water before they mix. */
const askingTaps = ({ pipes, plant }: Study): Tap[] =>
  pipes.taps.filter((t) => t.minHotInletC !== null && !pointOfUseOf(plant.heaters, t.id))
/** Outlets that ask for hotter water than comes. */
export const shortTaps = (study: Study): Tap[] => askingTaps(study).filter((t) => arrivesAt(study, t) < t.minHotInletC!)

/** One tap of several asks for hotter water: hotter water everywhere is the dearest answer to it. */
export const asksAlone = (study: Study): boolean => shortTaps(study).length === 1 && study.pipes.taps.length > 1

/** Taps that need hot water before they mix, whether they get it, and what is cheaper than a hotter house where one alone does not. */
const tapNeeds: Rule = ({ study, write }) => {
  const asking = askingTaps(study)
  const short = shortTaps(study)
  return asking.map((tap): Told => {
    const arrivesC = arrivesAt(study, tap)
    const isShort = short.includes(tap)
    const alone = isShort && asksAlone(study)
    return {
      id: `need-${tap.id}`,
      subject: { kind: 'tap', id: tap.id },
      concern: 'comfort',
      level: isShort ? 'fail' : 'pass',
      title: isShort ? `Temperature at outlet too low: ${tap.name}` : `Minimum hot inlet temperature, ${tap.name}`,
      sentence: `Requires ${write.temperature(tap.minHotInletC!)}; ${write.temperature(arrivesC)} arrives in a long draw-off in the coldest month.${alone ? ' Only this outlet is short.' : ''}`,
      figures: {
        needsC: { value: tap.minHotInletC!, quantity: 'temperature' },
        arrivesC: { value: arrivesC, quantity: 'temperature', worse: { when: 'less', by: 0.5 } },
      },
      source: 'Along each run T − air falls as exp(−U′L/ṁc)',
      remedy: alone
        ? 'Adjust its mixer, insulate its run or fit a point-of-use heater before raising the setpoint; compare them under Improve, Side by side.'
        : 'Insulate the run or raise the setpoint.',
      settledBy: 'tap-temperature',
      mendedBy: 'insulate-runs',
      board: 'all',
    }
  })
}

/** What comes at each tap that asks for hot water, in a long draw of the coldest month, °C. */
export const arrivals = (study: Study): { tap: Tap; arrivesC: number }[] =>
  askingTaps(study).map((tap) => ({ tap, arrivesC: arrivesAt(study, tap) }))

/** What the pipes must carry so that a tap gets what it needs in a long draw of the coldest month, °C; null: boiling would not do. */
export function requiredSupplyC(study: Study, tap: Tap): number | null {
  const month = coldestMonth(study.site.monthlyAirC)
  const short = (c: number) => steadyAtTap(study, tap, c, month) < tap.minHotInletC!
  let [low, high] = [0, 100]
  if (short(high)) return null
  while (high - low > 0.01) {
    const middle = (low + high) / 2
    if (short(middle)) low = middle
    else high = middle
  }
  return high
}

/** The highest need sets the least setting; where it is one tap's alone, a boost before it is used does instead. */
const leastSetting: Rule = ({ study, write }): Told[] => {
  const needs = study.pipes.taps
    .filter((t) => t.minHotInletC !== null && !pointOfUseOf(study.plant.heaters, t.id))
    .map((tap) => ({ tap, carried: requiredSupplyC(study, tap) ?? Infinity }))
    .sort((a, b) => b.carried - a.carried)
  const [most, next] = needs
  if (!most || most.carried === Infinity) return []
  const now = supplyC(study)
  const kept = now >= most.carried - 0.05
  const spare = next ? most.carried - next.carried : 0
  return [
    {
      id: 'least-setting',
      subject: { kind: 'tap', id: most.tap.id },
      concern: 'comfort',
      level: kept ? 'pass' : 'marginal',
      title: 'Required supply temperature',
      ...(kept
        ? {}
        : { cause: { id: `need-${most.tap.id}`, title: `Temperature at outlet too low: ${most.tap.name}` } }),
      sentence: `${most.tap.name} governs: ${write.temperature(most.tap.minHotInletC!)} there needs ${write.temperature(most.carried)} at the hot connection; supply is ${write.temperature(now)}${kept ? '' : ', too low'}.${spare > 0.5 ? ` The other outlets need ${write.temperature(next.carried)}.` : ''}`,
      figures: {
        neededC: { value: most.carried, quantity: 'temperature' },
        supplyC: { value: now, quantity: 'temperature', worse: { when: 'less', by: 0.5 } },
      },
      source: 'Along each run T − air falls as exp(−U′L/ṁc), solved for the supply',
      remedy:
        spare > 0.5 ? 'Use a timed boost for occasional high temperatures.' : 'Insulate the run or raise the setpoint.',
      board: 'all',
    },
  ]
}

/** Whether mixers can reach what is wanted at them, with what the pipes carry. */
const mixerReach: Rule = ({ study, write }): Told[] => {
  const mainsC = mainsOnColdest(study)
  const reaches = study.pipes.taps
    .filter((t) => t.mixes && !pointOfUseOf(study.plant.heaters, t.id))
    .flatMap((tap) => {
      const requiredC = wantedAt(study, tap.id)
      if (requiredC === null) return []
      const arrivesC = arrivesAt(study, tap)
      return [{ tap, requiredC, arrivesC, share: arrivesC > mainsC ? (requiredC - mainsC) / (arrivesC - mainsC) : 2 }]
    })
    .sort((a, b) => b.share - a.share)
  const [worst] = reaches
  if (!worst) return []
  const level: Level = worst.share > 1 ? 'fail' : worst.share > MIXER_FULL ? 'marginal' : 'pass'
  const short = reaches.filter((r) => r.share > 1).map((r) => r.tap.name)
  return [
    {
      id: 'mixer-reach',
      subject: { kind: 'tap', id: worst.tap.id },
      concern: 'comfort',
      level,
      title: level === 'fail' ? 'Required temperature not reached' : 'Mixed temperature',
      sentence: `${worst.tap.name} requires ${write.temperature(worst.requiredC)}; hot supply ${write.temperature(worst.arrivesC)} in winter: ${worst.share > 1 ? 'not reached' : `hot share ${Math.round(worst.share * 100)}%`}.${short.length > 1 ? ` Also at ${short.slice(1).join(', ')}.` : ''}`,
      figures: {
        hotShare: { value: worst.share, unit: 'of the mix', worse: { when: 'more', by: 0.02 } },
        arrivesC: { value: worst.arrivesC, quantity: 'temperature' },
      },
      source: 'Mixer balance at the coldest month',
      remedy: 'Confirm the required temperature; insulate the run, fit a point-of-use heater or raise the setpoint.',
      mendedBy: 'insulate-runs',
      board: 'all',
    },
  ]
}

/** A hot tap that drips: water all year, and with a store the heat in it. */
const drips: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Told[] => {
    if (!tap.dripLH) return []
    const litres = tap.dripLH * DAYS * 24
    const mains = mainsThroughYear(study.site)
    const meanC = mains.reduce((s, c) => s + c, 0) / mains.length
    const kwh = (litres * KJ_PER_LITRE_K * (supplyC(study) - meanC)) / 3600
    return [
      {
        id: `drips-${tap.id}`,
        concern: 'cost',
        level: 'fail',
        subject: { kind: 'tap', id: tap.id },
        title: `${tap.name} drips`,
        sentence: `${write.litres(litres)} of hot water a year${study.plant.store ? `, up to ${write.energy(kwh)} of heat` : '; below the minimum activation flow, so it runs cold'}.`,
        source: 'Flow over the year at supply temperature',
        remedy: 'Replace the washer or cartridge.',
        mendedBy: 'mend-drip',
      },
    ]
  })

const twoTaps: Rule = ({ study, write }) => {
  const rated = instantaneousOf(study.plant.heaters)
  if (!rated) return []
  const heater = atAltitude(rated, study.site.altitudeM)
  const coldest = Math.min(...mainsThroughYear(study.site))
  const asks = study.pipes.taps
    .map((tap) => ({
      tap,
      requiredC: Math.max(0, ...study.people.uses.filter((h) => h.tapId === tap.id && h.waits).map((h) => h.requiredC)),
    }))
    .filter((a) => a.requiredC > coldest)
    .map((a) => ({ ...a, kw: waterPower(a.tap.flowLMin, coldest, a.requiredC) }))
    .sort((a, b) => b.kw - a.kw)
    .slice(0, 2)
  const together = asks.reduce((s, a) => s + a.kw, 0)
  const gives = heater.outputKw * heater.units
  if (asks.length < 2 || together <= gives) return []
  return [
    {
      id: 'two-taps',
      concern: 'comfort',
      level: 'fail',
      subject: { kind: 'heater', id: heater.id },
      title: 'Simultaneous demand exceeds heater output',
      sentence: `${asks.map((a) => a.tap.name).join(' and ')} together take ${write.figure('power', together)} with the cold main at ${write.temperature(coldest)}; ${heater.name} delivers ${write.figure('power', gives)}${heater.units > 1 ? ` with all ${heater.units} units` : ''}.`,
      figures: {
        asksKw: { value: together, quantity: 'power', worse: { when: 'more', by: 0.5 } },
        givesKw: { value: gives, quantity: 'power', worse: { when: 'less', by: 0.5 } },
      },
      source: 'Flow × ρc × rise at the winter inlet',
      remedy: 'Reduce the flow of the larger outlet, or stagger use.',
      settledBy: 'droop',
    },
  ]
}

/** Litres that a reservoir gives on a winter's day against those drawn from it. */
const reservoirShort: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    const day = isPointOfUse(h) && 'firings' in h ? reservoirDay(study, h) : null
    if (!day || day.usesL <= day.makesL) return []
    return [
      {
        id: `reservoir-short-${h.id}`,
        concern: 'comfort',
        level: 'fail',
        subject: { kind: 'heater', id: h.id },
        title: 'Reservoir output below use',
        sentence: `On a winter day it produces ${write.figure('volume', day.makesL, 0)} at ${write.temperature(day.requiredC)} after losses; ${write.figure('volume', day.usesL, 0)} are drawn off.`,
        source: '(Heat to water − standing loss) / ρ c × rise',
        remedy: 'Fire longer, add a lid and insulation, or use another source for that outlet.',
      },
    ]
  })

export const DELIVERY_CHECKS = { delivery, tapNeeds, leastSetting, mixerReach, drips, twoTaps, reservoirShort }
