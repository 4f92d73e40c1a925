import type { IncomingMessage } from 'node:http'
import { createError, getRequestHeader, type H3Event, setResponseHeader } from 'h3'
import type { Task } from '../pool/worker'
import { SILENCE_MS } from './patience'
import { inPool, poolIsFull, TASK_S } from './pool'

/** Largest study that is taken in, bytes: without its pictures, which no year looks at. */
const LARGEST_BODY = 8 * 1024 * 1024
/** What bodies that are still arriving may hold together, bytes. */
const MOST_ARRIVING = 96 * 1024 * 1024
/** Tasks of one address, waiting or under way: others find room beside them. */
const MOST_OF_ONE = 6
/** A connection whose request was refused and has still not come whole after this is closed, ms. */
const CLOSED_MS = 500

let arriving = 0
const tasksOf = new Map<string, number>()

const refuse = (statusCode: number, message: string, data?: unknown) => createError({ statusCode, message, data })

function busy(event: H3Event) {
  setResponseHeader(event, 'retry-after', 2)
  return refuse(503, 'all threads are busy; try again in a moment')
}

/** The next piece of a body; null at its end. @throws when it breaks off, or when nothing has come for too long */
function nextPiece(pieces: AsyncIterator<Buffer>, req: IncomingMessage): Promise<Buffer | null> {
  return new Promise((resolve, reject) => {
    const idle = setTimeout(() => reject(new Error('too slow')), SILENCE_MS)
    pieces
      .next()
      .then(({ done, value }) =>
        done ? (req.complete ? resolve(null) : reject(new Error('broken off'))) : resolve(value),
      )
      .catch(reject)
      .finally(() => clearTimeout(idle))
  })
}

/** Reads the body as text and stops as soon as it is larger, slower or of other bytes than a study may be. */
async function textOf(event: H3Event): Promise<string> {
  const announced = Number(getRequestHeader(event, 'content-length') ?? 0)
  const tooLarge = () =>
    refuse(413, `a study is sent without its pictures, and is then at most ${LARGEST_BODY / 1048576} MB`)
  if (announced > LARGEST_BODY) throw tooLarge()
  const { req } = event.node
  const pieces = req.iterator({ destroyOnReturn: false }) as AsyncIterator<Buffer>
  const chunks: Buffer[] = []
  let size = 0
  try {
    for (;;) {
      const piece = await nextPiece(pieces, req).catch(() => {
        throw refuse(408, 'the study did not arrive whole')
      })
      if (piece === null) break
      size += piece.length
      arriving += piece.length
      if (size > LARGEST_BODY) throw tooLarge()
      if (arriving > MOST_ARRIVING) throw busy(event)
      chunks.push(piece)
    }
  } finally {
    arriving -= size
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks))
  } catch {
    throw refuse(400, 'a study is text in UTF-8')
  }
}

/**
 * What was refused before it had come whole is let go of as it comes, for a moment: a caller that is still sending would not read
 * the answer of a connection that ends under it. Then the connection ends.
 */
function closeAfter({ node: { req, res } }: H3Event): void {
  if (req.complete) return
  const { socket } = req
  res.once('finish', () => setTimeout(() => req.complete || socket.destroy(), CLOSED_MS).unref())
}

/** Answers a request that sends a study with what the pool makes of it. Nothing is stored. */
export async function answerWith<T>(event: H3Event, kind: Task['kind']): Promise<T> {
  let text: string
  try {
    if (poolIsFull()) throw busy(event)
    text = await textOf(event)
  } catch (error) {
    closeAfter(event)
    throw error
  }
  // Only what has come whole takes a place.
  const from = event.node.req.socket.remoteAddress ?? ''
  const own = tasksOf.get(from) ?? 0
  if (own >= MOST_OF_ONE) throw busy(event)
  tasksOf.set(from, own + 1)
  try {
    return await worked<T>(event, { kind, text })
  } finally {
    const left = tasksOf.get(from)! - 1
    if (left > 0) tasksOf.set(from, left)
    else tasksOf.delete(from)
  }
}

async function worked<T>(event: H3Event, task: Task): Promise<T> {
  const gone = new AbortController()
  event.node.res.on('close', () => {
    if (!event.node.res.writableEnded) gone.abort()
  })
  const late = AbortSignal.timeout(TASK_S * 1000)
  try {
    const outcome = await inPool(task, AbortSignal.any([gone.signal, late]))
    if ('value' in outcome) return outcome.value as T
    throw refuse(422, outcome.refused, { faults: outcome.faults.slice(0, 50) })
  } catch (error) {
    if (gone.signal.aborted) throw refuse(499, 'whoever asked has gone')
    if (late.aborted) throw refuse(422, `it was not worked out within ${TASK_S} seconds`)
    if (error instanceof Error && /queue/i.test(error.message)) throw busy(event)
    if ((error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY')
      throw refuse(422, 'it takes more memory than a study may')
    throw error
  }
}
