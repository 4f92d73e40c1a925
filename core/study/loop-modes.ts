/**
 * How a loop is kept warm: by a pump that rests, always runs, runs inside its windows; that tests the loop in its windows and
 * runs when it has cooled; that stops as soon as the last tap is warm; that is asked for before a draw; that has learned
 * when draws come; or without a pump, by a cable along the pipe.
 */
export const LOOP_MODES = [
  'off',
  'always',
  'clock',
  'sampled',
  'stop warm',
  'on demand',
  'learned',
  'trace heating',
] as const
export type LoopMode = (typeof LOOP_MODES)[number]

/** What each mode is told: windows it keeps to, how warm, how far below that it begins again. */
export const LOOP_MODE_TAKES: Record<LoopMode, { schedule: boolean; target: boolean; differential: boolean }> = {
  off: { schedule: false, target: false, differential: false },
  always: { schedule: false, target: false, differential: false },
  clock: { schedule: true, target: false, differential: false },
  sampled: { schedule: true, target: true, differential: true },
  'stop warm': { schedule: true, target: true, differential: true },
  'on demand': { schedule: false, target: true, differential: false },
  learned: { schedule: false, target: false, differential: false },
  'trace heating': { schedule: true, target: true, differential: false },
}
