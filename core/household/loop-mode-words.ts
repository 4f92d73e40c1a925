import type { LoopMode } from '../study/loop-modes'

/** What each mode is called where one is chosen, and what it does in a line. */
export const LOOP_MODE_WORDS: Record<LoopMode, { name: string; does: string }> = {
  off: { name: 'Off', does: 'The pump rests; whoever opens a tap waits for the pipes to fill with hot water.' },
  always: { name: 'Always on', does: 'The pump runs day and night.' },
  clock: { name: 'By the clock', does: 'The pump runs inside its windows.' },
  sampled: {
    name: 'Sampled',
    does: 'Inside its windows the pump tests the loop every so many minutes, and runs on only when it has cooled.',
  },
  'stop warm': {
    name: 'Stop when warm',
    does: 'Inside its windows the pump runs until it is warm behind the last tap; the return is not heated.',
  },
  'on demand': { name: 'On demand', does: 'A button or a presence sensor starts the pump before a draw.' },
  learned: { name: 'Learned', does: 'The pump runs in the hours in which draws came in the weeks before.' },
  'trace heating': {
    name: 'Trace heating',
    does: 'No pump: a cable along the way out holds it warm inside its windows.',
  },
}
