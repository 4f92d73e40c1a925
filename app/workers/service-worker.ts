import { clientsClaim, type WorkboxPlugin } from 'workbox-core'
import { addPlugins, cleanupOutdatedCaches, createHandlerBoundToURL, precacheAndRoute } from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'

/** A piece of the app: where it lies, the version that it is of, and the digest of what it must be. */
interface Piece {
  url: string
  revision: string | null
  integrity?: string
}
declare const self: { __WB_MANIFEST: Piece[]; location: Location }

/** The page that every address of the app is. */
const PAGE = '/'
/** Addresses that are no page of the app. */
const NOT_PAGES = [/^\/api\//, /^\/_nuxt\//, /^\/mend\./]

const pieces = self.__WB_MANIFEST
const byUrl = new Map(pieces.map((piece) => [new URL(piece.url, self.location.href).pathname, piece]))
/** Kept pieces that were found to be what they must be since this worker was woken. */
const sound = new Set<string>()

const base64 = (bytes: ArrayBuffer) => btoa(String.fromCharCode(...new Uint8Array(bytes)))

/**
 * Whether an answer is the piece that it stands for: by its digest, and for the page, which has none, by the version it names.
 * A network that asks for a login, a proxy or a redirect answers 200 with something else.
 */
async function isPiece(piece: Piece, answer: Response): Promise<boolean> {
  if (answer.status !== 200) return false
  if (!piece.integrity) return (await answer.clone().text()).includes(piece.revision!)
  const digest = await crypto.subtle.digest('SHA-256', await answer.clone().arrayBuffer())
  return piece.integrity === `sha256-${base64(digest)}`
}

const pieceOf = (request: Request) => byUrl.get(new URL(request.url).pathname)

const onlyWhatItMustBe: WorkboxPlugin = {
  // What the browser's own cache has is asked after: it may have taken up a wrong answer before.
  requestWillFetch: ({ request }) => Promise.resolve(new Request(request, { cache: 'no-cache' })),
  // One wrong piece ends the installation; the version in charge stays, and it is tried again.
  async cacheWillUpdate({ request, response }) {
    const piece = pieceOf(request)
    return piece && (await isPiece(piece, response)) ? response : null
  },
  // A wrong piece that was kept is not handed out, whether its name stayed over a version or not: it is fetched anew.
  async cachedResponseWillBeUsed({ request, cachedResponse }) {
    const piece = pieceOf(request)
    if (!cachedResponse || !piece || sound.has(piece.url)) return cachedResponse
    if (!(await isPiece(piece, cachedResponse))) return null
    sound.add(piece.url)
    return cachedResponse
  },
}

addPlugins([onlyWhatItMustBe])
precacheAndRoute(pieces, { directoryIndex: '' })
registerRoute(new NavigationRoute(createHandlerBoundToURL(PAGE), { denylist: NOT_PAGES }))
cleanupOutdatedCaches()
clientsClaim()
