/** What could not be kept is tried again after this, ms. */
const AGAIN_MS = 60_000

/** Keeps the app in the browser, once the first view is there and nothing is in a hurry. */
export default defineNuxtPlugin(() => {
  if (!('serviceWorker' in navigator) || import.meta.dev) return
  const again = () => setTimeout(() => void register(), AGAIN_MS)
  async function register() {
    try {
      const registration = await navigator.serviceWorker.register('/sw.js')
      // A wrong piece, or none, ends the installation. Without it all works as long as the server answers.
      registration.installing?.addEventListener('statechange', (e) => {
        if ((e.target as ServiceWorker).state === 'redundant' && !registration.active) again()
      })
    } catch {
      again()
    }
  }
  onNuxtReady(() => setTimeout(() => void register(), 1500))
})
