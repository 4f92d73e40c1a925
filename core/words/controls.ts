import type { Term } from './term'

/** What is set. */
export const CONTROLS_TERMS = {
  setpoint: {
    metric: 'setpoint',
    help: 'Temperature the thermostat holds.',
    also: ['thermostat', 'dial', 'temperature setting'],
    at: 'settings',
  },
  differential: {
    metric: 'switching differential',
    us: 'differential',
    help: 'Drop below setpoint before reheating.',
    also: ['hysteresis', 'deadband'],
    at: 'settings',
  },
  schedule: {
    metric: 'hot water schedule',
    help: 'Times at which operation is allowed.',
    also: ['timer', 'programmer', 'schedule', 'on period', 'clock'],
    at: 'schedule',
  },
  controllerLimits: {
    metric: 'controller limits',
    help: 'Limits of the installed programmer: time step, periods a day, day groups.',
    also: ['grid', 'programmer'],
    at: 'settings',
  },
  holiday: {
    metric: 'holiday setpoint',
    us: 'vacation setpoint',
    help: 'Setpoint while the household is away.',
    also: ['away', 'vacation', 'frost setting'],
    at: 'settings',
  },
  boost: {
    metric: 'boost',
    help: 'Timed manual setpoint that takes priority; an override lasts until cancelled.',
    also: ['override', 'manual', 'party mode'],
    at: 'settings',
  },
  keepHot: {
    metric: 'keep-hot',
    us: 'preheat mode',
    help: 'Holds the heat exchanger hot to cut start-up delay.',
    also: ['keep-hot', 'pre-heat', 'preheat', 'comfort mode', 'eco mode'],
    at: 'settings',
  },
  pasteurisation: {
    metric: 'pasteurisation cycle',
    us: 'thermal disinfection cycle',
    help: 'Heats all of the cylinder and holds it; scald risk meanwhile.',
    also: ['hot run', 'legionella cycle', 'disinfection', 'anti-legionella'],
    at: 'settings',
  },
  offPeak: {
    metric: 'off-peak only',
    help: 'Heats only in the cheapest tariff band.',
    also: ['night rate', 'economy tariff', 'cheap rate'],
    at: 'settings',
  },
  mode: {
    metric: 'circulation mode',
    us: 'recirculation mode',
    help: 'Method of pump control.',
    also: ['pump control', 'on demand', 'way of running a loop'],
    at: 'modes',
  },
} as const satisfies Record<string, Term>
