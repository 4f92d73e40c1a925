/** What is asked of a relief valve's discharge, in words that stand on the form too. */
export const DISCHARGE = {
  fullSize: 'Discharge pipe not smaller than valve outlet',
  falls: 'Discharge pipe falls continuously',
  endSeen: 'Termination open and visible',
  drained: 'Drain can take the discharge',
  covered: 'Discharge guarded: lid, guard or out of reach',
} as const
