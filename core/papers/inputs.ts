import type { Study } from '../study/study'

/** An input of a study as the next engineer reads it: its path, what stands there, and where it came from. */
export interface Input {
  path: string
  value: string
  origin: 'measured' | 'entered' | 'assumed'
}

/** What is no input: the log and its pictures, what is told elsewhere on the paper, and what the file is. */
const LEFT_OUT = new Set(['format', 'version', 'id', 'readings', 'origins', 'handover', 'cards', 'verification'])

/** Longest list that is written out, of figures and of things: of a longer one, such as a log of draw-offs, its length is. */
const LONGEST = { figures: 24, things: 200 } as const

const text = (value: unknown): string =>
  value === null ? 'not known' : typeof value === 'string' ? value : JSON.stringify(value)

/**
 * Every input of a study in the order in which the file has them. A figure of a part that is assumed as a whole is assumed too;
 * figures are in the units of the file (metric), as its schema says.
 */
export function inputsOf(study: Study): Input[] {
  const out: Input[] = []
  const walk = (value: unknown, path: string, above: Input['origin']): void => {
    const origin = study.origins[path] ?? above
    if (Array.isArray(value)) {
      const figures = value.every((x) => typeof x !== 'object' || x === null)
      const long = value.length > (figures ? LONGEST.figures : LONGEST.things)
      if (figures || long)
        return void out.push({
          path,
          value: long ? `${value.length} entries` : value.map(text).join(', ') || 'none',
          origin,
        })
      value.forEach((item: unknown, i) => walk(item, `${path}.${(item as { id?: string }).id ?? i}`, origin))
    } else if (typeof value === 'object' && value !== null)
      for (const [key, held] of Object.entries(value)) {
        if (path === '' && LEFT_OUT.has(key)) continue
        if (key === 'id') continue
        walk(held, path === '' ? key : `${path}.${key}`, origin)
      }
    else if (text(value) !== '') out.push({ path, value: text(value), origin })
  }
  walk(study, '', 'entered')
  return out
}
