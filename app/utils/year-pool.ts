import { type Remote, wrap } from 'comlink'
import type { YearWorker } from '~/workers/year.worker'
import { type Fit, fit } from '~~/core/readings/fit'
import type { Study } from '~~/core/study/study'
import type { YearResult } from '~~/core/year/result'
import type { DayTrace } from '~~/core/year/trace'

type Doing = { year: YearResult; day: DayTrace; fit: Fit | null }
interface Order<K extends keyof Doing = keyof Doing> {
  kind: K
  text: string
  day: number
  /** Orders of a stale batch are dropped before they start. */
  stale: () => boolean
  done: (answer: Doing[K] | null) => void
  failed: (error: unknown) => void
}

/**
 * A few workers that simulate years. Orders that went stale while they waited are dropped; the handful under way are
 * let finish, because a warm worker is worth more than the quarter second it takes.
 */
export class YearPool {
  private readonly idle: Remote<YearWorker>[] = []
  private readonly waiting: Order[] = []
  /** False when the browser gives no workers; years then come from the server. */
  readonly local: boolean

  constructor(size: number) {
    this.local = typeof Worker !== 'undefined'
    if (!this.local) return
    for (let i = 0; i < size; i++) {
      const worker = new Worker(new URL('../workers/year.worker.ts', import.meta.url), { type: 'module' })
      this.idle.push(wrap<YearWorker>(worker))
    }
  }

  /** A year of a study, or null when it went stale. */
  year(study: Study, stale: () => boolean): Promise<YearResult | null> {
    return this.local ? this.order('year', JSON.stringify(study), 0, stale) : this.fromServer(study)
  }

  /** A traced day, or null when it went stale or when there is no worker to trace it. */
  day(study: Study, day: number, stale: () => boolean): Promise<DayTrace | null> {
    return this.local ? this.order('day', JSON.stringify(study), day, stale) : Promise.resolve(null)
  }

  /** All readings of a study fitted together; a second or two, here only where there is no worker. */
  fit(study: Study): Promise<Fit | null> {
    return this.local ? this.order('fit', JSON.stringify(study), 0, () => false) : Promise.resolve(fit(study))
  }

  private order<K extends keyof Doing>(
    kind: K,
    text: string,
    day: number,
    stale: () => boolean,
  ): Promise<Doing[K] | null> {
    return new Promise((done, failed) => {
      this.waiting.push({ kind, text, day, stale, done, failed } as Order)
      void this.next()
    })
  }

  private async next(): Promise<void> {
    const worker = this.idle.pop()
    if (!worker) return
    let order = this.waiting.shift()
    while (order?.stale()) {
      order.done(null)
      order = this.waiting.shift()
    }
    if (order) {
      try {
        order.done(
          order.kind === 'year'
            ? await worker.year(order.text)
            : order.kind === 'fit'
              ? await worker.fit(order.text)
              : await worker.day(order.text, order.day),
        )
      } catch (error) {
        order.failed(error)
      }
    }
    this.idle.push(worker)
    if (this.waiting.length > 0) void this.next()
  }

  private async fromServer(study: Study): Promise<YearResult> {
    for (let tries = 0; ; tries++) {
      const answer = await fetch('/api/simulate', {
        method: 'POST',
        body: JSON.stringify(study),
        headers: { 'content-type': 'application/json' },
      })
      if (answer.ok) return (await answer.json()) as YearResult
      if (answer.status !== 503 || tries > 10)
        throw new Error(((await answer.json()) as { message?: string }).message ?? 'the server did not answer')
      await new Promise((resume) => setTimeout(resume, Number(answer.headers.get('retry-after') ?? 2) * 1000))
    }
  }
}
