import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { expose } from 'comlink'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { YearPool } from '../../app/utils/year-pool'
import { PIECE_MISSING, SIGN } from '../../app/workers/signs'
import { harbourFlat } from '../../core/demos/harbour-flat'
import type { YearResult } from '../../core/year/result'

/** A worker whose other end is in this thread: it does what it is told to do. */
function worker(year: () => unknown) {
  const { port1, port2 } = new MessageChannel()
  expose({ year, day: year, fit: year }, port2 as never)
  const terminate = vi.fn(() => (port1.close(), port2.close()))
  const sign = () => port1.dispatchEvent(new MessageEvent('message', { data: SIGN }))
  return Object.assign(port1, { terminate, sign }) as unknown as Worker & {
    terminate: typeof terminate
    sign: () => void
  }
}
const answer = { heaterStarts: 7 } as YearResult
const forever = () => new Promise(() => {})
const fresh = () => false

vi.stubGlobal('Worker', class {})
afterEach(() => vi.useRealTimers())

describe('the pool of workers', () => {
  it('hands years out and drops what went stale before it began', async () => {
    const pool = new YearPool(1, () => worker(() => answer))
    const [first, stale, last] = await Promise.all([
      pool.year(harbourFlat, fresh),
      pool.year(harbourFlat, () => true),
      pool.year(harbourFlat, fresh),
    ])
    expect([first, stale, last]).toEqual([answer, null, answer])
  })

  it('ends what never ends, says so, and goes on with a new worker', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    const stuck = worker(forever)
    setInterval(stuck.sign, 1000)
    const made = [stuck, worker(() => answer)]
    const pool = new YearPool(1, () => made.shift()!)
    const first = pool.year(harbourFlat, fresh)
    const second = pool.year(harbourFlat, fresh)
    const said = expect(first).rejects.toThrow('Simulation stopped after 40 s')
    await vi.advanceTimersByTimeAsync(41_000)
    await said
    expect(stuck.terminate).toHaveBeenCalled()
    expect(await second).toEqual(answer)
  })

  it('says that a worker is silent, and has what a dead one was asked done by another', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    const dead = worker(forever)
    const made = [dead, worker(() => answer)]
    const pool = new YearPool(1, () => made.shift()!)
    const year = pool.year(harbourFlat, fresh)
    await vi.advanceTimersByTimeAsync(4000)
    expect(pool.silent.value).toBe(0)
    await vi.advanceTimersByTimeAsync(2000)
    expect(pool.silent.value).toBe(1)
    dead.sign()
    expect(pool.silent.value).toBe(0)
    await vi.advanceTimersByTimeAsync(21_000)
    expect(dead.terminate).toHaveBeenCalled()
    expect(await year).toEqual(answer)
    expect(pool.silent.value).toBe(0)
  })

  it('gives up what two workers died of', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    const pool = new YearPool(1, () => worker(forever))
    const refused = expect(pool.year(harbourFlat, fresh)).rejects.toThrow('no sign of life')
    await vi.advanceTimersByTimeAsync(42_000)
    await refused
  })

  it('has done on the page what no worker could load all the code for', async () => {
    const pool = new YearPool(1, () => worker(() => Promise.reject(new Error(PIECE_MISSING))))
    expect((await pool.order('day', harbourFlat, fresh, 3))!.day).toBe(4)
    expect(pool.onServer.value).toBe(false)
  })

  it('holds nothing of what was ordered once it is answered', async () => {
    setFlagsFromString('--expose_gc')
    const collect = runInNewContext('gc') as () => void
    const pool = new YearPool(1, () => worker(() => answer))
    const held: WeakRef<() => boolean>[] = []
    for (let k = 0; k < 20; k++) {
      const stale = () => k < 0
      held.push(new WeakRef(stale))
      await pool.year(harbourFlat, stale)
    }
    await new Promise((resume) => setTimeout(resume, 10))
    collect()
    // The last may still lie on a stack.
    expect(held.filter((h) => h.deref()).length).toBeLessThan(3)
  })

  it('ends what nobody wants any more', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    const stuck = worker(forever)
    const pool = new YearPool(1, () => stuck)
    let wanted = true
    const year = pool.year(harbourFlat, () => !wanted)
    wanted = false
    await vi.advanceTimersByTimeAsync(2000)
    expect(await year).toBeNull()
    expect(stuck.terminate).toHaveBeenCalled()
  })

  it('says what broke, keeps a worker whose engine only refused, and asks the server when none works', async () => {
    const broken = () => {
      const w = worker(forever)
      setTimeout(() => w.dispatchEvent(Object.assign(new Event('error'), { message: 'cannot load' })), 5)
      return w
    }
    let made = 0
    const refusing = new YearPool(1, () => (made++, worker(() => Promise.reject(new Error('takes too long')))))
    await expect(refusing.year(harbourFlat, fresh)).rejects.toThrow('takes too long')
    await expect(refusing.year(harbourFlat, fresh)).rejects.toThrow('takes too long')
    expect(made).toBe(1)

    const pool = new YearPool(1, broken)
    await expect(pool.year(harbourFlat, fresh)).rejects.toThrow('Simulation failed (cannot load)')
    await expect(pool.year(harbourFlat, fresh)).rejects.toThrow('Simulation failed (cannot load)')
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(answer))))
    expect(await pool.year(harbourFlat, fresh)).toEqual(answer)
    expect(pool.onServer.value).toBe(true)
    expect((await pool.order('day', harbourFlat, fresh, 3))!.day).toBe(4)
  })

  it('asks the server where the browser throws at a worker', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(JSON.stringify(answer))))
    const pool = new YearPool(2, () => {
      throw new Error('no workers here')
    })
    expect(await pool.year(harbourFlat, fresh)).toEqual(answer)
    expect(pool.onServer.value).toBe(true)
  })
})
