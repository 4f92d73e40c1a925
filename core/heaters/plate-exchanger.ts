/** Rise of the heating water through the burner at full output, K, by the pump of the appliance. */
const PRIMARY_RISE_K = 22
/**
 * The plates are sized so that at full output water from 12 to 50 °C brings the heating water back at 52 °C, at half of it at
 * 49 °C: measured returns are 45 to 50 °C. By NTU of a counterflow exchanger that is a UA of so many kW/K for each kW of output.
 */
const UA_PER_KW = 0.032
/** Rise of the tap water at which they are sized, K. */
const SIZED_RISE_K = 38
/** The film on the tap side gets thicker with less flow: h ∝ flow^0.7, usual of plates; the other side's pump runs as it does. */
const FILM_EXPONENT = 0.7

/** Effectiveness of a counterflow exchanger: ε = (1 − e^(−NTU(1−C))) / (1 − C e^(−NTU(1−C))); balanced NTU/(1+NTU). */
function effectiveness(ntu: number, c: number): number {
  if (1 - c < 1e-6) return ntu / (1 + ntu)
  const e = Math.exp(-ntu * (1 - c))
  return (1 - e) / (1 - c * e)
}

/**
 * Return of the heating water of a combi while its plate heat exchanger heats tap water, °C: it decides how far the burner
 * condenses. A lower setpoint brings it down; a smaller draw hardly does, since its film is thicker.
 *
 * @param outputKw the most it can give, kW; @param kw what it gives now, kW; above 0
 * @param inletC of the tap water, °C; @param outletC what it leaves at, above the inlet, °C
 * Source: Q = ε C_min (flow − inlet); return = flow − Q / C_primary.
 * @example plateReturn(24, 24, 12, 50) // 52.0
 * @example plateReturn(24, 24, 12, 45) // 44.7
 */
export function plateReturn(outputKw: number, kw: number, inletC: number, outletC: number): number {
  // Heat capacity rates, kW/K.
  const primary = outputKw / PRIMARY_RISE_K
  const tap = kw / (outletC - inletC)
  const least = Math.min(primary, tap)
  const film = ((tap * SIZED_RISE_K) / outputKw) ** FILM_EXPONENT
  // Half of the resistance at full output is on each side.
  const ntu = (UA_PER_KW * outputKw * 2 * film) / ((1 + film) * least)
  const flowC = inletC + kw / (effectiveness(ntu, least / Math.max(primary, tap)) * least)
  return flowC - kw / primary
}
