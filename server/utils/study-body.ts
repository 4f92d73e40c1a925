import { createError, getRequestHeader, type H3Event, setResponseHeader } from 'h3'
import type { Task } from '../pool/worker'
import { inPool, poolIsFull, TASK_S } from './pool'

/** Largest study that is taken in, bytes: without its pictures, which no year looks at. */
const LARGEST_BODY = 8 * 1024 * 1024
/** Bodies that are taken in at once, and how long one may take to arrive, s. */
const MOST_BODIES = 6
const BODY_S = 15

let bodies = 0

const refuse = (statusCode: number, message: string, data?: unknown) => createError({ statusCode, message, data })

function busy(event: H3Event) {
  setResponseHeader(event, 'retry-after', 2)
  return refuse(503, 'all threads are busy; try again in a moment')
}

/** Reads the body as text and stops as soon as it is larger, slower or of other bytes than a study may be. */
async function textOf(event: H3Event): Promise<string> {
  const announced = Number(getRequestHeader(event, 'content-length') ?? 0)
  const tooLarge = refuse(413, `a study is sent without its pictures, and is then at most ${LARGEST_BODY / 1048576} MB`)
  if (announced > LARGEST_BODY) throw tooLarge
  const { req } = event.node
  const late = setTimeout(() => req.destroy(new Error('too slow')), BODY_S * 1000)
  const chunks: Buffer[] = []
  let size = 0
  try {
    for await (const chunk of req) {
      size += (chunk as Buffer).length
      if (size > LARGEST_BODY) throw tooLarge
      chunks.push(chunk as Buffer)
    }
  } catch (error) {
    if (error === tooLarge) throw error
    throw refuse(400, 'the study did not arrive whole')
  } finally {
    clearTimeout(late)
  }
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks))
  } catch {
    throw refuse(400, 'a study is text in UTF-8')
  }
}

/** Answers a request that sends a study with what the pool makes of it. Nothing is stored. */
export async function answerWith<T>(event: H3Event, kind: Task['kind']): Promise<T> {
  if (poolIsFull() || bodies >= MOST_BODIES) throw busy(event)
  bodies++
  let text: string
  try {
    text = await textOf(event)
  } finally {
    bodies--
  }
  const gone = new AbortController()
  event.node.res.on('close', () => {
    if (!event.node.res.writableEnded) gone.abort()
  })
  const late = AbortSignal.timeout(TASK_S * 1000)
  try {
    const outcome = await inPool({ kind, text }, AbortSignal.any([gone.signal, late]))
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
