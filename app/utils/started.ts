/** When something timed was begun: by the clock of the page, which nobody puts back, and by the one on the wall, which outlasts it. */
export interface Started {
  wallMs: number
  page: number
  pageMs: number
}

export const startedNow = (): Started => ({
  wallMs: Date.now(),
  page: performance.timeOrigin,
  pageMs: performance.now(),
})

/**
 * Seconds since then. In another page than the one it was begun in only the clock on the wall is left; where that was put back
 * it is the least it can have been.
 * @param leastS seconds that have passed for certain
 */
export function secondsSince({ wallMs, page, pageMs }: Started, leastS = 0): number {
  const ms = page === performance.timeOrigin ? performance.now() - pageMs : Date.now() - wallMs
  return Math.max(leastS, ms / 1000)
}

/** What was kept as a start; whatever else stands there is none. */
export function soundStart(x: unknown): Started | null {
  const { wallMs, page, pageMs } = (x ?? {}) as Partial<Started>
  return [wallMs, page, pageMs].every((n) => Number.isFinite(n))
    ? { wallMs: wallMs!, page: page!, pageMs: pageMs! }
    : null
}
