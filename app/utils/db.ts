import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { ref } from 'vue'
import { type KeptDraft, type KeptTyped, takenOf, type TakenUp, typedOf } from '~/utils/kept-draft'
import { apart, blobOf, type KeptPicture, picturesOf, together, withoutPhotos } from '~/utils/kept-pictures'
import { freshId } from '~~/core/study/fresh-id'
import type { Study } from '~~/core/study/study'

/** A study as it is kept: the document, when it was last changed, and a mark of its own for each time it was kept. */
export interface Kept {
  /** Readings whose picture could not be had back. */
  without?: string[]
  id: string
  study: Study
  changedAt: string
  /** Studies that were kept before there were marks have none. */
  mark?: string
  /** Put away; work on it takes it out again. */
  archived?: boolean
}

/** The way back and forth from a kept study; it holds only for the study with the same mark. */
export interface KeptHistory {
  id: string
  mark: string
  past: Study[]
  future: Study[]
}

export interface BagnoDB extends DBSchema {
  studies: { key: string; value: Kept }
  ways: { key: string; value: KeptHistory }
  pictures: { key: string; value: KeptPicture; indexes: { study: string } }
  /** Readings being taken, by the id of their study; what is typed and not taken yet, by that and a mark. */
  drafts: { key: string; value: KeptDraft | KeptTyped | TakenUp }
  /** What the engineer begins every household with, one record; whoever reads it checks it. */
  own: { key: string; value: unknown }
}

/** What other tabs are told. */
export type Told = { kept: string } | { deleted: string }

const NAME = 'bagno'
const VERSION = 5

/**
 * Why this browser keeps nothing, as it is said to whoever works in it; empty while all is well. What cannot be kept lives
 * in this tab until it is closed.
 */
export const storageTrouble = ref('')

const TROUBLE = {
  missing:
    'This browser does not let Bagno keep studies (private windows often do not). Work goes on in this tab and is lost when it is closed: export it as a file.',
  newer:
    'A newer Bagno has been used in this browser, and what it keeps cannot be read by this one. Reload the page; until then work is in this tab alone: export it as a file.',
  older: 'Another tab holds an older Bagno open. Close it, and this one goes on.',
} as const

/** Studies and ways of a tab whose browser keeps none. */
const inThisTab = { studies: new Map<string, Kept>(), ways: new Map<string, KeptHistory>() }

let opened: Promise<IDBPDatabase<BagnoDB> | null> | undefined
/** The same once it is there, so that a change can be written in the very task that makes it. */
let connection: IDBPDatabase<BagnoDB> | null = null
export const atOnce = () => connection
function closed() {
  opened = undefined
  connection = null
}

/** The browser's store, or null where it gives none. A connection that breaks is opened anew when it is next needed. */
function db(): Promise<IDBPDatabase<BagnoDB> | null> {
  opened ??= open()
  return opened
}

async function open(): Promise<IDBPDatabase<BagnoDB> | null> {
  try {
    const database = await openDB<BagnoDB>(NAME, VERSION, {
      upgrade(made, from) {
        if (from < 1) made.createObjectStore('studies', { keyPath: 'id' })
        if (from < 2) made.createObjectStore('ways', { keyPath: 'id' })
        if (from < 3) made.createObjectStore('pictures', { keyPath: 'id' }).createIndex('study', 'study')
        if (from < 4) made.createObjectStore('drafts', { keyPath: 'id' })
        if (from < 5) made.createObjectStore('own')
      },
      blocked: () => (storageTrouble.value = TROUBLE.older),
      // A newer Bagno in another tab wants to go on: it is not held up.
      blocking: (_, __, event) => {
        ;(event.target as IDBDatabase).close()
        closed()
      },
      terminated: closed,
    })
    storageTrouble.value = ''
    connection = database
    return database
  } catch (error) {
    closed()
    storageTrouble.value = (error as DOMException).name === 'VersionError' ? TROUBLE.newer : TROUBLE.missing
    return null
  }
}

/** Does something with the store; once more with a new connection where the old one was closed under it. */
export async function stored<T>(work: (database: IDBPDatabase<BagnoDB>) => Promise<T>, without: () => T): Promise<T> {
  const database = await db()
  if (!database) return without()
  try {
    return await work(database)
  } catch (error) {
    if (!['InvalidStateError', 'NotFoundError', 'UnknownError'].includes((error as DOMException).name)) throw error
    closed()
    const again = await db()
    return again ? work(again) : without()
  }
}

/** All kept studies, without their pictures. */
export const keptStudies = () =>
  stored(
    async (d) => (await d.getAll('studies')).map((kept) => ({ ...kept, study: withoutPhotos(kept.study) })),
    () => [...inThisTab.studies.values()],
  )
/** A kept study, whole. */
export const keptStudy = (id: string) =>
  stored(
    async (d) => {
      const kept = await d.get('studies', id)
      if (!kept) return undefined
      beside.set(id, new Set(picturesOf(kept.study)))
      return { ...kept, ...(await together(kept.study, id, (picture) => d.get('pictures', picture))) }
    },
    () => inThisTab.studies.get(id),
  )

/** A document without the pictures that lie beside its kept copy already, each in its place the name of one. */
export function lighter(study: Study): Study {
  const there = beside.get(study.id)
  const light = apart(study)
  if (![...light.pictures.keys()].some((id) => there?.has(id))) return study
  return {
    ...light.study,
    readings: light.study.readings.map((reading, i) => {
      const name = picturesOf({ readings: [reading] })[0]
      return name !== undefined && !there?.has(name) ? study.readings[i]! : reading
    }),
  }
}
/** The same with its pictures back. */
export const whole = (study: Study) =>
  stored(
    async (d) => (await together(study, study.id, (picture) => d.get('pictures', picture))).study,
    () => withoutPhotos(study),
  )

/** Pictures that the kept copy of a study, as this tab last saw it, shows: they are there and need not be kept again. */
const beside = new Map<string, Set<string>>()

/** Another tab has kept the same study since this one last saw it. */
export class KeptElsewhere extends Error {}

const otherTabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('bagno-studies')
/** Hears what other tabs have kept or deleted. */
export function onTold(heard: (told: Told) => void): void {
  otherTabs?.addEventListener('message', (e: MessageEvent<Told>) => heard(e.data))
}

/**
 * Keeps a study under its id, on the disk before it says so.
 * @param seen marks of the kept copies that this study may have grown from; without them whatever is kept is replaced
 * @param mark of what is kept now
 * @throws KeptElsewhere when another copy has been kept since; otherwise fails when the storage is full
 */
export async function keepStudy(study: Study, seen?: readonly string[], mark = newMark()): Promise<Kept> {
  const kept: Kept = { id: study.id, study, changedAt: new Date().toISOString(), mark }
  const write = (d: IDBPDatabase<BagnoDB>) => exchange(d, kept)
  const without = () => {
    const there = inThisTab.studies.get(study.id)
    inThisTab.studies.set(study.id, kept)
    return there
  }
  // Nothing is waited for before the first write is on its way: what follows a change may keep the page busy.
  const there = await (connection
    ? exchange(connection, kept).catch(() => stored(write, without))
    : stored(write, without))
  if (seen && there && !seen.includes(markOf(there)) && there.mark !== mark) {
    // Another tab was quicker: what it kept goes back to its place.
    await stored(
      // It is as it lay there: its pictures are named in it and beside it.
      async (d) => void (await d.put('studies', there)),
      () => void inThisTab.studies.set(there.id, there),
    )
    throw new KeptElsewhere()
  }
  otherTabs?.postMessage({ kept: study.id } satisfies Told)
  return kept
}

/** Puts a study in the place of what was kept, in one go, and tells what that was. */
async function exchange(d: IDBPDatabase<BagnoDB>, kept: Kept): Promise<Kept | undefined> {
  const { study, pictures } = apart(kept.study)
  const transaction = d.transaction(['studies', 'pictures'], 'readwrite', { durability: 'strict' })
  const studies = transaction.objectStore('studies')
  const asked = [studies.get(kept.id), studies.put({ ...kept, study }), transaction.done] as const
  const there = beside.get(kept.id)
  const added = [...pictures].filter(([id]) => !there?.has(id)).map(([id, photo]) => pictureOf(kept.id, id, photo))
  const put = added.map((picture) => transaction.objectStore('pictures').put(picture))
  transaction.commit()
  const [before] = await Promise.all([...asked, ...put])
  beside.set(kept.id, new Set(pictures.keys()))
  return before as Kept | undefined
}

const pictureOf = (study: string, id: string, photo: string): KeptPicture => ({ id, study, blob: blobOf(photo) })

/** A mark that no other copy has. */
export const newMark = (): string => crypto.randomUUID()

/** The mark of a kept copy; what was kept before there were marks goes by its time. */
export const markOf = (kept: Kept): string => kept.mark ?? kept.changedAt

export async function forgetStudy(id: string): Promise<void> {
  await stored(
    async (d) => {
      const transaction = d.transaction(['studies', 'ways', 'pictures', 'drafts'], 'readwrite', {
        durability: 'strict',
      })
      const pictures = await transaction.objectStore('pictures').index('study').getAllKeys(id)
      await Promise.all([
        transaction.objectStore('studies').delete(id),
        transaction.objectStore('ways').delete(id),
        transaction.objectStore('drafts').delete(id),
        transaction.objectStore('drafts').delete(typedOf(id)),
        transaction.objectStore('drafts').delete(takenOf(id)),
        ...pictures.map((picture) => transaction.objectStore('pictures').delete(picture)),
        transaction.done,
      ])
      beside.delete(id)
    },
    () => void (inThisTab.studies.delete(id), inThisTab.ways.delete(id)),
  )
  otherTabs?.postMessage({ deleted: id } satisfies Told)
}

/**
 * Keeps a study as a new one: under its own id where that is free, otherwise under one like it. Looking and keeping are one, so
 * that two tabs, or two files, never take the same. Returns it as it is kept; fails when the storage is full.
 */
export async function keepBeside(study: Study, name = study.name): Promise<Kept> {
  const under = (taken: readonly string[]): Kept => {
    const ids = taken.map((id) => ({ id }))
    const id = taken.includes(study.id) ? freshId(study.id.slice(0, 34), ids) : study.id
    return { id, study: { ...structuredClone(study), name, id }, changedAt: new Date().toISOString(), mark: newMark() }
  }
  const kept = await stored(
    async (d) => {
      const transaction = d.transaction(['studies', 'pictures'], 'readwrite', { durability: 'strict' })
      const studies = transaction.objectStore('studies')
      const kept = under(await studies.getAllKeys())
      const { study: light, pictures } = apart(kept.study)
      await Promise.all([
        studies.put({ ...kept, study: light }),
        ...[...pictures].map(([id, photo]) => transaction.objectStore('pictures').put(pictureOf(kept.id, id, photo))),
        transaction.done,
      ])
      beside.set(kept.id, new Set(pictures.keys()))
      return kept
    },
    () => {
      const kept = under([...inThisTab.studies.keys()])
      inThisTab.studies.set(kept.id, kept)
      return kept
    },
  )
  otherTabs?.postMessage({ kept: kept.id } satisfies Told)
  return kept
}

/** Puts a kept study away, or takes it out again; nothing of the study changes. */
export async function archiveKept(id: string, archived: boolean): Promise<void> {
  await stored(
    async (d) => {
      const transaction = d.transaction('studies', 'readwrite', { durability: 'strict' })
      const kept = await transaction.store.get(id)
      if (kept) await transaction.store.put({ ...kept, archived })
      await transaction.done
    },
    () => {
      const kept = inThisTab.studies.get(id)
      if (kept) inThisTab.studies.set(id, { ...kept, archived })
    },
  )
}

/** Puts a deleted study back exactly as it was kept; false when another is kept under its id by now. */
export async function restoreKept(kept: Kept): Promise<boolean> {
  const back = await stored(
    async (d) => {
      const { study, pictures } = apart(kept.study)
      const transaction = d.transaction(['studies', 'pictures'], 'readwrite', { durability: 'strict' })
      const free = (await transaction.objectStore('studies').get(kept.id)) === undefined
      if (free) {
        await transaction.objectStore('studies').put({ ...kept, study })
        for (const [id, photo] of pictures) await transaction.objectStore('pictures').put(pictureOf(kept.id, id, photo))
      }
      await transaction.done
      return free
    },
    () => !inThisTab.studies.has(kept.id) && (inThisTab.studies.set(kept.id, kept), true),
  )
  if (back) otherTabs?.postMessage({ kept: kept.id } satisfies Told)
  return back
}

export const keptWay = (id: string) =>
  stored(
    async (d) => {
      const way = await d.get('ways', id)
      if (!way) return undefined
      const find = (picture: string) => d.get('pictures', picture)
      const back = (steps: Study[]) => Promise.all(steps.map(async (step) => (await together(step, id, find)).study))
      return { ...way, past: await back(way.past), future: await back(way.future) }
    },
    () => inThisTab.ways.get(id),
  )

/** Keeps the way back and forth, with the pictures it may bring back; those that nothing shows any more are let go. */
export const keepWay = (way: KeptHistory) =>
  stored(
    async (d) => {
      const pictures = new Map<string, string>()
      const light = (steps: Study[]) =>
        steps.map((step) => {
          const parts = apart(step)
          for (const [id, photo] of parts.pictures) pictures.set(id, photo)
          return parts.study
        })
      const kept = { ...way, past: light(way.past), future: light(way.future) }
      const transaction = d.transaction(['studies', 'ways', 'pictures'], 'readwrite')
      const store = transaction.objectStore('pictures')
      const document = await transaction.objectStore('studies').get(way.id)
      const there = await store.index('study').getAllKeys(way.id)
      const shown = new Set([...picturesOf(document?.study), ...pictures.keys()])
      await Promise.all([
        transaction.objectStore('ways').put(kept),
        ...[...pictures]
          .filter(([id]) => !there.includes(id))
          .map(([id, photo]) => store.put(pictureOf(way.id, id, photo))),
        ...there.filter((id) => !shown.has(id)).map((id) => store.delete(id)),
        transaction.done,
      ])
    },
    () => void inThisTab.ways.set(way.id, way),
  )
