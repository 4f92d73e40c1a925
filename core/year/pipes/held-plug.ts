/** A body of water with a cable: where it stands after a time, °C, and the heat it was given, kJ. */
export function heldPlug(
  fromC: number,
  holdsC: number,
  kw: number,
  heatKjK: number,
  ambientC: number,
  tauS: number,
  dtS: number,
): { endC: number; kj: number } {
  // What holds it, kW, and where full power would bring it in the end.
  const holdsKw = Math.max(0, ((holdsC - ambientC) * heatKjK) / tauS)
  const goal = ambientC + (kw * tauS) / heatKjK
  const reach = (atC: number, towards: number, toC: number) =>
    tauS === Infinity
      ? Math.max(0, ((toC - atC) * heatKjK) / Math.max(kw, 1e-12))
      : Math.max(0, tauS * Math.log((towards - atC) / (towards - toC)))
  const drift = (atC: number, towards: number, seconds: number) =>
    tauS === Infinity ? atC + (kw * seconds) / heatKjK : towards + (atC - towards) * Math.exp(-seconds / tauS)
  let [atC, left, kj] = [fromC, dtS, 0]
  if (atC > holdsC) {
    // Nothing is given until it has cooled to what is held.
    const cools = holdsC > ambientC && tauS < Infinity ? reach(atC, ambientC, holdsC) : Infinity
    if (cools >= left) return { endC: tauS === Infinity ? atC : drift(atC, ambientC, left), kj: 0 }
    left -= cools
    atC = holdsC
  }
  if (kw > holdsKw) {
    const warms = reach(atC, goal, holdsC)
    const s = Math.min(left, warms)
    kj += kw * s
    return s < warms ? { endC: drift(atC, goal, s), kj } : { endC: holdsC, kj: kj + holdsKw * (left - s) }
  }
  return { endC: drift(atC, goal, left), kj: kj + kw * left }
}
