import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import type { Outcome, Task } from '../pool/worker'

const WORKER_FILE = 'simulate-worker.mjs'
/** Tasks that may wait for a thread before the server says it is full. */
const QUEUE = 8
/** What one thread may take, MB; a year takes some tens. */
const THREAD_MB = { old: 256, young: 64 } as const
/** How long a task may take, s: a year ends long before, a comparison of as many years as are allowed does too. */
export const TASK_S = 60

let pool: Piscina | undefined

/** The bundled worker lies beside the server's entry; routes are bundled into folders below it. */
function workerFile(): string {
  for (let dir = dirname(fileURLToPath(import.meta.url)); dir !== dirname(dir); dir = dirname(dir)) {
    const file = join(dir, WORKER_FILE)
    if (existsSync(file)) return file
  }
  throw new Error(`${WORKER_FILE} is missing: build the app again`)
}

/** Whether another task would find no room. */
export function poolIsFull(): boolean {
  return pool !== undefined && pool.queueSize >= QUEUE
}

/** Runs a task on a thread of the pool; `signal` ends it, and the thread with it, when the caller has gone or time is up. */
export function inPool(task: Task, signal: AbortSignal): Promise<Outcome> {
  pool ??= new Piscina({
    filename: workerFile(),
    maxThreads: 2,
    minThreads: 0,
    idleTimeout: 10_000,
    maxQueue: QUEUE,
    resourceLimits: { maxOldGenerationSizeMb: THREAD_MB.old, maxYoungGenerationSizeMb: THREAD_MB.young },
  })
  return pool.run(task, { signal })
}
