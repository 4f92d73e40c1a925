import { SAFETY } from '../safety/limits'
import { hasSetpoint, isOnStore, runningOf } from '../study/heater-kinds'
import type { Rule } from './finding'

/** Hours a week of tepid water at the draw that are worth a word, and days at rest that are no holiday. */
const TEPID_HOURS = 6
const LONG_STILL_DAYS = 28

export const tepidInTheYear: Rule = ({ study, year, write }) => {
  if (!study.plant.store || !year) return []
  const { drawnTepidHoursWeek: hours, storeTepidHoursWeek: volume, drawnLogKillWeek: kill } = year.hygiene
  const preheats = runningOf(study.plant.heaters) !== null
  const held = study.plant.heaters.some((h) => isOnStore(h) && hasSetpoint(h))
  const killed = kill !== null && kill >= SAFETY.killsAWeek.value
  if (killed && hours < TEPID_HOURS) return []
  return [
    {
      id: 'tepid-year',
      severity: killed || preheats ? 'mend' : 'danger',
      station: 'store',
      on: null,
      what: preheats
        ? 'A store that only warms stands tepid'
        : killed
          ? 'The store is often tepid'
          : 'The store is never hot for long enough',
      why: `What would be drawn is between ${write.temperature(SAFETY.tepid.value.low)} and ${write.temperature(SAFETY.tepid.value.high)} for ${hours.toFixed(0)} h a week (of the whole store, by volume, ${volume.toFixed(0)} h); in its worst week it reaches ${(kill ?? 0).toFixed(1)} tenfold kills of legionella.`,
      source: `The year, step by step; a tenfold kill takes 111 min at ${write.temperature(50)} and 2 min at ${write.temperature(60)}`,
      mend: preheats
        ? `See that the heater behind it finishes at ${write.temperature(SAFETY.storedHot.value)}, or heat the store through once a week; local code.`
        : held
          ? `A hotter store, a timer that closes for less long, or a hot run of the whole store once a week; legionella grow between ${write.temperature(SAFETY.grows.value.low)} and ${write.temperature(SAFETY.grows.value.high)}.`
          : 'A heater with a thermostat that heats the whole store through once a week.',
      reading: 'store-top',
    },
  ]
}

export const runsAtRest: Rule = ({ study, year }) => {
  const still = (year?.hygiene.stillRuns ?? []).filter((r) => r.days >= LONG_STILL_DAYS)
  if (still.length === 0) return []
  const names = still.map(
    (r) =>
      `${study.pipes.runs.find((x) => x.id === r.id)?.name ?? r.id} (${r.days >= 364 ? 'all year' : `${Math.round(r.days)} days`})`,
  )
  return [
    {
      id: 'runs-at-rest',
      severity: 'mend',
      station: 'runs',
      on: still[0].id,
      what: 'Pipes that stand for weeks',
      why: `Nothing hot is drawn through ${names.join(', ')}: water that stands at room warmth lets bacteria grow.`,
      source: `The year’s draws; no run unused for more than ${SAFETY.still.value} days: ${SAFETY.still.source.toLowerCase()}`,
      mend: 'Cut it off at the branch, or open the tap hot once a week, away from the spray.',
    },
  ]
}
