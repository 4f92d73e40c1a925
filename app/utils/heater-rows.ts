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

const HEIGHTS = '0 = bottom of the cylinder, 1 = top'

/**
 * Every figure that some kind of heater has, by its path, in the order a form asks. A kind's form has those of its schema,
 * so a new kind made of known figures needs no row of its own.
 */
const ROWS: Record<string, Row> = {
  litres: { label: 'Volume', quantity: 'volume' },
  uaWK: { label: 'Heat loss coefficient (UA)', quantity: 'lossRate' },
  areaM2: { label: 'Area', quantity: 'area' },
  tiltDeg: { label: 'Tilt from horizontal', unit: '°' },
  azimuthDeg: {
    label: 'Azimuth',
    unit: '°',
    help: '0° = towards the equator, +90° = west, −90° = east',
  },
  pvKwp: { label: 'Peak power of the PV modules', unit: 'kWp' },
  performance: { label: 'Performance ratio', help: 'After temperature, cable and inverter losses; typically 0.8' },
  houseKwhDay: { label: 'Other household electricity', unit: 'kWh a day', help: 'Annual mean' },
  eta0: { label: 'Zero-loss efficiency η₀', help: 'From the collector test certificate' },
  a1: {
    label: 'Heat loss coefficient (UA)',
    quantity: 'collectorLoss',
    help: 'From the collector test certificate',
  },
  a2: {
    label: 'Quadratic loss coefficient a₂',
    quantity: 'collectorLossSquare',
    help: 'From the collector test certificate',
  },
  iamB0: { label: 'Incidence angle modifier b₀', help: 'From the collector test certificate' },
  waterKw: { label: 'Heat to water', quantity: 'power' },
  efficiency: { label: 'Efficiency to water (net)', help: 'Share of the wood’s net calorific value, 0 to 1' },
  outputKw: { label: 'Output', quantity: 'power' },
  powerKw: { label: 'Power', quantity: 'electricPower' },
  backupKw: { label: 'Backup immersion heater power', quantity: 'electricPower', help: '0 if not fitted' },
  backupHeight: { label: 'Backup immersion heater height', help: HEIGHTS },
  minOperatingAirC: { label: 'Minimum operating air temperature', quantity: 'temperature' },
  minAirC: {
    label: 'Minimum outdoor temperature',
    quantity: 'temperature',
    help: 'If it stands outdoors; from the data sheet',
  },
  minOutputKw: { label: 'Minimum output', quantity: 'power' },
  minActivationFlowLMin: { label: 'Minimum activation flow', quantity: 'flow' },
  maxInletC: {
    label: 'Maximum inlet temperature',
    quantity: 'temperature',
    help: 'From the data sheet; leave blank if not checked',
  },
  pilotW: { label: 'Pilot flame', quantity: 'watts', help: '0 with electric ignition' },
  startLossWh: { label: 'Start-up loss', unit: 'Wh', help: 'Heat lost per start, mainly pre-purge' },
  startDelayS: { label: 'Start-up delay', quantity: 'seconds' },
  contentL: { label: 'Heat exchanger water volume', quantity: 'volume' },
  contentUaWK: { label: 'Heat exchanger loss (UA)', quantity: 'lossRate' },
  standbyW: { label: 'Standby power', quantity: 'watts' },
  height: { label: 'Height in the cylinder', help: HEIGHTS },
  flowLMin: { label: 'Flow', quantity: 'flow' },
  pumpW: { label: 'Pump power', quantity: 'watts' },
  'coil.bottom': { label: 'Coil bottom height', help: HEIGHTS },
  'coil.top': { label: 'Coil top height', help: HEIGHTS },
  'coil.uaWK': { label: 'Coil heat transfer coefficient (UA)', quantity: 'lossRate' },
  storeLimitC: { label: 'Cylinder temperature limit', quantity: 'temperature' },
  'primary.litres': { label: 'Primary circuit volume', quantity: 'volume' },
  'primary.uaWK': { label: 'Primary circuit heat loss (UA)', quantity: 'lossRate' },
  'primary.flowLMin': { label: 'Primary flow rate', quantity: 'flow' },
  'primary.flowMaxC': { label: 'Maximum primary flow temperature', quantity: 'temperature' },
  'primary.pumpW': { label: 'Pump power', quantity: 'watts' },
  'primary.overrunS': {
    label: 'Pump overrun',
    quantity: 'seconds',
    help: 'After reheating; residual heat goes to the cylinder',
  },
  'primary.restartDifferentialK': {
    label: 'Burner restart differential',
    quantity: 'rise',
    help: 'Below maximum flow temperature',
  },
  'circuit.heightM': {
    label: 'Height difference, cylinder above stove',
    quantity: 'length',
    help: 'Between thermal centres',
  },
  'circuit.lengthM': { label: 'Pipe length, flow and return', quantity: 'length' },
  'circuit.horizontalM': { label: 'Horizontal length, one way', quantity: 'length' },
  'circuit.boreMm': { label: 'Bore', quantity: 'thickness', decimals: 2 },
  'circuit.fittingsM': { label: 'Fittings, equivalent length', quantity: 'length' },
  'circuit.portsApartM': { label: 'Distance between ports', quantity: 'length' },
  units: { label: 'Number of units', decimals: 0 },
  ambientC: { label: 'Surrounding air', quantity: 'temperature', help: 'Leave blank for the usual value' },
  sensorHeight: {
    label: 'Sensor height',
    help: '0 = bottom, 1 = top; leave blank for the cylinder sensor',
  },
}

/** What a kind calls a figure by a word of its own. */
const OWN_WORDS: Partial<Record<HeaterKind, Record<string, string>>> = {
  'heat-pump': {
    outputKw: 'Heat to water',
    'coil.bottom': 'Condenser bottom height',
    'coil.top': 'Condenser top height',
  },
  solar: { sensorHeight: 'Controller sensor height' },
  'wood-coil': { 'coil.bottom': 'Heat input from height', 'coil.top': 'Heat input up to height' },
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
