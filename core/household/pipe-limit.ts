import type { Material } from '../pipes/catalogue'
import type { Study } from '../study/study'

/** Hottest water a plastic pipe stands, °C; makers differ. Metal stands whatever a heater makes. */
const PLASTIC_LIMIT_C: Partial<Record<Material, number>> = {
  'pex-cts': 82,
  'pex-en': 82,
  multilayer: 82,
  'cpvc-cts': 93,
  'pp-r': 70,
}

/** What a pipe stands, °C; Infinity for metal. */
export const standsC = (material: Material): number => PLASTIC_LIMIT_C[material] ?? Infinity

/** What the pipes that leave the plant stand, °C; null where none of them has a limit. */
export function pipeLimitC(study: Study): number | null {
  const least = Math.min(...study.pipes.runs.filter((r) => r.from === null).map((r) => standsC(r.material)))
  return least === Infinity ? null : least
}
