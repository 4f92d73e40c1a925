import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { ensureBuilt, ensureChromium, ensureInstalled, ROOT, run } from './setup.mjs'

/** Everything that must hold: lint, types, unit tests, then the built app in a real browser. */
ensureInstalled()
process.env.CHROMIUM = ensureChromium()

let passed = 0
let failed = 0
const count = (ok) => (ok ? passed++ : failed++)

function step(name, work) {
  const from = Date.now()
  console.log(`\n── ${name}`)
  const ok = work()
  console.log(`── ${name}: ${ok ? 'well' : 'FAILED'}, ${((Date.now() - from) / 1000).toFixed(0)} s`)
  return ok
}

/** Runs a Vitest project and counts its tests from the report, so that a crash counts as a failure too. */
function vitest(project, ...more) {
  const report = join(ROOT, 'tmp', `${project}.json`)
  mkdirSync(join(ROOT, 'tmp'), { recursive: true })
  rmSync(report, { force: true })
  const ok = run('npx', [
    'vitest',
    'run',
    '--project',
    project,
    ...more,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ])
  try {
    const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(report, 'utf8'))
    passed += numPassedTests
    failed += numFailedTests
    if (!ok && numFailedTests === 0) failed++
  } catch {
    failed++
  }
  return ok
}

count(step('lint', () => run('npm', ['run', '-s', 'lint'])))
count(step('types', () => run('npm', ['run', '-s', 'types'])))
// Left to itself Vitest keeps one core of two free; the unit tests wait for nothing but the processor.
step('unit tests', () => vitest('unit', `--maxWorkers=${Math.max(1, availableParallelism())}`))
if (step('build', ensureBuilt)) step('interface tests', () => vitest('interface'))
else failed++

console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
