import { type Material, MATERIALS, pipeOf, sizesOf } from '../pipes/catalogue'
import { z } from '../schema/zod'
import type { Figure } from './calculator'

/** What must be more than nought is at least this: smaller figures are slips of the keys. */
const LEAST = 0.001
const above0 = (most: number) => z.number().min(LEAST).max(most)
const from0 = (most: number) => z.number().min(0).max(most)
const between = (low: number, high: number) => z.number().min(low).max(high)

/** What each field of a sum or of a reading accepts. One name means the same thing in every sum. */
export const FIELDS = {
  material: z.enum(MATERIALS),
  size: z.string().min(1).max(12),
  lengthM: above0(1000),
  volumeL: above0(100_000),
  seconds: above0(86_400),
  flowLMin: above0(500),
  waterC: between(0, 100),
  ambientC: between(-40, 60),
  tempC: between(0, 100),
  labelKwhYear: above0(50_000),
  labelDayKwh: above0(100),
  usefulKwhYear: above0(100_000),
  nowCostYear: from0(1_000_000),
  billKwh: above0(1_000_000),
  billDays: between(7, 800),
  lossW: from0(100_000),
  inletC: between(0, 99),
  outletC: between(0, 100),
  hotC: between(0, 100),
  coldC: between(0, 99),
  targetC: between(0, 100),
  storeC: between(0, 100),
  supplyC: between(0, 100),
  returnC: between(0, 99),
  setpointC: between(0, 100),
  fromC: between(0, 99),
  toC: between(0, 100),
  showerC: between(10, 60),
  drainC: between(5, 60),
  lambdaWMK: between(0.005, 1),
  thicknessMm: from0(500),
  areaM2: above0(100),
  coveredShare: between(0.01, 1),
  heaterDelayS: from0(600),
  efficiency: between(0.05, 10),
  powerKw: above0(1000),
  inputKw: above0(1000),
  riseK: above0(100),
  testRiseK: between(5, 90),
  amount: above0(1_000_000),
  calorificKwh: above0(100),
  pulsesPerKwh: above0(1_000_000),
  altitudeM: between(-430, 5000),
  gasC: between(-40, 60),
  gaugeMbar: from0(5000),
  costMoney: from0(1_000_000),
  priceKwh: from0(100),
  waterPriceM3: from0(1000),
  hoursPerDay: from0(24),
  volts: above0(1000),
  amps: above0(1000),
  powerFactor: between(0.05, 1),
  effectiveness: between(0.01, 0.99),
  ratedFlowLMin: above0(100),
  showerFlowLMin: above0(100),
  lossKwhDay: from0(100),
  usableShare: between(0.01, 1),
  uWMK: from0(100),
  pumpLMin: above0(500),
  pumpHeadM: above0(20),
  pumpMostLMin: above0(500),
  coldLMin: above0(100),
  drainLMin: above0(100),
  bucketL: above0(1000),
  bucketS: above0(3600),
  othersL: from0(100_000),
  othersS: above0(86_400),
  heightM: above0(50),
  innerMm: above0(200),
  fittingsEquivalentM: from0(500),
  litresPerWait: from0(1000),
  waitsPerDay: from0(1000),
  pressureBar: from0(16),
  hardnessMgL: from0(1000),
  aloneC: between(0, 100),
  togetherC: between(0, 100),
  otherTap: z.string().min(1).max(40),
  hours: between(0.5, 72),
  preheatC: between(0, 60),
  drainOutC: between(0, 60),
  division: between(-20, 100),
  minutes: above0(1440),
  reliefBar: between(1, 16),
  personL: above0(1000),
  uaWK: from0(100),
} as const
export type FieldName = keyof typeof FIELDS

/** Labels and units of the fields, and of what comes out under the same names. */
export const FIGURES: Record<FieldName, Figure> = {
  material: { label: 'Material' },
  size: { label: 'Size' },
  lengthM: { label: 'Length', quantity: 'length' },
  volumeL: { label: 'Volume', quantity: 'volume' },
  seconds: { label: 'Time', quantity: 'seconds' },
  flowLMin: { label: 'Flow', quantity: 'flow' },
  waterC: { label: 'Water temperature in the pipe', quantity: 'temperature' },
  ambientC: { label: 'Surrounding air', quantity: 'temperature' },
  tempC: { label: 'Temperature', quantity: 'temperature' },
  inletC: { label: 'Inlet temperature', quantity: 'temperature' },
  outletC: { label: 'Outlet temperature', quantity: 'temperature' },
  hotC: { label: 'Hot water', quantity: 'temperature' },
  coldC: { label: 'Cold water', quantity: 'temperature' },
  targetC: { label: 'Required', quantity: 'temperature' },
  storeC: { label: 'Cylinder', quantity: 'temperature' },
  supplyC: { label: 'Flow temperature', quantity: 'temperature' },
  returnC: { label: 'Return temperature', quantity: 'temperature' },
  setpointC: { label: 'Setpoint', quantity: 'temperature' },
  fromC: { label: 'Cylinder temperature at the start', quantity: 'temperature' },
  toC: { label: 'Cylinder temperature at the end', quantity: 'temperature' },
  showerC: { label: 'Shower', quantity: 'temperature' },
  drainC: { label: 'Drain temperature', quantity: 'temperature' },
  lambdaWMK: { label: 'Thermal conductivity of the insulation', quantity: 'conductivity' },
  thicknessMm: { label: 'Thickness', quantity: 'thickness' },
  areaM2: { label: 'Insulated area', quantity: 'area' },
  coveredShare: { label: 'Share of the cylinder covered by the jacket, 0 to 1' },
  heaterDelayS: { label: 'Start-up delay', quantity: 'seconds' },
  efficiency: { label: 'Efficiency, 0 to 1, or COP' },
  powerKw: { label: 'Output', quantity: 'power' },
  inputKw: { label: 'Input', quantity: 'power' },
  riseK: { label: 'Rise', quantity: 'rise' },
  testRiseK: { label: 'Test temperature difference', quantity: 'rise' },
  amount: { label: 'Meter volume or count' },
  calorificKwh: { label: 'Calorific value', unit: 'Calorific value, kWh per unit' },
  pulsesPerKwh: { label: 'Pulses per kWh' },
  altitudeM: { label: 'Altitude of the meter', quantity: 'altitude' },
  gasC: { label: 'Gas temperature', quantity: 'temperature' },
  gaugeMbar: { label: 'Gas pressure (gauge)', quantity: 'gasPressure' },
  costMoney: { label: 'Stated cost', unit: 'money' },
  priceKwh: { label: 'Price per kWh', unit: 'money' },
  waterPriceM3: { label: 'Price of water including sewerage', unit: 'money/m³' },
  hoursPerDay: { label: 'Hours a day', unit: 'h' },
  volts: { label: 'Voltage', unit: 'V' },
  amps: { label: 'Current', unit: 'A' },
  powerFactor: { label: 'Power factor, 0 to 1' },
  effectiveness: { label: 'Rated effectiveness, 0 to 1' },
  ratedFlowLMin: { label: 'Rated flow', quantity: 'flow' },
  showerFlowLMin: { label: 'Shower flow', quantity: 'flow' },
  lossKwhDay: { label: 'Loss in 24 h', unit: 'kWh' },
  usableShare: { label: 'Usable share, 0 to 1' },
  uWMK: { label: 'Linear heat loss coefficient', quantity: 'pipeLossRate' },
  pumpLMin: { label: 'Pump flow rate', quantity: 'flow' },
  pumpHeadM: { label: 'Most head of the pump, from its curve', quantity: 'length' },
  pumpMostLMin: { label: 'Most flow of the pump, from its curve', quantity: 'flow' },
  coldLMin: { label: 'Flow of the cold side', quantity: 'flow' },
  drainLMin: { label: 'Flow down the drain', quantity: 'flow' },
  bucketL: { label: 'Caught in a bucket', quantity: 'volume' },
  bucketS: { label: 'Time to catch it', quantity: 'seconds' },
  othersL: { label: 'Volume without it', quantity: 'volume' },
  othersS: { label: 'Time without it', quantity: 'seconds' },
  heightM: { label: 'Height between thermal centres', quantity: 'length' },
  innerMm: { label: 'Bore', quantity: 'thickness' },
  fittingsEquivalentM: { label: 'Fittings, equivalent length', quantity: 'length' },
  litresPerWait: { label: 'Draw-off to waste per use', quantity: 'volume' },
  waitsPerDay: { label: 'Uses with waiting per day' },
  labelKwhYear: { label: 'Annual energy on the label', unit: 'kWh', decimals: 0 },
  labelDayKwh: { label: 'Useful heat per day of the tapping profile', unit: 'kWh', decimals: 3 },
  usefulKwhYear: { label: 'Useful heat per year of this household', quantity: 'energy' },
  nowCostYear: { label: 'Energy cost per year now', unit: 'money', decimals: 0 },
  billKwh: { label: 'Energy on the bill', quantity: 'energy' },
  billDays: { label: 'Days between its readings', decimals: 0 },
  lossW: { label: 'Losses by temperatures', quantity: 'watts' },
  pressureBar: { label: 'Pressure', quantity: 'pressure' },
  hardnessMgL: { label: 'Hardness', quantity: 'hardness' },
  aloneC: { label: 'Alone', quantity: 'temperature' },
  togetherC: { label: 'Together', quantity: 'temperature' },
  otherTap: { label: 'The other outlet' },
  hours: { label: 'Hours between readings', unit: 'h' },
  preheatC: { label: 'Preheated water out of the unit', quantity: 'temperature' },
  drainOutC: { label: 'Drain out of the unit', quantity: 'temperature' },
  division: { label: 'Dial division' },
  reliefBar: { label: 'Relief pressure', quantity: 'pressure' },
  minutes: { label: 'Time', unit: 'min', decimals: 0 },
  personL: { label: 'Mixed water per occupant per day', quantity: 'volume', decimals: 0 },
  uaWK: { label: 'Standing loss of the cylinder', quantity: 'lossRate' },
}

/** A strict input of some fields; those named optional may be left out. */
export function input<R extends FieldName, O extends FieldName = never>(
  required: readonly R[],
  optional: readonly O[] = [],
) {
  const shape: Record<string, z.ZodType> = {}
  for (const name of required) shape[name] = FIELDS[name]
  for (const name of optional) shape[name] = FIELDS[name].optional()
  return z.strictObject(shape as { [K in R]: (typeof FIELDS)[K] } & { [K in O]: z.ZodOptional<(typeof FIELDS)[K]> })
}

/** A pipe whose size must be one its material is made in. */
export function sized<T extends z.ZodObject<{ material: typeof FIELDS.material; size: typeof FIELDS.size }>>(
  schema: T,
): T {
  return schema.superRefine((pipe, ctx) => {
    const { material, size } = pipe as { material: Material; size: string }
    try {
      pipeOf(material, size)
    } catch {
      ctx.addIssue({
        code: 'custom',
        path: ['size'],
        message: `accepts ${sizesOf(material).join(', ')} in ${material}`,
      })
    }
  })
}

export const PipeInput = sized(
  z.strictObject({ material: FIELDS.material, size: FIELDS.size, lengthM: FIELDS.lengthM }),
)
export const InsulationInput = z.strictObject({ lambdaWMK: FIELDS.lambdaWMK, thicknessMm: FIELDS.thicknessMm })
