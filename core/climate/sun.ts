/** Where the sun stands and what it gives. Angles in radians; a latitude south of the equator is mirrored to the north. */

const RAD = Math.PI / 180
/** Solar constant, kW/m². */
const SOLAR_KW_M2 = 1.367

/** The sun's course on a day as a household sees it. */
export interface SunDay {
  /** Latitude and declination, both towards the nearer pole. */
  latitude: number
  declination: number
  /** Hour angle of sunset, 0 where the sun does not rise. */
  sunset: number
  /** Sun on a level plane above the air in a day, kWh/m². */
  aboveAirKwhM2: number
}

/**
 * Declination after Cooper (1969), good to half a degree; sunset and the sun above the air after Duffie & Beckman, Solar
 * Engineering of Thermal Processes, ch. 1.
 * @param latitudeDeg −66 to 66; @param day of the year, 1 to 365
 */
export function sunDay(latitudeDeg: number, day: number): SunDay {
  const latitude = Math.abs(latitudeDeg) * RAD
  const declination = 23.45 * RAD * Math.sin((2 * Math.PI * (284 + day)) / 365) * (latitudeDeg < 0 ? -1 : 1)
  const sunset = Math.acos(Math.min(1, Math.max(-1, -Math.tan(latitude) * Math.tan(declination))))
  const distance = 1 + 0.033 * Math.cos((2 * Math.PI * day) / 365)
  const aboveAirKwhM2 =
    (24 / Math.PI) *
    SOLAR_KW_M2 *
    distance *
    (Math.cos(latitude) * Math.cos(declination) * Math.sin(sunset) +
      sunset * Math.sin(latitude) * Math.sin(declination))
  return { latitude, declination, sunset, aboveAirKwhM2 }
}

/** Hour angle at the middle of a solar hour, 0 to 23; noon is nought, the afternoon positive. */
export const hourAngle = (hour: number) => (hour + 0.5 - 12) * 15 * RAD

/** Cosine of the sun's angle to the upright, never below nought. */
export const sunHeight = (sun: SunDay, angle: number) =>
  Math.max(
    0,
    Math.sin(sun.latitude) * Math.sin(sun.declination) +
      Math.cos(sun.latitude) * Math.cos(sun.declination) * Math.cos(angle),
  )

/**
 * Cosine of the sun's angle to the normal of a plane, never below nought.
 * @param tiltDeg from level; @param azimuthDeg off the direction of the noon sun, towards the west
 * Source: Duffie & Beckman, eq. 1.6.2.
 */
export function sunOnPlane(sun: SunDay, angle: number, tiltDeg: number, azimuthDeg: number): number {
  const [tilt, azimuth] = [tiltDeg * RAD, azimuthDeg * RAD]
  const [sinD, cosD, sinL, cosL] = [
    Math.sin(sun.declination),
    Math.cos(sun.declination),
    Math.sin(sun.latitude),
    Math.cos(sun.latitude),
  ]
  return Math.max(
    0,
    sinD * sinL * Math.cos(tilt) -
      sinD * cosL * Math.sin(tilt) * Math.cos(azimuth) +
      cosD * cosL * Math.cos(tilt) * Math.cos(angle) +
      cosD * sinL * Math.sin(tilt) * Math.cos(azimuth) * Math.cos(angle) +
      cosD * Math.sin(tilt) * Math.sin(azimuth) * Math.sin(angle),
  )
}

/**
 * Share of a day's sun on the level that comes from the whole sky and not from the sun itself.
 * @param clearness day's sun on the level over that above the air, 0 to 1
 * Source: Erbs, Klein & Duffie (1982), daily correlation; scatter about ±0.1.
 */
export function diffuseShare(clearness: number, sunset: number): number {
  const k = clearness
  if (sunset < 81.4 * RAD)
    return k < 0.715 ? 1 - 0.2727 * k + 2.4495 * k ** 2 - 11.9514 * k ** 3 + 9.3879 * k ** 4 : 0.143
  return k < 0.722 ? 1 + 0.2832 * k - 2.5557 * k ** 2 + 0.8448 * k ** 3 : 0.175
}

/**
 * Share of a day's sun on the level, and of its diffuse part, that falls in an hour.
 * Source: Collares-Pereira & Rabl (1979) for the whole, Liu & Jordan (1960) for the diffuse.
 */
export function hourShare(angle: number, sunset: number): { whole: number; diffuse: number } {
  const above = Math.cos(angle) - Math.cos(sunset)
  if (above <= 0 || Math.abs(angle) >= sunset) return { whole: 0, diffuse: 0 }
  const diffuse = ((Math.PI / 24) * above) / (Math.sin(sunset) - sunset * Math.cos(sunset))
  const a = 0.409 + 0.5016 * Math.sin(sunset - 60 * RAD)
  const b = 0.6609 - 0.4767 * Math.sin(sunset - 60 * RAD)
  return { whole: diffuse * (a + b * Math.cos(angle)), diffuse }
}

/** From sunrise to sunset by the sun, minutes of a day of the year (1 to 365). */
export function daylight(latitudeDeg: number, day: number): { fromMin: number; toMin: number } {
  const half = (sunDay(latitudeDeg, day).sunset / Math.PI) * 720
  return { fromMin: 720 - half, toMin: 720 + half }
}
