import { probit } from 'simple-statistics'
import { density, KJ_PER_LITRE_K, specificHeat, viscosity } from '../water/properties'
import type { Pipe } from './catalogue'
import { wallHeatPerMetre } from './contents'
import { LAMINAR_RE } from './friction'

/** Water on the face of a front is about half warm, °C; its conductivity there, W/mK. */
const FACE_C = 35
const CONDUCTS_WMK = 0.62
/** Nusselt number of laminar flow at an even wall. */
const LAMINAR_NU = 3.66
/** Beyond these shares of the climb a thermometer cannot tell the front from what stands before and behind it. */
const EDGE = 0.02

/** Film between water and wall, W/m²K. Source: Dittus & Boelter, Nu = 0.023 Re^0.8 Pr^0.4; 3.66 in laminar flow. */
function film(pipe: Pipe, flowLMin: number): number {
  const speed = flowLMin / 60_000 / ((Math.PI / 4) * pipe.innerM ** 2)
  const re = (density(FACE_C) * speed * pipe.innerM) / viscosity(FACE_C)
  const pr = (specificHeat(FACE_C) * 1000 * viscosity(FACE_C)) / CONDUCTS_WMK
  const nu = re < LAMINAR_RE ? LAMINAR_NU : 0.023 * re ** 0.8 * pr ** 0.4
  return (nu * CONDUCTS_WMK) / pipe.innerM
}

/**
 * How far the front in a run spreads, L (standard deviation). The wall takes its heat through a film, so that water ahead of
 * the front comes warmed and water behind it cooled.
 * Source: Schumann (1929), whose solution for a long run is a normal curve about the front, of spread
 * (wall’s share of the front) × √(2/NTU), with NTU = film × inner surface / heat carried.
 */
export function frontSpreadL(pipe: Pipe, lengthM: number, flowLMin: number): number {
  const wallL = (wallHeatPerMetre(pipe) / KJ_PER_LITRE_K) * lengthM
  const surfaceM2 = Math.PI * pipe.innerM * lengthM
  const ntu = (film(pipe, flowLMin) * surfaceM2) / ((flowLMin / 60) * KJ_PER_LITRE_K * 1000)
  return wallL * Math.sqrt(2 / ntu)
}

/**
 * Litres after which the water has climbed a share of its way from cold to steady: half of it at the front itself.
 * @param share 0 to 1
 */
export const litresToShare = (warmUpVolumeL: number, spreadL: number, share: number): number =>
  Math.max(0, warmUpVolumeL + spreadL * probit(Math.min(1 - EDGE, Math.max(EDGE, share))))
