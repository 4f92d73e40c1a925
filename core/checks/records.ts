import { atAltitude } from '../household/at-altitude'
import { curveInHouse } from '../household/maker-curve'
import { borrowed, cited } from '../household/papers'
import { NET_OVER_GROSS } from '../money/carriers'
import { carrierOf, efficiencyOf, isRunning, outputOf } from '../study/heater-kinds'
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
        title: 'Is the burner set for this height?',
        sentence: `At ${write.figure('altitude', study.site.altitudeM)} the ${write.figure('power', h.outputKw)} of its plate are ${write.figure('power', outputKw)}: the year reckons with these. Many makers ask for other jets or a setting there.`,
        source: '4 % for each 300 m above 600 m; maker’s papers',
        remedy:
          'Ask whoever commissioned it, or its maker. Where its output was measured here, say so: it holds at this height. Gas work is for the licensed.',
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
        title: 'Input compared with output',
        sentence: `${h.name} is down with an output of ${write.figure('power', output)}, and its plate says an input of ${write.figure('power', inputKw)} on gross value: no burner gives all it takes.`,
        source: 'Output = input × efficiency',
        remedy: 'Read output off the plate, or measure it.',
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
      title: 'Settings as they left the factory',
      sentence: `Nobody has gone through the settings of ${h.name}: keep-hot, boost, holiday level and flow temperature are a maker’s guess at any house.`,
      source: 'Practice',
      remedy: 'Go through them now, write them down as found, and set them for this household.',
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
        title: 'Functions that nobody has gone through',
        sentence: `${h.name}: ${left.map((f) => HEATER_FUNCTIONS[f].toLowerCase()).join(', ')} ${left.length > 1 ? 'are' : 'is'} as it came.`,
        source: 'Practice',
        remedy: 'Try each one, decide whether this household wants it, and write it down as found first.',
      },
    ]
  })

/** What a maker says a heater gives at a rise, and what its output can make of it. */
const curveAgainstPhysics: Rule = ({ study, write }) =>
  study.plant.heaters.flatMap((h): Told[] => {
    if (!isRunning(h)) return []
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
        title: 'Maker’s curve and output disagree',
        sentence: `At a rise of ${write.figure('rise', worst.riseK)} its maker promises ${write.figure('flow', worst.lMin)}; ${write.figure('power', atAltitude(h, study.site.altitudeM).outputKw)} make ${write.figure('flow', worst.physicsLMin)} of it, ${Math.round(Math.abs(worst.above) * 100)} % ${worst.above > 0 ? 'less' : 'more'}.`,
        source: `Flow = output / (ρ c × rise). The curve: ${cited(h.papers)}`,
        remedy:
          worst.above > 0
            ? 'The curve may be at another output, height or inlet, or hold for a minute only: trust the output, and time a climb at the tap.'
            : 'The output may be read off another model, or the flow is held back: read the plate again.',
      },
    ]
  })

/** Borrowed figures with nobody's name to them cannot be defended. */
const borrowedFromNobody: Rule = ({ study }) => {
  const names = borrowed(study)
    .filter((b) => b.papers === null)
    .map((b) => b.name)
  if (names.length === 0) return []
  return [
    {
      id: 'borrowed',
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'heater', id: null },
      title: 'Whose figures are these?',
      sentence: `A maker’s, a label’s or a certificate’s figures stand without their source and day: ${names.join(', ')}.`,
      source: 'A borrowed figure holds of its day and under its conditions',
      remedy: 'Write papers, day and conditions beside them.',
    },
  ]
}

export const RECORDS_CHECKS = {
  highUp,
  inputAsOutput,
  neverReviewed,
  functionsAsTheyCame,
  curveAgainstPhysics,
  borrowedFromNobody,
}
