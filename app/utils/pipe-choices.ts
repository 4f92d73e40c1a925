import { type Material, MATERIALS, pipeOf, PIPES, sizesOf } from '~~/core/pipes/catalogue'
import type { Display } from '~~/core/units/display'

/** Materials and, for one of them, sizes as choices. */
export const MATERIAL_NAMES = MATERIALS.map((value) => ({ value, name: PIPES[value].label }))
/** What can be measured on a pipe of a size, as it is written in a system of units. */
export function measuresOf(material: Material, size: string, { system, figure }: Display): string {
  const { outerM, innerM } = pipeOf(material, size)
  const text = (m: number) => figure('thickness', 1000 * m, system === 'us' ? 2 : 1)
  return `outside ${text(outerM)}, bore ${text(innerM)}`
}
/**
 * Nominal sizes say little: each is shown with what can be measured on it. The one that is chosen stands short where there is
 * little room, and its measures beside it.
 */
export const sizeChoices = (material: Material, write: Display, short?: string) =>
  sizesOf(material).map((value) => ({
    value,
    name: value === short ? value : `${value} (${measuresOf(material, value, write)})`,
  }))

/** The size of a new material whose bore is nearest to that of the old. */
export function nearestSize(from: { material: Material; size: string }, to: Material): string {
  const outer = (m: Material, s: string) => (PIPES[m].sizes as Record<string, readonly [number, number]>)[s]![0]
  const want = outer(from.material, from.size)
  return [...sizesOf(to)].sort((a, b) => Math.abs(outer(to, a) - want) - Math.abs(outer(to, b) - want))[0]!
}
