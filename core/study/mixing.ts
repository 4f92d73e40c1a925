import { z } from '../schema/zod'
import { between, Day } from './fields'

/** A thermostatic mixing valve and what it is set to, °C; null: nobody knows to what. */
export const MixingValve = z.union([
  z.enum(['not checked', 'none']),
  z.strictObject({
    mixesToC: between(30, 70).nullable(),
    /** Day on which what it gives was last measured and its failure tried; null: nobody wrote one down. */
    testedOn: Day.nullable(),
  }),
])
export type MixingValve = z.infer<typeof MixingValve>
