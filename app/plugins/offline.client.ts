/** Keeps the app in the browser, once the first view is there and nothing is in a hurry. */
export default defineNuxtPlugin(() => {
  if (!('serviceWorker' in navigator) || import.meta.dev) return
  const register = () =>
    navigator.serviceWorker.register('/sw.js').catch(() => {
      // Without it all works as long as the server answers.
    })
  onNuxtReady(() => setTimeout(register, 1500))
})
