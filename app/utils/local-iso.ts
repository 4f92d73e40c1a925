/**
 * A moment as ISO time by the clock on the wall, with its offset: whether a pump was due is read off its hour.
 * @example "2026-01-20T08:15:00.000+01:00"
 */
export function localIso(at: Date): string {
  const offset = -at.getTimezoneOffset()
  const two = (x: number) => String(Math.floor(Math.abs(x))).padStart(2, '0')
  const wall = new Date(at.getTime() + offset * 60_000).toISOString().slice(0, -1)
  return `${wall}${offset < 0 ? '-' : '+'}${two(offset / 60)}:${two(offset % 60)}`
}
