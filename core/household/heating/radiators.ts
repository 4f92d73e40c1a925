import { flowNeeded, flowTemperature, radiatorsAt } from '../../heaters/flow-temperature'
import type { FlowSetting, HouseHeating, Radiator } from '../../study/heating'
import type { Study } from '../../study/study'
import { designOutdoor, houseLoss } from './house-loss'

/** Rated output of the radiators, kW: of those listed where every one was read, else the one total; null: not known. */
export function ratedKw({ radiators, totalRatedKw }: HouseHeating): number | null {
  if (radiators.length > 0 && radiators.every((r) => r.ratedKw !== null))
    return radiators.reduce((sum, r) => sum + r.ratedKw!, 0)
  return totalRatedKw
}

/** A room on the coldest day: what its radiators give at a flow temperature, and the lowest flow that carries its loss. */
export interface RoomOutput {
  radiator: Radiator
  givesKw: number | null
  needsC: number | null
  /** It gives less than the room loses. */
  short: boolean
}

/** Lowest flow for a share of the rated output; null where none is high enough. */
function neededOrNull(share: number, roomC: number, exponent: number): number | null {
  try {
    return flowNeeded(share, roomC, exponent)
  } catch {
    return null
  }
}

/** Each radiator at a flow temperature. */
export const roomOutputs = ({ radiators, roomC, exponent }: HouseHeating, flowC: number | null): RoomOutput[] => {
  const share = flowC === null ? null : radiatorsAt(flowC, roomC, exponent).share
  return radiators.map((radiator) => {
    const { ratedKw: rated, lossKw } = radiator
    const givesKw = rated === null || share === null ? null : rated * share
    return {
      radiator,
      givesKw,
      needsC: rated === null || lossKw === null ? null : neededOrNull(lossKw / rated, roomC, exponent),
      short: givesKw !== null && lossKw !== null && givesKw < lossKw,
    }
  })
}

/**
 * Lowest flow temperature that carries the house on the coldest day, °C: that of the room which needs most where rooms are
 * known, else by one total; null: not known, or no flow is high enough.
 */
export function flowNeededOnColdest(study: Study, heating: HouseHeating): number | null {
  const rooms = roomOutputs(heating, null).flatMap((r) => (r.needsC === null ? [] : [r.needsC]))
  if (rooms.length > 0 && rooms.length === heating.radiators.length) return Math.max(...rooms)
  const [rated, { kw }] = [ratedKw(heating), houseLoss(study, heating)]
  return rated === null || kw === null ? null : neededOrNull(kw / rated, heating.roomC, heating.exponent)
}

/** Flow temperature as it is set, on the coldest day, °C; null: not read. */
export const flowOnColdest = (study: Study, heating: HouseHeating, flow: FlowSetting | null): number | null =>
  flow && flowTemperature(flow, designOutdoor(study).c, heating.roomC)
