import { GAL_L } from '../units/quantities'
import { CALORIFIC, KWH_PER_THERM } from './calorific'
import type { Carrier } from './carriers'

/** Units that energy is billed by. */
export const BILL_UNITS = {
  kwh: 'kWh',
  therm: 'therm',
  m3: 'm³',
  ft3: 'ft³',
  'hundred-ft3': 'hundred ft³',
  litre: 'L',
  gallon: 'gal',
  kg: 'kg',
  'stacked-m3': 'stacked m³',
  cord: 'cord',
} as const
export type BillUnit = keyof typeof BILL_UNITS
export const BILL_UNIT_KEYS = Object.keys(BILL_UNITS) as BillUnit[]

/** Beech at 20 % moisture in a stacked cubic metre, kg: 680 kg/m³ solid, 0.7 of the stack is wood. */
const STACKED_KG_M3 = 476
/** A cord, 128 ft³, in stacked cubic metres. */
const CORD_M3 = 3.6246

const logs = CALORIFIC['beech logs at 20 % moisture, kg']

/** Units a carrier is sold by, and the kWh (gross; wood: net) in each to begin with; the bill has the supplier's own. */
export const BILLED: Record<Carrier, Partial<Record<BillUnit, number>>> = {
  'natural-gas': {
    kwh: 1,
    therm: KWH_PER_THERM,
    m3: CALORIFIC['natural gas, m³'],
    ft3: CALORIFIC['natural gas, ft³'],
    'hundred-ft3': 100 * CALORIFIC['natural gas, ft³'],
  },
  propane: {
    kwh: 1,
    kg: CALORIFIC['propane, kg'],
    litre: CALORIFIC['propane, L'],
    gallon: CALORIFIC['propane, L'] * GAL_L,
  },
  'heating-oil': { kwh: 1, litre: CALORIFIC['heating oil, L'], gallon: CALORIFIC['heating oil, L'] * GAL_L },
  electricity: { kwh: 1 },
  'wood-logs': { kwh: 1, kg: logs, 'stacked-m3': logs * STACKED_KG_M3, cord: logs * STACKED_KG_M3 * CORD_M3 },
  pellets: { kwh: 1, kg: CALORIFIC['pellets, kg'] },
  'district-heat': { kwh: 1 },
}

/** Units that water is billed by, in cubic metres. */
export const WATER_UNITS = {
  m3: { name: 'm³', m3: 1 },
  litre: { name: 'L', m3: 0.001 },
  'hundred-ft3': { name: 'hundred ft³', m3: 2.8316847 },
  'thousand-gal': { name: '1000 gal', m3: GAL_L },
} as const
export type WaterUnit = keyof typeof WATER_UNITS
export const WATER_UNIT_KEYS = Object.keys(WATER_UNITS) as WaterUnit[]
