import type { Economics } from '../study/economics'

export interface Outlook {
  /** Percent a year, after inflation. */
  discountPercent: number
  growthPercent: number
  years: number
}

/**
 * How far ahead and at which rates money is looked at where nobody has said: what a household's savings bring, energy a little
 * dearer every year, and as long as most of the plant lasts. After inflation, money of today; from practice.
 */
export const USUAL_OUTLOOK: Outlook = { discountPercent: 3, growthPercent: 1, years: 20 }

/** As it was said, else the usual. */
export const outlookOf = ({ discountPercent, growthPercent, years }: Economics): Outlook => ({
  discountPercent: discountPercent ?? USUAL_OUTLOOK.discountPercent,
  growthPercent: growthPercent ?? USUAL_OUTLOOK.growthPercent,
  years: years ?? USUAL_OUTLOOK.years,
})
