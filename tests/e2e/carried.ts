/// <reference lib="dom" />

/** Most that comes over the wire until the figures of a first visit stand, kB. */
export const FIRST_VIEW_KB = 350

/** What a page or a worker has fetched so far, its own document and the scripts of its workers among it. */
export function carried(): { bytes: number; requests: number } {
  const fetched = [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
  const bytes = fetched.reduce((sum, entry) => sum + (entry as PerformanceResourceTiming).transferSize, 0)
  return { bytes, requests: fetched.length }
}
