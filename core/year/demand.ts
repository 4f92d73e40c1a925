import { DAY_S, HOUR_S } from '../calendar/year'
import { hotFlow, mainsOnWarmest } from '../household/hot-flow'
import { mainsOnColdest, wantedAt } from '../household/lookups'
import { pointOfUseOf } from '../study/heater-kinds'
import type { Study } from '../study/study'
import { mainsThroughYear } from '../water/mains'
import { heatPerLitre } from '../water/power'
import { KJ_PER_LITRE_K } from '../water/properties'
import { type Draw, drawsOfYear } from './draws/draws'

/** What a household asks for at its busiest, at the coldest main. */
export interface Peaks {
  /** Cold main that all of it is reckoned with, and hot water at which it is mixed, °C. */
  coldC: number
  hotC: number
  /** Most hot water that runs at once, L/min, and the mixed water it becomes. */
  hotLMin: number
  mixedLMin: number
  /** Taps that run then, and the day of the year (1–365) and minute on which they do. */
  tapIds: string[]
  day: number
  minute: number
  /** Heat that makes it, kW. */
  kw: number
  /** The same if every tap ran at once, each mixed to what is wanted there: what nobody needs. */
  allTapsKw: number
  /** Hot water of the busiest hour, and of the busiest day, L. */
  worstHourL: number
  worstDayL: number
  /** Least hot flow that any use asks for, L/min: mixed with the main at its warmest. */
  leastHotLMin: number
}

/** The peaks of a household, and what a store would have to give besides what is made meanwhile. */
export interface Demand {
  peaks: Peaks
  /**
   * Litres that a store must give hot so that no draw runs short: the most that its use runs ahead of what is made, over any
   * stretch of the year. What heats it comes on only when so many litres have been drawn, and off when it is full again.
   * @param madeLMin hot water made while it is on, L/min; @param onAfterL litres drawn before it comes on
   */
  runsAheadL: (madeLMin: number, onAfterL: number) => number
}

/** Hot water of a draw, L/min, and how long it runs, s. */
function flowOf(
  study: Study,
  draw: Draw,
  coldC: number,
  hotC: number,
): { hotLMin: number; mixedLMin: number; seconds: number } {
  const tap = study.pipes.taps.find((t) => t.id === draw.tapId)!
  const mixedLMin = draw.hotLMin ?? tap.flowLMin
  const mixes = tap.mixes && draw.hotLMin === null && hotC > draw.requiredC
  const hotLMin = hotFlow({ mixes, flowLMin: mixedLMin }, draw.requiredC, coldC, hotC)
  const seconds =
    draw.measure === 'seconds'
      ? draw.amount
      : draw.measure === 'litres'
        ? (draw.amount / mixedLMin) * 60
        : (draw.amount / (hotLMin * KJ_PER_LITRE_K * (hotC - coldC))) * 60
  return { hotLMin, mixedLMin, seconds: seconds + (tap.stopsWhenWarm ? 0 : draw.unattendedS) }
}

/** A moment at which something begins or ends. */
interface Edge {
  atS: number
  hotLMin: number
  /** The same mixed with the main of its own day, which a store has to serve. */
  onItsDayLMin: number
  mixedLMin: number
  tapId: string
}

/**
 * The household's own busiest moment, hour and day, from the draws of its year, each mixed with the coldest main. What stands
 * hot or cold in the pipes is left out.
 * @param hotC hot water that would be supplied, °C; @param serves the taps of it: without, all but those with a heater of their
 * own that the cold main fills
 * @throws YearRefused when there are more draws than anybody follows
 */
export function demandOf(
  study: Study,
  hotC: number,
  serves: (tapId: string) => boolean = (tapId) => pointOfUseOf(study.plant.heaters, tapId) === null,
): Demand {
  const coldC = mainsOnColdest(study)
  const warmestC = mainsOnWarmest(study)
  const mains = mainsThroughYear(study.site)
  const draws = drawsOfYear(study.people, study.site).filter((d) => d.requiredC > coldC && serves(d.tapId))
  const edges: Edge[] = []
  let leastHotLMin = Infinity
  const freeAt = new Map<string, number>()
  for (const draw of draws) {
    const { hotLMin, mixedLMin, seconds } = flowOf(study, draw, coldC, hotC)
    // A tap serves one at a time: who comes second waits until the first has done.
    const startS = Math.max(draw.startS, freeAt.get(draw.tapId) ?? 0)
    freeAt.set(draw.tapId, startS + seconds)
    const onItsDayLMin = flowOf(study, draw, mains[Math.floor(draw.startS / DAY_S)], hotC).hotLMin
    const { tapId } = draw
    edges.push({ atS: startS, hotLMin, onItsDayLMin, mixedLMin, tapId })
    edges.push({
      atS: startS + seconds,
      hotLMin: -hotLMin,
      onItsDayLMin: -onItsDayLMin,
      mixedLMin: -mixedLMin,
      tapId,
    })
    if (draw.requiredC > warmestC) leastHotLMin = Math.min(leastHotLMin, flowOf(study, draw, warmestC, hotC).hotLMin)
  }
  // What ends makes room before what begins.
  edges.sort((a, b) => a.atS - b.atS || a.hotLMin - b.hotLMin)
  const open = new Map<string, number>()
  let [hot, mixed] = [0, 0]
  let peak = { hotLMin: 0, mixedLMin: 0, atS: 0, tapIds: [] as string[] }
  for (const e of edges) {
    hot += e.hotLMin
    mixed += e.mixedLMin
    open.set(e.tapId, (open.get(e.tapId) ?? 0) + Math.sign(e.hotLMin))
    if (hot > peak.hotLMin + 1e-9)
      peak = {
        hotLMin: hot,
        mixedLMin: mixed,
        atS: e.atS,
        tapIds: [...open].filter(([, n]) => n > 0).map(([id]) => id),
      }
  }
  const kwOf = (hotLMin: number) => (hotLMin / 60) * heatPerLitre(coldC, hotC) * (hotC - coldC)
  const all = study.pipes.taps.reduce(
    (s, t) => (serves(t.id) ? s + hotFlow(t, wantedAt(study, t.id) ?? hotC, coldC, hotC) : s),
    0,
  )
  return {
    peaks: {
      coldC,
      hotC,
      hotLMin: peak.hotLMin,
      mixedLMin: peak.mixedLMin,
      tapIds: peak.tapIds,
      day: Math.floor(peak.atS / (24 * HOUR_S)) + 1,
      minute: Math.floor((peak.atS % (24 * HOUR_S)) / 60),
      kw: kwOf(peak.hotLMin),
      allTapsKw: kwOf(all),
      worstHourL: busiest(edges, HOUR_S),
      worstDayL: busiest(edges, 24 * HOUR_S),
      leastHotLMin: Number.isFinite(leastHotLMin) ? leastHotLMin : 0,
    },
    runsAheadL: (madeLMin, onAfterL) => runsAhead(edges, madeLMin, onAfterL),
  }
}

/** The most that what is drawn runs ahead of what is made, L. */
function runsAhead(edges: readonly Edge[], madeLMin: number, onAfterL: number): number {
  let [flow, atS, behind, most, on] = [0, 0, 0, 0, false]
  for (const e of edges) {
    let minutes = (e.atS - atS) / 60
    // Until it comes on.
    if (!on && flow > 0 && minutes > 0) {
      const until = Math.max(0, onAfterL - behind) / flow
      const before = Math.min(minutes, until)
      behind += flow * before
      minutes -= before
      if (behind >= onAfterL - 1e-9) on = true
    }
    if (on && minutes > 0) {
      behind = Math.max(0, behind + (flow - madeLMin) * minutes)
      if (behind <= 1e-9) on = false
    }
    if (behind > most) most = behind
    atS = e.atS
    flow += e.onItsDayLMin
  }
  return most
}

/** Most hot water that runs in any stretch of so many seconds, L: the stretch that is worst begins as something begins. */
function busiest(edges: readonly Edge[], spanS: number): number {
  // Litres that have run by each edge; between two of them they grow evenly.
  const at = new Float64Array(edges.length)
  let [litres, flow] = [0, 0]
  edges.forEach((e, i) => {
    if (i > 0) litres += (flow / 60) * (e.atS - edges[i - 1].atS)
    at[i] = litres
    flow += e.hotLMin
  })
  const flowAfter = new Float64Array(edges.length)
  flow = 0
  edges.forEach((e, i) => (flowAfter[i] = flow += e.hotLMin))
  let most = 0
  let end = 0
  for (let i = 0; i < edges.length; i++) {
    if (edges[i].hotLMin <= 0) continue
    const untilS = edges[i].atS + spanS
    while (end + 1 < edges.length && edges[end + 1].atS <= untilS) end++
    const run = at[end] + (flowAfter[end] / 60) * (untilS - edges[end].atS) - at[i]
    if (run > most) most = run
  }
  return most
}
