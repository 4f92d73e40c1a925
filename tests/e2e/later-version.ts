import { createServer, request as ask } from 'node:http'
import type { AddressInfo } from 'node:net'
import { policyFor } from '../../server/utils/headers'

/** What the files of the app lie under, and what those of the version after it lie under, equally long. */
const [NOW, LATER] = ['_nuxt/', '_next/']
/** Where the service worker says which page of the app it keeps. */
const PAGE_REVISION = /(\{url:"\/",revision:")[^"]+/

/**
 * A server that first hands out the app as it is and, once told, a later version of it: every file under another name, none
 * of the old names there any more, and another service worker. Nothing of it is kept by the browser's own cache.
 */
export async function serveVersions(app: string): Promise<{ url: string; goOn: () => void; stop: () => void }> {
  let later = false
  const { port: appPort } = new URL(app)
  const server = createServer((req, res) => {
    const path = req.url!
    if (later && path.startsWith(`/${NOW}`)) return void res.writeHead(404).end()
    const upstream = ask(
      {
        host: '127.0.0.1',
        port: appPort,
        method: req.method,
        path: later ? path.replace(LATER, NOW) : path,
        headers: { ...req.headers, host: `127.0.0.1:${appPort}`, 'accept-encoding': 'identity' },
      },
      (from) => {
        const parts: Buffer[] = []
        from.on('data', (part: Buffer) => parts.push(part))
        from.on('end', () => {
          const { 'content-length': _, etag: __, 'last-modified': ___, ...headers } = from.headers
          let body = Buffer.concat(parts)
          if (later && /html|javascript|css|json/.test(String(headers['content-type']))) {
            let text = body.toString('utf8').replaceAll(NOW, LATER)
            if (path === '/sw.js') text = text.replace(PAGE_REVISION, '$1later')
            if (/html/.test(String(headers['content-type']))) headers['content-security-policy'] = policyFor(text)
            body = Buffer.from(text)
          }
          res.writeHead(from.statusCode!, { ...headers, 'cache-control': 'no-store' }).end(body)
        })
      },
    )
    upstream.on('error', () => res.destroy())
    req.pipe(upstream)
  })
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    goOn: () => (later = true),
    stop: () => (server.closeAllConnections(), server.close()),
  }
}
