import '#nitro-internal-pollyfills'
import { createServer } from 'node:http'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { trapUnhandledNodeErrors } from 'nitropack/runtime/internal'
import { SILENCE_MS } from './utils/patience'

/** No request takes longer to arrive whole, ms. */
const WHOLE_MS = 60_000
const LOOK_MS = 1000
/** Connections at once; more are closed as they come. */
const MOST_CONNECTIONS = 1000
/** Whoever is being answered when the server is stopped has so long, ms. */
const FAREWELL_MS = 5000

const server = createServer(
  {
    headersTimeout: SILENCE_MS,
    keepAliveTimeout: SILENCE_MS,
    requestTimeout: WHOLE_MS,
    connectionsCheckingInterval: LOOK_MS,
  },
  toNodeListener(useNitroApp().h3App),
)
server.maxConnections = MOST_CONNECTIONS
const port = Number(process.env.PORT ?? 3000)
server.on('error', (error) => {
  console.error(error.message)
  process.exit(1)
})
server.listen({ port, host: process.env.HOST }, () => console.log(`Listening on port ${port}`))
trapUnhandledNodeErrors()

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    server.close(() => process.exit(0))
    server.closeIdleConnections()
    setTimeout(() => process.exit(0), FAREWELL_MS).unref()
  })

export default {}
