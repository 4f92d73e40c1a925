/** How far the supply stays below the pressure that opens a relief valve, bar: nearer to it the valve drips as water expands. */
export const BELOW_RELIEF_BAR = 0.5
