import { DAYS_IN_MONTH, firstDayOf } from '../core/calendar/year'
import { type Climate, CLIMATES } from '../core/climate/archetypes'
import { Hours } from '../core/climate/hours'
import { harbourFlat } from '../core/demos/harbour-flat'
import { addHeater, changeHeaterKind } from '../core/household/edits/plant'
import type { HeaterOf } from '../core/study/heater-kinds'
import { Study } from '../core/study/study'
import { mainsByMonth } from '../core/water/mains'
import { simulate } from '../core/year/simulate'

/** Hot water of the f-chart's service, °C, and collector area, m². */
const HOT_C = 50
const AREA_M2 = 4
/** Storage the correlation is made for, L/m². */
const STORE_L = 75 * AREA_M2

/** The flat with collectors before an electric heater that finishes, a standard day M at the shower, and no other use of power. */
export function solarFlat(climate: Climate): Study {
  const { latitudeDeg, airC, sunKwhM2 } = CLIMATES[climate]
  const study = addHeater(changeHeaterKind(harbourFlat, 'wall-heater', 'instant-electric'), 'solar')
  study.site = {
    ...study.site,
    latitudeDeg,
    monthlyAirC: [...airC],
    monthlySunKwhM2: [...sunKwhM2],
    mains: { kind: 'model' },
  }
  study.people = { ...study.people, draws: { kind: 'standard', cycle: 'M', tapId: 'shower' } }
  study.plant.store = { ...study.plant.store!, litres: STORE_L, place: 'heated', loss: { kind: 'label', label: 'B' } }
  study.plant.heaters = study.plant.heaters.map((h) =>
    h.kind === 'solar'
      ? { ...h, areaM2: AREA_M2, pumpW: 0 }
      : h.kind === 'instant-electric'
        ? { ...h, standbyW: 0, contentUaWK: 0, minActivationFlowLMin: 0, startDelayS: 0 }
        : h,
  )
  study.controls.found.heaters['wall-heater'].setpointC = HOT_C
  return Study.parse(study)
}

const ALL_MONTHS = DAYS_IN_MONTH.map((_, m) => m)

/** Share of the heat for the water that the sun gave in some months (0–11), by the engine's year. */
export function engineFraction(study: Study, months: readonly number[] = ALL_MONTHS): number {
  const year = simulate(study)
  let [bought, load] = [0, 0]
  for (const m of months) {
    const { energy } = year.months[m]
    bought += energy.inputKwh.electricity ?? 0
    load += energy.usefulKwh + energy.toWasteKwh + energy.deadLegKwh + energy.primaryKwh
  }
  return 1 - bought / load
}

/**
 * The same by the f-chart for hot water: Klein, Beckman & Duffie (1976), with the correction of X for a service of hot
 * water. Its heat-removal figures come from the collector's: F_R from the mean-temperature curve and the flow, the loss at
 * 35 K over the air, the coil by its effectiveness, the incidence on the mean of a day 0.94.
 */
export function fChartFraction(study: Study, months: readonly number[] = ALL_MONTHS): number {
  const solar = study.plant.heaters.find((h): h is HeaterOf<'solar'> => h.kind === 'solar')!
  const hours = new Hours(study.site)
  const cold = mainsByMonth(study.site)
  const flowWM2K = ((solar.flowLMin / 60) * 4146) / solar.areaM2
  const lossWM2K = solar.a1 + solar.a2 * 35
  const removal = 1 / (1 + lossWM2K / (2 * flowWM2K))
  const effectiveness = 1 - Math.exp(-solar.coil.uaWK / (flowWM2K * solar.areaM2))
  const coil = 1 / (1 + ((removal * lossWM2K) / flowWM2K) * (1 / effectiveness - 1))
  const year = simulate(study)
  let [saved, load] = [0, 0]
  for (const m of months) {
    const days = DAYS_IN_MONTH[m]
    const { energy } = year.months[m]
    const loadWh = 1000 * (energy.usefulKwh + energy.toWasteKwh + energy.deadLegKwh)
    let sunWh = 0
    for (let h = firstDayOf(m) * 24; h < (firstDayOf(m) + days) * 24; h++) {
      const { beamWM2, skyWM2 } = hours.onPlane(h, solar.tiltDeg, solar.azimuthDeg)
      sunWh += beamWM2 + skyWM2
    }
    const airC = study.site.monthlyAirC[m]
    const service = (11.6 + 1.18 * HOT_C + 3.86 * cold[m] - 2.32 * airC) / (100 - airC)
    const x = ((removal * lossWM2K * coil * (100 - airC) * days * 24 * solar.areaM2) / loadWh) * service
    const y = (removal * solar.eta0 * coil * 0.94 * sunWh * solar.areaM2) / loadWh
    const f = 1.029 * y - 0.065 * x - 0.245 * y ** 2 + 0.0018 * x ** 2 + 0.0215 * y ** 3
    saved += Math.min(1, Math.max(0, f)) * loadWh
    load += loadWh
  }
  return saved / load
}
