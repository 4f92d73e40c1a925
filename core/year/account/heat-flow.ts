import { type Carrier, CARRIER_NAMES } from '../../money/carriers'
import type { Energy, YearResult } from '../result'
import { pumpKwh } from './where-it-goes'

export interface HeatNode {
  id: string
  name: string
  /** What kind of end it is, for its colour. */
  role: 'bought' | 'free' | 'passes' | 'lost' | 'useful'
}

export interface HeatLink {
  from: string
  to: string
  kwh: number
}

const FREE: [keyof Energy, string, string][] = [
  ['renewableKwh', 'sun', 'Solar'],
  ['ambientKwh', 'air', 'Air source, by heat pump'],
  ['recoveredKwh', 'recovered', 'Recovered from the drain'],
]

const LOSSES: [keyof Energy, string, string][] = [
  ['primaryKwh', 'primary', 'Primary circuit'],
  ['storeKwh', 'store', 'Cylinder'],
  ['loopKwh', 'loop', 'Circulation'],
  ['deadLegKwh', 'runs', 'Dead legs'],
  ['toWasteKwh', 'run-off', 'Draw-off to waste'],
  ['reliefKwh', 'relief', 'T&P valve'],
]

/**
 * The ledger of a year as flows from what is bought, and what the sun and the air give, to where it ends; what is under
 * half a kWh is left out.
 */
export function heatFlow(year: Pick<YearResult, 'energy' | 'pump'>): { nodes: HeatNode[]; links: HeatLink[] } {
  const { energy } = year
  const pump = pumpKwh(year)
  const nodes: HeatNode[] = []
  const links: HeatLink[] = []
  const add = (node: HeatNode, from: string, kwh: number) => {
    if (kwh < 0.5) return
    nodes.push(node)
    links.push({ from, to: node.id, kwh })
  }
  for (const [carrier, kwh] of Object.entries(energy.inputKwh) as [Carrier, number][]) {
    if (kwh < 0.5) continue
    nodes.push({ id: carrier, name: CARRIER_NAMES[carrier], role: 'bought' })
    links.push({ from: carrier, to: 'heater', kwh })
  }
  if (links.length) nodes.push({ id: 'heater', name: 'Purchased energy', role: 'passes' })
  const bought = links.reduce((s, l) => s + l.kwh, 0)
  const made = bought - energy.conversionKwh
  nodes.push({ id: 'water', name: 'Output', role: 'passes' })
  if (made >= 0.5) links.push({ from: 'heater', to: 'water', kwh: made })
  for (const [key, id, name] of FREE) {
    if ((energy[key] as number) < 0.5) continue
    nodes.push({ id, name, role: 'free' })
    links.push({ from: id, to: 'water', kwh: energy[key] as number })
  }
  add({ id: 'conversion', name: 'Conversion loss', role: 'lost' }, 'heater', energy.conversionKwh - pump)
  add({ id: 'pump', name: 'Circulation pump', role: 'lost' }, 'heater', pump)
  add({ id: 'useful', name: 'Useful heat', role: 'useful' }, 'water', energy.usefulKwh)
  for (const [key, id, name] of LOSSES) add({ id, name, role: 'lost' }, 'water', energy[key] as number)
  return { nodes, links }
}
