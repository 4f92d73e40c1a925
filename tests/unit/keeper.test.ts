import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Keeper } from '../../app/utils/keeper'
import { hillTown } from '../../core/demos/hill-town'
import type { Study } from '../../core/study/study'

const at = (name: string, id = 'one'): Study => ({ ...hillTown, id, name })

/** A store whose writes end when they are told to. */
function slowStore() {
  const written: string[] = []
  const ends: (() => void)[] = []
  const states: string[] = []
  let fails = false
  const keeper = new Keeper(
    (study) =>
      new Promise((done, failed) => {
        ends.push(() => (fails ? failed(new Error('full')) : (written.push(study.name), done())))
      }),
    (state) => states.push(state),
  )
  const end = async () => {
    ends.shift()!()
    await vi.advanceTimersByTimeAsync(0)
  }
  return { keeper, written, states, end, started: () => ends.length, fail: (on: boolean) => (fails = on) }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

describe('what is kept', () => {
  it('is written at once, and of what changes meanwhile only the last', async () => {
    const { keeper, written, end, started, states } = slowStore()
    keeper.put(at('a'), false)
    expect(started()).toBe(1)
    keeper.put(at('b'), false)
    keeper.put(at('c'), false)
    await end()
    await end()
    expect(written).toEqual(['a', 'c'])
    expect([states.at(-1), keeper.busy]).toEqual(['kept', false])
  })

  it('is written while something is being slid, not only after', async () => {
    const { keeper, written, end, started } = slowStore()
    for (let i = 0; i < 10; i++) {
      keeper.put(at(`at ${i}`), true)
      await vi.advanceTimersByTimeAsync(100)
      if (started()) await end()
    }
    expect(written).toEqual(['at 2', 'at 5', 'at 8'])
  })

  it('of one study does not wait for another, nor is dropped by it', async () => {
    const { keeper, written, end } = slowStore()
    keeper.put(at('first'), false)
    keeper.put(at('first, later'), true)
    keeper.put(at('second', 'two'), false)
    while (keeper.busy) await end()
    expect(written).toEqual(['first', 'first, later', 'second'])
  })

  it('is tried again when it failed, in its latest state', async () => {
    const { keeper, written, end, states, fail } = slowStore()
    fail(true)
    keeper.put(at('a'), false)
    await end()
    expect(states.at(-1)).toBe('failed')
    fail(false)
    await vi.advanceTimersByTimeAsync(4100)
    await end()
    expect([written, states.at(-1)]).toEqual([['a'], 'kept'])
    fail(true)
    keeper.put(at('b'), false)
    keeper.put(at('c'), true)
    await end()
    fail(false)
    await vi.advanceTimersByTimeAsync(4100)
    await end()
    expect(written).toEqual(['a', 'c'])
  })

  it('settles when all is written, and forgets what was deleted', async () => {
    const { keeper, written, end } = slowStore()
    keeper.put(at('a'), true)
    let settled = false
    void keeper.settled().then(() => (settled = true))
    await vi.advanceTimersByTimeAsync(0)
    expect(settled).toBe(false)
    await end()
    expect([written, settled]).toEqual([['a'], true])
    keeper.put(at('b'), true)
    keeper.forget('one')
    await vi.advanceTimersByTimeAsync(1000)
    expect(written).toEqual(['a'])
  })
})
