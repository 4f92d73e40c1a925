import { hasSetpoint, isLocal, standbyOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Finding, Rule } from './finding'

/** Minutes that a clock may be off before its windows miss the draws. */
const CLOCK_OFF_MIN = 10
/** Draws too cool in the hours of a timer that are more than a word, as a share. */
const COOL_SHARE = 0.05

const held = (study: Parameters<Rule>[0]['study']) =>
  study.plant.heaters.filter(hasSetpoint).map((heater) => ({ heater, set: controlsOf(study).heaters[heater.id] }))

/** A timer that cuts the mains is told from one that asks the control. */
export const timerCutsMains: Rule = ({ study }) =>
  held(study).flatMap(({ heater, set }): Finding[] => {
    if (set.windows === null || set.timerBy !== 'its mains') return []
    const fan = 'carrier' in heater && standbyOf(heater) > 0
    return [
      {
        id: `timer-mains-${heater.id}`,
        severity: fan ? 'danger' : 'look',
        station: isLocal(heater) ? 'taps' : 'heater',
        on: heater.id,
        what: `The timer cuts the mains of ${heater.name}`,
        why: fan
          ? 'Its fan stops with the mains while it is hot, and its safety controls with it.'
          : 'Its frost guard and its clock stop with the mains.',
        source: 'Its maker says whether it may; practice',
        mend: 'Use a switch that asks its control, or leave it on; look at the overnight temperature under Day.',
      },
    ]
  })

/** An override that nobody ends is forgotten. */
export const overrideWithoutEnd: Rule = ({ study, write }) =>
  held(study).flatMap(({ heater, set }): Finding[] =>
    set.overrides
      .filter((o) => o.minutes === null)
      .map((o, i) => ({
        id: `override-${heater.id}-${i}`,
        severity: 'look',
        station: isLocal(heater) ? 'taps' : 'heater',
        on: heater.id,
        what: `An override of ${heater.name} has no end`,
        why: `Set to ${write.temperature(o.setpointC)} by hand, it stays until somebody ends it.`,
        source: 'Practice',
        mend: 'Give it an end under Set: a boost returns by itself.',
      })),
  )

/** A hot run that does not reach its temperature is none. */
export const hotRunFails: Rule = ({ study, year, write }) => {
  if (!year || year.hotRuns.held === year.hotRuns.begun) return []
  const runs = held(study).filter(({ set }) => set.disinfection)
  return [
    {
      id: 'hot-run-fails',
      severity: 'danger',
      station: 'store',
      on: null,
      what: 'The hot run does not get there',
      why: `${year.hotRuns.begun - year.hotRuns.held} of ${year.hotRuns.begun} runs of the year were given up before they had held ${runs.map(({ set }) => write.temperature(set.disinfection!.toC)).join(' or ')}.`,
      source: 'The year as it is set',
      mend: 'Lower its temperature to what the heater can make, or let the heater make more.',
    },
  ]
}

/** A clock that is wrong opens its windows at the wrong time. */
export const clockWrong: Rule = ({ study }) => {
  const { clock } = controlsOf(study)
  const behind = clock.summerTime === 'stays' && study.site.summerTime !== 'none'
  if (Math.abs(clock.aheadMin) < CLOCK_OFF_MIN && !behind) return []
  const said = [
    ...(Math.abs(clock.aheadMin) >= CLOCK_OFF_MIN
      ? [`it is ${Math.abs(clock.aheadMin)} min ${clock.aheadMin > 0 ? 'ahead' : 'behind'}`]
      : []),
    ...(behind ? ['in summer it stays an hour behind'] : []),
  ]
  return [
    {
      id: 'clock-wrong',
      severity: 'mend',
      station: 'heater',
      on: null,
      what: 'The controller’s clock is wrong',
      why: `By its windows it switches at other times than it says: ${said.join(', and ')}.`,
      source: 'The controller’s clock against the wall’s',
      mend: 'Set it; check it at each visit and when clocks change.',
    },
  ]
}

/** A timer that leaves people with cool water. */
export const timerTooShort: Rule = ({ study, year }) => {
  const timed = held(study).filter(({ set }) => set.windows !== null)
  if (!year || !timed.length) return []
  const share = year.comfort.draws ? year.comfort.coolDraws / year.comfort.draws : 0
  if (share < COOL_SHARE) return []
  return [
    {
      id: 'timer-short',
      severity: 'mend',
      station: 'heater',
      on: timed[0].heater.id,
      what: 'The timer leaves draws cool',
      why: `${year.comfort.coolDraws} of ${year.comfort.draws} draws in the year came too cool; ${timed.map(({ heater }) => heater.name).join(', ')} may heat in its windows only.`,
      source: 'The year as it is set',
      mend: 'Open its windows sooner, or let the finder under Set look for them.',
    },
  ]
}
