import { hasFan, hasSetpoint, isOnStore } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Rule, Told } from './check'

const held = (study: Parameters<Rule>[0]['study']) =>
  study.plant.heaters.filter(hasSetpoint).map((heater) => ({ heater, set: controlsOf(study).heaters[heater.id] }))

/** A timer that cuts the mains is told from one that asks the control. */
const timerCutsMains: Rule = ({ study }) =>
  held(study).flatMap(({ heater, set }): Told[] => {
    if (set.schedule === null || set.timerBy === 'its control') return []
    const fan = hasFan(heater)
    if (set.timerBy === 'not checked')
      return [
        {
          id: `timer-mains-${heater.id}`,
          concern: fan ? 'harm' : 'record',
          level: 'not checked',
          subject: { kind: 'controller', id: heater.id },
          title: `Timer of ${heater.name}`,
          sentence: 'Not checked: control input or power supply.',
          source: 'Manufacturer’s instructions; practice',
          remedy: 'Inspect, and record it under Settings.',
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
        title: `Timer switches the power supply of ${heater.name}`,
        sentence: fan
          ? 'The fan and the safety controls stop while the heater is hot.'
          : 'Frost protection and clock stop too.',
        source: 'Manufacturer’s instructions; practice',
        remedy: 'Use the control input, or leave the supply on. Check the overnight temperature under Day.',
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
        title: `Override with no end time: ${heater.name}`,
        sentence: `Manual setpoint ${write.temperature(o.setpointC)} stays until cancelled.`,
        source: 'Practice',
        remedy: 'Enter an end time under Settings; a boost is timed.',
      })),
  )

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
      title: 'Two thermostats of one cylinder differ',
      sentence: `Setpoints differ by ${write.figure('rise', apart)}; the higher one does the heating.`,
      source: 'Practice: same setpoint, or the upper for boost only',
      remedy: 'Set both alike, unless the upper one is for boost.',
      settledBy: 'dial',
    },
  ]
}

export const CONTROLS_CHECKS = { timerCutsMains, overrideWithoutEnd, unequalThermostats }
