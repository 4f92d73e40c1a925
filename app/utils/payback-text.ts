/** Years until something has paid for itself, in words. */
export const paybackText = (years: number | null): string =>
  years === null ? 'not priced' : years === 0 ? 'immediate' : years === Infinity ? 'never' : `${years.toFixed(1)} years`
