/** Draws that a year may have: more than 500 a day is no household. */
export const MOST_DRAWS = 200_000

/**
 * Work that a year may take, in units of about a quarter of a microsecond: four seconds of a quick core, nine of a slow one. The tall
 * house of the demos takes about a million.
 */
export const MOST_WORK = 19_000_000

/** A sound study whose year is not worked out, with the reason in plain words. */
export class YearRefused extends Error {
  override name = 'YearRefused'
}

/** @throws YearRefused when a figure is not a number: nothing that is no figure is ever shown as one */
export function finite(x: number, what = 'a figure of the year'): number {
  if (!Number.isFinite(x))
    throw new YearRefused(
      `${what} came out as no number, so none is shown: please look for a figure of the study that cannot be meant`,
    )
  return x
}
