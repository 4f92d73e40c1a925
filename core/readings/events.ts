/** What may have been changed between two readings besides a setting: it is logged so that a difference can be put down to it. */
export const CHANGES_LOGGED = ['works done', 'fixture changed', 'occupants changed', 'weather changed'] as const

/** Faults that return, and changes. */
export const FAULTS_LOGGED = ['topped up', 'reset', 'relief valve opened', 'fault code'] as const

/** What can be logged as an event. */
export const EVENTS = [...FAULTS_LOGGED, ...CHANGES_LOGGED] as const
