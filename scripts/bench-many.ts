import { pathToFileURL } from 'node:url'
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import { DEMOS } from '../core/demos/index'
import type { Study } from '../core/study/study'
import { simulate } from '../core/year/simulate'
import { simulateMany } from '../core/year/simulate-many'
import { bundled } from './trees'

/** Households of one comparison of ranges, and the cores that share them. */
const PAIRED = 64
const CORES = 2
const SECONDS = 30

const heapMb = () => {
  globalThis.gc?.()
  return process.memoryUsage().heapUsed / 1e6
}

/** The same household with its setpoint, draws and pipes a little otherwise. */
export function otherwise(study: Study, k: number): Study {
  const other = structuredClone(study)
  other.people.seed += k
  for (const control of Object.values(other.controls.found.heaters)) control.setpointC += (k % 9) / 2 - 2
  for (const run of other.pipes.runs) run.lengthM *= 1 + ((k % 5) - 2) / 50
  return other
}

/** Years of the mix of all demos on one core for half a minute, and what the heap came to. */
function throughput(): void {
  for (const { study } of DEMOS) simulate(study)
  const began = performance.now()
  const before = heapMb()
  let years = 0
  function* mix() {
    for (let k = 0; ; k++) yield [k, otherwise(DEMOS[k % DEMOS.length].study, k)] as const
  }
  for (const _ of simulateMany(mix())) if (++years && performance.now() - began > SECONDS * 1000) break
  const minutes = (performance.now() - began) / 60_000
  console.log(
    `Mix of the demos: ${Math.round(years / minutes)} years a minute and core; heap ${before.toFixed(1)} MB before, ${heapMb().toFixed(1)} MB after ${years} years`,
  )
}

/** Years of variants of the main demo, shared out over the cores. */
async function paired(): Promise<void> {
  // Bundled beforehand: the app has its code at hand.
  const file = await bundled('bench-many', `import './scripts/bench-many'`)
  const began = performance.now()
  let first = 0
  await Promise.all(
    Array.from(
      { length: CORES },
      (_, core) =>
        new Promise<void>((done) => {
          const worker = new Worker(pathToFileURL(file), { workerData: { core } })
          worker.on('message', () => (first ||= performance.now() - began))
          worker.on('exit', () => done())
        }),
    ),
  )
  console.log(
    `${PAIRED} paired years of the main demo on ${CORES} cores: ${((performance.now() - began) / 1000).toFixed(1)} s, the first after ${first.toFixed(0)} ms`,
  )
}

/** `npm run bench -- --many`: how many years a minute, and how long a comparison of ranges takes. */
export async function benchMany(): Promise<void> {
  throughput()
  await paired()
}

if (!isMainThread && typeof workerData?.core === 'number') {
  const mine = Array.from({ length: PAIRED }, (_, k) => [k, otherwise(DEMOS[0].study, k)] as const)
  for (const [k] of simulateMany(mine.filter(([k]) => k % CORES === workerData.core))) parentPort!.postMessage(k)
}
