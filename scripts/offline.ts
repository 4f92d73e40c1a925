import { generateSW } from 'workbox-build'

/**
 * Writes the service worker of a built app: everything the app is made of is kept in the browser, so that it starts and works
 * without a network. A new version is fetched beside the old one and takes over at the next start, never under open work.
 * @param publicDir what the server hands out as files; @param buildId of the version
 */
export async function writeServiceWorker(publicDir: string, buildId: string): Promise<void> {
  const { warnings } = await generateSW({
    globDirectory: publicDir,
    globPatterns: ['**/*.{js,css,svg,png,webmanifest,woff2}'],
    // Formulas are written with Greek letters; what else is not Latin is fetched when it is first wanted.
    globIgnores: ['sw.js', '**/*-{cyrillic,cyrillic-ext,greek-ext,vietnamese}-*'],
    swDest: `${publicDir}/sw.js`,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    // Every page is the same page.
    additionalManifestEntries: [{ url: '/', revision: buildId }],
    navigateFallback: '/',
    navigateFallbackDenylist: [/^\/api\//, /^\/_nuxt\//],
    directoryIndex: null,
    // Named by what is in them.
    dontCacheBustURLsMatching: /^_nuxt\//,
    maximumFileSizeToCacheInBytes: 2 * 1024 * 1024,
    skipWaiting: false,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
  })
  for (const warning of warnings) console.warn(warning)
}
