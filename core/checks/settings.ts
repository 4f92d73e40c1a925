import { hasSetpoint } from '../study/heater-kinds'
import type { Rule, Told } from './check'

/** A setpoint as it left the factory, that nobody has looked at since. */
const asDelivered: Rule = ({ study, write }) =>
  study.plant.heaters.filter(hasSetpoint).flatMap((h): Told[] => {
    const factoryC = study.controls.factory[h.id]
    const { found, set } = study.controls
    const changed = set !== null && set.heaters[h.id].setpointC !== factoryC
    if (factoryC === undefined || found.heaters[h.id].setpointC !== factoryC || changed) return []
    if (h.settingsReviewed === true) return []
    return [
      {
        id: `as-delivered-${h.id}`,
        concern: 'record',
        level: 'marginal',
        subject: { kind: 'heater', id: h.id },
        title: `Never reviewed: setpoint of ${h.name}`,
        sentence: `Found at ${write.temperature(factoryC)}, as it leaves the factory.`,
        source: 'Found setting against the manual',
        remedy: 'Ask what the household needs and set it, or record that it was gone through.',
        setting: `heaters.${h.id}.setpointC`,
      },
    ]
  })

/** Settings of one's own that are as delivered, that changed without proof, and signs that nobody can explain. */
const ownSettings: Rule = ({ study }) =>
  study.controls.own.flatMap((s): Told[] => {
    const told = {
      concern: 'record',
      subject: { kind: 'controller', id: null },
      source: 'Register of settings',
    } as const
    const said = `${s.place}, ${s.what}`
    if (s.kind === 'unexplained sign' && s.effects.trim() === '')
      return [
        {
          ...told,
          id: `unexplained-${s.id}`,
          level: 'not checked',
          title: `Unexplained sign: ${said}`,
          sentence: `Not checked: what “${s.found}” means, and what else it changes.`,
          remedy: 'Look it up in the manual of this very appliance; write down what it moves besides.',
        },
      ]
    if (s.now === null && s.factory.trim() !== '' && s.factory.trim() === s.found.trim())
      return [
        {
          ...told,
          id: `own-as-delivered-${s.id}`,
          level: 'marginal',
          title: `Never reviewed: ${said}`,
          sentence: `Found at ${s.found} ${s.unit}, as it leaves the factory.`,
          remedy: 'Ask what the household needs, and write down why it stays.',
        },
      ]
    if (s.now !== null && s.now !== s.found && s.shows.trim() === '')
      return [
        {
          ...told,
          id: `own-no-proof-${s.id}`,
          level: 'not checked',
          title: `Not read back: ${said}`,
          sentence: `Not checked: changed from ${s.found} to ${s.now} ${s.unit}, and what the display shows now.`,
          remedy:
            'Read the display after the menu has closed and type what it shows; many menus keep nothing that was not confirmed.',
        },
      ]
    return []
  })

export const SETTINGS_CHECKS = { asDelivered, ownSettings }
