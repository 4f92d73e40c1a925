import { READING_KINDS } from '../readings'

type Entry = Record<string, unknown>
const isEntry = (x: unknown): x is Entry => typeof x === 'object' && x !== null && !Array.isArray(x)

/**
 * Readings as older versions could write them: without values, of a kind that is none any more, two of one id. Each stays in
 * the log as what it is: a note where the kind is not known, under an id of its own, so that it can be seen and deleted.
 */
export function soundReadings(readings: unknown): unknown {
  if (!Array.isArray(readings)) return readings
  const taken = new Set<unknown>()
  return readings.map((entry: unknown, i) => {
    if (!isEntry(entry)) return entry
    const known = (READING_KINDS as readonly unknown[]).includes(entry.kind)
    const again = taken.has(entry.id)
    if (known && !again && entry.values !== undefined) {
      taken.add(entry.id)
      return entry
    }
    let id = entry.id
    for (let k = i + 1; taken.has(id); k++) id = `reading-${k}`
    taken.add(id)
    const note = typeof entry.note === 'string' ? entry.note : ''
    return {
      ...entry,
      id,
      values: entry.values ?? {},
      ...(known
        ? {}
        : {
            kind: 'note',
            note: `Of a kind that is not known here (${String(entry.kind).slice(0, 40)}). ${note}`.trim(),
          }),
    }
  })
}
