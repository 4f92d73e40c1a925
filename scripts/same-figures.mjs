import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'esbuild'
import { ROOT } from './setup.mjs'

/**
 * Holds the figures of two commits against each other, byte for byte: every demo's comparison and findings.
 * npm run same -- BEFORE [AFTER]     AFTER left out: the work tree
 */
const [before, after] = process.argv.slice(2)
if (!before) {
  console.error('say which commit to hold the work tree against: npm run same -- BEFORE [AFTER]')
  process.exit(2)
}

/** The tree of a commit, with the packages of this one. */
function treeOf(rev) {
  if (!rev) return ROOT
  const folder = join(ROOT, 'tmp', 'same', rev.replace(/\W/g, '-'))
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  execFileSync('tar', ['x', '-C', folder], {
    input: execFileSync('git', ['archive', rev], { cwd: ROOT, maxBuffer: 1e9 }),
  })
  symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'))
  return folder
}

async function figuresOf(rev) {
  const tree = treeOf(rev)
  const cli = join(ROOT, 'tmp', 'same', `${rev ? rev.replace(/\W/g, '-') : 'work-tree'}.mjs`)
  mkdirSync(join(ROOT, 'tmp', 'same'), { recursive: true })
  const entry = join(tree, 'cli/bagno.ts')
  const banner = { js: "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url)" }
  await build({
    entryPoints: [entry],
    outfile: cli,
    bundle: true,
    platform: 'node',
    format: 'esm',
    banner,
    tsconfigRaw: '{}',
    logLevel: 'error',
  })
  const bagno = (...args) => execFileSync('node', [cli, ...args], { encoding: 'utf8', maxBuffer: 1e9 })
  const figures = new Map()
  for (const line of bagno('demo').trim().split('\n')) {
    const name = line.split(' ')[0]
    const file = `${cli}.${name}.json`
    writeFileSync(file, bagno('demo', name))
    for (const what of ['compare', 'findings'])
      figures.set(`${what} ${name}`, bagno(what, file, '--json').replace(/"elapsedMs": \d+/g, '"elapsedMs": 0'))
  }
  return figures
}

const [was, is] = [await figuresOf(before), await figuresOf(after)]
let differ = 0
for (const [what, text] of was) {
  const now = is.get(what) ?? ''
  if (now === text) {
    console.log(`${what}: the same to the byte`)
    continue
  }
  differ++
  const [a, b] = [text.split('\n'), now.split('\n')]
  const lines = a
    .map((line, i) => (line === b[i] ? null : `  ${i + 1}: ${line.trim()} → ${(b[i] ?? 'nothing').trim()}`))
    .filter(Boolean)
  console.log(`${what}: ${lines.length} lines differ\n${lines.slice(0, 10).join('\n')}`)
}
process.exit(differ ? 1 : 0)
