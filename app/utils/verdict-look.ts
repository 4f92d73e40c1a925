import { CircleAlert, CircleCheck, CircleHelp } from '@lucide/vue'
import type { Verdict } from '~~/core/sizing/verdict'

/** How a verdict looks: told apart by its shape as well as by its colour, and what it says where only the mark stands. */
export const VERDICT_LOOK: Record<Verdict, { icon: typeof CircleCheck; tone: string; says: string; before: string }> = {
  fits: { icon: CircleCheck, tone: 'text-verdigris', says: 'nothing known stands in its way', before: '' },
  'not known': { icon: CircleHelp, tone: 'text-copper', says: 'something is not known yet', before: 'Not known: ' },
  'does not fit': { icon: CircleAlert, tone: 'text-alarm', says: 'something does not fit', before: 'Does not fit: ' },
}
