import { createHash } from 'node:crypto'
import { policyFor } from '../../server/utils/headers'
import { type Answer, serveBefore } from './proxy'

/** What the files of the app lie under, and what those of the version after it lie under, equally long. */
const [NOW, LATER] = ['_nuxt/', '_next/']
/** Where the service worker says which version of the page it keeps. */
const PAGE = /"revision":"([^"]+)","url":"\/"/
/** A piece that the service worker keeps, by its digest and its place. */
const PIECE = /"integrity":"[^"]+",("revision":[^,]+,)"url":"([^"]+)"/g

/**
 * A server that first hands out the app as it is and, once told, a later version of it: every file under another name, none
 * of the old names there any more, and another service worker.
 */
export async function serveVersions(app: string): Promise<{ url: string; goOn: () => void; stop: () => void }> {
  let later = false
  const version = PAGE.exec(await (await fetch(`${app}/sw.js`)).text())![1]!
  const renamed = (text: string) =>
    text.replaceAll(NOW, LATER).replaceAll(version, `later${version.slice('later'.length)}`)
  const isText = (type: unknown) => /html|javascript|css|json/.test(String(type))
  /** The digest that a piece has in the later version. */
  async function digest(path: string): Promise<string> {
    const answer = await fetch(`${app}/${path.replace(LATER, NOW)}`)
    const body = isText(answer.headers.get('content-type'))
      ? renamed(await answer.text())
      : Buffer.from(await answer.arrayBuffer())
    return `sha256-${createHash('sha256').update(body).digest('base64')}`
  }
  async function laterWorker(text: string): Promise<string> {
    const digests = new Map<string, string>()
    for (const [, , path] of text.matchAll(PIECE)) digests.set(path!, await digest(path!))
    return text.replace(
      PIECE,
      (_, revision: string, path: string) => `"integrity":"${digests.get(path)}",${revision}"url":"${path}"`,
    )
  }
  async function answer(path: string, from: Answer): Promise<Answer> {
    if (!later || !isText(from.headers['content-type'])) return from
    let text = renamed(from.body.toString('utf8'))
    if (path === '/sw.js') text = await laterWorker(text)
    const headers = { ...from.headers }
    if (/html/.test(String(headers['content-type']))) headers['content-security-policy'] = policyFor(text)
    return { ...from, headers, body: Buffer.from(text) }
  }
  const server = await serveBefore(app, {
    path: (asked) => (!later ? asked : asked.startsWith(`/${NOW}`) ? null : asked.replace(LATER, NOW)),
    answer,
  })
  return { ...server, goOn: () => (later = true) }
}
