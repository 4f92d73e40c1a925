/** One thing wrong with what was given: where, as a person reads it (empty: all of it), and what would be accepted. */
export interface Fault {
  path: string
  message: string
}

/** What was asked for, or everything that is wrong with what was given. */
export type Result<T> = { ok: true; value: T } | { ok: false; faults: Fault[] }

/** A refusal for one reason. */
export const refused = (message: string, path = ''): { ok: false; faults: Fault[] } => ({
  ok: false,
  faults: [{ path, message }],
})

/** A fault in one line. @example faultText({ path: 'line 3', message: 'has 2 columns' }) // "line 3: has 2 columns" */
export const faultText = ({ path, message }: Fault): string => (path ? `${path}: ${message}` : message)
