import { keepBeside, keepStudy, KeptElsewhere, lighter, newMark, whole } from '~/utils/db'
import { noteTakenUp, takenUp } from '~/utils/kept-beside'
import { readStudy } from '~~/core/study/read'
import type { Study } from '~~/core/study/study'

/**
 * What was changed as the page went. The browser's store takes too long for that, so it is put where writing is done at once,
 * and kept properly at the next start. Pictures that lie in the store already are left there: beside many of them there would be
 * no room for the rest.
 */
interface Leaving {
  study: Study
  /** Marks of the kept copies that it may have grown from. */
  from: string[]
  /** Its own: what was taken up once is known by it. Older versions wrote none. */
  mark?: string
}

const PREFIX = 'bagno-leaving '

export function putAside(study: Study, from: string[]): void {
  try {
    localStorage.setItem(
      PREFIX + study.id,
      JSON.stringify({ study: lighter(study), from, mark: newMark() } satisfies Leaving),
    )
  } catch {
    // No room for it there: the store may still take it.
  }
}

export function takeUp(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id)
  } catch {
    // What cannot be reached cannot be there.
  }
}

/**
 * Keeps what was put aside when pages went; what grew from another copy goes beside it. Of tabs that begin together one does it
 * at a time. What one of them has taken away the next may still see there for a moment: so it is written down what was taken up.
 */
export async function keepLeft(): Promise<void> {
  if (typeof navigator.locks === 'undefined') await keepAll()
  else await navigator.locks.request('bagno-leaving', keepAll)
}

async function keepAll(): Promise<void> {
  let keys: string[] = []
  try {
    keys = Object.keys(localStorage).filter((key) => key.startsWith(PREFIX))
  } catch {
    return
  }
  for (const key of keys) {
    try {
      const left = JSON.parse(localStorage.getItem(key) ?? 'null') as Leaving | null
      const read = left && readStudy(await whole(left.study))
      if (left && read?.ok && Array.isArray(left.from) && !(await takenUp(read.value.id, left.mark))) {
        try {
          await keepStudy(read.value, left.from)
        } catch (error) {
          if (!(error instanceof KeptElsewhere)) throw error
          await keepBeside(read.value, `${read.value.name}, as it was left`)
        }
        await noteTakenUp(read.value.id, left.mark)
      }
      localStorage.removeItem(key)
    } catch {
      // Full storage: it stays where it is until there is room.
    }
  }
}
