import { CARRIERS } from '../money/carriers'
import { z } from '../schema/zod'

/** What energy is bought as. */
export const Carrier = z.enum(CARRIERS)

/** What can burn in a gas or oil appliance, and what in a fire. */
export const BurnerFuel = z.enum(['natural-gas', 'propane', 'heating-oil'])
export const FireFuel = z.enum(['wood-logs', 'pellets'])
