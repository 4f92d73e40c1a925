import { HEATERS } from '../heaters/kinds'
import { isCollector, isFireOnStore, standbyOf } from '../study/heater-kinds'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'

/** What a heater does when something is cut off: it works on, it does not, or it becomes dangerous. */
export type InOutage = 'works' | 'does not' | 'becomes dangerous'

export interface Outage {
  id: string
  name: string
  /** When the electricity is cut. */
  power: InOutage
  powerWhy: string
  /** When its own fuel or network is cut; null where electricity is its fuel. */
  fuel: InOutage | null
}

function withoutPower(heater: Heater): [InOutage, string] {
  switch (HEATERS[heater.kind].source) {
    case 'electricity':
      return ['does not', 'it heats by electricity']
    case 'network':
      return ['does not', 'its controls and the network pumps stop']
    case 'sun':
      return isCollector(heater)
        ? ['becomes dangerous', 'Pump stops; collectors stagnate and produce steam']
        : ['does not', 'the inverter shuts down with the grid']
    case 'fire':
      return isFireOnStore(heater) && heater.circuit.pump
        ? ['becomes dangerous', 'Pump stops while the stove burns; water boils unless a gravity heat leak is fitted']
        : ['works', 'needs no power']
    case 'burner':
      return 'pilotW' in heater && heater.pilotW > 0 && standbyOf(heater) === 0
        ? ['works', 'pilot ignition, no power needed']
        : ['does not', 'ignition, fan or controls need power']
  }
}

/** What each heater of a household does when electricity or its fuel is cut off. */
export const outages = ({ plant }: Study): Outage[] =>
  plant.heaters.map((h) => {
    const [power, powerWhy] = withoutPower(h)
    const { source } = HEATERS[h.kind]
    const burns = source === 'burner' || source === 'network' || source === 'fire'
    return { id: h.id, name: h.name, power, powerWhy, fuel: burns ? 'does not' : null }
  })
