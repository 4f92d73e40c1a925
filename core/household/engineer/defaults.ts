import { CLIMATES } from '../../climate/archetypes'
import { THERMOMETER_NAMES } from '../../instruments/thermometers'
import { MATERIALS, sizesOf } from '../../pipes/catalogue'
import type { Insulation } from '../../pipes/loss'
import { documentFault } from '../../schema/words'
import { z } from '../../schema/zod'
import { MOST_BOOK, PartKey, PriceEach } from '../../study/economics'
import { Day, Name } from '../../study/fields'
import { Carrier } from '../../study/fuels'
import { InsulationField } from '../../study/pipes'
import { Prices, Tariff } from '../../study/prices'
import { refused, type Result } from '../../units/result'
import { type Region, REGIONS } from '../quick-start/regions'

export const DEFAULTS_FORMAT = 'bagno-defaults'
export const DEFAULTS_VERSION = 3
/** Largest file of defaults that is read, bytes. */
export const LARGEST_DEFAULTS = 256 * 1024

const keysOf = <K extends string>(of: Record<K, unknown>) => z.enum(Object.keys(of) as [K, ...K[]])

/** A pipe as it is bought: material and nominal size. */
const BoughtPipe = z
  .strictObject({ material: z.enum(MATERIALS), size: z.string().max(20) })
  .superRefine(({ material, size }, context) => {
    const sizes: string[] = sizesOf(material)
    if (!sizes.includes(size))
      context.addIssue({ code: 'custom', path: ['size'], message: `a size of that material: ${sizes.join(', ')}` })
  })
export type BoughtPipe = z.infer<typeof BoughtPipe>

/** Where in a house a pipe of the van usually goes. */
export const PIPE_USES = {
  trunk: 'Trunk',
  branch: 'Branch to an outlet',
  small: 'Branch to a basin',
} as const
export type PipeUse = keyof typeof PIPE_USES

const water = Prices.shape.water.shape
const OwnTariff = Tariff.pick({ unit: true, kwhPerUnit: true, price: true })

/** A line of the price book: what one of a part costs, in the currency of the defaults. */
export const BookLine = z
  .strictObject({ name: Name, unit: z.string().max(40), low: PriceEach, likely: PriceEach, high: PriceEach })
  .refine(({ low, likely, high }) => low <= likely && likely <= high, 'low, likely and high in this order')
export type BookLine = z.infer<typeof BookLine>

/**
 * What an engineer brings to every new household: name and mark, where the work is, prices of the region, the insulation in
 * the van and the pipe that is met there. Null or missing: what Bagno itself begins with.
 */
export const EngineerDefaults = z.strictObject({
  format: z.literal(DEFAULTS_FORMAT),
  version: z.literal(DEFAULTS_VERSION),
  /** Stands with the mark beside each change of a setting. */
  name: z.string().trim().max(60),
  /** Firm and mark of the trade, as typed. */
  mark: z.string().trim().max(58),
  region: keysOf<Region>(REGIONS).nullable(),
  climate: keysOf(CLIMATES).nullable(),
  /** Instead of the region's own. */
  currency: Prices.shape.currency.nullable(),
  /** Prices of the region, in that currency. */
  carriers: z.partialRecord(Carrier, OwnTariff),
  water: z.strictObject({ unit: water.unit, price: water.price.nullable(), sewer: water.sewer.nullable() }).nullable(),
  /** Day the prices held. */
  pricesAsOf: Day.nullable(),
  /** Pipe insulation kept in the van. */
  insulation: InsulationField.nullable(),
  /** Price book: parts and hours by their key. */
  book: z
    .record(PartKey, BookLine)
    .refine((all) => Object.keys(all).length <= MOST_BOOK, `at most ${MOST_BOOK} of them`),
  /** The thermometer in the bag and the day of its last check: a reading begins with it; null: not set. */
  instrument: z.strictObject({ thermometer: z.enum(THERMOMETER_NAMES), checkedOn: Day.nullable() }).nullable(),
  pipes: z.strictObject({ trunk: BoughtPipe.nullable(), branch: BoughtPipe.nullable(), small: BoughtPipe.nullable() }),
})
export type EngineerDefaults = z.infer<typeof EngineerDefaults>

/** Nothing of one's own. */
export const NO_DEFAULTS: EngineerDefaults = {
  format: DEFAULTS_FORMAT,
  version: DEFAULTS_VERSION,
  name: '',
  mark: '',
  region: null,
  climate: null,
  currency: null,
  carriers: {},
  water: null,
  pricesAsOf: null,
  insulation: null,
  book: {},
  instrument: null,
  pipes: { trunk: null, branch: null, small: null },
}

/** Thickness that pipes are wrapped with where nobody has said another, mm. */
export const USUAL_WRAP_MM = 20

/** What the engineer wraps pipes with; null: nothing is said of it. */
export type Wrap = Insulation | null

/** Checks a parsed document and says what it is when it is no file of defaults. */
export function readDefaults(document: unknown): Result<EngineerDefaults> {
  const head = (typeof document === 'object' ? document : null) as { format?: unknown; version?: unknown } | null
  if (head?.format !== DEFAULTS_FORMAT)
    return refused(`this is no file of defaults: "format" should be "${DEFAULTS_FORMAT}"`, 'format')
  if (typeof head.version === 'number' && head.version > DEFAULTS_VERSION)
    return refused(`was written by a newer Bagno; this one reads version ${DEFAULTS_VERSION}`, 'version')
  const read = EngineerDefaults.safeParse(asNow(head))
  return read.success
    ? { ok: true, value: read.data }
    : { ok: false, faults: read.error.issues.slice(0, 50).map(documentFault) }
}

/** The first files knew no price book, the second no instrument. */
const asNow = (file: { version?: unknown }): unknown => {
  const one = file.version === 1 ? { ...file, version: 2, book: {} } : file
  return one.version === 2 ? { ...one, version: DEFAULTS_VERSION, instrument: null } : one
}

/** Reads the text of a file of defaults. */
export function readDefaultsText(text: string): Result<EngineerDefaults> {
  if (text.length > LARGEST_DEFAULTS)
    return refused(`the file is too large. Accepts up to ${LARGEST_DEFAULTS / 1024} kB`)
  try {
    return readDefaults(JSON.parse(text))
  } catch {
    return refused('the file is not JSON: it may be damaged or of another kind')
  }
}

export const writeDefaults = (own: EngineerDefaults): string => `${JSON.stringify(own, null, 2)}\n`
