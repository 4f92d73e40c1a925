/** How a drain-water heat exchanger is connected: A to shower and heater, B to the shower only, C to the heater only. */
export const CONNECTIONS = ['A', 'B', 'C'] as const
export type Connection = (typeof CONNECTIONS)[number]
/** Where the water that a unit has warmed goes, in words. */
export const CONNECTION_GOES_TO: Record<Connection, string> = {
  A: 'heater and shower',
  B: 'shower only',
  C: 'heater only',
}

/** A unit as it is rated: effectiveness at equal flows, and that flow. */
export interface RecoveryUnit {
  effectiveness: number
  ratedFlowLMin: number
}

/** The shower it serves. Refuse beforehand: cold < drain ≤ shower ≤ hot. */
export interface ShowerOverDrain {
  showerFlowLMin: number
  showerC: number
  drainC: number
  hotC: number
  coldC: number
}

/** UA grows with flow to this power: films get thinner. */
const FLOW_EXPONENT = 0.35

/**
 * Effectiveness of a counterflow exchanger, of the smaller heat capacity rate.
 * Source: ε = (1 − e^(−NTU(1−C))) / (1 − C e^(−NTU(1−C))); balanced NTU/(1+NTU).
 */
function counterflow(ntu: number, c: number): number {
  if (1 - c < 1e-6) return ntu / (1 + ntu)
  const e = Math.exp(-ntu * (1 - c))
  return (1 - e) / (1 - c * e)
}

/**
 * UA of a unit at a shower's flow, in L/min of water (heat capacity rates are in the same unit here).
 * Source: UA_r = ε_r/(1−ε_r) × F_r at equal flows, UA = UA_r (F/F_r)^0.35.
 */
function uaAtFlow(unit: RecoveryUnit, flowLMin: number): number {
  const rated = (unit.effectiveness / (1 - unit.effectiveness)) * unit.ratedFlowLMin
  return rated * (flowLMin / unit.ratedFlowLMin) ** FLOW_EXPONENT
}

/** What runs through a unit: the drain's water down one side, cold water up the other, L/min and °C. */
export interface Streams {
  drainLMin: number
  drainC: number
  coldLMin: number
  coldC: number
}

/**
 * Cold water after a unit in steady flow, °C: the heat is the effectiveness of the smaller of the two flows times that flow
 * times the difference of the two inlets.
 */
export function preheatedC(unit: RecoveryUnit, { drainLMin, drainC, coldLMin, coldC }: Streams): number {
  if (drainLMin <= 0 || coldLMin <= 0 || drainC <= coldC) return coldC
  const [least, most] = [Math.min(drainLMin, coldLMin), Math.max(drainLMin, coldLMin)]
  const share = counterflow(uaAtFlow(unit, drainLMin) / least, least / most)
  return coldC + (share * least * (drainC - coldC)) / coldLMin
}

/**
 * Seconds of full recovery that a draw of a length loses because the wall of the unit warms up first: its gain rises as
 * 1 − e^(−t/τ), so τ (1 − e^(−t/τ)) of it is missing. @param warmUpS τ, s; @param drawS length of the draw, s
 */
export const warmUpLossS = (warmUpS: number, drawS: number): number =>
  warmUpS > 0 ? warmUpS * -Math.expm1(-drawS / warmUpS) : 0

export interface Recovered {
  /** Cold water after the unit, °C. */
  preheatC: number
  /** Share of the shower's flow that is hot water. */
  hotShare: number
  /** Share of the shower's heat that the heater need not give. */
  savedShare: number
}

/** Heat recovered from a shower that drains while it runs, steady state. */
export function drainRecovery(connection: Connection, unit: RecoveryUnit, shower: ShowerOverDrain): Recovered {
  const { showerFlowLMin: flow, showerC, drainC, hotC, coldC } = shower
  /** Preheat when some share of the shower's flow runs through the cold side. */
  const preheat = (share: number) => preheatedC(unit, { drainLMin: flow, drainC, coldLMin: share * flow, coldC })
  const without = (showerC - coldC) / (hotC - coldC)
  if (connection === 'C') {
    const preheatC = preheat(without)
    return { preheatC, hotShare: without, savedShare: (preheatC - coldC) / (hotC - coldC) }
  }
  if (connection === 'A') {
    const preheatC = Math.min(preheat(1), showerC)
    return {
      preheatC,
      hotShare: (showerC - preheatC) / (hotC - preheatC),
      savedShare: (preheatC - coldC) / (showerC - coldC),
    }
  }
  // B: the cold share that balances the mixer. More hot water than without the unit is never needed, less than none never.
  let low = 0
  let high = without
  for (let i = 0; i < 60; i++) {
    const hot = (low + high) / 2
    if (hot * hotC + (1 - hot) * preheat(1 - hot) > showerC) high = hot
    else low = hot
  }
  return { preheatC: preheat(1 - high), hotShare: high, savedShare: 1 - high / without }
}
