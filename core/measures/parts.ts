import { HEATERS } from '../heaters/kinds'
import { HOUR_OF_WORK } from '../household/engineer/price-book'
import { MOUNT_WORDS } from '../household/mounts'
import { storeArea } from '../household/store-area'
import { type Material, PIPES } from '../pipes/catalogue'
import { hasSlit, type Insulation } from '../pipes/loss'
import { FIRST_M } from '../stores/connections'
import { displayOf } from '../study/display-of'
import { offeredAt, type PartPrice } from '../study/economics'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'
import type { Run } from '../study/pipes'
import type { Heater } from '../study/plant'
import type { Study } from '../study/study'
import { fromMetric, unitOf } from '../units/quantities'
import { apply } from './apply'
import { MEASURES } from './names'

/** Insulation comes in pieces of 2 m, or of 6 ft. */
const PIECE_M = { metric: 2, us: 6 * 0.3048 }
/** Tape closes a joint each so many metres and each fitting, m of tape. */
const TAPE_M_JOINT = 0.15

/** What has to be bought or done: how many, in what, and what one costs. */
export interface Part {
  /** Says what decides its price: another part has another key. */
  key: string
  name: string
  count: number
  unit: string
  /** Money for one; null: nobody has asked. */
  priceEach: PartPrice | null
  /** Whose price that is: an offer for this measure, or the price book. */
  priceFrom: 'offer' | 'price book' | null
  /** The same counted another way, for a price asked so. @example "18 m" */
  also?: string
  /** What is in one of it, where it is sold by its length too: for a price a metre or a foot. */
  lengthEach?: { unit: string; units: number }
}

type Bare = Omit<Part, 'priceEach' | 'priceFrom'>

const wrapKey = ({ lambdaWMK, thicknessMm }: Insulation) => `${lambdaWMK} ${thicknessMm}`

/** What a heater is sized by, in the unit of its kind. */
const sizeOf = (h: Heater): number => {
  if ('outputKw' in h) return h.outputKw
  if ('powerKw' in h) return h.powerKw
  if ('areaM2' in h) return h.areaM2
  return h.waterKw
}

const labour = (m: Measure): Bare => ({
  key: `labour ${m.kind}`,
  name: `Work: ${MEASURES[m.kind].name.toLowerCase()}`,
  count: 1,
  unit: 'job',
})

/** A pipe as it is asked for in a shop. @example "Copper type L, 3/4" */
const soldAs = (material: Material, size: string) => `${PIPES[material].label}, ${size}`

/** Insulation for so many metres of a pipe, in whole pieces. */
function foamOf(
  study: Study,
  wrap: Insulation,
  selfSealing: boolean,
  material: Material,
  size: string,
  metres: number,
): Bare {
  const write = displayOf(study)
  const pieceM = PIECE_M[study.units]
  const perLength = unitOf('length', study.units).label
  const sealing = selfSealing ? ' self-sealing' : ''
  return {
    key: `foam ${material} ${size} ${wrapKey(wrap)}${sealing} ${perLength}`,
    name: `Insulation for ${soldAs(material, size)}, ${write.figure('thickness', wrap.thicknessMm)}${selfSealing ? ', self-sealing' : ''}`,
    count: Math.ceil(metres / pieceM - 1e-9),
    unit: `pieces of ${write.figure('length', pieceM)}`,
    also: `${write.figure('length', metres)} to cover`,
    lengthEach: { unit: perLength, units: fromMetric('length', study.units, pieceM) },
  }
}

const insulation = (study: Study, m: MeasureOf<'insulate-runs'>): Bare[] => {
  const { runs, loop } = study.pipes
  const after = apply(study, m)
  const wrapped = [
    ...after.pipes.runs.filter((r, i) => r !== runs[i]),
    ...(loop && after.pipes.loop!.back.insulation !== loop.back.insulation ? [loop.back] : []),
  ]
  const bySize = new Map<string, { material: Material; size: string; metres: number; joints: number }>()
  for (const { material, size, lengthM, fittings } of wrapped) {
    const at = bySize.get(`${material} ${size}`) ?? { material, size, metres: 0, joints: 0 }
    at.metres += lengthM
    at.joints += fittings.bends + fittings.tees + fittings.valves
    bySize.set(`${material} ${size}`, at)
  }
  const selfSealing = m.slit === 'self-sealing' && hasSlit(m.insulation.lambdaWMK)
  const foam = [...bySize.values()].map(({ material, size, metres }) =>
    foamOf(study, m.insulation, selfSealing, material, size, metres),
  )
  const elbows = [...bySize.values()].reduce((s, b) => s + b.joints, 0)
  const tapeM = foam.reduce((s, f) => s + f.count, elbows) * TAPE_M_JOINT
  return foam.length === 0
    ? []
    : [
        ...foam,
        ...(elbows
          ? [{ key: 'elbows', name: 'Mitred bends, tees and valve covers', count: elbows, unit: 'pieces' }]
          : []),
        byLength(study, 'tape', 'Tape, sealed against damp', tapeM),
      ]
}

/** Insulation of one length of pipe, in pieces. */
const foamFor = (
  study: Study,
  { material, size, lengthM }: Pick<Run, 'material' | 'size' | 'lengthM'>,
  wrap: Insulation | null,
): Bare[] => (wrap === null || wrap.thicknessMm === 0 ? [] : [foamOf(study, wrap, false, material, size, lengthM)])

/** Traps for the pipes on its top where none are, and insulation for the first length of the cold inlet where it is thicker. */
const connections = (study: Study, m: MeasureOf<'store-connections'>): Bare[] => {
  const { store } = study.plant
  if (!store) return []
  const { heatTraps, inlet } = store.connections
  const wrapped = apply(study, m).plant.store!.connections.inlet?.insulation !== inlet?.insulation
  const traps = m.heatTraps && heatTraps !== true
  return [
    ...(traps ? [{ key: 'heat trap', name: 'Heat trap', count: inlet?.at === 'bottom' ? 1 : 2, unit: 'pieces' }] : []),
    ...(inlet && wrapped ? foamFor(study, { ...inlet, lengthM: FIRST_M }, m.insulation) : []),
    ...(traps ? [labour(m)] : []),
  ]
}

/**
 * Whatever is bought by its length, in whole metres or feet. Their prices are kept apart: one of a metre is none of a foot.
 */
const byLength = (study: Study, key: string, name: string, metres: number, also?: string): Bare => {
  const { label } = unitOf('length', study.units)
  return {
    key: `${key} ${label}`,
    name,
    count: Math.ceil(fromMetric('length', study.units, metres) - 1e-9),
    unit: label,
    ...(also ? { also } : {}),
  }
}

const pipe = (study: Study, m: MeasureOf<'repipe' | 'own-run'>): Bare[] => [
  byLength(study, `pipe ${m.pipe.material} ${m.pipe.size}`, soldAs(m.pipe.material, m.pipe.size), m.pipe.lengthM),
  { key: 'fittings', name: 'Fittings and brackets', count: 1, unit: 'set' },
  labour(m),
]

/** A gravity circuit is taken apart at unions, drained at its lowest point, and never shut. */
const fireParts: Bare[] = [
  { key: 'unions', name: 'Unions at both connections of the coil', count: 2, unit: 'pieces' },
  { key: 'drain-cock', name: 'Drain cock at the lowest point of the cold pipe', count: 1, unit: 'piece' },
  {
    key: 'relief',
    name: 'Relief valve at the top of the cylinder, no isolating valve before it, discharge piped',
    count: 1,
    unit: 'piece',
  },
]

const PARTS: { [K in MeasureKind]: (study: Study, measure: MeasureOf<K>) => Bare[] } = {
  'insulate-runs': insulation,
  jacket: (study, m) =>
    study.plant.store
      ? [
          {
            key: `jacket ${wrapKey(m.insulation)}`,
            name: 'Jacket',
            count: 1,
            unit: 'piece',
            also: `${displayOf(study).figure('area', storeArea(study.plant.store))} of cylinder`,
          },
        ]
      : [],
  'store-connections': connections,
  setpoint: () => [],
  'heater-schedule': () => [],
  'heater-control': () => [],
  'loop-mode': () => [],
  'loop-schedule': () => [],
  'lay-loop': (study, m) => {
    const { back, returns } = m.loop
    const own = returns.by === 'own pipe'
    return [
      { key: 'circulation pump', name: 'Circulation pump with its control', count: 1, unit: 'piece' },
      own
        ? { key: 'check valve', name: 'Check valve on the return', count: 1, unit: 'piece' }
        : { key: 'bypass valve', name: 'Thermostatic bypass valve at the furthest outlet', count: 1, unit: 'piece' },
      ...(own
        ? [
            byLength(study, `pipe ${back.material} ${back.size}`, soldAs(back.material, back.size), back.lengthM),
            ...foamFor(study, back, back.insulation),
            { key: 'fittings', name: 'Fittings and brackets', count: 1, unit: 'set' },
          ]
        : []),
      labour(m),
    ]
  },
  'tap-flow': () => [{ key: 'head', name: 'Shower head or aerator', count: 1, unit: 'piece' }],
  'stop-when-warm': () => [{ key: 'device', name: 'Thermostatic shut-off valve', count: 1, unit: 'piece' }],
  'mend-drip': () => [{ key: 'washer', name: 'Washer or cartridge', count: 1, unit: 'piece' }],
  'shorter-draws': () => [],
  'bath-to-shower': () => [],
  repipe: pipe,
  'own-run': pipe,
  'move-heater': (_, m) => [
    { key: 'lines', name: 'Cold main, fuel or cable, flue and drain to the new location', count: 1, unit: 'job' },
    labour(m),
  ],
  'drain-recovery': (study, m) => {
    const { recovery } = m
    const { drain } = study.pipes
    const metres =
      drain &&
      (recovery.connection === 'B' ? 0 : drain.toHeaterM) +
        (recovery.connection === 'C' ? 0 : (drain.toShowerM ?? drain.toMainM))
    return [
      {
        key: `drain unit ${recovery.mount}`,
        name: `Heat recovery unit, ${MOUNT_WORDS[recovery.mount]}`,
        count: 1,
        unit: 'piece',
      },
      byLength(study, 'cold pipe', 'Cold pipe, flow and return', metres ?? 0, drain ? undefined : 'route not checked'),
      labour(m),
    ]
  },
  'heat-source': (study, m) => [
    {
      key: `heater ${m.heater.kind} ${sizeOf(m.heater)}`,
      name: m.heater.name,
      count: 'units' in m.heater ? m.heater.units : 1,
      unit: 'piece',
    },
    ...(m.store
      ? [
          {
            key: `store ${m.store.litres}`,
            name: `${m.store.name}, ${displayOf(study).figure('volume', m.store.litres, 0)}`,
            count: 1,
            unit: 'piece',
          },
        ]
      : []),
    ...(HEATERS[m.heater.kind].source === 'fire' && HEATERS[m.heater.kind].heats === 'store' ? fireParts : []),
    labour(m),
  ],
}

/** Work that is paid by the hour: in the place of a price for the job, or beside parts that have none. */
function withHours(parts: Bare[], { hours }: Measure): Bare[] {
  if (hours === null) return parts
  return [
    ...parts.filter((part) => part.unit !== 'job' || !part.key.startsWith('labour ')),
    { ...HOUR_OF_WORK, count: hours },
  ]
}
/** What a measure takes, by its parts, each at its price: as it was offered, or by the price book. Settings and habits take nothing. */
export const partsOf = (study: Study, measure: Measure): Part[] =>
  withHours((PARTS[measure.kind] as (study: Study, measure: Measure) => Bare[])(study, measure), measure)
    .filter((part) => part.count > 0)
    // A path of the study parts its names by dots.
    .map((part) => ({ ...part, key: part.key.replaceAll('.', ',') }))
    .map((part): Part => {
      if (Object.hasOwn(measure.partPrices, part.key))
        return { ...part, priceEach: measure.partPrices[part.key], priceFrom: 'offer' }
      return Object.hasOwn(study.economics.book, part.key)
        ? { ...part, priceEach: study.economics.book[part.key], priceFrom: 'price book' }
        : { ...part, priceEach: null, priceFrom: null }
    })

/** Money for so many of a part, or for several of them. */
export const priceOf = (parts: readonly { count: number; priceEach: PartPrice }[]): PartPrice => {
  const sum = (of: keyof PartPrice) => parts.reduce((s, p) => s + p.count * p.priceEach[of], 0)
  return { low: sum('low'), likely: sum('likely'), high: sum('high') }
}

/**
 * What a measure costs, money: as somebody said for all of it, or by its parts; null as long as any of it is unknown. What
 * takes no parts is done by hand, and nobody said that it costs nothing. Grants are not taken off.
 */
export function costOf(study: Study, measure: Measure): PartPrice | null {
  if (measure.costMoney !== null) return offeredAt(measure.costMoney)
  const parts = partsOf(study, measure)
  const priced = parts.filter((p): p is Part & { priceEach: PartPrice } => p.priceEach !== null)
  return parts.length === 0 || priced.length < parts.length ? null : priceOf(priced)
}

/** Costs of several together; null as long as one of them is unknown. */
export function costsTogether(costs: readonly (PartPrice | null)[]): PartPrice | null {
  const known = costs.filter((c) => c !== null)
  return known.length < costs.length ? null : priceOf(known.map((priceEach) => ({ count: 1, priceEach })))
}
