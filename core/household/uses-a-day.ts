import type { People, Use } from '../study/people'
import type { Tap } from '../study/pipes'

/** How often a habit comes on the mean day of the week, and the litres at its tap each time, by the routine alone. */
export function usesADay(habit: Use, tap: Tap, { volumeFactor }: Pick<People, 'volumeFactor'>) {
  const { use } = habit
  return {
    times: (habit.days.filter(Boolean).length / 7) * habit.chance,
    litres: (use.kind === 'timed' ? use.minutes * tap.flowLMin : use.litres) * volumeFactor,
  }
}
