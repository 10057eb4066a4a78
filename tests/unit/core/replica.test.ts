import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { apply, type Move } from '../../../core/slate/move'
import { emptySlate, startOf, type SlateState } from '../../../core/slate/state'
import type { Envelope, NumberedMove } from '../../../core/sync/messages'
import { dropMove, emptyReplica, makeMove, receive, receiveWhole, type Replica } from '../../../core/sync/replica'
import { pieceId } from '../../boards'
import { anyMove, edition } from '../../anyMove'

/** A server as simple as can be: it orders, refuses what doesn't apply, and knows each id once. */
class Server {
  state: SlateState = startOf(edition)
  log: NumberedMove[] = []
  refused = new Set<string>()
  take(envelope: Envelope): void {
    if (this.refused.has(envelope.id) || this.log.some(m => m.id === envelope.id)) return
    const result = apply(this.state, envelope.move, edition)
    if (!result.ok) {
      this.refused.add(envelope.id)
      return
    }
    this.state = result.value
    this.log.push({ ...envelope, number: this.log.length + 1, at: '' })
  }
}

/** Some clients, a server, and a network that loses, repeats and delays, all driven by one seed. */
function simulate(scripts: readonly (readonly Move[])[], seed: number): { server: Server, clients: Replica[], made: number } {
  const random = seeded(seed)
  const server = new Server()
  const clients: Replica[] = scripts.map(() => receiveWhole(emptyReplica, 0, server.state, edition))
  const left = scripts.map(script => [...script])
  let made = 0
  const hear = (i: number, from: number, to: number) => {
    const client = clients[i]!
    const heard = receive(client, server.log.slice(from, to), edition) ?? receiveWhole(client, server.log.length, server.state, edition)
    clients[i] = [...server.refused].reduce((now, id) => dropMove(now, id, edition), heard)
  }
  const act = (i: number) => {
    const script = left[i]!
    const chance = random()
    if (chance < 0.4 && script.length) {
      // Nobody makes a move that doesn't apply to what they see; that somebody else was quicker only the server knows.
      const move = script.shift()!
      if (apply(clients[i]!.shown, move, edition).ok) clients[i] = makeMove(clients[i]!, { id: `m${made++}`, move }, edition)
    }
    // A client sends its outbox from the start; the message may be cut short, and is sent again later: that is the repeat.
    else if (chance < 0.7) for (const envelope of clients[i]!.pending.slice(0, Math.ceil(random() * 3))) server.take(envelope)
    // What is heard may start too late (a gap) or repeat what was heard already.
    else hear(i, Math.floor(random() * (server.log.length + 1)), server.log.length)
  }
  while (left.some(script => script.length)) act(Math.floor(random() * clients.length))
  clients.forEach((client) => {
    for (const envelope of client.pending) server.take(envelope)
  })
  clients.forEach((_, i) => hear(i, 0, server.log.length))
  return { server, clients, made }
}

describe('replicas', () => {
  it('of two or three clients end as the server has it, whatever is lost, repeated or late, and no move is doubled', () => {
    const scripts = fc.array(fc.array(anyMove, { maxLength: 12 }), { minLength: 2, maxLength: 3 })
    fc.assert(fc.property(scripts, fc.integer(), (moves, seed) => {
      const { server, clients, made } = simulate(moves, seed)
      expect(server.log.length + server.refused.size).toBe(made)
      expect(new Set(server.log.map(m => m.id)).size).toBe(server.log.length)
      for (const client of clients) {
        expect(client.shown).toEqual(server.state)
        // After a gap was filled by the whole slate, own moves may still wait for their echo; heard in full, none does.
        expect(client.confirmed).toEqual(server.state)
        expect(client.pending.every(p => server.log.some(m => m.id === p.id))).toBe(true)
      }
    }), { numRuns: 300 })
  })

  it('show a move at once, keep it over a whole slate from the server, and take it back when it is refused', () => {
    const move: Move = { kind: 'put', piece: pieceId('c0'), x: 5, y: 5 }
    const made = makeMove(emptyReplica, { id: 'mine', move }, edition)
    expect(made.shown.pieces[pieceId('c0')]).toMatchObject({ x: 5, y: 5 })
    const whole = receiveWhole(made, 4, emptySlate, edition)
    expect(whole.shown.pieces[pieceId('c0')]).toMatchObject({ x: 5, y: 5 })
    expect(dropMove(whole, 'mine', edition).shown).toEqual(emptySlate)
  })

  it('ask for what is missing rather than guess', () => {
    const move: Move = { kind: 'start-again' }
    expect(receive(emptyReplica, [{ id: 'x', move, number: 2, at: '' }], edition)).toBeNull()
  })
})
