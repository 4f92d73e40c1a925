/** The last moment that a study can write down: a clock that is set past it stands still there. */
const LAST = Date.UTC(9999, 11, 30)

/**
 * A moment as ISO time by the clock on the wall, with its offset: whether a pump was due is read off its hour.
 * @example "2026-01-20T08:15:00.000+01:00"
 */
export function localIso(at: Date): string {
  const ms = Math.min(at.getTime(), LAST)
  const offset = -new Date(ms).getTimezoneOffset()
  const two = (x: number) => String(Math.floor(Math.abs(x))).padStart(2, '0')
  const wall = new Date(ms + offset * 60_000).toISOString().slice(0, -1)
  return `${wall}${offset < 0 ? '-' : '+'}${two(offset / 60)}:${two(offset % 60)}`
}

/** The day that it is on the wall, YYYY-MM-DD. */
export const localDay = (at = new Date()): string => localIso(at).slice(0, 10)

/** A moment for people, as a day. @example "20 Jan 2026" */
export const dayText = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
