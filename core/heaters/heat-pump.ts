import { KELVIN } from '../units/constants'

/** Share of the ideal that a small heat pump reaches. */
const CARNOT_SHARE = 0.42
/** Condenser above the water it heats, and evaporator below the air it cools, K. */
const SINK_K = 5
const SOURCE_K = 6
/** Bounds of the coefficient of performance. */
const COP = { low: 1, high: 5 } as const
/**
 * Hottest store that the refrigerant of a small heat pump makes, °C; the element does what is above it. Makers' figures
 * lie between 55 and 70.
 */
export const HEAT_PUMP_LIMIT_C = 65

/**
 * Coefficient of performance of a heat pump on a store: heat over electricity.
 * COP = 0.42 × T_sink / (T_sink − T_source), in kelvin, T_sink = water + 5 K, T_source = air − 6 K, held between 1 and 5.
 * Source: the handbook's default; a share of Carnot that a maker's table replaces. Defrosting is within the share.
 * @example coefficientOfPerformance(50, 15) // 3.00
 */
export function coefficientOfPerformance(waterC: number, airC: number): number {
  const sinkK = waterC + SINK_K + KELVIN
  const liftK = sinkK - (airC - SOURCE_K + KELVIN)
  return liftK <= 0 ? COP.high : Math.min(COP.high, Math.max(COP.low, (CARNOT_SHARE * sinkK) / liftK))
}
