import { type Kept, keptStudy } from '~/utils/db'
import {
  type EngineerDefaults,
  LARGEST_DEFAULTS,
  readDefaultsText,
  writeDefaults,
} from '~~/core/household/engineer/defaults'
import { type Book, LARGEST_BOOK, readBook, writeBook } from '~~/core/household/engineer/price-book'
import { HEAD_OF_FILE, largestFor, readStudiesText, writeStudies, writeStudy } from '~~/core/study/read'
import type { Study } from '~~/core/study/study'
import { refused, type Result } from '~~/core/units/result'

/** Hands a study over as a file. */
export const exportStudy = (study: Study): void => hand(writeStudy(study), study.id)

/** Hands a kept study over as it is, whether or not it can be read. */
export async function exportKept(kept: Kept): Promise<void> {
  const whole = await wholeOf(kept)
  hand(`${JSON.stringify(whole.study ?? whole, null, 2)}\n`, kept.id)
}

/** Hands several kept studies over as one file, each as it is. */
export async function exportSeveral(listed: readonly Kept[]): Promise<void> {
  const studies: unknown[] = []
  // One after the other: their pictures need room.
  for (const kept of listed) studies.push((await wholeOf(kept)).study)
  hand(writeStudies(studies), `${studies.length}-households`)
}

/** A listed study with its pictures; as it is listed when they cannot be had. */
export const wholeOf = async (kept: Kept): Promise<Kept> => (await keptStudy(kept.id).catch(() => undefined)) ?? kept

/** Hands the engineer's own defaults over as a file. */
export const exportDefaults = (own: EngineerDefaults): void => hand(writeDefaults(own), 'defaults')

/** Reads a chosen file of defaults; one that is too large is not even opened. */
export const importDefaults = async (file: File): Promise<Result<EngineerDefaults>> =>
  readDefaultsText(await file.slice(0, LARGEST_DEFAULTS + 1).text())

/** Hands the price book over as separated values. */
export const exportBook = (book: Book): void => handAs(writeBook(book), 'price-book.csv', 'text/csv')

/** Reads a chosen price list; one that is too large is not even opened. */
export const importBook = async (file: File): Promise<Result<Book>> =>
  readBook(await file.slice(0, LARGEST_BOOK + 1).text())

const hand = (text: string, name: string): void => handAs(text, `${name}.bagno.json`, 'application/json')

/** Hands a text over as a file. */
export function handAs(text: string, fileName: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = fileName
  link.click()
  setTimeout(() => URL.revokeObjectURL(url), 1000)
}

/** Reads a chosen file, of one household or of several; one that is too large is not even opened. */
export async function importStudies(file: File): Promise<{ name: string; read: Result<Study> }[]> {
  const most = largestFor(await file.slice(0, HEAD_OF_FILE).text())
  if (file.size > most)
    return [
      {
        name: '',
        read: refused(`the file is ${Math.round(file.size / 1048576)} MB. Accepts up to ${most / 1048576} MB`),
      },
    ]
  return readStudiesText(await file.text())
}
