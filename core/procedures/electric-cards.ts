import { HEATERS } from '../heaters/kinds'
import type { Heater } from '../study/plant'
import type { CardName } from '../study/step-cards'
import type { Step, StepCard } from './step-card'

const SHOCK =
  'Electric shock kills. For a competent person by the local code; if in doubt, leave the cover on and call a registered electrician.'

/** Before any cover comes off, in this order. */
const ISOLATE: readonly Step[] = [
  {
    id: 'isolate',
    text: 'Switch the circuit off at its breaker, and lock or tape it.',
    must: true,
    isolates: true,
    caution: SHOCK,
  },
  {
    id: 'prove',
    text: 'Prove it dead at the terminals, with a tester that was tried on something live before and after.',
    must: true,
    caution: 'A timer or a second supply can keep a terminal live.',
  },
]

const hasElement = (h: Heater) =>
  HEATERS[h.kind].source === 'electricity' && HEATERS[h.kind].stores && HEATERS[h.kind].thermostat

export const ELECTRIC_CARDS = {
  'element-thermostat': {
    title: 'Thermostat behind a cover',
    when: 'An electric heater whose thermostat is a screw or a dial behind its cover and insulation.',
    who: 'Competent person by the local code; otherwise a registered electrician.',
    at: hasElement,
    proof: 'Thermostat stands at',
    steps: [
      ...ISOLATE,
      { id: 'picture', text: 'Take a picture of cover, insulation, guard and wires as they are.' },
      {
        id: 'open',
        text: 'Cover off, insulation folded back. The guard over the terminals stays on.',
        caution: 'The vessel and its water are hot.',
      },
      { id: 'mark', text: 'Mark where the pointer or the slot stands, and note it as found.' },
      { id: 'turn', text: 'Turn it to the new value. Stop at its stop; do not bend the bracket.' },
      {
        id: 'pair',
        text: 'Two thermostats: set both alike, the upper never below the lower.',
      },
      {
        id: 'refit',
        text: 'Guard back, insulation back without a gap, cover back, nothing pinched.',
        must: true,
        caution: 'Without its insulation a thermostat feels the room and overheats the water.',
      },
      {
        id: 'refit-picture',
        text: 'Take a picture of the refitted insulation before the cover goes on, and of the cover.',
      },
      { id: 'power', text: 'Lock off, breaker on.', restores: true },
      { id: 'wait', text: 'Wait for a full reheat.' },
      { id: 'measure', text: 'Measure at the nearest outlet and enter it under Readings.' },
    ],
  },
  'room-control': {
    title: 'Room control: wiring, pairing and place',
    when: 'A wireless room control and its receiver take the place of an old one.',
    who: 'The receiver by a registered electrician; pairing by anybody.',
    at: null,
    proof: 'Control shows',
    steps: [
      ...ISOLATE,
      { id: 'picture', text: 'Take a picture of the old wiring with its numbers.' },
      {
        id: 'old',
        text: 'Take the old control off. Ends that stay are capped and put away, each by itself.',
        must: true,
        caution: 'A wire of the old control may be fed from elsewhere.',
      },
      { id: 'earth', text: 'Earth first: to its terminal, whether the receiver needs it or not.', must: true },
      { id: 'supply', text: 'Then neutral and supply, then the switched wire to the boiler.' },
      { id: 'close', text: 'Receiver closed and screwed on.', must: true },
      { id: 'power', text: 'Lock off, breaker on.', restores: true },
      { id: 'battery', text: 'New batteries into the control; write the date inside its lid.' },
      {
        id: 'pair',
        text: 'Pair before programming: receiver into pairing, then the control beside it, until both confirm.',
      },
      {
        id: 'place',
        text: 'Hang it at breast height on an inner wall: no sun, draught, lamp, curtain or warm pipe behind it.',
      },
      {
        id: 'valve',
        text: 'No thermostatic radiator valve in the same room, or leave that one fully open: two controls of one room fight.',
      },
      { id: 'try', text: 'Ask for heat: the boiler lights. Ask for none: it stops.' },
    ],
  },
} as const satisfies Partial<Record<CardName, StepCard>>
