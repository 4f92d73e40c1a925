import { describe, expect, it } from 'vitest'
import { Relay } from '../../server/utils/relay'

describe('the relay between two persons', () => {
  const line = (text: string) => ({ from: 'outlet', text, c: null }) as const

  it('hands on what is said, once, in order, whatever case the code is typed in', () => {
    const relay = new Relay(() => 0)
    const code = relay.open()!
    expect(code).toMatch(/^[A-Z2-9]{5}$/)
    expect(relay.say(code.toLowerCase(), line('drawing'))).toBe(true)
    expect(relay.say(code, { from: 'outlet', text: 'reads', c: 57.2 })).toBe(true)
    expect(relay.hear(code, 0)!.map((l) => [l.n, l.text, l.c])).toEqual([
      [1, 'drawing', null],
      [2, 'reads', 57.2],
    ])
    expect(relay.hear(code, 2)).toEqual([])
  })

  it('forgets a visit that ends, and one that nobody uses for two hours', () => {
    let now = 0
    const relay = new Relay(() => now)
    const [ended, idle, used] = [relay.open()!, relay.open()!, relay.open()!]
    relay.end(ended)
    expect([relay.hear(ended, 0), relay.say(ended, line('x'))]).toEqual([null, false])
    now = 1.5 * 3600 * 1000
    expect(relay.say(used, line('still here'))).toBe(true)
    now = 2.5 * 3600 * 1000
    expect(relay.hear(idle, 0)).toBeNull()
    expect(relay.hear(used, 0)).toHaveLength(1)
  })

  it('holds no more than it may: visits, and lines of one', () => {
    const relay = new Relay(() => 0)
    const codes = Array.from({ length: 201 }, () => relay.open())
    expect(codes.at(-1)).toBeNull()
    expect(new Set(codes.slice(0, 200)).size).toBe(200)
    for (let i = 0; i < 300; i++) relay.say(codes[0]!, line(String(i)))
    const kept = relay.hear(codes[0]!, 0)!
    expect([kept.length, kept.at(-1)!.text, kept.at(-1)!.n]).toEqual([200, '299', 300])
  })
})
