import '#nitro-internal-pollyfills'
import { createServer, ServerResponse, type IncomingMessage } from 'node:http'
import { createEvent, toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { signedIn } from './http/session'
import { log } from './log'
import { WORKER_ROLE } from './labour/pool'
import { workForParent } from './labour/worker'
import { breakTextsAsDevicesDo } from './papers/textRules'
import { services } from './services'
import { openSockets } from './sockets/socketServer'

/**
 * The process: routes and sockets on one port. It is ours, and not the framework's, because sockets are refused before
 * their handshake and bounded in what they may send, and because a process that can't do its work must not look
 * healthy.
 */
const SHORTEST_SECRET = 32
const STOP_WITHIN_MS = 8000

function fail(words: string, error?: unknown): never {
  log.fatal({ ...(error !== undefined && { error: error instanceof Error ? error.message : String(error) }) }, words)
  process.exit(1)
}

breakTextsAsDevicesDo()

/** The same script is what processes for heavy work are started with; they listen to nobody but their parent. */
if (process.env[WORKER_ROLE]) workForParent()
else serve()

function serve(): void {
  const secret = process.env.NUXT_SESSION_PASSWORD ?? ''
  if (secret.length < SHORTEST_SECRET)
    fail(
      `NUXT_SESSION_PASSWORD is missing or shorter than ${SHORTEST_SECRET} characters. bin/demo makes one; elsewhere set one, the same for all processes.`,
    )

  const nitro = useNitroApp()
  const listener = toNodeListener(nitro.h3App)
  // A large file on a slow line takes its time; a body that stalls is given up by whoever reads it.
  const timeouts = { requestTimeout: 1_800_000, headersTimeout: 15_000 }
  const server = createServer({ ...timeouts, maxHeaderSize: 16 * 1024 }, listener)
  const port = Number(process.env.PORT ?? 3000)
  const host = process.env.HOST

  // A cookie that can't be unsealed is nobody's.
  const whoAsks = (request: IncomingMessage) => signedIn(createEvent(request, new ServerResponse(request)))
  const sockets = openSockets(server, services, whoAsks)

  server.on('error', error => fail(`The server can't listen at port ${port}. Is it taken?`, error))
  services().then(
    () =>
      server.listen({ port, host }, () => log.info({ port, host: host ?? 'all addresses' }, 'Dappled Slate answers')),
    (error: unknown) => fail('could not start: is the database there?', error),
  )

  process.on('unhandledRejection', error =>
    log.error(
      { error: error instanceof Error ? { message: error.message, stack: error.stack } : String(error) },
      'something was not caught',
    ),
  )
  process.on('uncaughtException', error => fail('something went wrong that nobody can tell what it broke', error))

  let stopping = false
  async function stop(): Promise<void> {
    if (stopping) return
    stopping = true
    setTimeout(() => process.exit(1), STOP_WITHIN_MS).unref()
    server.close()
    server.closeIdleConnections()
    await sockets.close()
    await nitro.hooks.callHook('close')
    server.closeAllConnections()
    process.exit(0)
  }
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop())
}
