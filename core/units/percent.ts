/** A share in percent, with no more decimals than it needs. @example percentText(0.325) // "32.5%" */
export const percentText = (share: number, decimals = 1): string =>
  `${Number((100 * share).toFixed(decimals))}%`.replace('-', '−')
