import { z } from 'zod'
import { Id, Name, Note } from './fields'

/** A reading of the visit: which sum it feeds, where and when it was taken, and what was read. */
export const Reading = z.strictObject({
  id: Id,
  takenAt: z.iso.datetime({ offset: true }),
  /** Name of the bench sum or of the kind of reading. */
  what: Name,
  /** Tap, run, store or heater it was taken at; null: the household. */
  where: Id.nullable(),
  values: z.record(z.string().max(60), z.union([z.number(), z.string().max(200)])),
  note: Note,
  adopted: z.boolean(),
})
export type Reading = z.infer<typeof Reading>
