import { isOn } from '../calendar/week'
import { DAYS } from '../calendar/year'
import { carriedC } from '../household/supply'
import { hasSetpoint, isOnStore } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import { mainsThroughYear } from '../water/mains'
import { KJ_PER_LITRE_K } from '../water/properties'
import { COOL_K } from '../year/taps/tap-draw'
import type { Finding, Rule } from './finding'

/** Share of cool draws that somebody would speak of. */
const COOL_SHARE = 0.02
/** Of the cool draws, the share in the evening at which a timer is to blame. */
const EVENING_SHARE = 0.5
const EVENING_H = { from: 17, to: 24 } as const

export const tooLittleHot: Rule = ({ year, write }) => {
  if (!year || year.comfort.draws === 0) return []
  const { coolDraws, draws } = year.comfort
  if (coolDraws < COOL_SHARE * draws) return []
  return [
    {
      id: 'too-little-hot',
      severity: 'mend',
      station: 'taps',
      on: year.taps.reduce((a, b) => (b.coolDraws > a.coolDraws ? b : a)).id,
      what: 'Too little hot water',
      why: `${coolDraws} of ${draws} draws a year are cooler than wanted, or are given up for never getting warm.`,
      source: `The year’s draws: more than ${write.figure('rise', COOL_K)} short on the mean of a draw, or past what anybody runs off`,
      mend: 'A hotter or larger store, more power, less flow at the largest tap, or one after the other.',
      reading: 'store-top',
    },
  ]
}

export const wantedTooHot: Rule = ({ study, write }) => {
  const carried = carriedC(study)
  const over = study.people.draws.kind === 'routine' ? study.people.habits.filter((h) => h.wantedC > carried) : []
  if (over.length === 0) return []
  const hottest = over.reduce((a, b) => (b.wantedC > a.wantedC ? b : a))
  return [
    {
      id: 'wanted-too-hot',
      severity: 'mend',
      station: 'people',
      on: hottest.id,
      what: 'Wanted hotter than it is made',
      why: `${over.map((h) => h.name).join(', ')}: up to ${write.temperature(hottest.wantedC)} is wanted, and the pipes carry ${write.temperature(carried)}.`,
      source: 'Setpoint or mixing valve against what each use asks for',
      mend: 'Ask again what is wanted, raise the setpoint, or heat the rest at that tap.',
    },
  ]
}

/** A hot tap that drips: water all year, and with a store the heat in it. */
export const drips: Rule = ({ study, write }) =>
  study.pipes.taps.flatMap((tap): Finding[] => {
    if (!tap.dripLH) return []
    const litres = tap.dripLH * DAYS * 24
    const mains = mainsThroughYear(study.site)
    const meanC = mains.reduce((s, c) => s + c, 0) / mains.length
    const kwh = (litres * KJ_PER_LITRE_K * (carriedC(study) - meanC)) / 3600
    return [
      {
        id: `drips-${tap.id}`,
        severity: 'mend',
        station: 'taps',
        on: tap.id,
        what: `${tap.name} drips`,
        why: `${write.litres(litres)} of hot water a year${study.plant.store ? `, up to ${write.energy(kwh)} of heat` : '; too little for a heater that heats as it runs to light, so it comes cold'}.`,
        source: 'Litres an hour through the year, at what the pipes carry',
        mend: 'A washer or a cartridge.',
        tries: 'mend-drip',
      },
    ]
  })

export const eveningCool: Rule = ({ study, year, write }) => {
  if (!year) return []
  const timed = study.plant.heaters
    .filter((h) => isOnStore(h) && hasSetpoint(h))
    .flatMap((h) => {
      const { windows } = controlsOf(study).heaters[h.id]
      return windows ? [{ h, windows }] : []
    })
  const cool = year.comfort.coolByHour
  const evening = cool.slice(EVENING_H.from, EVENING_H.to).reduce((s, n) => s + n, 0)
  if (
    timed.length === 0 ||
    year.comfort.coolDraws < COOL_SHARE * year.comfort.draws ||
    evening < EVENING_SHARE * year.comfort.coolDraws
  )
    return []
  return timed
    .filter(({ windows }) =>
      Array.from({ length: EVENING_H.to - EVENING_H.from }, (_, k) => k).some(
        (k) => cool[EVENING_H.from + k] > 0 && !isOn(windows, (EVENING_H.from + k) * 60),
      ),
    )
    .map(({ h }): Finding => ({
      id: `evening-cool-${h.id}`,
      severity: 'mend',
      station: 'heater',
      on: h.id,
      what: 'The timer leaves the evening cool',
      why: `${evening} draws a year come too cool after ${write.time(EVENING_H.from * 60)}, while the timer of ${h.name} is shut.`,
      source: 'The year’s draws by the hour, against the windows of the timer',
      mend: 'A window before the evening, or a larger store.',
    }))
}
