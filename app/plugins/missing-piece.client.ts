import { useNotice } from '~/composables/useNotice'

const MARK = 'bagno-fetched-again'
/** A piece that is missing again so soon after it was fetched anew is not fetched a second time, ms. */
const ONCE_IN_MS = 60_000

/** Whether the app was started anew for a missing piece a moment ago; from now on it was. */
function begunAnew(): boolean {
  try {
    const before = Number(sessionStorage.getItem(MARK))
    sessionStorage.setItem(MARK, String(Date.now()))
    return Math.abs(Date.now() - before) < ONCE_IN_MS
  } catch {
    return true
  }
}

/** Fetches a piece past what the browser has of it; whether it is one. */
const fetchedAnew = (url: string) =>
  fetch(url, { cache: 'reload' }).then(
    (answer) => answer.ok && /javascript|css/.test(answer.headers.get('content-type') ?? ''),
    () => false,
  )

/**
 * A piece of the app that cannot be loaded (a network that answers for the server, a version that is gone) is fetched once past
 * what the browser has of it, and the page begun anew with it; a browser does not ask twice for a module. Otherwise it is said.
 */
export default defineNuxtPlugin(() => {
  const { say } = useNotice()
  let saying = false
  let reachedFor = ''
  useRouter().onError((_, to) => void (reachedFor = to.fullPath))
  addEventListener('vite:preloadError', async (event) => {
    const { payload } = event as Event & { payload?: Error }
    const url = /https?:\/\/\S+/.exec(payload?.message ?? '')?.[0]
    if (url && (await fetchedAnew(url)) && !begunAnew()) {
      if (reachedFor && reachedFor !== location.pathname + location.search) location.assign(reachedFor)
      else location.reload()
      return
    }
    if (saying) return
    saying = true
    say({
      text: 'Part of the app could not be loaded. Entered data is saved.',
      lasts: true,
      way: { label: 'Reload the app', take: () => location.assign('/mend.html') },
    })
  })
})
