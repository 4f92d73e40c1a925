import type { Term } from './term'

/** Use, comfort, hygiene, and the work of the visit. */
export const USE_TERMS = {
  drawOff: {
    metric: 'draw-off',
    us: 'draw',
    help: 'One opening of an outlet.',
    also: ['draw', 'tapping'],
    at: 'people',
  },
  use: {
    metric: 'use',
    help: 'Outlet, time, quantity and temperature of a regular draw-off.',
    also: ['habit', 'routine', 'pattern'],
    at: 'people',
  },
  profile: {
    metric: 'tapping profile',
    us: 'draw profile',
    help: 'Standard sequence of draw-offs for one day.',
    also: ['standard day', 'test day', 'load profile'],
    at: 'people',
  },
  occupant: {
    metric: 'occupant',
    help: 'Children, elderly people or reduced heat sensation count as vulnerable.',
    also: ['person', 'people', 'resident', 'tenant'],
    at: 'people',
  },
  vulnerable: {
    metric: 'vulnerable occupant',
    us: 'at-risk occupant',
    help: 'Child, elderly person or reduced heat sensation: a lower scald limit applies.',
    also: ['child', 'elderly'],
    at: 'people',
  },
  timeToTap: {
    metric: 'time to tap',
    help: 'From opening the outlet until hot water arrives.',
    also: ['wait', 'waiting time', 'delay'],
    at: 'readings',
  },
  toWaste: {
    metric: 'draw-off to waste',
    us: 'wasted water',
    help: 'Water discarded before hot water arrives.',
    also: ['run off', 'water down the drain'],
    at: 'calculators',
  },
  unmet: {
    metric: 'unmet draw-off',
    us: 'unmet draw',
    help: 'Mean temperature short of the one required, or abandoned.',
    also: ['cool draw', 'runs out of hot water'],
    at: 'day',
  },
  peak: {
    metric: 'peak demand',
    help: 'Highest hot flow, hour or day in the year.',
    also: ['busiest', 'simultaneous demand'],
    at: 'sizing',
  },
  logReduction: {
    metric: 'log reduction',
    help: '1 log = 90% reduction; 2 log = 99%.',
    also: ['legionella', 'bacteria', 'kill', 'hygiene', 'growth'],
    at: 'checks',
  },
  scald: {
    metric: 'scald risk',
    help: 'Time of contact that causes a deep burn.',
    also: ['burn', 'scalding'],
    at: 'checks',
  },
  stagnant: {
    metric: 'stagnant run',
    help: 'Pipe unused for more than a week: flush weekly or remove.',
    also: ['standing water', 'flushing'],
    at: 'findings',
  },
  measure: {
    metric: 'measure',
    help: 'A proposed change; a package is several simulated together.',
    also: ['improvement', 'upgrade', 'change'],
    at: 'improve',
  },
  payback: {
    metric: 'simple payback',
    help: 'Cost ÷ last-in annual saving, in years.',
    also: ['pays for itself', 'return on investment', 'amortisation'],
    at: 'improve',
  },
  reading: {
    metric: 'reading',
    help: 'Instrument or meter value; apply one, or calibrate from all.',
    also: ['measurement', 'log', 'calibrate', 'adopt'],
    at: 'readings',
  },
  calculator: {
    metric: 'calculator',
    help: 'Single calculation outside the annual simulation.',
    also: ['sum', 'bench sum', 'arithmetic'],
    at: 'calculators',
  },
} as const satisfies Record<string, Term>
