import type { CardName } from '../study/step-cards'
import type { StepCard } from './step-card'

/** What is done on the heating side of the same appliance. */
export const HEATING_CARDS = {
  'top-up': {
    title: 'Top up the heating circuit',
    when: 'Its gauge stands below what its manual asks, cold.',
    who: 'Householder by the manual; a registered installer when it falls again.',
    at: null,
    proof: 'Gauge shows, cold',
    steps: [
      {
        id: 'cold',
        text: 'Heating off and cold: read the gauge and note it.',
        must: true,
        caution: 'Never top up a hot circuit; never one of a solid-fuel stove while it burns.',
      },
      { id: 'find', text: 'Find the two filling valves and take a picture of them shut. Touch no others.' },
      { id: 'loop', text: 'Where the filling hose is separate, connect it, both ends tight.' },
      {
        id: 'open',
        text: (write) =>
          `Open the one at the main, then the other slowly, until the gauge shows about ${write.figure('pressure', 1)} to ${write.figure('pressure', 1.5)}, or what the manual says.`,
      },
      { id: 'shut-1', text: 'Shut the first valve.', must: true },
      {
        id: 'shut-2',
        text: 'Shut the second valve.',
        must: true,
        caution: 'One left open presses the circuit into its relief valve.',
      },
      { id: 'off', text: 'Take the hose off where the local code asks for it, caps on.' },
      { id: 'hour', text: 'Read the gauge again after an hour, and hot: it must stay below its red band.' },
      {
        id: 'log',
        text: 'Log it under Readings as “topped up”. Twice in a season is a leak or a flat expansion vessel.',
      },
    ],
  },
  bleed: {
    title: 'Bleed a radiator, then top up',
    when: 'A radiator is hot below and cold on top, or gurgles.',
    who: 'Householder.',
    at: null,
    proof: 'Gauge shows, cold',
    steps: [
      {
        id: 'off',
        text: 'Heating and its pump off for half an hour.',
        must: true,
        caution: 'Water from a vent can be hot: cloth and cup, face away.',
      },
      { id: 'gauge', text: 'Read the gauge.' },
      { id: 'low', text: 'Begin with the lowest radiator: open its vent a quarter turn.' },
      { id: 'shut', text: 'Shut it as soon as water comes without air. Do not unscrew it.', must: true },
      { id: 'up', text: 'The same upwards through the house.' },
      { id: 'pressure', text: 'Read the gauge again: bleeding lowers it. Top up by its own card.' },
      { id: 'on', text: 'Heating on; feel each radiator from top to bottom.' },
      { id: 'again', text: 'Air again within weeks: call a registered installer.' },
    ],
  },
  reset: {
    title: 'Reset after a fault',
    when: 'The appliance is locked out and shows a code.',
    who: 'Householder once; then a registered installer.',
    at: null,
    proof: 'Code that it showed',
    steps: [
      {
        id: 'gas',
        text: 'Smell for gas, look for water and soot, feel that the room is aired.',
        must: true,
        caution: 'Gas, soot, water or a headache: do not reset. Off, air, out, and call.',
      },
      { id: 'code', text: 'Write the code down before it is gone, and take a picture of it.' },
      { id: 'pressure', text: 'Read the pressure: below its least, top up first.' },
      { id: 'taps', text: 'Shut all hot outlets: it must not start into a draw.' },
      { id: 'press', text: 'Press reset once, and wait until it has tried.' },
      {
        id: 'log',
        text: 'Log it under Readings as “reset”, with the code.',
        caution: 'It locks out again: no second reset. Call a registered installer.',
      },
    ],
  },
} as const satisfies Partial<Record<CardName, StepCard>>
