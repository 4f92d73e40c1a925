/** What is asked of a relief valve's discharge, in words that stand on the form too. */
export const DISCHARGE = {
  fullSize: 'Discharge as wide as the valve, all the way',
  falls: 'Discharge falls all the way',
  endSeen: 'Its end is open and in sight',
  drained: 'Drain or vessel takes what comes',
  covered: 'What comes can hit nobody: lid, guard or out of reach',
} as const
