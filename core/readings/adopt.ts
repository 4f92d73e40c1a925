import { valueAt, withValueAt } from '../study/paths'
import type { Reading } from '../study/readings'
import type { Study } from '../study/study'
import { judge } from './kinds'

const replaceReading = (study: Study, id: string, change: Partial<Reading>): Study => ({
  ...study,
  readings: study.readings.map((r) => (r.id === id ? { ...r, ...change } : r)),
})

/**
 * The study corrected by a reading: what it offers replaces what stood there, is marked measured (an estimate: assumed), and
 * what stood there is kept with the reading. Does nothing when the reading offers nothing or is adopted already.
 */
export function adopt(study: Study, id: string): Study {
  const reading = study.readings.find((r) => r.id === id)
  const offers = reading && !reading.adopted ? (judge(study, reading)?.offers ?? []) : []
  if (offers.length === 0) return study
  let next = study
  const adopted = offers.map((offer) => {
    const before = valueAt(next, offer.path)
    const beforeOrigin = next.origins[offer.path] ?? null
    next = withValueAt(next, offer.path, offer.value)
    next = { ...next, origins: { ...next.origins, [offer.path]: offer.origin ?? 'measured' } }
    return { path: offer.path, before: before as never, beforeOrigin }
  })
  return replaceReading(next, id, { adopted })
}

/** Takes an adoption back: what stood there before stands there again, and the reading stays in the log. */
export function unAdopt(study: Study, id: string): Study {
  const reading = study.readings.find((r) => r.id === id)
  if (!reading?.adopted) return study
  let next = study
  for (const { path, before, beforeOrigin } of [...reading.adopted].reverse()) {
    if (valueAt(next, path) === undefined) continue
    next = withValueAt(next, path, before)
    const { [path]: _gone, ...origins } = next.origins
    next = {
      ...next,
      origins:
        beforeOrigin === null ? origins : { ...origins, [path]: beforeOrigin as 'measured' | 'entered' | 'assumed' },
    }
  }
  return replaceReading(next, id, { adopted: null })
}
