import { atAltitude } from '../household/at-altitude'
import { citation, publishedFigures } from '../household/data-source'
import { lastDayThere } from '../household/last-day'
import { curveInHouse } from '../household/maker-curve'
import { NET_OVER_GROSS } from '../money/carriers'
import { carrierOf, efficiencyOf, isInstantaneous, outputOf } from '../study/heater-kinds'
import { HEATER_FUNCTIONS } from '../study/plant'
import type { Rule, Told } from './check'

/** What height takes of a plate is worth a word from here on. */
const WORTH_DERATE = 0.99

/** A burner high up gives less than its plate says, and may have to be set for thin air. */
const highUp: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    if (!('outputHolds' in h)) return []
    const { outputKw } = atAltitude(h, study.site.altitudeM)
    if (outputKw >= WORTH_DERATE * h.outputKw) return []
    return [
      {
        id: `high-up-${h.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'heater', id: h.id },
        title: 'Burner setting for altitude not confirmed',
        sentence: `Rated ${write.figure('power', h.outputKw)}; at ${write.figure('altitude', study.site.altitudeM)} the simulation uses ${write.figure('power', outputKw)}. Many manufacturers require other jets or settings there.`,
        source: `4% for each ${write.figure('altitude', 300)} above ${write.figure('altitude', 600)}; data sheet`,
        remedy:
          'Ask the commissioning engineer or the manufacturer. If the output was measured here, set “Rated output applies” to site altitude. Gas work is for a registered installer.',
      },
    ]
  })

const inputAsOutput: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    const burns = efficiencyOf(h)
    const output = outputOf(h)?.kw ?? 0
    if (!h.plate || !burns) return []
    const inputKw = h.plate.inputKw / (h.plate.on === 'net' ? (NET_OVER_GROSS[carrierOf(h)] ?? 1) : 1)
    if (output < inputKw * 0.99) return []
    return [
      {
        id: `input-output-${h.id}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'heater', id: h.id },
        title: 'Output entered not below rated input',
        sentence: `${h.name}: output ${write.figure('power', output)}, rated input ${write.figure('power', inputKw)} gross. Output must be lower than input.`,
        source: 'Output = input × efficiency',
        remedy: 'Read the output from the data plate, or measure it.',
        settledBy: 'heater-display',
      },
    ]
  })

const neverReviewed: Rule = ({ study }) =>
  study.plant.heaters
    .filter((h) => h.settingsReviewed === false)
    .map((h) => ({
      id: `factory-${h.id}`,
      concern: 'fault',
      level: 'fail',
      subject: { kind: 'heater', id: h.id },
      title: 'Factory settings not reviewed',
      sentence: `${h.name}: keep-hot, boost, holiday setpoint and flow temperature are at factory values.`,
      source: 'Practice',
      remedy: 'Review them, record them as found, and set them for this household.',
    }))

const functionsAsTheyCame: Rule = ({ study }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    const left = (Object.keys(HEATER_FUNCTIONS) as (keyof typeof HEATER_FUNCTIONS)[]).filter(
      (f) => h.functions[f] === 'as it came',
    )
    if (left.length === 0) return []
    return [
      {
        id: `functions-${h.id}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'heater', id: h.id },
        title: 'Functions at factory setting',
        sentence: `${h.name}: ${left.map((f) => HEATER_FUNCTIONS[f].toLowerCase()).join(', ')} at factory setting.`,
        source: 'Practice',
        remedy: 'Record each as found, test it and decide whether this household needs it.',
      },
    ]
  })

/** What a maker says a heater gives at a rise, and what its output can make of it. */
const curveAgainstPhysics: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    if (!isInstantaneous(h)) return []
    const [worst] = curveInHouse(h, study)
      .filter((p) => p.apart)
      .sort((a, b) => Math.abs(b.above) - Math.abs(a.above))
    if (!worst) return []
    return [
      {
        id: `curve-${h.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'heater', id: h.id },
        title: 'Manufacturer’s curve and rated output disagree',
        sentence: `Rise ${write.figure('rise', worst.riseK)}: manufacturer’s figure ${write.figure('flow', worst.lMin)}; ${write.figure('power', atAltitude(h, study.site.altitudeM).outputKw)} give ${write.figure('flow', worst.physicsLMin)}, ${Math.round(Math.abs(worst.above) * 100)}% ${worst.above > 0 ? 'less' : 'more'}.`,
        source: `Flow = output / (ρ c × rise). The curve: ${citation(h.dataSource)}`,
        remedy:
          worst.above > 0
            ? 'The curve may apply to another output, altitude or inlet, or to a short time only: use the rated output, and time the temperature rise at an outlet.'
            : 'The output may be of another model, or the flow is restricted: check the data plate.',
      },
    ]
  })

/** Borrowed figures with nobody's name to them cannot be defended. */
const withoutSource: Rule = ({ study }) => {
  const names = publishedFigures(study)
    .filter((b) => b.dataSource === null)
    .map((b) => b.name)
  if (names.length === 0) return []
  return [
    {
      id: 'borrowed',
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'heater', id: null },
      title: 'Data source missing',
      sentence: `Figures from a manufacturer, supplier, label or certificate without source and date: ${names.join(', ')}.`,
      source: 'Published figures apply to their date and test conditions',
      remedy: 'Enter data source, date and test conditions.',
    },
  ]
}

/** A cylinder is old from so many years on: its insulation and its anode are worth a look. */
const OLD_YEARS = 20

const oldCylinder: Rule = ({ study }) => {
  const madeYear = study.plant.store?.madeYear
  if (!madeYear) return []
  const seen = lastDayThere(study)
  const years = seen === null ? null : Number(seen.slice(0, 4)) - madeYear
  if (years !== null && years < OLD_YEARS) return []
  return [
    {
      id: 'old-cylinder',
      concern: 'record',
      level: years === null ? 'not checked' : 'marginal',
      subject: { kind: 'store', id: null },
      title: years === null ? 'Age of the cylinder' : 'Old cylinder',
      sentence:
        years === null
          ? `Not checked: made in ${madeYear}, and no day of the visit is written down.`
          : `${years} years on the day of the visit. Its label says how it left the factory, not what its insulation is now.`,
      source: 'Year on its plate',
      remedy: 'Measure the overnight drop; have the anode inspected.',
      settledBy: 'overnight-drop',
      asks: years === null ? 'controls.foundOn' : null,
    },
  ]
}

export const RECORDS_CHECKS = {
  oldCylinder,
  highUp,
  inputAsOutput,
  neverReviewed,
  functionsAsTheyCame,
  curveAgainstPhysics,
  withoutSource,
}
