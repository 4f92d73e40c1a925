import { createError, readRawBody } from 'h3'
import { z } from 'zod'
import { LONGEST_LINE, relay } from '../utils/relay'

const Code = z.string().min(4).max(8)
const Asked = z.discriminatedUnion('does', [
  z.strictObject({ does: z.literal('open') }),
  z.strictObject({
    does: z.literal('say'),
    code: Code,
    from: z.enum(['outlet', 'dial']),
    text: z.string().max(LONGEST_LINE),
    c: z.number().min(0).max(100).nullable(),
  }),
  z.strictObject({ does: z.literal('hear'), code: Code, after: z.int().min(0) }),
  z.strictObject({ does: z.literal('end'), code: Code }),
])
/** Longest request, characters. */
const LONGEST = 1024

const over = () => createError({ statusCode: 404, message: 'no visit has this code, or it is over' })

/** Lines between two persons on one visit. 400 not understood, 404 no such visit, 503 too many. */
export default defineEventHandler(async (event) => {
  const text = (await readRawBody(event)) ?? ''
  const asked = text.length > LONGEST ? null : Asked.safeParse(parsed(text))
  if (!asked?.success) throw createError({ statusCode: 400, message: 'not understood' })
  const { data } = asked
  switch (data.does) {
    case 'open': {
      const code = relay.open()
      if (code === null) throw createError({ statusCode: 503, message: 'too many visits at one time' })
      return { code }
    }
    case 'say': {
      const { code, from, c } = data
      if (!relay.say(code, { from, text: data.text, c })) throw over()
      return { taken: true }
    }
    case 'hear': {
      const lines = relay.hear(data.code, data.after)
      if (lines === null) throw over()
      return { lines }
    }
    default:
      relay.end(data.code)
      return { ended: true }
  }
})

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
