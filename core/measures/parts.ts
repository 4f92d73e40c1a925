import { HEATERS } from '../heaters/kinds'
import { MOUNT_WORDS } from '../household/mounts'
import { storeArea } from '../household/store-area'
import { type Material, PIPES } from '../pipes/catalogue'
import { displayOf } from '../study/display-of'
import type { Measure, MeasureKind, MeasureOf } from '../study/measures'
import type { Study } from '../study/study'
import { fromMetric, unitOf } from '../units/quantities'
import { apply } from './apply'

/** Foam comes in pieces of this, m. */
const PIECE_M = 2
/** Tape closes a joint each so many metres and each fitting, m of tape. */
const TAPE_M_JOINT = 0.15

/** What has to be bought or done: how many, in what, and what one costs, money; null: nobody has asked. */
export interface Part {
  key: string
  name: string
  count: number
  unit: string
  priceEach: number | null
  /** The same counted another way, for a price asked so. @example "18 m" */
  also?: string
}

type Bare = Omit<Part, 'priceEach'>

/** A pipe as it is asked for in a shop. @example "Copper type L, 3/4" */
const soldAs = (material: Material, size: string) => `${PIPES[material].label}, ${size}`

const insulation = (study: Study, m: MeasureOf<'insulate-runs'>): Bare[] => {
  const { runs, loop } = study.pipes
  const write = displayOf(study)
  const after = apply(study, m)
  const wrapped = [
    ...after.pipes.runs.filter((r, i) => r !== runs[i]),
    ...(loop && after.pipes.loop!.back.insulation !== loop.back.insulation ? [loop.back] : []),
  ]
  const bySize = new Map<string, { name: string; metres: number; joints: number }>()
  for (const { material, size, lengthM, fittings } of wrapped) {
    const at = bySize.get(`${material} ${size}`) ?? { name: soldAs(material, size), metres: 0, joints: 0 }
    at.metres += lengthM
    at.joints += fittings.bends + fittings.tees + fittings.valves
    bySize.set(`${material} ${size}`, at)
  }
  const foam = [...bySize].map(([size, { name, metres }]): Bare => {
    const pieces = Math.ceil(metres / PIECE_M - 1e-9)
    return {
      key: `foam ${size}`,
      name: `Insulation for ${name}, ${write.figure('thickness', m.insulation.thicknessMm)}`,
      count: pieces,
      unit: `pieces of ${write.figure('length', PIECE_M)}`,
      also: `${write.figure('length', metres)} to cover`,
    }
  })
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

/**
 * Whatever is bought by its length, in whole metres or feet. Their prices are kept apart: one of a metre is none of a foot.
 */
const byLength = (study: Study, key: string, name: string, metres: number, also?: string): Bare => {
  const { label } = unitOf('length', study.units)
  return {
    key: study.units === 'metric' ? key : `${key} ${label}`,
    name,
    count: Math.ceil(fromMetric('length', study.units, metres) - 1e-9),
    unit: label,
    ...(also ? { also } : {}),
  }
}

const pipe = (study: Study, name: string, metres: number): Bare[] => [
  byLength(study, 'pipe', name, metres),
  { key: 'fittings', name: 'Fittings and brackets', count: 1, unit: 'set' },
  { key: 'labour', name: 'Work', count: 1, unit: 'job' },
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
  jacket: (study) =>
    study.plant.store
      ? [
          {
            key: 'jacket',
            name: 'Jacket',
            count: 1,
            unit: 'piece',
            also: `${displayOf(study).figure('area', storeArea(study.plant.store))} of cylinder`,
          },
        ]
      : [],
  setpoint: () => [],
  'heater-schedule': () => [],
  'heater-control': () => [],
  'loop-mode': () => [],
  'loop-schedule': () => [],
  'tap-flow': () => [{ key: 'head', name: 'Shower head or aerator', count: 1, unit: 'piece' }],
  'stop-when-warm': () => [{ key: 'device', name: 'Thermostatic shut-off valve', count: 1, unit: 'piece' }],
  'mend-drip': () => [{ key: 'washer', name: 'Washer or cartridge', count: 1, unit: 'piece' }],
  'shorter-draws': () => [],
  'bath-to-shower': () => [],
  repipe: (study, m) => pipe(study, soldAs(m.pipe.material, m.pipe.size), m.pipe.lengthM),
  'own-run': (study, m) => pipe(study, soldAs(m.pipe.material, m.pipe.size), m.pipe.lengthM),
  'move-heater': () => [
    { key: 'lines', name: 'Cold main, fuel or cable, flue and drain to the new location', count: 1, unit: 'job' },
    { key: 'labour', name: 'Work', count: 1, unit: 'job' },
  ],
  'drain-recovery': (study, { recovery }) => {
    const { drain } = study.pipes
    const metres =
      drain && (recovery.connection === 'B' ? 0 : drain.toHeaterM) + (recovery.connection === 'C' ? 0 : drain.toMainM)
    return [
      { key: 'unit', name: `Heat recovery unit, ${MOUNT_WORDS[recovery.mount]}`, count: 1, unit: 'piece' },
      byLength(study, 'pipe', 'Cold pipe, flow and return', metres ?? 0, drain ? undefined : 'route not checked'),
      { key: 'labour', name: 'Work', count: 1, unit: 'job' },
    ]
  },
  'heat-source': (study, m) => [
    { key: 'heater', name: m.heater.name, count: 'units' in m.heater ? m.heater.units : 1, unit: 'piece' },
    ...(m.store
      ? [
          {
            key: 'store',
            name: `${m.store.name}, ${displayOf(study).figure('volume', m.store.litres, 0)}`,
            count: 1,
            unit: 'piece',
          },
        ]
      : []),
    ...(HEATERS[m.heater.kind].source === 'fire' && HEATERS[m.heater.kind].heats === 'store' ? fireParts : []),
    { key: 'labour', name: 'Work', count: 1, unit: 'job' },
  ],
}

/** What a measure takes, by its parts. Settings and habits take nothing. */
export const partsOf = (study: Study, measure: Measure): Part[] =>
  (PARTS[measure.kind] as (study: Study, measure: Measure) => Bare[])(study, measure)
    .filter((part) => part.count > 0)
    .map((part) => ({ ...part, priceEach: measure.partPrices[part.key] ?? null }))

/**
 * What a measure costs, money: as somebody said for all of it, or by its parts; null as long as any of it is unknown. What
 * takes no parts is done by hand, and nobody said that it costs nothing.
 */
export function costOf(study: Study, measure: Measure): number | null {
  if (measure.costMoney !== null) return measure.costMoney
  const parts = partsOf(study, measure)
  if (parts.length === 0 || parts.some((p) => p.priceEach === null)) return null
  return parts.reduce((s, p) => s + p.count * p.priceEach!, 0)
}
