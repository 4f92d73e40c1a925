import { HEATERS } from '../heaters/kinds'
import { SAFETY } from '../safety/limits'
import { hasSetpoint, isInstantaneous } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { CardName } from '../study/step-cards'
import { ELECTRIC_CARDS } from './electric-cards'
import { HEATING_CARDS } from './heating-cards'
import { HOUSE_CARDS } from './house-cards'
import type { StepCard } from './step-card'

const burnsGas = (h: Heater) => HEATERS[h.kind].source === 'burner'

const HEATER_CARDS = {
  'gas-dial': {
    title: 'Dial of a gas valve',
    when: 'A gas storage water heater or boiler with a dial, letters or marks instead of degrees.',
    who: 'Competent person. The valve itself, its screws and its cover are for a registered installer.',
    at: (h) => burnsGas(h) && hasSetpoint(h),
    proof: 'Dial stands at',
    steps: [
      {
        id: 'smell',
        text: 'Smell at floor and valve before anything else.',
        caution:
          'With any smell of gas: no switch, no flame, no telephone inside. Open up, close the gas at the meter, leave, and call from outside.',
        must: true,
      },
      { id: 'mark', text: 'Mark with a pencil where the pointer stands, and take a picture of dial and pointer.' },
      { id: 'note', text: 'Note which way is hotter, and the letter or mark as found.' },
      {
        id: 'turn',
        text: 'Turn by one mark only. Never force it past its stop.',
        caution: (write) =>
          `A mark may be worth ${write.figure('rise', 10, 0)}. Above ${write.figure('temperature', SAFETY.scalds.value, 0)} water scalds.`,
      },
      { id: 'draw', text: 'Draw hot water until the burner lights: until then nothing has changed.' },
      { id: 'wait', text: 'Wait until the burner has stopped by itself.' },
      { id: 'measure', text: 'Measure at the nearest outlet and enter it under Readings as a dial calibration mark.' },
      { id: 'again', text: 'Repeat until it is where it should be. Leave the pencil marks for the next person.' },
    ],
  },
  'keep-hot': {
    title: 'Keep-hot of an instantaneous water heater',
    when: 'Keep-hot is to be switched on, off or to hours.',
    who: 'Heating engineer or householder, by the manual.',
    at: isInstantaneous,
    proof: 'Display shows',
    steps: [
      { id: 'found', text: 'Read and note the mode as found.' },
      { id: 'taps', text: 'All hot outlets shut, no one under a shower.' },
      { id: 'set', text: 'Choose the mode in the menu or at the button; confirm it with the key that confirms.' },
      { id: 'leave', text: 'Wait until the menu closes by itself, and read the display again.' },
      { id: 'cold', text: 'After an hour without use, open the nearest outlet: with keep-hot on it is warm at once.' },
      { id: 'clock', text: 'Where keep-hot goes by hours, check clock and weekday too.' },
    ],
  },
  'timer-override': {
    title: 'Timer with override',
    when: 'A timer switches the heater or its control, and has a key for “now” or “always”.',
    who: 'Heating engineer; a timer in the mains by a registered electrician.',
    at: hasSetpoint,
    proof: 'Timer shows',
    steps: [
      { id: 'clock', text: 'Set clock and weekday first, and summer time.' },
      {
        id: 'mains',
        text: 'See what it switches: the control of the heater, or its mains.',
        caution: 'A heater with a fan must not lose its mains while it runs on: use its control.',
      },
      { id: 'empty', text: 'Clear the periods that are not wanted: what remains from before still switches.' },
      { id: 'enter', text: 'Enter the periods in order, and read each back.' },
      { id: 'override', text: 'Press the override once on, once off. Note how it ends: by itself, or by hand only.' },
      { id: 'auto', text: 'Leave it in automatic.' },
      { id: 'next', text: 'Read the next switching time that it announces, and compare with the plan.' },
    ],
  },
} as const satisfies Partial<Record<CardName, StepCard>>

/** Every card by its name; one that is missing does not compile. */
export const STEP_CARDS: Record<CardName, StepCard> = {
  ...HEATER_CARDS,
  ...ELECTRIC_CARDS,
  ...HEATING_CARDS,
  ...HOUSE_CARDS,
}
