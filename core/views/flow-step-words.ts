import type { FlowNext } from '../household/heating/flow-steps'
import type { FlowSteps } from '../study/heating'
import { writeDay } from '../units/dates'
import type { Display } from '../units/display'

/** What is done next, in a sentence. @param today what is due later is told with its day */
export function flowNextText(next: FlowNext, write: Display, today: string): string {
  const flow = write.temperature(next.flowC)
  switch (next.does) {
    case 'ask':
      if (next.from > today) return `First: ${flow} from ${writeDay(next.from, write.system)} on.`
      return `Now: ${flow}. Say how warm the rooms are with it, on a cold day.`
    case 'try':
      return `Next: ${flow} from ${writeDay(next.from, write.system)} on. Live with it, then say how warm the rooms are.`
    case 'back':
      return `Back to ${flow}, and leave it there.`
    case 'stay':
      return `Stay at ${flow}: the steps are done.`
  }
}

/** A plan in a line. @example "60.0 °C to 51.0 °C, 3.0 K every 7 days, from 10 Jan 2026" */
export const stepsText = ({ begins, fromC, toC, byK, everyDays }: FlowSteps, write: Display): string =>
  `${write.temperature(fromC)} to ${write.temperature(toC)}, ${write.figure('rise', byK)} every ${everyDays} days, from ${writeDay(begins, write.system)}`
