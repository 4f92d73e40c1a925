import { join } from 'node:path'
import tailwindcss from '@tailwindcss/vite'
import { build } from 'esbuild'
import { writeServiceWorker } from './scripts/offline'
import { words } from './scripts/words'
import { policyFor, SECURITY_HEADERS } from './server/utils/headers'

/** Name of the bundled worker that lies beside the server's entry. */
const WORKER_FILE = 'simulate-worker.mjs'

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  // Studies live in the browser; there is nothing a server could render ahead of time.
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  // A stage is fetched when somebody reaches for it: the first view does not wait for the others.
  experimental: {
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
    // What is done about a piece that cannot be loaded is our own: see plugins/missing-piece.client.ts.
    emitRouteChunkError: false,
    // Nothing of it is read: a later version is found by the service worker.
    appManifest: false,
  },
  modules: ['@pinia/nuxt'],
  css: ['~/assets/main.css'],
  // Nuxt describes Vite's plugins with types of its own that this plugin's do not match to the letter.
  vite: {
    plugins: [tailwindcss() as never],
    worker: { format: 'es' },
    vue: { template: { compilerOptions: { nodeTransforms: [words as never] } } },
  },
  // Arrays of numbers are read in tight loops; the engine's tests, not the compiler, watch their bounds.
  typescript: {
    strict: true,
    tsConfig: { include: ['../core/**/*.d.ts'], compilerOptions: { noUncheckedIndexedAccess: false } },
  },
  // Our own code is imported by name, so that lint sees who knows whom; only Vue's and Nuxt's come by themselves.
  imports: { scan: false },
  components: { dirs: [] },
  pinia: { storesDirs: [] },
  app: {
    head: {
      title: 'Bagno',
      htmlAttrs: { lang: 'en-GB' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        {
          name: 'description',
          content: 'Hot water on a household visit: set it, cost a year of it, and see what a change saves.',
        },
        { name: 'theme-color', content: '#f1ebdf', media: '(prefers-color-scheme: light)' },
        { name: 'theme-color', content: '#1c1915', media: '(prefers-color-scheme: dark)' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/bagno.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  nitro: {
    // A server of our own making: who is slow or silent is not waited for.
    entry: join(import.meta.dirname, 'server/entry.ts'),
    compressPublicAssets: { brotli: true, gzip: true },
    routeRules: { '/**': { headers: { ...SECURITY_HEADERS, 'content-security-policy': policyFor() } } },
  },
  hooks: {
    // What no first view needs is not fetched beside it; the service worker keeps all of it a moment later.
    'build:manifest': (manifest) => {
      for (const chunk of Object.values(manifest)) Object.assign(chunk, { prefetch: false, dynamicImports: [] })
    },
    'nitro:build:public-assets': (nitro) =>
      writeServiceWorker(nitro.options.output.publicDir, nitro.options.runtimeConfig.app.buildId),
    'nitro:init': (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: [join(import.meta.dirname, 'server/pool/worker.ts')],
          outfile: join(nitro.options.output.serverDir, WORKER_FILE),
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          logLevel: 'error',
        })
      })
    },
  },
})
