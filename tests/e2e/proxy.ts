import { createServer, type OutgoingHttpHeaders, request as ask } from 'node:http'
import type { AddressInfo } from 'node:net'

/** An answer of the app on its way to the browser. */
export interface Answer {
  status: number
  headers: OutgoingHttpHeaders
  body: Buffer
}

/**
 * A server before the app's own that may ask for another path, and may answer something else. Nothing of it is kept by the
 * browser's own cache.
 */
export async function serveBefore(
  app: string,
  {
    path = (asked) => asked,
    answer,
  }: { path?: (asked: string) => string | null; answer: (asked: string, from: Answer) => Answer | Promise<Answer> },
): Promise<{ url: string; stop: () => void }> {
  const { port } = new URL(app)
  const server = createServer((req, res) => {
    const asked = req.url!
    const upstreamPath = path(asked)
    if (upstreamPath === null) return void res.writeHead(404).end()
    const headers = { ...req.headers, host: `127.0.0.1:${port}`, 'accept-encoding': 'identity' }
    const upstream = ask({ host: '127.0.0.1', port, method: req.method, path: upstreamPath, headers }, (from) => {
      const parts: Buffer[] = []
      from.on('data', (part: Buffer) => parts.push(part))
      from.on('end', async () => {
        const { 'content-length': _, etag: __, 'last-modified': ___, ...rest } = from.headers
        const out = await answer(asked, { status: from.statusCode!, headers: rest, body: Buffer.concat(parts) })
        res.writeHead(out.status, { ...out.headers, 'cache-control': 'no-store' }).end(out.body)
      })
    })
    upstream.on('error', () => res.destroy())
    req.pipe(upstream)
  })
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    stop: () => (server.closeAllConnections(), server.close()),
  }
}
