/** A document as it was read, before anything is known of its parts. */
export type Doc = Record<string, unknown>
export const object = (x: unknown): Doc => (typeof x === 'object' && x !== null ? (x as Doc) : {})
/** Its parts; what is none is an empty one, which the schema then names. */
export const list = (x: unknown): Doc[] => (Array.isArray(x) ? x.map(object) : [])
export const each = (x: unknown, change: (value: Doc) => Doc): Doc =>
  Object.fromEntries(Object.entries(object(x)).map(([key, value]) => [key, change(object(value))]))
