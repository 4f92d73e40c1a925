import Papa from 'papaparse'
import { HEATER_KINDS, type HeaterKind, HEATERS } from '../../heaters/kinds'
import { documentFault } from '../../schema/words'
import { MOST_BOOK, offeredAt, PartKey } from '../../study/economics'
import { type Fault, refused, type Result } from '../../units/result'
import { BookLine, type EngineerDefaults } from './defaults'

export type Book = EngineerDefaults['book']

/** An hour of work: every book can have it before there is a measure. */
export const HOUR_OF_WORK = { key: 'labour h', name: 'Work', unit: 'h' } as const

/** A year of upkeep of a heat source: service, sweeping, filters. */
export const upkeepKey = (kind: HeaterKind): string => `upkeep ${kind}`
export const UPKEEP_LINES = HEATER_KINDS.map((kind) => ({
  key: upkeepKey(kind),
  name: `Upkeep: ${HEATERS[kind].name.toLowerCase()}`,
  unit: 'yr',
}))

const COLUMNS = ['key', 'name', 'unit', 'low', 'likely', 'high'] as const
/** Largest price list that is read, bytes. */
export const LARGEST_BOOK = 256 * 1024
const MOST_FAULTS = 20

/** A line for a part at a price that was typed: without a range until somebody says one. */
export const lineOf = ({ name, unit }: { name: string; unit: string }, likely: number): BookLine => ({
  name,
  unit,
  ...offeredAt(likely),
})

/** The price book as separated values: a line a part, money for one. */
export const writeBook = (book: Book): string =>
  `${Papa.unparse(
    Object.entries(book).map(([key, line]) => ({ key, ...line })),
    { columns: [...COLUMNS], newline: '\n' },
  )}\n`

/** Reads a price list; what it does not accept is named by its line. A price alone is low and high too. */
export function readBook(text: string): Result<Book> {
  if (text.length > LARGEST_BOOK) return refused(`the file is too large. Accepts up to ${LARGEST_BOOK / 1024} kB`)
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const missing = (['key', 'name', 'likely'] as const).filter((c) => !meta.fields?.includes(c))
  if (missing.length) return refused(`no column "${missing[0]}". Accepts ${COLUMNS.join(', ')}`, 'line 1')
  if (data.length > MOST_BOOK) return refused(`${data.length} lines. Accepts up to ${MOST_BOOK}`)
  const faults: Fault[] = []
  const book: Book = {}
  data.forEach((row, i) => {
    const path = `line ${i + 2}`
    const money = (column: 'low' | 'likely' | 'high') => moneyIn(row[column]?.trim() || (row.likely ?? '').trim())
    const line = {
      name: row.name,
      unit: row.unit ?? '',
      low: money('low'),
      likely: money('likely'),
      high: money('high'),
    }
    const read = BookLine.safeParse(line)
    if (!row.key?.trim()) faults.push({ path, message: 'no key: it names the part' })
    else if (!PartKey.safeParse(row.key.trim()).success)
      faults.push({ path, message: 'the key has a point or is longer than 80 characters. Accepts keys as exported' })
    else if (Object.hasOwn(book, row.key.trim()))
      faults.push({ path, message: `"${row.key.trim()}" stands there twice` })
    else if (read.success) book[row.key.trim()] = read.data
    else {
      const fault = documentFault(read.error.issues[0])
      faults.push({ path: fault.path ? `${path}, ${fault.path}` : path, message: fault.message })
    }
  })
  return faults.length ? { ok: false, faults: faults.slice(0, MOST_FAULTS) } : { ok: true, value: book }
}

/** A sum as a table writes it, with a point or one comma; NaN where it is none. */
const moneyIn = (text: string): number => (/^\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN)
