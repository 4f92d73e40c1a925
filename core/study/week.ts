import { DAYS_A_WEEK, MINUTES_A_DAY } from '../calendar/clock'
import { z } from '../schema/zod'

/** A stretch of a day, minutes from midnight; `toMin` may be 1440, the end of the day. */
const Window = z
  .strictObject({
    fromMin: z
      .int()
      .min(0)
      .max(MINUTES_A_DAY - 1),
    toMin: z.int().min(1).max(MINUTES_A_DAY),
  })
  .refine((w) => w.fromMin < w.toMin, { message: 'must end after it starts', path: ['toMin'] })

const Day = z
  .array(Window)
  .max(24, 'at most 24 on periods a day')
  .refine(
    (day) => day.every((w, i) => i === 0 || day[i - 1].toMin <= w.fromMin),
    'on periods in order, not overlapping',
  )

/** Seven days of windows, Monday first. */
export const Schedule = z.array(Day).length(DAYS_A_WEEK, 'seven days, Monday first')
