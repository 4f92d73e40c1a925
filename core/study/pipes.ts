import { z } from 'zod'
import { MATERIALS, pipeOf, sizesOf } from '../pipes/catalogue'
import { Id, Name, between } from './fields'
import { PlaceField } from './site'

export const InsulationField = z.strictObject({
  lambdaWMK: between(0.01, 0.2),
  thicknessMm: between(0, 200),
})

const LengthOfPipe = z
  .strictObject({
    material: z.enum(MATERIALS),
    size: z.string(),
    lengthM: between(0.1, 500),
    place: PlaceField,
    insulation: InsulationField.nullable(),
    /** Whether it can be got at, to insulate it. */
    reachable: z.boolean(),
  })

/** Says which sizes a material comes in when the given one is not among them. */
export function checkSize(pipe: { material: (typeof MATERIALS)[number]; size: string }): string | null {
  try {
    pipeOf(pipe.material, pipe.size)
    return null
  } catch {
    return `"${pipe.size}" is not made in ${pipe.material}; it comes in ${sizesOf(pipe.material).join(', ')}`
  }
}

const withSize = <T extends typeof LengthOfPipe>(shape: T) =>
  shape.superRefine((pipe, ctx) => {
    const wrong = checkSize(pipe)
    if (wrong) ctx.addIssue({ code: 'custom', path: ['size'], message: wrong })
  })

/** A length of pipe between two joints; runs make a tree from the plant to the taps. */
export const Run = withSize(
  LengthOfPipe.extend({
    id: Id,
    name: Name,
    /** The run it leaves from; null: the plant. */
    from: Id.nullable(),
  }),
)
export type Run = z.infer<typeof Run>

export const Tap = z.strictObject({
  id: Id,
  name: Name,
  /** The run it ends. */
  runId: Id,
  kind: z.enum(['shower', 'bath', 'basin', 'kitchen', 'machine', 'other']),
  /** Flow when open, L/min, as used. */
  flowLMin: between(0.5, 60),
  /** Mixes cold water in; otherwise only hot water comes. */
  mixes: z.boolean(),
  /** Drains while it fills (a shower does, a bath does not). */
  drains: z.boolean(),
})
export type Tap = z.infer<typeof Tap>

/** A pumped loop: out through the runs down to one of them, back to the plant by a return of its own. */
export const Loop = z.strictObject({
  /** The run at whose end the return leaves. */
  turnsAt: Id,
  back: withSize(LengthOfPipe),
  pumpLMin: between(0.2, 30),
  pumpW: between(0, 500),
  /** Height at which it comes back into the store, 0 bottom to 1 top. */
  returnHeight: between(0, 1),
  /** Loss of the whole loop as measured, W/K; null: computed from its pipes. */
  measuredUaWK: between(0.1, 500).nullable(),
})
export type Loop = z.infer<typeof Loop>

export const Pipes = z.strictObject({
  runs: z.array(Run).min(1, 'at least one run').max(200),
  taps: z.array(Tap).min(1, 'at least one tap').max(60),
  loop: Loop.nullable(),
})
export type Pipes = z.infer<typeof Pipes>
