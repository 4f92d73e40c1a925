import { dayNumber } from '../calendar/year'
import type { EngineerDefaults } from '../household/engineer/defaults'
import { type Thermometer, THERMOMETER_NAMES, THERMOMETERS } from '../instruments/thermometers'
import { z } from '../schema/zod'
import type { Reading } from '../study/readings'
import type { Study } from '../study/study'
import type { Display } from '../units/display'
import { boilsAt } from '../water/boiling'

/** A thermometer that was not checked for longer may be off by so many times as much. */
const CHECK_DAYS = 365
const UNCHECKED_TIMES = 1.5

/** Of its error so much is left in a difference of two readings with the same thermometer: most of it is in both. */
const LEFT_IN_DIFFERENCE = 0.4

/** What every reading of a temperature may say of itself. */
export const TAKEN_WITH = {
  thermometer: z.enum(THERMOMETER_NAMES).optional(),
  /** Day of its last check against ice or boiling water. */
  checkedOn: z.iso.date().optional(),
} as const

/** What a reading that must hold steady says besides. */
export const STEADINESS = { state: z.enum(['steady', 'passing']).optional() } as const

export interface TakenWith {
  thermometer?: Thermometer
  checkedOn?: string
}

/** Read while it still moved: held against nothing, and nothing is corrected by it. */
export const isPassing = ({ values }: Pick<Reading, 'values'>): boolean => values.state === 'passing'

/**
 * With what the last temperature of a day was read: whoever reads the next one has it in the hand; before the first of a day
 * what is in the bag.
 */
export function lastTakenWith(
  study: Study,
  day: string,
  bag: EngineerDefaults['instrument'] = null,
): Pick<TakenWith, 'thermometer' | 'checkedOn'> {
  const last = study.readings.findLast((r) => r.takenAt.startsWith(day) && r.values.thermometer !== undefined)
  const read = z.object(TAKEN_WITH).safeParse(last?.values ?? {})
  if (last && read.success) return read.data
  return bag ? { thermometer: bag.thermometer, ...(bag.checkedOn ? { checkedOn: bag.checkedOn } : {}) } : {}
}

/** Whether a thermometer was checked in the year before a reading. */
function checked({ checkedOn }: TakenWith, { takenAt }: Pick<Reading, 'takenAt'>): boolean {
  if (checkedOn === undefined) return false
  const age = dayNumber(takenAt) - dayNumber(checkedOn)
  return age >= 0 && age <= CHECK_DAYS
}

/** A tap thermometer of which nobody has said more, K. */
const UNSAID_K = 1.5

/** How far off a temperature may be as it was taken, K. @param unsaidK while nobody has said with what */
export function thermometerK(taken: TakenWith, reading: Pick<Reading, 'takenAt'>, unsaidK = UNSAID_K): number {
  if (taken.thermometer === undefined) return unsaidK
  return THERMOMETERS[taken.thermometer].offK * (checked(taken, reading) ? 1 : UNCHECKED_TIMES)
}

/** How far off a difference of two temperatures with one thermometer may be, K. */
export const differenceK = (taken: TakenWith, reading: Pick<Reading, 'takenAt'>, unsaidK = UNSAID_K): number =>
  LEFT_IN_DIFFERENCE * thermometerK(taken, reading, unsaidK)

/** How late a thermometer shows what comes, s; none where it is not said. */
export const settlesS = ({ thermometer }: TakenWith): number => (thermometer ? THERMOMETERS[thermometer].settlesS : 0)

const PASSING = 'Passing value: nothing is compared or applied. Measure again once it holds steady.'

/** What is said of how a temperature was taken. */
export function takenNotes(study: Study, taken: TakenWith, reading: Reading, write: Display): string[] {
  const { thermometer } = taken
  return [
    ...(isPassing(reading) ? [PASSING] : []),
    ...(thermometer === undefined
      ? []
      : [
          `${THERMOMETERS[thermometer].method} Settles in ${THERMOMETERS[thermometer].settlesS} s; good to ±${write.figure('rise', thermometerK(taken, reading), 1)}${
            checked(taken, reading)
              ? '.'
              : `: no check within a year before the reading is recorded. Check it in melting ice (${write.figure('temperature', 0, 0)}) and boiling water (${write.figure('temperature', boilsAt(study.site.altitudeM), 0)} here).`
          }`,
        ]),
  ]
}
