import { type Climate, CLIMATES } from '../../climate/archetypes'
import { type HeaterKind, HEATERS } from '../../heaters/kinds'
import { BILL_UNIT_KEYS } from '../../money/billing'
import type { Carrier } from '../../money/carriers'
import { z } from '../../schema/zod'
import { LoopMode, SetpointC } from '../../study/controls'
import { between } from '../../study/fields'
import { BurnerFuel } from '../../study/fuels'
import { Tariff } from '../../study/prices'
import { StoreField } from '../../study/store'
import { type Region, REGIONS } from './regions'

/** What can be the heat source of a house at the first question. Of the sun and a fire an immersion heater makes up the rest. */
export const QUICK_SOURCES = [
  'boiler-coil',
  'gas-store',
  'element',
  'heat-pump',
  'instant-gas',
  'instant-electric',
  'district-heat',
  'solar',
  'wood-coil',
] as const satisfies readonly HeaterKind[]
export type QuickSource = (typeof QUICK_SOURCES)[number]

/** When the occupants are at home, which decides when they draw. */
export const QUICK_DAYS = {
  out: { name: 'Out by day', says: 'showers early, washing up in the evening' },
  home: { name: 'At home by day', says: 'draw-offs spread over the day' },
  evening: { name: 'Evening household', says: 'showers after eight in the evening' },
} as const
export type QuickDay = keyof typeof QUICK_DAYS

/** How the hot pipes run. */
export const QUICK_LAYOUTS = {
  branches: { name: 'Branches', says: 'one trunk, a run to each outlet' },
  manifold: { name: 'Manifold', says: 'a small pipe of its own to each outlet' },
  circulation: { name: 'With circulation', says: 'a trunk with a return and a pump' },
} as const
export type QuickLayout = keyof typeof QUICK_LAYOUTS

/** When the heater was found to heat. */
export const QUICK_TIMERS = {
  always: { name: 'At all times' },
  twice: { name: 'Mornings and evenings' },
} as const
export type QuickTimer = keyof typeof QUICK_TIMERS

/** Fixtures that are counted. */
export const QUICK_FIXTURES = ['shower', 'bath', 'basin', 'kitchen', 'machine'] as const
export type QuickFixture = (typeof QUICK_FIXTURES)[number]

const keysOf = <K extends string>(of: Record<K, unknown>) => z.enum(Object.keys(of) as [K, ...K[]])
const count = (most: number) => z.int().min(0).max(most)

/**
 * The nine answers a household begins with: where, what heats, how much it holds, who lives there and when, which fixtures,
 * how far, how the pipes run, how it was found set, and the price on the last bill. Metric: L, m, °C.
 */
export const QuickAnswers = z.strictObject({
  region: keysOf<Region>(REGIONS),
  climate: keysOf<Climate>(CLIMATES),
  source: z.enum(QUICK_SOURCES),
  /** What a burner burns. */
  fuel: BurnerFuel,
  /** Contents of the vessel; null: not said. What heats water as it runs has none. */
  litres: StoreField.shape.litres.nullable(),
  adults: count(8),
  children: count(8),
  older: count(4),
  day: keysOf<QuickDay>(QUICK_DAYS),
  fixtures: z.strictObject({
    shower: count(6),
    bath: count(6),
    basin: count(8),
    kitchen: count(3),
    machine: count(3),
  }),
  /** Pipe from the heater to the farthest outlet. */
  farthestM: between(1, 60),
  layout: keysOf<QuickLayout>(QUICK_LAYOUTS),
  /** Null: not said; then it is what the heater begins with. */
  setpointC: SetpointC.nullable(),
  timer: keysOf<QuickTimer>(QUICK_TIMERS),
  loopMode: LoopMode,
  /** What a unit of the main carrier costs; null: no bill at hand. */
  price: z.strictObject({ unit: z.enum(BILL_UNIT_KEYS), perUnit: Tariff.shape.price }).nullable(),
})
export type QuickAnswers = z.infer<typeof QuickAnswers>

/** A household that is met often: what the questions stand at before anybody has answered. */
export const FIRST_ANSWERS: QuickAnswers = {
  region: 'europe',
  climate: 'temperate inland',
  source: 'boiler-coil',
  fuel: 'natural-gas',
  litres: null,
  adults: 2,
  children: 0,
  older: 0,
  day: 'out',
  fixtures: { shower: 1, bath: 0, basin: 1, kitchen: 1, machine: 0 },
  farthestM: 12,
  layout: 'branches',
  setpointC: null,
  timer: 'always',
  loopMode: 'clock',
  price: null,
}

/** What stands in the way of beginning with such answers; null: nothing. */
export function unanswered({ adults, children, older, fixtures }: QuickAnswers): string | null {
  if (adults + children + older === 0) return 'At least one occupant is needed.'
  if (QUICK_FIXTURES.every((f) => fixtures[f] === 0)) return 'At least one fixture is needed.'
  return null
}

/** Whether the source burns a fuel that is to be chosen. */
export const burns = (source: QuickSource): boolean => HEATERS[source].source === 'burner'

/** Whether what heats has a vessel to ask for. */
export const hasVessel = (source: QuickSource): boolean => HEATERS[source].heats === 'store'

/** What the main heater of an answer runs on: the bill asked for is its bill. */
export function mainCarrier({ source, fuel }: Pick<QuickAnswers, 'source' | 'fuel'>): Carrier {
  return { burner: fuel, network: 'district-heat', fire: 'wood-logs', electricity: 'electricity', sun: 'electricity' }[
    HEATERS[source].source
  ] as Carrier
}
