import type { Ledger, Season } from '../account/ledger'
import type { ClockNow } from '../controls/clock'
import type { Outflow } from '../pipes/outflow'

/** A moment of the plant, for a drawing. */
export interface PlantState {
  /** Temperature of what leaves towards the taps, °C. */
  supplyC: number
  /** Ten slices of the store, bottom to top, °C; empty without a store. */
  slices: number[]
  /** Heat given to the water now, kW. */
  heatKw: number
}

/** How often a heater started; a burner that cycles within a step counts parts of a start. */
export interface HeaterStarts {
  id: string
  starts: number
}

/** Starts of several together. */
export const allStarts = (of: readonly HeaterStarts[]): number => of.reduce((sum, h) => sum + h.starts, 0)

/**
 * What the yearly engine asks of the plant: hot water out, water back in, and its own doings between.
 *
 * In each step of a year it is called in one order, and what one call leaves behind the next takes up:
 * 1. `longestStep` — with the flows of the step to come; looks, changes nothing.
 * 2. `supply` — what leaves for taps and loop; only when something flows. Remembers what of it came from the store.
 *    (The network then passes it along its runs, and every open tap receives what arrives.)
 * 3. `refill` — as much comes back in: cold water, and what the loop returned; only after a `supply`. While a loop alone
 *    flows the two take turns, as often as the step is longer than `mostAtOnceL` lets it be at once.
 * 4. `advance` — heaters and losses for the step; always, and last. It moves the plant's clock.
 * Between steps the calendar calls `atClock` at each edge of the week and `setMonth` at each month; `settle` enters what
 * was lost since the last call, at the end of a month.
 */
export interface PlantModel {
  /** Sets its clock before anything has moved, s of the year. */
  startAt(atS: number): void
  /** Litres that it can give to a loop before it feels what of them has come back: a longer step goes round in as many pushes. */
  readonly mostAtOnceL: number
  /** Longest step for which the plant's model holds at the flows of taps and loop, s. @param backC what comes back from the loop now, °C */
  longestStep(tapLMin: number, loopLMin: number, backC: number): number
  /** Temperature that leaves towards the taps, °C. */
  supplyC(): number
  /** Litres that will leave it within a band of a temperature, K either way; Infinity while it holds what it gives. */
  evenAhead(tempC: number, restartDifferentialK: number): number
  /** Fills `out` with the hot water that leaves in a step. */
  supply(tapLitres: number, loopLitres: number, mainsC: number, dtS: number, out: Outflow): void
  /** Takes in what replaces it: cold water, and what the loop brought back. */
  refill(tapLitres: number, mainsC: number, back: Outflow | null): void
  /** Heaters and standing loss over the step. */
  advance(dtS: number, mainsC: number): void
  /** Opens and closes heater windows, and takes up what is set by hand, by holiday or against growth. */
  atClock(now: ClockNow): void
  setMonth(month: number): void
  /** Enters what was lost since the last call. */
  settle(ledger: Ledger, season: Season): void
  heldKj(): number
  state(): PlantState
  /** Starts of each of its heaters so far. */
  starts(): HeaterStarts[]
  /** Whether a heater makes hot water now. */
  makes(heaterId: string): boolean
  /** Hot runs against growth that were begun, and those that reached their temperature and held it. */
  pasteurisations(): { begun: number; held: number }
  /** Hours in which collectors stood in the sun with nowhere to put their heat. */
  collectorStagnationHours(): number
  /** Coolest water that is stored, °C; null without a store. */
  coolestC(): number | null
  /** Stored water that would be drawn next, °C; what the heater holds where nothing is stored. */
  storedTopC(): number
  /** Share of the store between two temperatures. */
  shareBetween(fromC: number, toC: number): number
}
