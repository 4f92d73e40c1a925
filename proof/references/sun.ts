import { sunDay, sunOnPlane } from '../../core/climate/sun'
import { coefficientOfPerformance } from '../../core/heaters/heat-pump'
import { pipeOf } from '../../core/pipes/catalogue'
import { pipeLoss } from '../../core/pipes/loss'
import { engineFraction, fChartFraction, solarFlat } from '../f-chart'
import { amount, type ReferenceCase, share } from './case'

export const SUN: ReferenceCase[] = [
  {
    what: 'sun above the air, 43° north, 15 April',
    source: 'Duffie & Beckman, example 1.10.1',
    unit: 'MJ/m²',
    expected: 33.8,
    within: share(0.01),
    got: () => sunDay(43, 105).aboveAirKwhM2 * 3.6,
  },
  {
    what: 'sun to a plane tilted 45°, 13 February 10:30',
    source: 'Duffie & Beckman, example 1.6.1',
    unit: '°',
    expected: 35,
    within: amount(0.5),
    got: () => (Math.acos(sunOnPlane(sunDay(43, 44), (-22.5 * Math.PI) / 180, 45, 15)) * 180) / Math.PI,
  },
  {
    what: 'heat pump, water 50 °C, air 15 °C',
    source: '0.42 × 328.15 / 46',
    unit: '',
    expected: 2.9962,
    within: share(0.001),
    got: () => coefficientOfPerformance(50, 15),
  },
  {
    what: 'bare 22 mm copper in a slab, for each kelvin',
    source: 'shape factor acosh(2z/D)/2πλ',
    unit: 'W/mK',
    expected: (2 * Math.PI * 1.4) / Math.acosh(0.2 / 0.022),
    within: share(0.01),
    got: () => pipeLoss(pipeOf('copper-en', '22'), 60, 20, null, 'slab').uWMK,
  },
]

/** A year with collectors against the monthly correlation, which is made for a mixed store: a layered one does a little better. */
export const SOLAR_YEARS: ReferenceCase[] = (
  ['cold inland', 'cool coast', 'temperate inland', 'high mountain'] as const
).map((climate) => {
  const study = solarFlat(climate)
  return {
    what: `4 m² and 300 L before an electric heater, ${climate}: share of the sun`,
    source: 'f-chart, Klein, Beckman & Duffie 1976',
    unit: '',
    expected: fChartFraction(study),
    within: amount(0.06),
    got: () => engineFraction(study),
  }
})
