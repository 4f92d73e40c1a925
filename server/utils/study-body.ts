import { createError, getRequestHeader, type H3Event, setResponseHeader } from 'h3'
import { LARGEST_FILE, readStudyText } from '../../core/study/read'
import type { Study } from '../../core/study/study'
import type { Task } from '../pool/worker'

const refuse = (statusCode: number, message: string, data?: unknown) => createError({ statusCode, message, data })

/** Reads the body as text and stops as soon as it is larger than a study may be. */
async function textOf(event: H3Event): Promise<string> {
  const announced = Number(getRequestHeader(event, 'content-length') ?? 0)
  if (announced > LARGEST_FILE) throw refuse(413, `a study is at most ${LARGEST_FILE / 1048576} MB`)
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += chunk.length
    if (size > LARGEST_FILE) throw refuse(413, `a study is at most ${LARGEST_FILE / 1048576} MB`)
    chunks.push(chunk)
  }
  return Buffer.concat(chunks).toString('utf8')
}

async function studyOf(event: H3Event): Promise<Study> {
  const read = readStudyText(await textOf(event))
  if (read.ok) return read.value
  const [first] = read.faults
  throw refuse(422, `${first?.path ? `${first.path}: ` : ''}${first?.message}`, { faults: read.faults })
}

/** Answers a request that sends a study with what the pool makes of it. Nothing is stored. */
export async function answerWith<T>(event: H3Event, kind: Task['kind']): Promise<T> {
  if (poolIsFull()) {
    setResponseHeader(event, 'retry-after', 2)
    throw refuse(503, 'all threads are busy; try again in a moment')
  }
  const study = await studyOf(event)
  const gone = new AbortController()
  event.node.res.on('close', () => {
    if (!event.node.res.writableEnded) gone.abort()
  })
  try {
    return await inPool<T>({ kind, study }, gone.signal)
  } catch (error) {
    if (error instanceof Error && /queue/i.test(error.message)) {
      setResponseHeader(event, 'retry-after', 2)
      throw refuse(503, 'all threads are busy; try again in a moment')
    }
    throw error
  }
}
