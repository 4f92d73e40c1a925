import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync, symlinkSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'esbuild'

const ROOT = join(import.meta.dirname, '..')
/** Where commits are laid out beside the work tree. */
const FOLDER = join(ROOT, 'tmp', 'commits')
const nameOf = (rev?: string) => (rev ? rev.replace(/\W/g, '-') : 'work-tree')

/** The tree of a commit with the packages of this one; without a commit, the work tree. */
function treeOf(rev?: string): string {
  if (!rev) return ROOT
  const folder = join(FOLDER, nameOf(rev))
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  execFileSync('tar', ['x', '-C', folder], {
    input: execFileSync('git', ['archive', rev], { cwd: ROOT, maxBuffer: 1e9 }),
  })
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'))
  return folder
}

/**
 * Code of a commit and all it imports, bundled for Node; returns where it lies.
 * @param name of the bundle; @param code as if it stood in the root of the tree; @param rev commit, or nothing for the work tree
 */
export async function bundled(name: string, code: string, rev?: string): Promise<string> {
  const outfile = join(FOLDER, `${nameOf(rev)}-${name}.mjs`)
  mkdirSync(FOLDER, { recursive: true })
  await build({
    stdin: { contents: code, resolveDir: treeOf(rev), loader: 'ts' },
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    banner: { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url)" },
    tsconfigRaw: '{}',
    logLevel: 'error',
  })
  return outfile
}
