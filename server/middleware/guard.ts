import { createError, getRequestHeader, setResponseHeader } from 'h3'

/** Names that the server answers to; others can be told by BAGNO_HOSTS, parted by commas. */
const HOSTS = new Set([
  'localhost',
  '127.0.0.1',
  '[::1]',
  ...(process.env.BAGNO_HOSTS ?? '')
    .split(',')
    .map((h) => h.trim().toLowerCase())
    .filter(Boolean),
])
/** What can be asked of the server, and how. */
const ROUTES: Record<string, readonly string[]> = {
  '/api/demos': ['GET', 'HEAD'],
  '/api/compare': ['POST'],
  '/api/simulate': ['POST'],
  '/api/relay': ['POST'],
}
/** Pages, whatever household they are of. */
const PAGES = /^\/($|(new|defaults)\/?$|demo\/[^/]+$|study\/[^/]+(\/(survey|measure|set|improve|handover|verify))?\/?$)/

const refuse = (statusCode: number, message: string) => createError({ statusCode, message })

/**
 * Lets in only what this server is for: its own names (a page elsewhere cannot reach it under one of its own), its own pages,
 * its methods, JSON that says it is JSON, and nothing that another site sends.
 */
export default defineEventHandler((event) => {
  const name = (getRequestHeader(event, 'host') ?? '').toLowerCase().replace(/:\d+$/, '')
  if (!HOSTS.has(name))
    throw refuse(403, 'this server does not answer to that name; BAGNO_HOSTS tells it which names it has')
  const [path = '/'] = event.path.split('?')
  // The page of an error, which the server asks of itself; from outside there is none.
  if (path === '/__nuxt_error') return
  const allowed = ROUTES[path]
  const { method } = event
  if (allowed === undefined) {
    if (!PAGES.test(path)) throw refuse(404, 'there is nothing under this path')
    if (method !== 'GET' && method !== 'HEAD') {
      setResponseHeader(event, 'allow', 'GET, HEAD')
      throw refuse(405, 'a page is read by GET')
    }
    return
  }
  if (!allowed.includes(method)) {
    setResponseHeader(event, 'allow', allowed.join(', '))
    throw refuse(405, `this path takes ${allowed.join(' or ')}`)
  }
  if (method !== 'POST') return
  const origin = getRequestHeader(event, 'origin')
  const site = getRequestHeader(event, 'sec-fetch-site')
  const foreign = origin !== undefined && origin.replace(/^https?:\/\//, '') !== getRequestHeader(event, 'host')
  if (foreign || (site !== undefined && site !== 'same-origin' && site !== 'none'))
    throw refuse(403, 'studies are taken from this server’s own pages only')
  if (!/^application\/json\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
    throw refuse(415, 'a study is sent as application/json')
})
