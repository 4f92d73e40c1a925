import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import type { Task } from '../pool/worker'

const WORKER_FILE = 'simulate-worker.mjs'
/** Years that may wait for a thread before the server says it is full. */
const QUEUE = 16

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

/** Runs a task on a thread of the pool; `signal` stops it when the caller has gone. */
export function inPool<T>(task: Task, signal: AbortSignal): Promise<T> {
  pool ??= new Piscina({ filename: workerFile(), maxThreads: 2, minThreads: 0, idleTimeout: 30_000, maxQueue: QUEUE })
  return pool.run(task, { signal })
}
