import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { bundled } from './trees'

/**
 * Holds the figures of two commits against each other, byte for byte: every demo's comparison and findings.
 * npm run same -- BEFORE [AFTER]     AFTER left out: the work tree
 */
const [before, after] = process.argv.slice(2)
if (!before) {
  console.error('say which commit to hold the work tree against: npm run same -- BEFORE [AFTER]')
  process.exit(2)
}

async function figuresOf(rev?: string): Promise<Map<string, string>> {
  const cli = await bundled('cli', `import './cli/bagno'`, rev)
  const bagno = (...args: string[]) => execFileSync('node', [cli, ...args], { encoding: 'utf8', maxBuffer: 1e9 })
  const figures = new Map<string, string>()
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
