import type { Peer } from 'crossws'
import { actorOf } from '../http/session'
import { services } from '../services'
import { Conversation } from '../sync/conversation'
import type { Actor } from '../rights/actor'

const conversations = new WeakMap<object, Promise<Conversation>>()

function conversationOf(peer: Peer): Promise<Conversation> {
  // One peer object a connection; the promise makes messages that come before it is ready wait in line.
  const key = peer.websocket as object
  const known = conversations.get(key)
  if (known) return known
  const actor = peer.context.actor as Actor
  const listener = { id: peer.id, tell: (message: unknown) => void peer.send(JSON.stringify(message)) }
  const made = services().then(all => new Conversation(all, actor, listener, Date.now))
  conversations.set(key, made)
  return made
}

export default defineWebSocketHandler({
  async upgrade(request) {
    const origin = request.headers.get('origin')
    const host = request.headers.get('host')
    if (origin && (!URL.canParse(origin) || new URL(origin).host !== host)) throw new Response('This socket is for our own pages.', { status: 403 })
    // A cookie that can't be unsealed throws; uncaught it would leave the socket hanging.
    const actor = await actorOf(request as unknown as Parameters<typeof actorOf>[0]).catch(() => null)
    if (!actor) throw new Response('Sign in first.', { status: 401 })
    request.context.actor = actor
  },
  async message(peer, message) {
    await (await conversationOf(peer)).hear(message.text())
  },
  async close(peer) {
    (await conversationOf(peer)).end()
  },
})
