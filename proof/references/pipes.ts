import { type Material, pipeOf } from '../../core/pipes/catalogue'
import { contentsPerMetre, warmUpVolumePerMetre } from '../../core/pipes/contents'
import { coolDownHours, type Insulation, pipeLoss } from '../../core/pipes/loss'
import { Outflow } from '../../core/year/pipes/outflow'
import { PlugRun } from '../../core/year/pipes/plug-run'
import { type ReferenceCase, share } from './case'

const contents = (material: Material, size: string, litres: number, front: number): ReferenceCase[] => [
  {
    what: `Contents of ${material} ${size}`,
    source: 'bore',
    unit: 'L/m',
    expected: litres,
    within: share(0.01),
    got: () => contentsPerMetre(pipeOf(material, size)),
  },
  {
    what: `Hot water to fill ${material} ${size}`,
    source: 'contents × (1 + C wall / C water)',
    unit: 'L/m',
    expected: front,
    within: share(0.01),
    got: () => warmUpVolumePerMetre(pipeOf(material, size)),
  },
]

export const loss = (
  material: Material,
  size: string,
  waterC: number,
  airC: number,
  insulation: Insulation | null,
  expected: number,
): ReferenceCase => ({
  what: `Loss of ${material} ${size}, ${waterC}/${airC} °C, ${insulation ? `${insulation.thicknessMm} mm of ${insulation.lambdaWMK}` : 'bare'}`,
  source: 'conduction, Churchill & Chu 1975, radiation',
  unit: 'W/m',
  expected,
  within: share(0.02),
  got: () => pipeLoss(pipeOf(material, size), waterC, airC, insulation).lossWM,
})

const coolDown = (insulation: Insulation | null, expected: number): ReferenceCase => ({
  what: `Cool-down of copper-en 22, ${insulation ? `${insulation.thicknessMm} mm` : 'bare'}`,
  source: 'heat held over U′',
  unit: 'h',
  expected,
  within: share(0.03),
  got: () => coolDownHours(pipeOf('copper-en', '22'), pipeLoss(pipeOf('copper-en', '22'), 60, 20, insulation).uWMK),
})

/** Steady water through a run: what leaves, °C, and what is lost, W. */
function steadyLoop(): { backC: number; lossW: number } {
  const warmUpVolumeL = 36 * 0.37
  const run = new PlugRun(warmUpVolumeL, 0.25 * 36, 36, 18)
  run.ambientC = 18
  const fillS = (warmUpVolumeL / 4) * 60
  const pass = (from: number, fillings: number) => {
    let [litres, heat] = [0, 0]
    for (let k = 0; k < fillings * 8; k++) {
      const [inflow, out] = [new Outflow(), new Outflow()]
      inflow.add(warmUpVolumeL / 8, 58)
      run.pass(inflow, 1, from + (k * fillS) / 8, fillS / 8, out)
      litres += out.total
      heat += out.total * out.meanC
    }
    return heat / litres
  }
  pass(0, 4)
  run.takeLost()
  const backC = pass(4 * fillS, 10)
  return { backC, lossW: (run.takeLost() * 1000) / (10 * fillS) }
}

export const PIPES: ReferenceCase[] = [
  ...contents('copper-en', '22', 0.3205, 0.37),
  ...contents('copper-l', '1/2', 0.1505, 0.19),
  ...contents('pex-en', '16x2', 0.1131, 0.159),
  loss('copper-en', '22', 60, 20, null, 31.5),
  loss('copper-en', '22', 60, 20, { lambdaWMK: 0.04, thicknessMm: 9 }, 12.6),
  loss('copper-en', '22', 60, 20, { lambdaWMK: 0.04, thicknessMm: 20 }, 8.49),
  loss('pex-en', '20x2', 55, 15, { lambdaWMK: 0.038, thicknessMm: 13 }, 9.21),
  coolDown(null, 0.54),
  coolDown({ lambdaWMK: 0.04, thicknessMm: 20 }, 2.0),
  {
    what: 'Loop of the engine, back after 36 m at 0.25 W/mK, 58/18 °C, 4 L/min',
    source: 'exp(−U′L/ṁc)',
    unit: '°C',
    expected: 56.71,
    within: share(0.01),
    got: () => steadyLoop().backC,
  },
  {
    what: 'The same loop, heat lost',
    source: 'ṁc (58 − back)',
    unit: 'W',
    expected: 354,
    within: share(0.01),
    got: () => steadyLoop().lossW,
  },
]
