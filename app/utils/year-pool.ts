import { releaseProxy, type Remote, wrap } from 'comlink'
import { ref } from 'vue'
import type { Study } from '~~/core/study/study'
import type { YearResult } from '~~/core/year/result'
import { PIECE_MISSING, SIGN } from '../workers/signs'
import type { YearWork } from '../workers/year-work'

/** What can be ordered, what each takes besides the study, and what it gives. */
type Kind = keyof YearWork
type Besides<K extends Kind> = Parameters<YearWork[K]> extends [string, ...infer Rest] ? Rest : never
type Answer<K extends Kind> = Awaited<ReturnType<YearWork[K]>>
interface Order<K extends Kind = Kind> {
  kind: K
  /** The study as text, and the rest. */
  given: [string, ...Besides<K>]
  /** Orders of a stale batch are dropped. */
  stale: () => boolean
  done: (answer: Answer<K> | null) => void
  failed: (error: unknown) => void
  /** It was with a worker that died, or that could not load all of itself. */
  again?: boolean
}

/** What has not come after this is not waited for, ms: the engine gives up by itself long before. */
const TIMEOUT_MS = 40_000
/** What went stale is let finish for so long, ms, because a warm worker is worth more than the quarter second it takes. */
const STALE_MS = 1500
const LOOK_MS = 250
/** A worker that gave no sign for so long is said to be silent; in a year it gives one a month, and is given up after so long. */
const SILENT_MS = 5000
const DEAD_MS = 20_000
/** Workers that broke one after the other without an answer before years come from the server. */
const MOST_BROKEN = 3

/** A study as text for whoever simulates it: pictures are not looked at. */
const withoutPictures = (study: Study) =>
  JSON.stringify({ ...study, readings: study.readings.map((r) => (r.photo ? { ...r, photo: null } : r)) })

/** A worker, and what is told of it to the order that is with it. */
interface Hand {
  worker: Worker
  api: Remote<YearWork>
  /** It gave a sign of life. */
  sign: () => void
  /** It broke; while it is idle this is remembered. */
  broke: (error: Error) => void
  broken: Error | null
}

/** A worker of this app. @throws when the browser gives none */
const ownWorker = () => new Worker(new URL('../workers/year.worker.ts', import.meta.url), { type: 'module' })

/**
 * A few workers that simulate years. What is stuck is ended and its worker replaced; what breaks is said, and other orders
 * go on. Where the browser gives no workers, years come from the server.
 */
export class YearPool {
  private readonly idle: Hand[] = []
  private readonly waiting: Order[] = []
  private alive = 0
  private brokenInARow = 0
  /** Orders whose worker has given no sign for a while. */
  readonly silent = ref(0)
  /** The browser gives no workers, or none that works. */
  readonly onServer = ref(typeof Worker === 'undefined')

  constructor(
    private readonly size: number,
    private readonly spawn: () => Worker = ownWorker,
  ) {
    // The first worker gets ready while the page does.
    const first = this.hand()
    if (first) this.idle.push(first)
  }

  /** A year of a study, or null when it went stale. */
  year(study: Study, stale: () => boolean): Promise<YearResult | null> {
    return this.order('year', study, stale)
  }

  /** Has something worked out of a study; null when it went stale before it was. */
  order<K extends Kind>(
    kind: K,
    study: Study,
    stale: () => boolean,
    ...besides: Besides<K>
  ): Promise<Answer<K> | null> {
    return new Promise((done, failed) => {
      this.waiting.push({ kind, given: [withoutPictures(study), ...besides], stale, done, failed } as unknown as Order)
      void this.next()
    })
  }

  private hand(): Hand | null {
    const idle = this.idle.pop()
    if (idle) return idle
    if (this.alive >= this.size || this.onServer.value) return null
    try {
      const worker = this.spawn()
      const hand: Hand = { worker, api: wrap<YearWork>(worker), sign: () => {}, broke: () => {}, broken: null }
      const end = (event: Event) => {
        hand.broken = new Error((event as ErrorEvent).message || 'the simulation stopped')
        hand.broke(hand.broken)
      }
      worker.addEventListener('error', end)
      worker.addEventListener('messageerror', end)
      worker.addEventListener('message', (e: MessageEvent) => e.data === SIGN && hand.sign())
      this.alive++
      return hand
    } catch {
      this.onServer.value = true
      return null
    }
  }

  private async next(): Promise<void> {
    while (this.waiting[0]?.stale()) this.waiting.shift()!.done(null)
    if (this.waiting.length === 0) return
    const hand = this.hand()
    if (this.onServer.value) {
      for (const order of this.waiting.splice(0)) void elsewhere(order)
      return
    }
    if (!hand) return
    const order = this.waiting.shift()!
    try {
      order.done(await this.watched(hand, order))
      this.brokenInARow = 0
      this.idle.push(hand)
    } catch (error) {
      const incomplete = (error as Error).message === PIECE_MISSING
      if (error instanceof Ended || error instanceof Broken || incomplete) {
        this.replace(hand)
        if (error instanceof Broken && ++this.brokenInARow >= MOST_BROKEN) this.onServer.value = true
        if (error instanceof Ended && error.stale) order.done(null)
        else if (this.onServer.value || (incomplete && order.again)) void elsewhere(order)
        else if ((incomplete || error instanceof Died) && !order.again) this.waiting.unshift({ ...order, again: true })
        else order.failed(error)
      } else {
        // The engine's own refusal: the worker is as good as before.
        this.idle.push(hand)
        order.failed(error)
      }
    }
    void this.next()
  }

  private replace(hand: Hand) {
    this.alive--
    hand.api[releaseProxy]()
    hand.worker.terminate()
  }

  /** Waits for an answer, for the worker to break or to fall silent, for patience to end, or for nobody to want it any more. */
  private watched(hand: Hand, order: Order): Promise<Answer<Kind>> {
    return new Promise((answered, failed) => {
      const broke = (error: Error) => end(() => failed(new Broken(said(error))))
      // Counted by looks: while the page sleeps or is busy nobody is late.
      let [waitedMs, quietMs, silent] = [0, 0, false]
      const quiet = (now: boolean) => {
        if (now !== silent) this.silent.value += now ? 1 : -1
        silent = now
      }
      const looking = setInterval(() => {
        waitedMs += LOOK_MS
        quietMs += LOOK_MS
        quiet(quietMs > SILENT_MS)
        if (waitedMs > STALE_MS && order.stale()) end(() => failed(new Ended(true)))
        else if (order.kind === 'year' && quietMs > DEAD_MS) end(() => failed(new Died(said(SILENT))))
        else if (waitedMs > TIMEOUT_MS) end(() => failed(new Ended(false)))
      }, LOOK_MS)
      /** Nothing of the order stays with the worker: one that lives on would hold every study it ever had. */
      const end = (then: () => void) => {
        clearInterval(looking)
        quiet(false)
        hand.sign = hand.broke = () => {}
        then()
      }
      if (hand.broken) return broke(hand.broken)
      hand.sign = () => {
        quietMs = 0
        quiet(false)
      }
      hand.broke = broke
      const ask = hand.api[order.kind] as (...given: unknown[]) => Promise<Answer<Kind>>
      ask(...order.given).then(
        (answer) => end(() => answered(answer)),
        (error: unknown) => end(() => failed(error)),
      )
    })
  }
}

const SILENT = new Error('no sign of life')
const said = (error: Error) => `Simulation failed (${error.message}). The next change restarts it.`

/** An order that was ended: nobody wants it any more, or it took too long. */
class Ended extends Error {
  constructor(readonly stale: boolean) {
    super(
      `Simulation stopped after ${TIMEOUT_MS / 1000} s. Check this study for extreme values. Other studies are not affected.`,
    )
  }
}
/** The worker itself broke. */
class Broken extends Error {}
/** It gave no sign any more: nothing tells of a worker that the system has ended. */
class Died extends Broken {}

/** An order without a worker: years from the server, the rest here. */
async function elsewhere(order: Order): Promise<void> {
  try {
    const [text, ...besides] = order.given
    if (order.kind === 'year') return order.done(await fromServer(JSON.parse(text) as Study))
    const { yearWork } = await import('../workers/year-work')
    const work = yearWork[order.kind] as (...given: unknown[]) => Answer<Kind> | Promise<Answer<Kind>>
    order.done(await work(text, ...besides))
  } catch (error) {
    order.failed(error)
  }
}

async function fromServer(study: Study): Promise<YearResult> {
  for (let tries = 0; ; tries++) {
    const answer = await fetch('/api/simulate', {
      method: 'POST',
      body: JSON.stringify(study),
      headers: { 'content-type': 'application/json' },
    })
    if (answer.ok) return (await answer.json()) as YearResult
    if (answer.status !== 503 || tries > 10)
      throw new Error(((await answer.json()) as { message?: string }).message ?? 'no response from the server')
    await new Promise((resume) => setTimeout(resume, Number(answer.headers.get('retry-after') ?? 2) * 1000))
  }
}
