import { z } from '../schema/zod'

/** Whether a text shows anything: signs without width and fillers alone do not. */
function canBeSeen(text: string): boolean {
  return /[\p{L}\p{N}\p{P}\p{S}]/u.test(text.replace(/[\u115f\u1160\u2800\u3164\uffa0]/g, ''))
}

/** Shared kinds of field. A limit stands here once; forms, files and the command line all read it. */
export const Id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, 'a short name of small letters, digits and dashes')
export const Name = z.string().trim().min(1, 'a name, not empty').max(120).refine(canBeSeen, 'a name that can be seen')
export const Note = z.string().max(4000)

export const between = (low: number, high: number) => z.number().min(low).max(high)
export const Share = between(0, 1)
export const AirC = between(-50, 50)
export const WaterC = between(0, 99)
/** Whether something is there; null: nobody has looked. */
export const YesNoUnknown = z.boolean().nullable()
/** A day of the calendar, YYYY-MM-DD. */
export const Day = z.iso.date('a day as YYYY-MM-DD')
export const Twelve = <T extends z.ZodType>(item: T) => z.array(item).length(12, 'twelve values, January to December')
/** Whose borrowed figures are: papers, of which day, and under which conditions they hold; null: nobody wrote it down. */
export const DataSource = z
  .strictObject({
    source: z.string().trim().min(1, 'a data source is required').max(120),
    on: Day.nullable(),
    conditions: z.string().max(200),
  })
  .nullable()
export type DataSource = z.infer<typeof DataSource>
