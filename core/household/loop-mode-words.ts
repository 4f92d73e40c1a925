import type { LoopMode } from '../study/loop-modes'

/** What each mode is called where one is chosen, and what it does in a line. */
export const LOOP_MODE_WORDS: Record<LoopMode, { name: string; does: string }> = {
  off: { name: 'Off', does: 'Pump off.' },
  always: { name: 'Always on', does: 'Pump runs continuously.' },
  clock: { name: 'Schedule', does: 'Pump runs during on periods.' },
  sampled: {
    name: 'Sampled',
    does: 'During on periods the pump runs a short test at set intervals and continues to the pump-off temperature only from below the trigger.',
  },
  'stop warm': {
    name: 'Stop when hot',
    does: 'During on periods the pump stops when the return connection reaches the pump-off temperature and restarts after the switching differential.',
  },
  'on demand': { name: 'On demand', does: 'A button or presence sensor starts the pump before a draw-off.' },
  learned: { name: 'Learned', does: 'The pump runs in hours with draw-offs in the preceding weeks.' },
  'trace heating': {
    name: 'Trace heating',
    does: 'No pump: a heating cable holds the flow pipe at temperature during on periods.',
  },
}
