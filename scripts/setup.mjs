import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, rmSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** Set-up shared by `npm run demo` and `npm test`. Plain Node: it runs before anything is installed. */
export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
export const SERVER = join(ROOT, '.output/server/index.mjs')
const LEAST_NODE = [20, 19]

const age = (file) => (existsSync(file) ? statSync(file).mtimeMs : 0)

/** Runs a command with its output in sight and says whether it went well. */
export function run(command, args, options = {}) {
  return (
    spawnSync(command, args, {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
      ...options,
    }).status === 0
  )
}

/** Ends with a sentence a person can act on. */
export function stop(sentence) {
  console.error(`\n${sentence}`)
  process.exit(1)
}

/** Installs the packages when there are none, or when the lock file is newer than they are. */
export function ensureInstalled() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < LEAST_NODE[0] || (major === LEAST_NODE[0] && minor < LEAST_NODE[1]))
    stop(`Bagno needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}.`)
  // npm writes this file at the end of every install.
  const installed = join(ROOT, 'node_modules/.package-lock.json')
  if (age(installed) >= age(join(ROOT, 'package-lock.json'))) return
  console.log('Installing packages…')
  rmSync(join(ROOT, '.output'), { recursive: true, force: true })
  if (!run('npm', ['ci', '--no-audit', '--no-fund']))
    stop('The packages could not be installed. Is the npm registry within reach?')
}

function newest(path) {
  if (!existsSync(path)) return 0
  const own = statSync(path)
  if (!own.isDirectory()) return own.mtimeMs
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))))
}

/** Builds the app when there is no build, or when a source is newer than it is. */
export function ensureBuilt() {
  const sources = ['app', 'core', 'server', 'public', 'nuxt.config.ts', 'package-lock.json']
  if (age(SERVER) > Math.max(...sources.map((s) => newest(join(ROOT, s))))) return true
  console.log('Building the app…')
  return run(join(ROOT, 'node_modules/.bin/nuxt'), ['build', '--logLevel', 'silent'])
}

/** Path of a Chromium to test with; installs Debian's when there is none. */
export function ensureChromium() {
  const known = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'].find(
    (file) => file && existsSync(file),
  )
  if (known) return known
  console.log('Installing Chromium for the interface tests…')
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n']
  const apt = (...args) => {
    const [command, ...rest] = [...asRoot, 'apt-get', ...args]
    return run(command, rest, { env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
  }
  apt('update', '-qq')
  if (!apt('install', '-y', '-qq', '--no-install-recommends', 'chromium') || !existsSync('/usr/bin/chromium'))
    stop(
      'The interface tests need Chromium, and it could not be installed: run "apt-get install chromium" as root, or name one in the variable CHROMIUM.',
    )
  return '/usr/bin/chromium'
}
