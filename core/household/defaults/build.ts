import type { Place } from '../../climate/places'
import type { Material } from '../../pipes/catalogue'
import type { Insulation } from '../../pipes/loss'
import type { Use } from '../../study/people'
import type { Run } from '../../study/pipes'
import { pipeNotChecked } from './not-checked'

/** Short ways to write a demo study down. */

export const foam = (thicknessMm: number): Insulation => ({ lambdaWMK: 0.04, thicknessMm })

export function run(
  id: string,
  name: string,
  from: string | null,
  [material, size, lengthM]: [Material, string, number],
  place: Place,
  insulation: Insulation | null = null,
  reachable = true,
): Run {
  return { id, name, from, material, size, lengthM, place, insulation, reachable, ...pipeNotChecked() }
}

const EVERY = [true, true, true, true, true, true, true]
const WORK = [true, true, true, true, true, false, false]
const REST = [false, false, false, false, false, true, true]
export const DAYS_OF = { every: EVERY, work: WORK, rest: REST }

type Common = Pick<Use, 'id' | 'name' | 'personId' | 'tapId'>
interface When {
  days: keyof typeof DAYS_OF
  /** "07:15" */
  at: string
  spreadMin?: number
  chance?: number
}

const minutes = (at: string) => Number(at.slice(0, 2)) * 60 + Number(at.slice(3))

function habit(
  common: Common,
  when: When,
  use: Use['use'],
  requiredC: number,
  waits: boolean,
  amountSpread: number,
): Use {
  const { days, at, spreadMin = 15, chance = 1 } = when
  return {
    ...common,
    days: [...DAYS_OF[days]],
    atMin: minutes(at),
    spreadMin,
    chance,
    use,
    amountSpread,
    requiredC,
    waits,
    unattendedS: 0,
  }
}

/** A shower of some minutes: waits until it is warm. */
export const shower = (common: Common, when: When, mins: number, requiredC = 39) =>
  habit(common, when, { kind: 'timed', minutes: mins }, requiredC, true, 0.25)

/** A bath of some litres, at the tap's mixed temperature. */
export const bath = (common: Common, when: When, litres: number) =>
  habit(common, when, { kind: 'filled', litres }, 40, true, 0.1)

/** Washing hands: takes what comes. */
export const basin = (common: Common, when: When, litres = 2) =>
  habit(common, when, { kind: 'filled', litres }, 36, false, 0.4)

/** Washing up: waits until it is hot. */
export const dishes = (common: Common, when: When, litres: number) =>
  habit(common, when, { kind: 'filled', litres }, 47, true, 0.3)
