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

/** Addresses whose data is none: they stay in the document as they are, which is kept all the same. */
const unsound = new Set<string>()
function isSound(address: string): boolean {
  if (unsound.has(address)) return false
  try {
    blobOf(address)
    return true
  } catch {
    unsound.add(address)
    return false
  }
}

/** A document without its pictures, each in its place the name of one, and the pictures by that name. */
export function apart(study: Study): { study: Study; pictures: Map<string, string> } {
  const names = namesIn(study.id)
  const pictures = new Map<string, string>()
  const readings = study.readings.map((reading) => {
    if (!isInline(reading.photo)) return reading
    const known = names.get(reading.photo)
    if (known === undefined && !isSound(reading.photo)) return reading
    const id = known ?? crypto.randomUUID()
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
    .filter(isNamed)
    .map((photo) => photo.slice(MARK.length))
}

const isNamed = (photo: unknown): photo is string => typeof photo === 'string' && photo.startsWith(MARK)

/**
 * A kept document with its pictures back in their places, and the readings whose picture is gone or whose file the browser has
 * lost: their place is left empty, and all else is there.
 */
export async function together(
  study: Study,
  id: string,
  find: (picture: string) => Promise<KeptPicture | undefined>,
): Promise<{ study: Study; without: string[] }> {
  const wanted = picturesOf(study)
  if (wanted.length === 0) return { study, without: [] }
  const names = namesIn(id)
  const shown = new Map<string, string>()
  for (const picture of wanted) {
    const photo = await find(picture)
      .then((found) => found && dataAddress(found.blob))
      .catch(() => undefined)
    if (!photo) continue
    names.set(photo, picture)
    shown.set(picture, photo)
  }
  const gone = (photo: unknown) => isNamed(photo) && !shown.has(photo.slice(MARK.length))
  return {
    study: withPhotos(study, (picture) => shown.get(picture) ?? null),
    without: study.readings.filter((reading) => gone(reading?.photo)).map((reading) => reading.id),
  }
}

/** A kept document to be listed: the pictures are left where they are. */
export const withoutPhotos = (study: Study): Study =>
  picturesOf(study).length === 0 ? study : withPhotos(study, () => null)

const withPhotos = (study: Study, photoOf: (picture: string) => string | null): Study => ({
  ...study,
  readings: study.readings.map((reading) =>
    isNamed(reading?.photo) ? { ...reading, photo: photoOf(reading.photo.slice(MARK.length)) } : reading,
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
