import type { Study } from '~~/core/study/study'

/** A picture as it is kept beside the document that shows it. */
export interface KeptPicture {
  id: string
  /** Id of the study whose it is. */
  study: string
  blob: Blob
}

const MARK = 'picture:'

/** Names of the pictures of each study, by what they show: what was kept once is not kept again under another name. */
const named = new Map<string, Map<string, string>>()
const namesIn = (study: string) => {
  let names = named.get(study)
  if (!names) named.set(study, (names = new Map<string, string>()))
  return names
}

const isInline = (photo: unknown): photo is string => typeof photo === 'string' && photo.startsWith('data:')

/** A document without its pictures, each in its place the name of one, and the pictures by that name. */
export function apart(study: Study): { study: Study; pictures: Map<string, string> } {
  const names = namesIn(study.id)
  const pictures = new Map<string, string>()
  const readings = study.readings.map((reading) => {
    if (!isInline(reading.photo)) return reading
    const id = names.get(reading.photo) ?? crypto.randomUUID()
    names.set(reading.photo, id)
    pictures.set(id, reading.photo)
    return { ...reading, photo: MARK + id }
  })
  return { study: pictures.size ? { ...study, readings } : study, pictures }
}

/** Names of the pictures that a kept document shows; whatever it is, it is looked at with care. */
export function picturesOf(kept: unknown): string[] {
  const readings = (kept as { readings?: unknown } | null | undefined)?.readings
  if (!Array.isArray(readings)) return []
  return readings
    .map((r: { photo?: unknown } | null) => r?.photo)
    .filter((photo): photo is string => typeof photo === 'string' && photo.startsWith(MARK))
    .map((photo) => photo.slice(MARK.length))
}

/** A kept document with its pictures back in their places; one that cannot be found leaves its place empty. */
export async function together(
  study: Study,
  id: string,
  find: (picture: string) => Promise<KeptPicture | undefined>,
): Promise<Study> {
  const wanted = picturesOf(study)
  if (wanted.length === 0) return study
  const names = namesIn(id)
  const shown = new Map<string, string>()
  for (const picture of wanted) {
    const found = await find(picture)
    if (!found) continue
    const photo = await dataAddress(found.blob)
    names.set(photo, picture)
    shown.set(picture, photo)
  }
  return withPhotos(study, (picture) => shown.get(picture) ?? null)
}

/** A kept document to be listed: the pictures are left where they are. */
export const withoutPhotos = (study: Study): Study =>
  picturesOf(study).length === 0 ? study : withPhotos(study, () => null)

const withPhotos = (study: Study, photoOf: (picture: string) => string | null): Study => ({
  ...study,
  readings: study.readings.map((reading) =>
    typeof reading?.photo === 'string' && reading.photo.startsWith(MARK)
      ? { ...reading, photo: photoOf(reading.photo.slice(MARK.length)) }
      : reading,
  ),
})

const dataAddress = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(reader.result as string)
    reader.onerror = () => reject(reader.error ?? new Error('the picture cannot be read'))
    reader.readAsDataURL(blob)
  })

/** The picture of a data address. Done at once, so that it can be kept in the task that changes the document. */
export function blobOf(address: string): Blob {
  const comma = address.indexOf(',')
  const bytes = Uint8Array.from(atob(address.slice(comma + 1)), (c) => c.charCodeAt(0))
  return new Blob([bytes], { type: address.slice('data:'.length, address.indexOf(';')) })
}
