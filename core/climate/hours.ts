import { DAYS, DAYS_IN_MONTH } from '../calendar/year'
import { sameEverywhere } from '../units/same-everywhere'
import { diffuseShare, hourAngle, hourShare, type SunDay, sunDay, sunHeight, sunOnPlane } from './sun'

export interface Normals {
  latitudeDeg: number
  /** Mean air of each month, °C. */
  monthlyAirC: readonly number[]
  /** Mean sun on the level of each month, kWh/m² a day. */
  monthlySunKwhM2: readonly number[]
}

/**
 * Days of a month in turn, as multiples of its mean sun: clear and dull ones alternate the way weather does, the same
 * row every month. Their mean is 1.
 */
const DAYS_IN_TURN = [0.35, 0.75, 1.15, 1.45, 1.3, 0.85, 0.5, 1.05, 1.4, 1.2] as const
/** A day is never clearer than this share of the sun above the air. */
const CLEAREST = 0.78

/**
 * A year of hours by the clock people live by, made from monthly normals. In winter its hours are those of the sun, which may
 * be an hour off; while clocks are ahead the sun is an hour behind them.
 */
export class Hours {
  /** Air, °C, and on the level the sun itself and the sky, W/m². */
  readonly airC = new Float64Array(DAYS * 24)
  readonly beamWM2 = new Float64Array(DAYS * 24)
  readonly skyWM2 = new Float64Array(DAYS * 24)
  private readonly days: SunDay[]
  /** Hour of the year by the sun for each by the clock. */
  private readonly bySun: Int16Array

  /**
   * Sun: each day takes its turn of the row above, scaled so that the month keeps its mean; the sky's share after Erbs,
   * Klein & Duffie (1982); hours after Collares-Pereira & Rabl (1979) and Liu & Jordan (1960).
   * Air: the month's mean with the daily swing of Erbs, Klein & Beckman (1983), 25.8 K̄ − 5.21 K, K̄ the clearness.
   * What is neglected: warm and cold spells, and that clear days are warmer in summer and colder in winter.
   * @param ahead whether clocks are an hour ahead on a day of the year (0–364)
   */
  constructor(normals: Normals, ahead: (day: number) => boolean = () => false) {
    this.days = Array.from({ length: DAYS }, (_, d) => sunDay(normals.latitudeDeg, d + 1))
    let first = 0
    DAYS_IN_MONTH.forEach((count, month) => {
      const days = this.days.slice(first, first + count)
      const sums = daySums(days, normals.monthlySunKwhM2[month])
      const above = days.reduce((s, d) => s + d.aboveAirKwhM2, 0)
      const clearness = above > 0 ? sums.reduce((s, x) => s + x, 0) / above : 0
      const swing = Math.max(2, 25.8 * clearness - 5.21)
      days.forEach((sun, i) => this.fill(first + i, sun, sums[i], normals.monthlyAirC[month], swing))
      first += count
    })
    this.bySun = Int16Array.from({ length: DAYS * 24 }, (_, h) => Math.max(0, ahead(Math.floor(h / 24)) ? h - 1 : h))
    for (const column of [this.airC, this.beamWM2, this.skyWM2]) {
      const sun = column.slice()
      this.bySun.forEach((at, h) => (column[h] = sun[at]))
    }
  }

  private fill(day: number, sun: SunDay, kwhM2: number, airC: number, swing: number): void {
    const shares = Array.from({ length: 24 }, (_, h) => hourShare(hourAngle(h), sun.sunset))
    const whole = shares.reduce((s, x) => s + x.whole, 0)
    const sky = shares.reduce((s, x) => s + x.diffuse, 0)
    const diffuse = sun.aboveAirKwhM2 > 0 ? diffuseShare(kwhM2 / sun.aboveAirKwhM2, sun.sunset) : 1
    shares.forEach((share, h) => {
      const at = day * 24 + h
      this.airC[at] = sameEverywhere(airC + swing * swingAt(h))
      if (whole <= 0) return
      const wholeW = (1000 * kwhM2 * share.whole) / whole
      this.skyWM2[at] = sameEverywhere(Math.min(wholeW, (1000 * kwhM2 * diffuse * share.diffuse) / sky))
      this.beamWM2[at] = sameEverywhere(Math.max(0, wholeW - this.skyWM2[at]))
    })
  }

  /**
   * Sun on a plane in an hour of the year, W/m²: the sun itself with the cosine of its angle, and that of half the sky and
   * of the ground in front of it (isotropic sky, Liu & Jordan 1963; ground reflects a fifth).
   */
  onPlane(hour: number, tiltDeg: number, azimuthDeg: number): { beamWM2: number; skyWM2: number; cosine: number } {
    const at = this.bySun[hour]
    const sun = this.days[Math.floor(at / 24)]
    const angle = hourAngle(at % 24)
    const height = sunHeight(sun, angle)
    const cosine = sunOnPlane(sun, angle, tiltDeg, azimuthDeg)
    const tilt = Math.cos((tiltDeg * Math.PI) / 180)
    // Near the horizon the ratio of the two angles runs away; there the sun itself gives next to nothing.
    const beamWM2 = height > 0.05 ? this.beamWM2[hour] * Math.min(6, cosine / height) : 0
    const skyWM2 =
      (this.skyWM2[hour] * (1 + tilt)) / 2 + ((this.beamWM2[hour] + this.skyWM2[hour]) * GROUND * (1 - tilt)) / 2
    return { beamWM2, skyWM2, cosine }
  }
}

/** Share of the light that the ground throws back. */
const GROUND = 0.2

/** Course of the air through a day, −0.5 to 0.5 of the swing: Erbs, Klein & Beckman (1983). @param hour 0 to 23 */
function swingAt(hour: number): number {
  const t = (2 * Math.PI * (hour - 0.5)) / 24
  return (
    0.4632 * Math.cos(t - 3.805) +
    0.0984 * Math.cos(2 * t - 0.36) +
    0.0168 * Math.cos(3 * t - 0.822) +
    0.0138 * Math.cos(4 * t - 3.513)
  )
}

/** Sun on the level for each day of a month whose mean is given, kWh/m². */
function daySums(days: readonly SunDay[], meanKwhM2: number): number[] {
  const limits = days.map((d) => CLEAREST * d.aboveAirKwhM2)
  const scaled = (f: number) =>
    days.map((_, i) => Math.min(limits[i], f * meanKwhM2 * DAYS_IN_TURN[i % DAYS_IN_TURN.length]))
  const total = (list: readonly number[]) => list.reduce((s, x) => s + x, 0)
  const wanted = Math.min(meanKwhM2 * days.length, total(limits))
  let [low, high] = [0, 20]
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2
    if (total(scaled(mid)) < wanted) low = mid
    else high = mid
  }
  return scaled((low + high) / 2)
}
