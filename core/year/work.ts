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
    throw new YearRefused(`Simulation failed: ${what} is not a number. Check the study for an implausible value`)
  return x
}

/** What a step costs besides the stretches of pipe in it, in the units of `MOST_WORK`. */
const WORK_OF_A_STEP = 8

/** Counts what a year costs, and gives it up where that is more than anybody waits for. */
export class WorkLimit {
  private work = 0

  /** @param most after which it gives up, in the units of `MOST_WORK` */
  constructor(private readonly most: number) {}

  /**
   * A step in which water moved in so many branches and draws looked along so many stretches.
   * @throws YearRefused when the year would take more than anybody waits for; @param day on which it is, from 1
   */
  step(stretches: number, day: number): void {
    this.work += WORK_OF_A_STEP + stretches
    if (this.work > this.most)
      throw new YearRefused(
        `Simulation stopped on day ${day}: too many steps. Usual causes: very small cylinder or heater with high pump flow, very many runs, or very many simultaneous draw-offs`,
      )
  }
}
