import type { CardName } from '../study/step-cards'

/** What somebody complains of, in which order one looks, and which card helps. */
export interface Symptom {
  says: string
  looks: readonly string[]
  card: CardName | null
}

export const SYMPTOMS: readonly Symptom[] = [
  {
    says: 'No hot water at all',
    looks: ['Power and fuel', 'Mode, setpoint, clock', 'Code and pressure'],
    card: 'no-hot-water',
  },
  { says: 'Radiator cold on top, hot below', looks: ['Air: bleed it', 'Then the pressure'], card: 'bleed' },
  {
    says: 'Radiator cold below, hot on top',
    looks: ['Valve and lockshield open', 'Sludge: have it flushed', 'Too little flow: balance the others'],
    card: null,
  },
  {
    says: 'Pressure falls',
    looks: [
      'Drips at radiators, relief valve and vents',
      'Expansion vessel without charge',
      'Top up, log it, and count',
    ],
    card: 'top-up',
  },
  { says: 'Locked out with a code', looks: ['Gas, water, soot', 'Code and pressure', 'One reset'], card: 'reset' },
  {
    says: 'Turns cold during a shower',
    looks: ['A second outlet opened', 'Cylinder used up', 'Flow below what the heater starts at'],
    card: null,
  },
]
