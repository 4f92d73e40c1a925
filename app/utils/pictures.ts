import { LONGEST_PHOTO } from '~~/core/study/readings'

/** Longest side of a kept picture, px, and how it is packed. */
const LONGEST_PX = 900
const QUALITIES = [0.75, 0.55, 0.4, 0.25]

/** A picture made small enough to travel with a study. Throws when the file is no picture. */
export async function smallPicture(file: File): Promise<string> {
  const bitmap = await createImageBitmap(file)
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  for (const quality of QUALITIES) {
    const data = canvas.toDataURL('image/jpeg', quality)
    if (data.length <= LONGEST_PHOTO) return data
  }
  throw new RangeError('the picture stays too large')
}
