import { z } from '../schema/zod'
import { Id, Note } from './fields'

/** What can be read on a visit. What each kind takes and means is in core/readings. */
export const READING_KINDS = [
  'mains',
  'pressure',
  'hardness',
  'hot-litres',
  'bucket',
  'difference',
  'time-to-hot',
  'tap-temperature',
  'climb',
  'droop',
  'heater-display',
  'meter',
  'dial',
  'clock',
  'circuit',
  'flow-log',
  'flow-dial',
  'store-top',
  'overnight-drop',
  'reheat',
  'loop',
  'pump',
  'drain',
  'event',
  'note',
  'sum',
] as const
export type ReadingKindName = (typeof READING_KINDS)[number]

/** Longest picture that travels with a study, characters of its data address: about 150 kB of JPEG. */
export const LONGEST_PHOTO = 200_000

/** All pictures of a study together, characters: about 15 MB of JPEG, a hundred and more. */
export const MOST_PICTURES = 20_000_000

/** Characters that the pictures of a log take. */
export const picturesTake = (readings: readonly { photo: string | null }[]): number =>
  readings.reduce((sum, r) => sum + (r.photo?.length ?? 0), 0)

/** A figure of the study that a reading has replaced, and what stood there before. */
const Adoption = z.strictObject({
  path: z.string().max(200),
  before: z.json(),
  beforeOrigin: z.string().max(20).nullable(),
})

/** A reading of the visit: what and where it was read, and when. */
export const Reading = z.strictObject({
  id: Id,
  takenAt: z.iso.datetime({ offset: true }),
  kind: z.enum(READING_KINDS),
  /** Name of the bench sum, when it is a kept sum. */
  sum: z.string().max(40).nullable(),
  /** Tap, heater or controller it was taken at; null: the household. */
  where: Id.nullable(),
  values: z.record(z.string().max(60), z.union([z.number(), z.string().max(4000)])),
  note: Note,
  photo: z
    .string()
    .max(LONGEST_PHOTO)
    .regex(/^data:image\/(jpeg|png|webp);base64,/, 'a picture as a data address')
    .nullable(),
  /** What it has replaced in the study; null while it has not been adopted. */
  adopted: z.array(Adoption).max(20).nullable(),
})
export type Reading = z.infer<typeof Reading>

/** Nested values as the flat record that a reading holds. @example flatValues({ runs: [{ lengthM: 3 }] }) // { 'runs.0.lengthM': 3 } */
export function flatValues(values: Record<string, unknown>): Reading['values'] {
  const out: Reading['values'] = {}
  const add = (prefix: string, value: unknown) => {
    if (typeof value === 'number' || typeof value === 'string') out[prefix.slice(0, 60)] = value
    else if (typeof value === 'object' && value !== null)
      for (const [k, v] of Object.entries(value)) add(`${prefix}.${k}`, v)
  }
  for (const [key, value] of Object.entries(values)) add(key, value)
  return out
}
