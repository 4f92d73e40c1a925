/** Energy label classes of stores. */
export const LABEL_CLASSES = ['A+', 'A', 'B', 'C', 'D', 'E', 'F', 'G'] as const
export type LabelClass = (typeof LABEL_CLASSES)[number]

/** [constant, factor of V^0.4] of the upper bound of each class, W. */
const BOUNDS: Record<LabelClass, readonly [number, number]> = {
  'A+': [5.5, 3.16],
  A: [8.5, 4.25],
  B: [12, 5.93],
  C: [16.66, 8.33],
  D: [21, 10.33],
  E: [26, 13.66],
  F: [31, 16.66],
  // G has no bound: a quarter over that of F is taken.
  G: [38.75, 20.83],
}

/** Difference between store and room in the usual test of standing loss, K. */
export const TEST_RISE_K = 45

/**
 * Most heat that a store of a label class may lose in the test, W.
 * Source: EU regulation 812/2013, V in litres.
 */
export function labelBoundW(label: LabelClass, litres: number): number {
  const [constant, factor] = BOUNDS[label]
  return constant + factor * litres ** 0.4
}

/** A jacket round a store. */
export interface Jacket {
  lambdaWMK: number
  thicknessMm: number
  areaM2: number
  /** Share of the store's surface that it covers, 0 to 1: top, controls, ports or a flue may stay clear. */
  share: number
}

/** Loss of a store with a jacket, W/K: d/λ in series with what the wrapped share lost; the rest loses as before. */
export function wrapped(uaWK: number, jacket: Jacket): number {
  const under = uaWK * jacket.share
  if (under <= 0) return uaWK
  return uaWK - under + 1 / (1 / under + jacket.thicknessMm / 1000 / (jacket.lambdaWMK * jacket.areaM2))
}

/** How the standing loss of a store is known. */
export type StandingLoss =
  { kind: 'ua'; uaWK: number } | { kind: 'test'; kwhDay: number; riseK: number } | { kind: 'label'; label: LabelClass }

/**
 * Loss of a store for each kelvin above the room, W/K.
 * A label gives its upper bound: a real store of that class loses that or less.
 * @example standingUa({ kind: 'test', kwhDay: 1.8, riseK: 45 }, 200) // 1.67
 */
export function standingUa(loss: StandingLoss, litres: number): number {
  switch (loss.kind) {
    case 'ua':
      return loss.uaWK
    case 'test':
      return (loss.kwhDay * 1000) / 24 / loss.riseK
    case 'label':
      return labelBoundW(loss.label, litres) / TEST_RISE_K
  }
}

/** What the shell of a store with a flue through it is taken to be: an ordinary store of its size without one. */
const SHELL_CLASS: LabelClass = 'C'

/**
 * What of a store's loss passes through its shell, W/K. A flue through it takes the rest, which no jacket holds.
 * Source: a gas store loses 4 to 6 W/K, an ordinary store of the same litres about 2 (EU 812/2013, class C).
 */
export const shellUa = (uaWK: number, litres: number, flueInStore: boolean): number =>
  flueInStore ? Math.min(uaWK, labelBoundW(SHELL_CLASS, litres) / TEST_RISE_K) : uaWK
