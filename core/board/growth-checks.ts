import { logKillPerHour } from '../safety/legionella'
import { SAFETY } from '../safety/limits'
import { isOnStore } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Check, Judge, Level } from './check'

const minutesText = (minutes: number) =>
  minutes < 90 ? `${minutes < 10 ? minutes.toFixed(1) : Math.round(minutes)} min` : `${(minutes / 60).toFixed(1)} h`

/** Growth and kill in the store, by what it is set to and by what its year came to. */
export const growthInStore: Judge = ({ study, year, heaterId, setpointC, write }) => {
  const heater = study.plant.heaters.find((h) => h.id === heaterId)!
  if (!study.plant.store || !isOnStore(heater))
    return [
      {
        id: 'growth-store',
        title: 'Growth in the store',
        level: 'green',
        sentence:
          'Nothing is stored at this heater: what it makes is used at once, and may be only as warm as it is used.',
        source: SAFETY.livesOn.source,
      },
    ]
  const { drawnLogKillWeek, leastLogKillWeek, storeTepidHoursWeek } = year.hygiene
  const perHour = logKillPerHour(setpointC)
  const hotRun = controlsOf(study).heaters[heaterId].disinfection !== null
  const runsHold = hotRun && year.hotRuns.begun > 0 && year.hotRuns.held === year.hotRuns.begun
  const kills = drawnLogKillWeek ?? 0
  const bySetting: Level =
    setpointC >= SAFETY.storedHot.value ? 'green' : setpointC >= SAFETY.livesOn.value || runsHold ? 'amber' : 'red'
  const level: Level =
    kills < SAFETY.killsAWeek.value ? 'red' : runsHold && setpointC >= SAFETY.livesOn.value ? 'green' : bySetting
  return [
    {
      id: 'growth-store',
      title: 'Growth in the store',
      level,
      sentence: `Kept at ${write.temperature(setpointC)}, ${perHour > 0 ? `where one in ten is left after ${minutesText(60 / perHour)}` : 'where nothing is killed'}: in the worst week what is drawn came to ${kills.toFixed(1)} tenfold kills, the coolest layer to ${(leastLogKillWeek ?? 0).toFixed(1)}; ${storeTepidHoursWeek.toFixed(0)} h a week of it are tepid.${hotRun ? ` The weekly hot run held ${year.hotRuns.held} times of ${year.hotRuns.begun}.` : ''}`,
      source: SAFETY.killsAWeek.source,
    },
  ]
}

/** The hot run reaches its temperature and holds it, or it is said that it does not. */
export const hotRunHolds: Judge = ({ study, year, heaterId, write }) => {
  const run = controlsOf(study).heaters[heaterId]?.disinfection
  if (!run) return []
  const { begun, held } = year.hotRuns
  return [
    {
      id: 'hot-run',
      title: 'Weekly hot run',
      level: held === begun && begun > 0 ? 'green' : 'red',
      sentence: `${held} of ${begun} runs reached ${write.temperature(run.toC)} and held it for ${run.holdMin} min${held < begun ? '; the others were given up after eight hours' : ''}. Run the far taps then too, and warn whoever opens one: it scalds.`,
      source: SAFETY.storedHot.source,
    },
  ]
}

export const growthInLoop: Judge = ({ study, year, write }) => {
  const { loopReturnCoolShare: cool, loopTepidHoursWeek } = year.hygiene
  if (!study.pipes.loop) return []
  const share = cool ?? 1
  const level: Level =
    cool === null ? 'amber' : share < 0.01 ? 'green' : share < SAFETY.coolReturn.value ? 'amber' : 'red'
  return [
    {
      id: 'growth-loop',
      title: 'Growth in the loop',
      level,
      sentence:
        cool === null
          ? `The pump never runs: the loop’s pipes are a dead leg, tepid for ${loopTepidHoursWeek.toFixed(0)} h a week. Flush them, or have them taken out.`
          : `Its return is below ${write.temperature(SAFETY.loopReturn.value)} for ${Math.round(share * 100)} % of the time the pump runs, and tepid for ${loopTepidHoursWeek.toFixed(0)} h a week.`,
      source: SAFETY.loopReturn.source,
    },
  ]
}

export const growthInRuns: Judge = ({ study, year }): Check[] => {
  const still = year.hygiene.stillRuns
  const name = (id: string) => study.pipes.runs.find((r) => r.id === id)?.name ?? id
  const longest = [...still].sort((a, b) => b.days - a.days)[0]
  return [
    {
      id: 'growth-runs',
      title: 'Growth in the runs',
      level: still.length ? 'amber' : 'green',
      sentence: longest
        ? `${still.length} ${still.length === 1 ? 'run stands' : 'runs stand'} for more than ${SAFETY.still.value} days at a time; ${name(longest.id)} for ${Math.round(longest.days)}. No setpoint mends that: flush.`
        : `Every run is drawn through at least every ${SAFETY.still.value} days.`,
      source: SAFETY.still.source,
    },
  ]
}
