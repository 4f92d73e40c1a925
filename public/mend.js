/** Lets go of all that was kept of the app itself, never of the work, and fetches it anew. */
async function mend() {
  const workers = (await navigator.serviceWorker?.getRegistrations()) ?? []
  await Promise.all(workers.map((worker) => worker.unregister()))
  if (typeof caches !== 'undefined') for (const name of await caches.keys()) await caches.delete(name)
  const page = await (await fetch('/', { cache: 'reload' })).text()
  const pieces = [...page.matchAll(/(?:src|href)="(\/_nuxt\/[^"]+)"/g)].map(([, url]) => url)
  await Promise.all(pieces.map((url) => fetch(url, { cache: 'reload' })))
}
mend()
  .catch(() => {
    // Without a network there is nothing to fetch; the link leads back.
  })
  .finally(() => location.replace('/'))
