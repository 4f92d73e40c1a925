import { HEATERS } from '../../heaters/kinds'
import type { Heater } from '../../study/plant'
import type { Store } from '../../study/store'
import { assumedHeater, assumedStore } from '../defaults/assumed-heaters'
import { burns, hasVessel, type QuickAnswers } from './answers'

/** Contents of a vessel nobody has said, L: for the house, and more for each who lives there; one with a flue is smaller. */
const VESSEL_L = { house: 60, each: 45, withFlue: 0.8 } as const
/** Output of what heats as it runs for one shower at a time and for more, kW. */
const RUNNING_KW = {
  'instant-gas': { one: 24, more: 35 },
  'instant-electric': { one: 18, more: 27 },
  'district-heat': { one: 35, more: 45 },
} as const
/** An element that is to keep a large vessel, kW. */
const LARGE = { fromL: 200, kw: 3 } as const

/** Where an immersion heater sits that leaves the lower part of the vessel to the sun or a fire, and where it is felt. */
const UPPER = { height: 0.6, sensorHeight: 0.7 } as const

const vesselL = ({ source, adults, children, older }: QuickAnswers) => {
  const litres = VESSEL_L.house + VESSEL_L.each * (adults + children + older)
  return Math.round((litres * (HEATERS[source].flueInStore ? VESSEL_L.withFlue : 1)) / 10) * 10
}

/** What heats and holds the water by the answers; the sun and a fire have an immersion heater beside them. */
export function quickPlant(answers: QuickAnswers, tapId: string): { heaters: Heater[]; store: Store | null } {
  const { source, fuel } = answers
  const store: Store | null = hasVessel(source)
    ? { ...assumedStore('heated', source), litres: answers.litres ?? vesselL(answers) }
    : null
  if (store) store.heightM = heightOf(store.litres)
  const heater = (kind: Heater['kind'], id: string) => assumedHeater(kind, id, 'heated', tapId, store?.litres ?? null)
  const main = heater(source, 'heater')
  if (main.kind in RUNNING_KW && 'outputKw' in main) {
    const kw = RUNNING_KW[main.kind as keyof typeof RUNNING_KW]
    main.outputKw = answers.fixtures.shower > 1 ? kw.more : kw.one
  }
  if (burns(source) && 'carrier' in main) main.carrier = fuel
  const element = heater('element', 'immersion')
  // Beside the sun or a fire it keeps the upper part only: the rest is theirs to warm.
  if (element.kind === 'element') Object.assign(element, UPPER)
  for (const h of [main, element])
    if (h.kind === 'element' && store && store.litres >= LARGE.fromL) h.powerKw = LARGE.kw
  return { heaters: HEATERS[source].byItself ? [main, element] : [main], store }
}

/** Height of a vessel of usual proportions, about two and a half times as high as wide, m. */
const heightOf = (litres: number) =>
  Math.round(Math.min(2.2, Math.max(0.4, Math.cbrt((litres / 1000) * (4 / Math.PI) * 2.5 ** 2))) * 100) / 100
