import { createHash } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { build } from 'esbuild'
import { injectManifest } from 'workbox-build'

/**
 * Writes the service worker of a built app: everything the app is made of is kept in the browser, so that it starts and works
 * without a network. A new version is fetched beside the old one and takes over at the next start, never under open work.
 * @param publicDir what the server hands out as files; @param buildId of the version
 */
export async function writeServiceWorker(publicDir: string, buildId: string): Promise<void> {
  const swDest = join(publicDir, 'sw.js')
  await build({
    entryPoints: [join(import.meta.dirname, '../app/workers/service-worker.ts')],
    outfile: swDest,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    tsconfigRaw: '{}',
    logLevel: 'error',
  })
  const { warnings } = await injectManifest({
    swSrc: swDest,
    swDest,
    globDirectory: publicDir,
    globPatterns: ['**/*.{js,css,svg,png,webmanifest,woff2}'],
    // Formulas are written with Greek letters; what else is not Latin is fetched when it is first wanted.
    globIgnores: ['sw.js', 'mend.js', '**/*-{cyrillic,cyrillic-ext,greek-ext,vietnamese}-*'],
    // Every page is the same page.
    additionalManifestEntries: [{ url: '/', revision: buildId }],
    // Named by what is in them.
    dontCacheBustURLsMatching: /^_nuxt\//,
    maximumFileSizeToCacheInBytes: 2 * 1024 * 1024,
    manifestTransforms: [
      async (entries) => ({
        manifest: await Promise.all(
          entries.map(async (entry) =>
            entry.url === '/' ? entry : { ...entry, integrity: await digestOf(join(publicDir, entry.url)) },
          ),
        ),
        warnings: [],
      }),
    ],
  })
  for (const warning of warnings) console.warn(warning)
}

const digestOf = async (file: string) =>
  `sha256-${createHash('sha256')
    .update(await readFile(file))
    .digest('base64')}`
