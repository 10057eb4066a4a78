import type { IncomingMessage, Server } from 'node:http'
import type { Server as SecureServer } from 'node:https'
import type { Duplex } from 'node:stream'
import { randomUUID } from 'node:crypto'
import { WebSocketServer, type WebSocket } from 'ws'
import { LARGEST_FRAME } from '../../core/sync/messages'
import { log } from '../log'
import type { SignedIn } from '../http/session'
import type { Services } from '../services'
import { Conversation } from '../sync/conversation'

const PATH = '/socket'
const PING_EVERY_MS = 25_000
/** What a reader may leave lying; more, and it is let go: when it comes back it asks for what it missed. */
const MOST_UNREAD = 8 * 1024 * 1024
const MOST_FOR_A_SESSION = 20
/** Handshakes of one address that wait for an answer. */
const MOST_WAITING = 200
const WAIT_FOR_ANSWER_MS = 10_000

/** Closing codes of our own (RFC 6455, 7.4.2: 4000 to 4999 are free), and that for a breach of rules. */
const CLOSED = { 'signed-out': 4401, flood: 1008, 'too-slow': 4408, stopping: 1001 } as const

export interface SocketServer {
  readonly close: () => Promise<void>
}

/**
 * The sockets of this process. Whatever isn't ours is refused before the handshake: other paths, other sites, and
 * who isn't signed in. The frame's limit stands on the socket itself, so that nothing larger is ever gathered in
 * memory.
 */
export function openSockets(
  server: Server | SecureServer,
  all: () => Promise<Services>,
  whoAsks: (request: IncomingMessage) => Promise<SignedIn | null>,
): SocketServer {
  const sockets = new WebSocketServer({
    noServer: true,
    maxPayload: LARGEST_FRAME,
    perMessageDeflate: false,
    clientTracking: true,
  })
  const bySession = new Map<string, number>()
  let waiting = 0

  async function upgrade(request: IncomingMessage, socket: Duplex, head: Buffer): Promise<void> {
    // Whoever goes away during the handshake must not take the process along.
    socket.on('error', () => socket.destroy())
    const { pathname } = new URL(request.url ?? '/', 'http://here')
    if (pathname !== PATH) return refuse(socket, 404, 'There is no socket here.')
    const { origin, host } = request.headers
    if (origin && (!URL.canParse(origin) || new URL(origin).host !== host))
      return refuse(socket, 403, 'This socket is for our own pages.')
    if (waiting >= MOST_WAITING) return refuse(socket, 503, 'Too many at once. Try again in a moment.')
    waiting++
    try {
      const who = await answered(whoAsks(request))
      if (!who) return refuse(socket, 401, 'Sign in first.')
      if ((bySession.get(who.actor.session) ?? 0) >= MOST_FOR_A_SESSION)
        return refuse(socket, 429, 'Too many connections.')
      const services = await all()
      if (socket.destroyed) return
      sockets.handleUpgrade(request, socket, head, ws => talk(ws, who, services))
    } catch {
      refuse(socket, 503, 'The server is in trouble just now.')
    } finally {
      waiting--
    }
  }

  function talk(ws: WebSocket, { actor, until }: SignedIn, services: Services): void {
    bySession.set(actor.session, (bySession.get(actor.session) ?? 0) + 1)
    const conversation = new Conversation(
      services,
      actor,
      {
        id: randomUUID(),
        send(text) {
          if (ws.readyState !== ws.OPEN) return
          if (ws.bufferedAmount > MOST_UNREAD) return letGo(ws, 'too-slow')
          ws.send(text)
        },
        end: why => letGo(ws, why),
      },
      Date.now,
    )
    const state = ws as WebSocket & { heard?: boolean }
    state.heard = true
    const runsOut = setTimeout(() => conversation.endSession(), until.getTime() - Date.now())
    runsOut.unref()
    ws.on('message', (data, binary) => {
      state.heard = true
      if (binary) return letGo(ws, 'flood')
      void conversation
        .hear(String(data))
        .catch((error: unknown) => log.error({ error: String(error) }, 'a conversation broke'))
    })
    ws.on('pong', () => (state.heard = true))
    // A frame that is too large, or none at all: the library closes the connection with its code.
    ws.on('error', () => {})
    ws.on('close', () => {
      clearTimeout(runsOut)
      const left = (bySession.get(actor.session) ?? 1) - 1
      if (left) bySession.set(actor.session, left)
      else bySession.delete(actor.session)
      conversation.end()
    })
  }

  const pinging = setInterval(() => {
    for (const ws of sockets.clients as Set<WebSocket & { heard?: boolean }>) {
      if (!ws.heard) ws.terminate()
      ws.heard = false
      if (ws.readyState === ws.OPEN) ws.ping()
    }
  }, PING_EVERY_MS)
  pinging.unref()

  const onUpgrade = (request: IncomingMessage, socket: Duplex, head: Buffer) => void upgrade(request, socket, head)
  server.on('upgrade', onUpgrade)
  return {
    async close() {
      clearInterval(pinging)
      server.off('upgrade', onUpgrade)
      for (const ws of sockets.clients) letGo(ws, 'stopping')
      sockets.close()
    },
  }
}

function letGo(ws: WebSocket, why: keyof typeof CLOSED): void {
  ws.close(CLOSED[why])
  // Who doesn't answer the goodbye is not waited for.
  setTimeout(() => ws.terminate(), 1000).unref()
}

function refuse(socket: Duplex, status: number, words: string): void {
  if (socket.destroyed) return
  socket.end(
    `HTTP/1.1 ${status} ${words}\r\nConnection: close\r\nContent-Type: text/plain\r\nContent-Length: ${Buffer.byteLength(words)}\r\n\r\n${words}`,
  )
}

/** What takes longer than this is given up: a database that hangs must not gather sockets. */
function answered<T>(work: Promise<T>): Promise<T> {
  return Promise.race([
    work,
    new Promise<never>((_, fail) => setTimeout(() => fail(new Error('no answer')), WAIT_FOR_ANSWER_MS).unref()),
  ])
}
