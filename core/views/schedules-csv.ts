import Papa from 'papaparse'
import { clock, DAY_NAMES } from '../calendar/week'
import { controllerWeeks } from '../household/controller-weeks'
import { controllerOf } from '../household/controllers'
import { controlsOf } from '../study/in-force'
import type { Study } from '../study/study'
import { wordsOf } from '../study/words-of'

/** Every on period of the week as separated values: controller, what it switches, day, period, on, off (24-hour clock). */
export function schedulesCsv(study: Study): string {
  const words = wordsOf(study)
  return Papa.unparse(
    controllerWeeks(study, controlsOf(study)).flatMap(({ of, name, week }) =>
      week.flatMap((day, d) =>
        day.map((w, i) => ({
          controller: controllerOf(study, of)?.name ?? '',
          switches: words(name),
          day: DAY_NAMES[d],
          period: i + 1,
          on: clock(w.fromMin),
          off: clock(w.toMin),
        })),
      ),
    ),
    { columns: ['controller', 'switches', 'day', 'period', 'on', 'off'], newline: '\r\n', escapeFormulae: true },
  )
}
