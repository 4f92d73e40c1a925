/** What the wall of a pipe is made of: kg/m³, kJ/(kg·K), W/(m·K), emissivity of its surface, roughness inside, mm (0: smooth). */
export interface Wall {
  readonly density: number
  readonly specificHeat: number
  readonly conductivity: number
  readonly emissivity: number
  readonly roughnessMm: number
}

const COPPER: Wall = { density: 8940, specificHeat: 0.385, conductivity: 380, emissivity: 0.6, roughnessMm: 0 }
const PEX: Wall = { density: 940, specificHeat: 2.3, conductivity: 0.4, emissivity: 0.92, roughnessMm: 0 }
const MULTILAYER: Wall = { density: 1200, specificHeat: 1.6, conductivity: 0.43, emissivity: 0.92, roughnessMm: 0 }
const CPVC: Wall = { density: 1550, specificHeat: 0.9, conductivity: 0.14, emissivity: 0.92, roughnessMm: 0 }
const STEEL: Wall = { density: 7850, specificHeat: 0.49, conductivity: 50, emissivity: 0.8, roughnessMm: 0.15 }
const PP_R: Wall = { density: 905, specificHeat: 1.9, conductivity: 0.22, emissivity: 0.92, roughnessMm: 0 }

interface Series {
  readonly label: string
  readonly wall: Wall
  /** Nominal size → [outer diameter, wall thickness], mm. */
  readonly sizes: Readonly<Record<string, readonly [number, number]>>
}

/** Every series of pipe the trade meets here, by nominal size. Dimensions are the nominal ones of each standard. */
export const PIPES = {
  'copper-en': {
    label: 'Copper, metric',
    wall: COPPER,
    sizes: { '10': [10, 0.6], '12': [12, 0.6], '15': [15, 0.7], '22': [22, 0.9], '28': [28, 0.9], '35': [35, 1.2] },
  },
  'copper-k': {
    label: 'Copper type K',
    wall: COPPER,
    sizes: { '3/8': [12.7, 1.245], '1/2': [15.875, 1.245], '3/4': [22.225, 1.651], '1': [28.575, 1.651] },
  },
  'copper-l': {
    label: 'Copper type L',
    wall: COPPER,
    sizes: {
      '1/4': [9.525, 0.762],
      '3/8': [12.7, 0.889],
      '1/2': [15.875, 1.016],
      '5/8': [19.05, 1.067],
      '3/4': [22.225, 1.143],
      '1': [28.575, 1.27],
      '1-1/4': [34.925, 1.397],
      '1-1/2': [41.275, 1.524],
    },
  },
  'copper-m': {
    label: 'Copper type M',
    wall: COPPER,
    sizes: { '3/8': [12.7, 0.635], '1/2': [15.875, 0.711], '3/4': [22.225, 0.813], '1': [28.575, 0.889] },
  },
  'pex-cts': {
    label: 'PEX, copper tube size',
    wall: PEX,
    sizes: {
      '3/8': [12.7, 1.778],
      '1/2': [15.875, 1.778],
      '5/8': [19.05, 2.108],
      '3/4': [22.225, 2.464],
      '1': [28.575, 3.175],
    },
  },
  'pex-en': {
    label: 'PEX, metric',
    wall: PEX,
    sizes: { '12x2': [12, 2], '16x2': [16, 2], '20x2': [20, 2], '25x2.3': [25, 2.3], '32x2.9': [32, 2.9] },
  },
  multilayer: {
    label: 'Multilayer',
    wall: MULTILAYER,
    sizes: { '16x2': [16, 2], '20x2': [20, 2], '26x3': [26, 3], '32x3': [32, 3] },
  },
  'cpvc-cts': {
    label: 'CPVC, copper tube size',
    wall: CPVC,
    sizes: { '1/2': [15.875, 1.727], '3/4': [22.225, 2.032], '1': [28.575, 2.591] },
  },
  'steel-en': {
    label: 'Steel, metric',
    wall: STEEL,
    sizes: { '15': [21.3, 2.6], '20': [26.9, 2.6], '25': [33.7, 3.2] },
  },
  'pp-r': {
    label: 'PP-R',
    wall: PP_R,
    sizes: { '20x3.4': [20, 3.4], '25x4.2': [25, 4.2], '32x5.4': [32, 5.4] },
  },
} as const satisfies Record<string, Series>

export type Material = keyof typeof PIPES
export const MATERIALS = Object.keys(PIPES) as [Material, ...Material[]]

/** A pipe of a known material and size. */
export interface Pipe {
  readonly wall: Wall
  readonly outerM: number
  readonly innerM: number
}

/** Nominal sizes made in a material, smallest first. */
export function sizesOf(material: Material): string[] {
  const series: Series = PIPES[material]
  return Object.keys(series.sizes).sort((a, b) => series.sizes[a][0] - series.sizes[b][0])
}

/**
 * Looks a pipe up by material and nominal size.
 * @throws RangeError naming the size and those that exist, when the material is not made in it
 */
export function pipeOf(material: Material, size: string): Pipe {
  const series: Series = PIPES[material]
  const dims = Object.hasOwn(series.sizes, size) ? series.sizes[size] : undefined
  if (!dims)
    throw new RangeError(`size "${size}" is not made in ${material}; it comes in ${sizesOf(material).join(', ')}`)
  const [outer, wall] = dims
  return { wall: series.wall, outerM: outer / 1000, innerM: (outer - 2 * wall) / 1000 }
}
