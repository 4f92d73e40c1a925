import { coldestMonth } from '../calendar/year'
import { carriedC } from '../household/supply'
import { mainsOnColdest, steadyAtTap, wantedAt } from '../household/ways'
import { ownStoreOf } from '../study/heater-kinds'
import type { Tap } from '../study/pipes'
import type { Study } from '../study/study'
import type { Check, Judge, Setting } from './check'

/** A mixer that has to take in more hot water than this share has nothing left to set. */
const MIXER_FULL = 0.95
/** Shares of draws that came too cool. */
const COOL_DRAWS = { amber: 0.01, red: 0.05 } as const

/** What arrives at a tap in a long draw of the coldest month, °C. */
const arrivesAt = ({ study }: Setting, tap: Tap) =>
  steadyAtTap(study, tap, carriedC(study), coldestMonth(study.site.monthlyAirC))

/** Taps that need hot water before they mix, whether they get it, and what is cheaper than a hotter house where one alone does not. */
export const tapNeeds: Judge = (setting) => {
  const { study, write } = setting
  const asking = study.pipes.taps.filter((t) => t.leastHotC !== null && !ownStoreOf(study.plant.heaters, t.id))
  const short = asking.filter((t) => arrivesAt(setting, t) < t.leastHotC!)
  return asking.map((tap): Check => {
    const arrivesC = arrivesAt(setting, tap)
    const isShort = short.includes(tap)
    const alone = isShort && short.length === 1 && asking.length > 1
    return {
      id: `need-${tap.id}`,
      title: `Need of ${tap.name}`,
      level: isShort ? (alone ? 'amber' : 'red') : 'green',
      sentence: `It needs ${write.temperature(tap.leastHotC!)}; ${write.temperature(arrivesC)} arrives in a long draw of the coldest month.${
        alone
          ? ' It alone asks for a hotter house: insulation on its way, a mixer set anew or a small store at it costs less than hotter water everywhere.'
          : isShort
            ? ' Insulate the way, or set it hotter.'
            : ''
      }`,
      source: 'Along each run T − air falls as exp(−U′L/ṁc)',
    }
  })
}

/** What the pipes must carry so that a tap gets what it needs in a long draw of the coldest month, °C; null: boiling would not do. */
export function carriedFor(study: Study, tap: Tap): number | null {
  const month = coldestMonth(study.site.monthlyAirC)
  const short = (c: number) => steadyAtTap(study, tap, c, month) < tap.leastHotC!
  let [low, high] = [0, 100]
  if (short(high)) return null
  while (high - low > 0.01) {
    const middle = (low + high) / 2
    if (short(middle)) low = middle
    else high = middle
  }
  return high
}

/** The highest need sets the least setting; where it is one tap's alone, a boost before it is used does instead. */
export const leastSetting: Judge = ({ study, write }) => {
  const needs = study.pipes.taps
    .filter((t) => t.leastHotC !== null && !ownStoreOf(study.plant.heaters, t.id))
    .map((tap) => ({ tap, carried: carriedFor(study, tap) ?? Infinity }))
    .sort((a, b) => b.carried - a.carried)
  const [most, next] = needs
  if (!most || most.carried === Infinity) return []
  const now = carriedC(study)
  const kept = now >= most.carried - 0.05
  const spare = next ? most.carried - next.carried : 0
  return [
    {
      id: 'least-setting',
      title: 'Least that must be carried',
      level: kept ? 'green' : 'amber',
      sentence: `${most.tap.name} needs most: ${write.temperature(most.tap.leastHotC!)} there is ${write.temperature(most.carried)} in the pipes, and ${write.temperature(now)} ${kept ? 'is carried' : 'is all that is carried'}.${
        spare > 0.5
          ? ` The others would do with ${write.temperature(next.carried)}: a boost before it is used, for a bath topped up or the dishes, spares the rest of the day.`
          : ''
      }`,
      source: 'Along each run T − air falls as exp(−U′L/ṁc), turned round',
    },
  ]
}

/** Whether mixers can reach what is wanted at them. */
export const mixerReach: Judge = (setting) => {
  const { study, write } = setting
  const mainsC = mainsOnColdest(study)
  const reaches = study.pipes.taps
    .filter((t) => t.mixes && !ownStoreOf(study.plant.heaters, t.id))
    .flatMap((tap) => {
      const wantedC = wantedAt(study, tap.id)
      if (wantedC === null) return []
      const arrivesC = arrivesAt(setting, tap)
      return [{ tap, wantedC, arrivesC, share: arrivesC > mainsC ? (wantedC - mainsC) / (arrivesC - mainsC) : 2 }]
    })
    .sort((a, b) => b.share - a.share)
  const [worst] = reaches
  if (!worst) return []
  const level = worst.share > 1 ? 'red' : worst.share > MIXER_FULL ? 'amber' : 'green'
  return [
    {
      id: 'mixer-reach',
      title: 'Reach of the mixers',
      level,
      sentence: `${worst.tap.name} is asked for ${write.temperature(worst.wantedC)} and gets ${write.temperature(worst.arrivesC)} to mix from: ${worst.share > 1 ? 'it cannot be reached in winter' : `its mixer takes ${Math.round(worst.share * 100)} % hot water in winter`}.`,
      source: 'Mixer balance with the coldest main',
    },
  ]
}

export const coolDraws: Judge = ({ year }) => {
  const { coolDraws: cool, draws, coolOn } = year.comfort
  const share = draws ? cool / draws : 0
  return [
    {
      id: 'delivery',
      title: 'Delivery',
      level: share > COOL_DRAWS.red ? 'red' : share > COOL_DRAWS.amber ? 'amber' : 'green',
      sentence: `${cool} of ${draws} draws in the year came too cool or were given up (${(100 * share).toFixed(1)} %)${cool ? `, on ${coolOn.length} ${coolOn.length === 1 ? 'day' : 'days'}` : ''}.`,
      source: 'The year on the household’s own draws',
    },
  ]
}
