import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { ensureBuilt, ensureInstalled, ROOT, SERVER, stop } from './setup.mjs'

const FIRST_PORT = Number(process.env.PORT ?? 3000)

const isFree = (port) =>
  new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, process.env.HOST ?? '127.0.0.1', () => probe.close(() => resolve(true)))
  })

async function freePort() {
  for (let port = FIRST_PORT; port < FIRST_PORT + 50; port++) if (await isFree(port)) return port
  return stop(`No port from ${FIRST_PORT} to ${FIRST_PORT + 49} is free.`)
}

async function answers(url) {
  for (let tries = 0; tries < 120; tries++) {
    const ok = await fetch(url).then(
      (r) => r.ok,
      () => false,
    )
    if (ok) return true
    await new Promise((resume) => setTimeout(resume, 250))
  }
  return false
}

ensureInstalled()
if (!ensureBuilt()) stop('The app could not be built; the reason stands above.')
const port = await freePort()
const server = spawn(process.execPath, [SERVER], {
  cwd: ROOT,
  stdio: ['ignore', 'ignore', 'inherit'],
  env: { HOST: '127.0.0.1', ...process.env, PORT: String(port) },
})
server.on('exit', (code) => process.exit(code ?? 1))
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
const home = `http://localhost:${port}`
if (!(await answers(`${home}/api/demos`))) stop('The server did not start.')
console.log(
  `\nBagno is running.\n  All households     ${home}/\n  The main demo      ${home}/demo/hill-town\nCtrl C stops it.`,
)
