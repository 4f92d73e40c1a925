import type { z } from 'zod'
import { HEATER_KINDS, type HeaterKind } from '~~/core/heaters/kinds'
import { FireCircuit } from '~~/core/study/fire'
import { Heater } from '~~/core/study/plant'
import type { Quantity } from '~~/core/units/quantities'

/** What a figure of a heater is called, what it is counted in, and a line of help where the trade has a word of its own. */
interface Row {
  label: string
  quantity?: Quantity
  unit?: string
  decimals?: number
  help?: string
}

/** The same with where it stands in the heater and what it accepts, as its schema says. */
export interface FigureRow extends Row {
  path: string
  schema: z.ZodType
  optional: boolean
}

const HEIGHTS = '0 is the bottom of the store, 1 its top'

/**
 * Every figure that some kind of heater has, by its path, in the order a form asks. A kind's form has those of its schema,
 * so a new kind made of known figures needs no row of its own.
 */
const ROWS: Record<string, Row> = {
  litres: { label: 'Contents', quantity: 'volume' },
  uaWK: { label: 'Loss for each degree', quantity: 'lossRate' },
  areaM2: { label: 'Area', quantity: 'area' },
  tiltDeg: { label: 'Tilt from level', unit: '°' },
  azimuthDeg: {
    label: 'Turned from the noon sun',
    unit: '°',
    help: '0 faces the noon sun, 90 the evening, −90 the morning',
  },
  pvKwp: { label: 'Peak power of the modules', unit: 'kWp' },
  performance: { label: 'Share of it that arrives', help: 'heat, wires and inverter take the rest; 0.8 is usual' },
  houseKwhDay: { label: 'The house uses besides', unit: 'kWh a day', help: 'on the mean of the year' },
  optical: { label: 'Optical efficiency', help: 'η₀ of its certificate: share of the light it takes' },
  lossLinear: { label: 'Loss for each degree', quantity: 'collectorLoss', help: 'a₁ of its certificate' },
  lossSquare: {
    label: 'Loss that grows with heat',
    quantity: 'collectorLossSquare',
    help: 'a₂ of its certificate',
  },
  incidence: { label: 'Incidence modifier', help: 'b₀: what slanting light loses more' },
  waterKw: { label: 'Heat into the water', quantity: 'power' },
  efficiency: { label: 'Of the wood’s heat it gets', help: 'of net calorific value, 0 to 1' },
  outputKw: { label: 'Output', quantity: 'power' },
  powerKw: { label: 'Power', quantity: 'power' },
  backupKw: { label: 'Element beside it', quantity: 'power', help: '0 where there is none' },
  backupHeight: { label: 'Element beside it at height', help: HEIGHTS },
  leastAirC: { label: 'Only the element below', quantity: 'temperature' },
  leastOutputKw: { label: 'Least output', quantity: 'power' },
  leastFlowLMin: { label: 'Least flow to fire', quantity: 'flow' },
  mostInletC: {
    label: 'Warmest water it accepts',
    quantity: 'temperature',
    help: 'at its inlet, by its papers; empty: not read',
  },
  pilotW: { label: 'Pilot flame', quantity: 'watts', help: '0 where it lights itself' },
  purgeWh: { label: 'Lost at each start', unit: 'Wh', help: 'fuel’s heat swept out before it lights' },
  startLagS: { label: 'Start-up lag', quantity: 'seconds' },
  contentL: { label: 'Water in the exchanger', quantity: 'volume' },
  contentUaWK: { label: 'Loss of the exchanger', quantity: 'lossRate' },
  standbyW: { label: 'Fan and electronics', quantity: 'watts' },
  height: { label: 'Sits at height', help: HEIGHTS },
  flowLMin: { label: 'Flow', quantity: 'flow' },
  pumpW: { label: 'Its pump', quantity: 'watts' },
  'coil.bottom': { label: 'Coil begins at height', help: HEIGHTS },
  'coil.top': { label: 'Coil ends at height', help: HEIGHTS },
  'coil.uaWK': { label: 'Coil passes for each degree', quantity: 'lossRate' },
  storeLimitC: { label: 'Loads the store up to', quantity: 'temperature' },
  'primary.litres': { label: 'Water between boiler and coil', quantity: 'volume' },
  'primary.uaWK': { label: 'Loss of that circuit', quantity: 'lossRate' },
  'primary.flowLMin': { label: 'Flow of that circuit', quantity: 'flow' },
  'primary.flowMaxC': { label: 'Hottest flow to the coil', quantity: 'temperature' },
  'primary.pumpW': { label: 'Its pump', quantity: 'watts' },
  'primary.overrunS': {
    label: 'Pump runs on for',
    quantity: 'seconds',
    help: 'after a charge; its heat goes to the store instead of the air',
  },
  'primary.bandK': {
    label: 'Burner lights again',
    quantity: 'rise',
    help: 'below its hottest flow, when it had to go out',
  },
  'circuit.heightM': {
    label: 'Store above the fire',
    quantity: 'length',
    help: 'between the middles of store and fire',
  },
  'circuit.lengthM': { label: 'Pipe, there and back', quantity: 'length' },
  'circuit.horizontalM': { label: 'of which level', quantity: 'length' },
  'circuit.boreMm': { label: 'Bore', quantity: 'thickness', decimals: 2 },
  'circuit.fittingsM': { label: 'Fittings, as pipe', quantity: 'length' },
  'circuit.portsApartM': { label: 'Between the ports', quantity: 'length' },
  units: { label: 'How many side by side', decimals: 0 },
  ambientC: { label: 'Air around it', quantity: 'temperature', help: 'as measured; empty: as is usual there' },
  sensorHeight: {
    label: 'Its own sensor at height',
    help: '0 bottom to 1 top; empty: the store’s, of collectors the middle of their coil',
  },
}

/** What a kind calls a figure by a word of its own. */
const OWN_WORDS: Partial<Record<HeaterKind, Record<string, string>>> = {
  'heat-pump': {
    outputKw: 'Heat into the water',
    'coil.bottom': 'Condenser begins at height',
    'coil.top': 'Condenser ends at height',
  },
  solar: { sensorHeight: 'Sensor of its controller at height' },
  'wood-coil': { 'coil.bottom': 'Heat enters from height', 'coil.top': 'Heat enters up to height' },
}

/** The schema of a number at a path of an object's schema; undefined where it has none. */
function numberAt(schema: z.ZodObject, path: string): z.ZodType | undefined {
  const [first, ...rest] = path.split('.')
  const field = schema.shape[first!] as (z.ZodType & { shape?: unknown; unwrap?: () => z.ZodType }) | undefined
  if (!field) return undefined
  if (rest.length) return field.shape ? numberAt(field as unknown as z.ZodObject, rest.join('.')) : undefined
  return 'minValue' in (field.unwrap?.() ?? field) ? field : undefined
}

function rowsOf(kind: HeaterKind): FigureRow[] {
  const shape = Heater.options.find((o) => o.shape.kind.value === kind) as unknown as z.ZodObject
  return Object.entries(ROWS).flatMap(([path, row]) => {
    const schema = numberAt(shape, path)
    if (!schema) return []
    const label = OWN_WORDS[kind]?.[path] ?? row.label
    return [{ ...row, label, path, schema, optional: schema.safeParse(null).success }]
  })
}

export const HEATER_ROWS = Object.fromEntries(HEATER_KINDS.map((kind) => [kind, rowsOf(kind)])) as Record<
  HeaterKind,
  FigureRow[]
>

/** Flow of the pump between a fire and its store. */
export const FLOW_OF_PUMP = FireCircuit.shape.pump.unwrap().shape.flowLMin
