import { CircleAlert, CircleCheck, CircleHelp, TriangleAlert } from '@lucide/vue'
import type { Level } from '~~/core/checks/check'
import { LEVEL_WORDS } from '~~/core/views/level-words'

/** How a level looks: told apart by its shape as well as by its colour, and what it says where only the mark stands. */
export const LEVEL_LOOK: Record<Level, { icon: typeof CircleCheck; tone: string; says: string }> = {
  pass: { icon: CircleCheck, tone: 'text-verdigris', says: LEVEL_WORDS.pass },
  marginal: { icon: TriangleAlert, tone: 'text-copper', says: LEVEL_WORDS.marginal },
  'not checked': { icon: CircleHelp, tone: 'text-copper', says: LEVEL_WORDS['not checked'] },
  fail: { icon: CircleAlert, tone: 'text-alarm', says: LEVEL_WORDS.fail },
}
