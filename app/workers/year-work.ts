import type { Study } from '~~/core/study/study'
import { simulate } from '~~/core/year/simulate'
import type { furtherWork } from './further-work'
import { PIECE_MISSING } from './signs'

const read = (text: string) => JSON.parse(text) as Study

type Further = typeof furtherWork
type Besides<K extends keyof Further> = Parameters<Further[K]> extends [Study, ...infer Rest] ? Rest : never

/** Work whose code is fetched when it is first asked for: the year is what every screen waits for. */
const further =
  <K extends keyof Further>(kind: K) =>
  async (text: string, ...besides: Besides<K>): Promise<ReturnType<Further[K]>> => {
    const { furtherWork } = await import('./further-work').catch(() => {
      throw new Error(PIECE_MISSING)
    })
    const work = furtherWork[kind] as unknown as (study: Study, ...besides: Besides<K>) => ReturnType<Further[K]>
    return work(read(text), ...besides)
  }

/** A year, with a sign of life after each month. */
export const yearOf = (text: string, sign?: () => void) => simulate(read(text), { onProgress: sign })

/** What is worked out away from the page. Studies come as text: it is cheaper than cloning Vue's proxies. */
export const yearWork = {
  year: (text: string) => yearOf(text),
  fit: further('fit'),
  day: further('day'),
  checks: further('checks'),
  candidates: further('candidates'),
  tried: further('tried'),
  judged: further('judged'),
  refusals: further('refusals'),
  sampled: further('sampled'),
  comparison: further('comparison'),
}
export type YearWork = typeof yearWork
