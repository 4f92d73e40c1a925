import { clashes, commandedName } from '../household/controllers'
import { ampsOf, loadOf, voltsFor } from '../household/electrical'
import { nearestSetpoints } from '../household/setpoint-range'
import type { Controller, ControllerClock } from '../study/controllers'
import { hasFan, hasSetpoint } from '../study/heater-kinds'
import { controlsOf } from '../study/in-force'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import type { Rule, Told } from './check'

/** Minutes that a clock may be off before its windows miss the draws. */
export const CLOCK_OFF_MIN = 10

/** Voltage reckoned with where nobody read the supply, V. */
const USUAL_VOLTS = { metric: 230, us: 240 } as const

const heatersOf = ({ plant }: Study, { commands }: Controller): Heater[] =>
  plant.heaters.filter((h) => commands.includes(h.id))

/** What is wrong of a clock, in words. */
function wrongOf({ aheadMin, daysAhead, summerTime }: ControllerClock, { site }: Study): string[] {
  return [
    ...(daysAhead ? [`its weekday is ${Math.abs(daysAhead)} ${daysAhead > 0 ? 'ahead' : 'behind'}`] : []),
    ...(Math.abs(aheadMin) >= CLOCK_OFF_MIN
      ? [`the clock is ${Math.abs(aheadMin)} min ${aheadMin > 0 ? 'fast' : 'slow'}`]
      : []),
    ...(summerTime === 'stays' && site.summerTime !== 'none'
      ? ['summer time is not set, so it is one hour slow in summer']
      : []),
  ]
}

/** A clock that is wrong opens its windows at the wrong time. */
const clockWrong: Rule = ({ study }) =>
  study.controllers.flatMap(({ id, name }): Told[] => {
    const wrong = wrongOf(controlsOf(study).clocks[id], study)
    if (wrong.length === 0) return []
    return [
      {
        id: `clock-wrong-${id}`,
        concern: 'fault',
        level: 'fail',
        subject: { kind: 'controller', id: null },
        setting: `clocks.${id}`,
        title: `Clock wrong: ${name}`,
        sentence: `On periods are shifted: ${wrong.join('; ')}.`,
        source: 'Controller clock against local time',
        remedy: 'Set the clock; check it at each visit and at clock changes.',
      },
    ]
  })

/** Two controllers that command the same thing: what is set on one the other undoes. */
const commandedTwice: Rule = ({ study }) =>
  clashes(study).map(({ of, controllers }) => ({
    id: `commanded-twice-${of.replaceAll(' ', '-')}`,
    concern: 'fault',
    level: 'marginal',
    subject: { kind: 'controller', id: null },
    title: `Two controllers: ${commandedName(study, of)}`,
    sentence: `${controllers.map((c) => c.name).join(' and ')} both command it; whichever is off keeps it off.`,
    source: 'Practice: one controller for each function',
    remedy: 'Set one of them to continuous, write down which, or take it out of service.',
  }))

/** A setpoint that its controller cannot take. */
const setpointNotTaken: Rule = ({ study, write }) =>
  study.controllers.flatMap((controller) =>
    heatersOf(study, controller).flatMap((heater): Told[] => {
      const { range, name } = controller
      if (!range || !hasSetpoint(heater)) return []
      const { setpointC } = controlsOf(study).heaters[heater.id]
      const nearest = nearestSetpoints(study, heater.id, setpointC)
      if (!nearest) return []
      return [
        {
          id: `setpoint-not-taken-${heater.id}`,
          concern: 'fault',
          level: 'fail',
          subject: { kind: 'controller', id: heater.id },
          setting: `heaters.${heater.id}.setpointC`,
          title: `Setpoint cannot be entered: ${heater.name}`,
          sentence: `${name} takes ${write.temperature(range.lowC)} to ${write.temperature(range.highC)} in steps of ${write.figure('rise', range.stepK)}; set is ${write.temperature(setpointC)}.`,
          source: 'Range and step of the controller',
          remedy: nearest.length
            ? `Set ${nearest.map((c) => write.temperature(c)).join(' or ')}.`
            : 'Read the range of the controller again.',
        },
      ]
    }),
  )

/** A plug-in timer in a power supply: what it may switch, and whether the manufacturer permits one at all. */
const plugInTimer: Rule = ({ study }) =>
  study.controllers
    .filter((c) => c.panel === 'plug-in timer')
    .flatMap((c) =>
      heatersOf(study, c).flatMap((heater): Told[] => {
        const load = loadOf(heater, study.units)
        const main = study.site.electricMain
        const amps = load && ampsOf(load, main ? voltsFor(main, load.phases) : USUAL_VOLTS[study.units])
        const told = { concern: 'harm', subject: { kind: 'controller', id: heater.id } } as const
        return [
          ...(amps === null
            ? []
            : c.ratingA === null
              ? [
                  {
                    ...told,
                    id: `timer-rating-${c.id}-${heater.id}`,
                    level: 'not checked' as const,
                    title: `Rating of ${c.name}`,
                    sentence: `Not checked. ${heater.name} draws ${amps.toFixed(1)} A for hours.`,
                    source: 'Rating plate of the timer',
                    remedy: 'Read its rating under Settings, Controllers; a heater is a continuous load.',
                  },
                ]
              : amps > c.ratingA
                ? [
                    {
                      ...told,
                      id: `timer-rating-${c.id}-${heater.id}`,
                      level: 'fail' as const,
                      title: `Timer overloaded: ${c.name}`,
                      sentence: `${heater.name} draws ${amps.toFixed(1)} A; the timer is rated ${c.ratingA} A. It overheats.`,
                      source: 'Rating plate of the timer; I = P / V',
                      remedy:
                        'Unplug it; a registered electrician fits a contactor or a time switch that carries the load.',
                    },
                  ]
                : []),
          ...(c.permitted === true
            ? []
            : [
                {
                  ...told,
                  concern: hasFan(heater) || c.permitted === false ? ('harm' as const) : ('record' as const),
                  id: `timer-permitted-${c.id}-${heater.id}`,
                  level: c.permitted === false ? ('fail' as const) : ('not checked' as const),
                  title: `Plug-in timer on ${heater.name}`,
                  sentence:
                    c.permitted === false
                      ? 'The manufacturer does not permit a timer in the power supply.'
                      : 'Not checked: does the manufacturer permit a timer in the power supply?',
                  source: 'Manufacturer’s instructions',
                  remedy: 'Use the control input or the schedule of the appliance.',
                },
              ]),
        ]
      }),
    )

/** A panel that only an account opens belongs to whoever holds the account. */
const accountUnknown: Rule = ({ study }) =>
  study.controllers
    .filter((c) => (c.panel === 'app' || c.panel === 'panel and app') && c.account.trim() === '')
    .map((c) => ({
      id: `account-${c.id}`,
      concern: 'record',
      level: 'not checked',
      subject: { kind: 'controller', id: null },
      title: `Account of ${c.name}`,
      sentence: 'Not checked: who holds the account.',
      source: 'Practice: settings can be changed from elsewhere',
      remedy: 'Write down who holds it under Settings, Controllers; no password.',
    }))

export const CONTROLLERS_CHECKS = { clockWrong, commandedTwice, setpointNotTaken, plugInTimer, accountUnknown }
