/**
 * Return from a combi's plates, by the mean logarithmic difference: the flow is looked for at which UA × that is the heat.
 * Plates of 0.032 kW/K for each kW at a rise of 38 K, half of the resistance on the tap side and that by flow^−0.7; heating
 * water that the full output warms by 22 K.
 */
export function platesBack(outputKw: number, kw: number, inletC: number, outletC: number): number {
  const riseK = (22 * kw) / outputKw
  const resistance = 0.5 + 0.5 / ((38 * kw) / (outletC - inletC) / outputKw) ** 0.7
  const carried = (flowC: number) => {
    const [a, b] = [flowC - outletC, flowC - riseK - inletC]
    return ((0.032 * outputKw) / resistance) * (Math.abs(a - b) < 1e-9 ? a : (a - b) / Math.log(a / b))
  }
  let [low, high] = [Math.max(outletC, inletC + riseK) + 1e-9, 500]
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (carried(middle) < kw) low = middle
    else high = middle
  }
  return low - riseK
}
