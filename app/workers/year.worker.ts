import { expose } from 'comlink'
import { fit } from '~~/core/readings/fit'
import type { Study } from '~~/core/study/study'
import { simulate } from '~~/core/year/simulate'
import { traceDay } from '~~/core/year/trace'

/** The core, behind a worker's door. Studies come as text: it is cheaper than cloning Vue's proxies. */
const api = {
  year: (text: string) => simulate(JSON.parse(text) as Study),
  fit: (text: string) => fit(JSON.parse(text) as Study),
  day: (text: string, day: number) => traceDay(JSON.parse(text) as Study, day),
}
export type YearWorker = typeof api

expose(api)
