import { type Material, MATERIALS, pipeOf, PIPES, sizesOf } from '~~/core/pipes/catalogue'

/** Materials and, for one of them, sizes as choices. */
export const MATERIAL_NAMES = MATERIALS.map((value) => ({ value, name: PIPES[value].label }))
/** Nominal sizes say little: each is shown with what can be measured on it, outside and bore. */
export const sizeChoices = (material: Material) =>
  sizesOf(material).map((value) => {
    const { outerM, innerM } = pipeOf(material, value)
    const mm = (m: number) => (1000 * m).toFixed(1)
    return { value, name: `${value} (outside ${mm(outerM)}, bore ${mm(innerM)} mm)` }
  })

/** The size of a new material whose bore is nearest to that of the old. */
export function nearestSize(from: { material: Material; size: string }, to: Material): string {
  const outer = (m: Material, s: string) => (PIPES[m].sizes as Record<string, readonly [number, number]>)[s]![0]
  const want = outer(from.material, from.size)
  return [...sizesOf(to)].sort((a, b) => Math.abs(outer(to, a) - want) - Math.abs(outer(to, b) - want))[0]!
}
