import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { ROOT } from './setup.mjs'

/** The command line, from one bundled file that is made anew when the core or the command line has changed. */
const BUNDLE = join(ROOT, 'node_modules', '.cache', 'bagno', 'cli.mjs')

const newest = (folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile())
    .reduce((latest, f) => Math.max(latest, statSync(join(f.parentPath, f.name)).mtimeMs), 0)

if (!existsSync(BUNDLE) || statSync(BUNDLE).mtimeMs < Math.max(newest('core'), newest('cli'))) {
  const { build } = await import('esbuild')
  await build({
    entryPoints: [join(ROOT, 'cli/bagno.ts')],
    outfile: BUNDLE,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    tsconfigRaw: '{}',
    logLevel: 'error',
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url)" },
  })
}
await import(pathToFileURL(BUNDLE).href)
