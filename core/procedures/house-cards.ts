import { SAFETY } from '../safety/limits'
import type { CardName } from '../study/step-cards'
import type { StepCard } from './step-card'

/** What is done to the household as a whole. */
export const HOUSE_CARDS = {
  'loop-control': {
    title: 'Control of the circulation',
    when: 'Mode, hours or temperature of the circulation are to be set.',
    who: 'Heating engineer; wiring by a registered electrician.',
    at: null,
    has: ({ pipes }) => pipes.loop !== null,
    proof: 'Control shows',
    steps: [
      {
        id: 'what',
        text: 'Note which box commands the pump: the heater’s control, a timer in its plug, or the pump itself.',
      },
      { id: 'one', text: 'Only one may command it. The other stands on “always” or is taken out.' },
      { id: 'clock', text: 'Clock and weekday.' },
      { id: 'set', text: 'Set mode, hours and temperature, and clear hours that are not wanted.' },
      {
        id: 'feel',
        text: 'Feel return and pump in an hour that is on, and in one that is off.',
        caution: 'Pipes at the cylinder burn.',
      },
      { id: 'return', text: 'Measure flow and return and enter them under Readings.' },
      {
        id: 'hygiene',
        text: 'Hours off leave lukewarm water in the pipes: see the findings on growth before you leave.',
        caution: (write) =>
          `Legionella grows in warm water up to ${write.figure('temperature', SAFETY.livesOn.value, 0)}. The local code may not allow the circulation to stop.`,
      },
    ],
  },
  'no-hot-water': {
    title: 'No hot water at all',
    when: 'Every outlet stays cold.',
    who: 'Householder up to where a cover would have to come off.',
    at: null,
    steps: [
      { id: 'all', text: 'Try all outlets: one alone that stays cold is its mixer.' },
      { id: 'power', text: 'Power: breaker, switch beside the appliance, its display.' },
      { id: 'fuel', text: 'Fuel: other gas appliances, oil gauge, prepaid meter.' },
      { id: 'mode', text: 'Mode dial on hot water, setpoint where it was, holiday mode ended.' },
      { id: 'clock', text: 'Clock and hours: perhaps it is simply off now.' },
      { id: 'code', text: 'A code on the display: note it, then the card “Reset after a fault”.' },
      {
        id: 'pressure',
        text: 'Pressure of the heating circuit below its least: the card “Top up the heating circuit”.',
      },
      { id: 'flow', text: 'An instantaneous heater needs flow: open one outlet fully, clean its strainer.' },
      {
        id: 'call',
        text: 'Still cold: call. Off until then.',
        caution: 'Smell of gas, soot, or a relief valve that blows: off, air, out, and call from outside.',
      },
    ],
  },
  'drain-down': {
    title: 'Drain valve and hose',
    when: 'A cylinder or a circuit has to be emptied. For a temperature alone use the nearest outlet.',
    who: 'Licensed plumber.',
    at: null,
    has: ({ plant }) => plant.store !== null,
    steps: [
      { id: 'need', text: 'Ask whether it must be: a reading is taken at the nearest outlet or in the top pocket.' },
      {
        id: 'off',
        text: 'Heater off and isolated, fire out and cold, pump off.',
        must: true,
        isolates: true,
        caution: 'An element or a coil that is dry burns out; a pump that is dry seizes.',
      },
      { id: 'water', text: 'Cold supply shut.', must: true },
      {
        id: 'cool',
        text: 'Run hot water off at an outlet until it comes lukewarm.',
        must: true,
        caution: 'A hose jumps, softens and scalds. Never drain a hot cylinder through one.',
      },
      { id: 'hose', text: 'Hose clamped on, its end tied down at a drain that takes hot water, no one near it.' },
      { id: 'air', text: 'Open the highest hot outlet, then the drain valve slowly.' },
      { id: 'shut', text: 'Drain valve shut, its cap on.', must: true },
      { id: 'fill', text: 'Fill with an outlet open until it runs without air.', must: true },
      { id: 'on', text: 'Heater and pump on only now, and look for drips.', restores: true },
    ],
  },
  leaving: {
    title: 'Going away',
    when: 'The house stands empty for more than a few days.',
    who: 'Household.',
    at: null,
    steps: [
      {
        id: 'setpoint',
        text: 'Heater to its holiday setpoint, or off where frost cannot come.',
        caution: 'Where frost can come frost protection needs power and fuel: leave them on.',
      },
      { id: 'pump', text: 'Circulation pump off, before its water is.' },
      {
        id: 'water',
        text: 'Water off at the main where it is not needed; heater off with it.',
        caution: 'A pump or a heater without water is damaged: what supplies them goes off together.',
      },
      { id: 'fire', text: 'Stove out and cold.' },
      { id: 'remind', text: 'Put the day of coming back into the calendar, with the card “Coming back”.' },
    ],
  },
  'coming-back': {
    title: 'Coming back',
    when: 'After more than a few days away.',
    who: 'Household.',
    at: null,
    steps: [
      {
        id: 'water',
        text: 'Water on, an outlet open until it runs without air.',
        must: true,
        caution: 'No pump and no heater before its water.',
      },
      {
        id: 'heat',
        text: (write) =>
          `Heater on; heat the cylinder through to at least ${write.figure('temperature', SAFETY.storedHot.value, 0)}.`,
        caution: 'Water that stood is where legionella grows.',
      },
      { id: 'pump', text: 'Circulation on.' },
      {
        id: 'flush',
        text: 'Flush every outlet hot, the furthest too, for some minutes, shower heads low and without spray.',
        caution: 'Do not breathe the spray; keep people with weak lungs away. The water scalds.',
      },
      { id: 'setpoint', text: 'Setpoint back to where it was, and the holiday setting ended.' },
    ],
  },
} as const satisfies Partial<Record<CardName, StepCard>>
