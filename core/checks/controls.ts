import { hasSetpoint, isOnStore, standbyOf } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Rule, Told } from './check'

/** Minutes that a clock may be off before its windows miss the draws. */
const CLOCK_OFF_MIN = 10

const held = (study: Parameters<Rule>[0]['study']) =>
  study.plant.heaters.filter(hasSetpoint).map((heater) => ({ heater, set: controlsOf(study).heaters[heater.id] }))

/** A timer that cuts the mains is told from one that asks the control. */
const timerCutsMains: Rule = ({ study }) =>
  held(study).flatMap(({ heater, set }): Told[] => {
    if (set.windows === null || set.timerBy === 'its control') return []
    const fan = 'carrier' in heater && standbyOf(heater) > 0
    if (set.timerBy === 'not looked')
      return [
        {
          id: `timer-mains-${heater.id}`,
          concern: fan ? 'harm' : 'record',
          level: 'not checked',
          subject: { kind: 'controller', id: heater.id },
          title: `What the timer of ${heater.name} switches`,
          sentence: 'Not checked whether it asks its control or cuts its mains.',
          source: 'Its maker says whether it may; practice',
          remedy: 'Look, and say so under Set.',
          setting: `heaters.${heater.id}.timerBy`,
        },
      ]
    return [
      {
        id: `timer-mains-${heater.id}`,
        concern: fan ? 'harm' : 'record',
        level: fan ? 'fail' : 'marginal',
        subject: { kind: 'controller', id: heater.id },
        setting: `heaters.${heater.id}.timerBy`,
        title: `The timer cuts the mains of ${heater.name}`,
        sentence: fan
          ? 'Its fan stops with the mains while it is hot, and its safety controls with it.'
          : 'Its frost guard and its clock stop with the mains.',
        source: 'Its maker says whether it may; practice',
        remedy: 'Use a switch that asks its control, or leave it on; look at the overnight temperature under Day.',
      },
    ]
  })

/** An override that nobody ends is forgotten. */
const overrideWithoutEnd: Rule = ({ study, write }) =>
  held(study).flatMap(({ heater, set }): Told[] =>
    set.overrides
      .filter((o) => o.minutes === null)
      .map((o, i) => ({
        id: `override-${heater.id}-${i}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'controller', id: heater.id },
        setting: `heaters.${heater.id}.overrides`,
        title: `An override of ${heater.name} has no end`,
        sentence: `Set to ${write.temperature(o.setpointC)} by hand, it stays until somebody ends it.`,
        source: 'Practice',
        remedy: 'Give it an end under Set: a boost returns by itself.',
      })),
  )

/** A clock that is wrong opens its windows at the wrong time. */
const clockWrong: Rule = ({ study }) => {
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
      concern: 'fault',
      level: 'fail',
      subject: { kind: 'controller', id: null },
      setting: 'clock',
      title: 'The controller’s clock is wrong',
      sentence: `By its windows it switches at other times than it says: ${said.join(', and ')}.`,
      source: 'The controller’s clock against the wall’s',
      remedy: 'Set it; check it at each visit and when clocks change.',
    },
  ]
}

/** Thermostats of one store further apart than this disagree, K. */
const UNEQUAL_K = 3

const unequalThermostats: Rule = ({ study, write }) => {
  const elements = study.plant.heaters.filter((h) => isOnStore(h) && 'height' in h && hasSetpoint(h))
  if (elements.length < 2) return []
  const set = elements.map((h) => controlsOf(study).heaters[h.id].setpointC)
  const apart = Math.max(...set) - Math.min(...set)
  if (apart <= UNEQUAL_K) return []
  return [
    {
      id: 'unequal-thermostats',
      concern: 'record',
      level: 'marginal',
      subject: { kind: 'heater', id: elements[0].id },
      title: 'Two thermostats of one store disagree',
      sentence: `They stand ${write.figure('rise', apart)} apart; the hotter one does the work, wherever it sits.`,
      source: 'Practice: both alike, or the upper as boost only',
      remedy: 'Set both alike, unless the upper is meant as a boost.',
      settledBy: 'dial',
    },
  ]
}

export const CONTROLS_CHECKS = { timerCutsMains, overrideWithoutEnd, clockWrong, unequalThermostats }
