import type { Study } from '../study/study'

/** Days on which the heating circuit was topped up, by the log, oldest first. */
export const topUps = ({ readings }: Study): string[] =>
  readings
    .filter((r) => r.kind === 'event' && r.values.event === 'topped up')
    .map((r) => r.takenAt.slice(0, 10))
    .sort()
