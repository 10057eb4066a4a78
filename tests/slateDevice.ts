import { HOLDER } from '../core/slate/actor'
import type { Move } from '../core/slate/move'
import { startOf } from '../core/slate/state'
import { knowTexts } from '../core/slate/withTexts'
import { openAs } from '../core/slate/status'
import type { ClientMessage, Envelope, SentEnvelope, ServerMessage } from '../core/sync/messages'
import type { RefusalCode } from '../core/sync/refusals'
import { emptyReplica, receiveWhole } from '../core/sync/replica'
import type { SessionStart } from '../core/sync/sessionPorts'
import { SlateSession } from '../core/sync/slateSession'
import { edition } from './anyMove'
import { pieceId } from './boards'
import { handClock } from './handClock'

export const SLATE = '00000000-0000-4000-8000-00000000000a'

/** A device with a clock that is turned by hand, a store in memory, and a connection whose other end the test holds. */
export function device(kept: Envelope[] = [], given: Partial<SessionStart> = {}) {
  const sent: ClientMessage[] = []
  const clock = handClock()
  const aside: { envelope: Envelope; code: RefusalCode }[] = []
  let [ids, connected, renewed, outdated] = [0, false, 0, 0]
  const store = [...kept]
  let full = false
  const session = new SlateSession(
    {
      slate: SLATE,
      edition,
      editionHash: 'e',
      actor: HOLDER,
      reader: 'me',
      steps: [],
      openness: openAs('under-way'),
      replica: receiveWhole({ replica: emptyReplica, number: 0, state: startOf(edition), edition }),
      ...given,
    },
    {
      send(message) {
        if (connected) sent.push(message)
        return connected
      },
      renew: () => void renewed++,
      after: clock.after,
      newId: () => `made-here-${++ids}`,
      learn: async () => knowTexts(),
      store: {
        keep: async (_, envelopes) => {
          if (full) throw new Error('no room')
          store.push(...envelopes)
        },
        of: async () => [...store],
        forget: async (_, gone) => void store.splice(0, store.length, ...store.filter(e => !gone.has(e.id))),
        setAside: async (_, envelope, code) => void aside.push({ envelope, code }),
      },
      changed: () => {},
      about: () => {},
      outdated: () => void outdated++,
    },
  )
  return {
    session,
    sent,
    store,
    aside,
    get renewed() {
      return renewed
    },
    get outdated() {
      return outdated
    },
    connect(answer: ServerMessage | null = { say: 'status', slate: SLATE, openness: openAs('under-way') }) {
      connected = true
      session.connected()
      if (answer) session.hear(answer)
    },
    cut: () => void (connected = false),
    fills: () => void (full = true),
    /** The ids of the last message with moves; the message is taken off the list. */
    parcel() {
      const message = sent.findLast(m => m.say === 'moves')
      sent.length = 0
      return message ? (message.moves as SentEnvelope[]).map(m => m.id) : null
    },
    wait: clock.wait,
  }
}
export const put = (x: number): Move => ({ kind: 'put', piece: pieceId('c0'), x, y: 5 })
export const refused = (code: RefusalCode, id?: string): ServerMessage => ({
  say: 'refused',
  slate: SLATE,
  code,
  detail: '',
  id,
})
export const numbered = (id: string, number: number, move = put(number)): ServerMessage => ({
  say: 'moves',
  slate: SLATE,
  moves: [{ id, number, move, by: 'student:1', at: '' }],
})
