import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { HOLDER, type Actor, type Author } from '../../../core/slate/actor'
import { changedThings, type ThingName } from '../../../core/slate/hands'
import { nextToUndo, undoOf, type HistoryStep } from '../../../core/slate/history'
import { apply, invert, perform, type Move } from '../../../core/slate/move'
import { emptySlate, startOf, type SlateState } from '../../../core/slate/state'
import type { Envelope, NumberedMove } from '../../../core/sync/messages'
import { dropMoves, emptyReplica, makeMoves, receive, receiveWhole, type Replica } from '../../../core/sync/replica'
import { pieceId } from '../../boards'
import { anyMove, edition } from '../../anyMove'

const AUTHORS: readonly Author[] = ['student:1', 'student:2', 'teacher:0']
const asActor = (author: Author): Actor => ({ author, part: 'all' })

/**
 * A server as simple as can be: it orders, refuses what doesn't apply, knows each id once, and decides what is left to
 * undo.
 */
class Server {
  state: SlateState = startOf(edition)
  log: NumberedMove[] = []
  inverses = new Map<string, HistoryStep>()
  refused = new Set<string>()
  take({ id, move, undoes }: Envelope, by: Author): void {
    if (this.refused.has(id) || this.log.some(m => m.id === id)) return
    const made = undoes ? this.undo(undoes, by) : move
    const number = this.log.length + 1
    const result = made && apply(this.state, made, { edition, actor: asActor(by), number })
    if (!result?.ok) {
      this.refused.add(id)
      return
    }
    this.inverses.set(id, { id, inverse: undoes ? null : invert(this.state, made!, edition), number })
    this.state = result.value
    this.log.push({ id, move: made!, number, by, at: '', ...(undoes && { undoes }) })
  }

  private undo(undoes: string, by: Author): Move | null {
    const target = this.log.find(m => m.id === undoes)
    if (!target || target.by !== by || this.log.some(m => m.undoes === undoes)) return null
    return undoOf(this.inverses.get(undoes)!, by, this.state)
  }
}

interface Client {
  replica: Replica
  steps: HistoryStep[]
}
type Deed = Move | 'undo'

/** Some clients, a server, and a network that loses, repeats and delays, all driven by one seed. */
function simulate(
  scripts: readonly (readonly Deed[])[],
  seed: number,
): { server: Server; clients: Client[]; made: number } {
  const random = seeded(seed)
  const server = new Server()
  const clients: Client[] = scripts.map(() => ({
    replica: receiveWhole({ replica: emptyReplica, number: 0, state: server.state, edition }),
    steps: [],
  }))
  const left = scripts.map(script => [...script])
  let made = 0
  const hear = (i: number, from: number, to: number) => {
    const client = clients[i]!
    const actor = asActor(AUTHORS[i]!)
    const news = server.log.slice(from, to)
    const heard =
      receive(client.replica, news, edition, actor)
      ?? receiveWhole({ replica: client.replica, number: server.log.length, state: server.state, edition, actor })
    const numbers = new Map(server.log.map(m => [m.id, m.number]))
    client.replica = dropMoves(heard, server.refused, edition, actor)
    client.steps = client.steps.filter(s => !server.refused.has(s.id)).map(s => ({ ...s, number: numbers.get(s.id) }))
  }
  const make = (client: Client, actor: Actor, move: Move, undoes?: string) => {
    const id = `m${made++}`
    client.steps.push({ id, inverse: undoes ? null : invert(client.replica.shown, move, edition), undoes })
    client.replica = makeMoves(client.replica, [{ id, move, ...(undoes && { undoes }) }], edition, actor)
  }
  const act = (i: number) => {
    const [script, client, actor] = [left[i]!, clients[i]!, asActor(AUTHORS[i]!)]
    const chance = random()
    if (chance < 0.4 && script.length) {
      const deed = script.shift()!
      const takeBack = (step: HistoryStep) => undoOf(step, actor.author, client.replica.confirmed)
      const step = deed === 'undo' ? nextToUndo(client.steps, s => takeBack(s) !== null) : undefined
      const move = deed === 'undo' ? step && takeBack(step) : deed
      // Nobody makes a move that doesn't apply to what they see; that somebody else was quicker only the server knows.
      if (move && apply(client.replica.shown, move, { edition, actor }).ok) make(client, actor, move, step?.id)
    }
    // A client sends its outbox from the start; the message may be cut short, and is sent again later: that is the
    // repeat.
    else if (chance < 0.7)
      for (const envelope of client.replica.pending.slice(0, Math.ceil(random() * 3)))
        server.take(envelope, actor.author)
    // What is heard may start too late (a gap) or repeat what was heard already.
    else hear(i, Math.floor(random() * (server.log.length + 1)), server.log.length)
  }
  while (left.some(script => script.length)) act(Math.floor(random() * clients.length))
  clients.forEach((client, i) => {
    for (const envelope of client.replica.pending) server.take(envelope, AUTHORS[i]!)
  })
  clients.forEach((_, i) => hear(i, 0, server.log.length))
  return { server, clients, made }
}

const deeds = fc.array(
  fc.oneof(
    { weight: 3, arbitrary: anyMove as fc.Arbitrary<Deed> },
    { weight: 1, arbitrary: fc.constant<Deed>('undo') },
  ),
  { maxLength: 12 },
)

describe('replicas', () => {
  it('of three authors end as the server has it, whatever is lost, repeated, late or taken back, and no move is doubled', () => {
    fc.assert(
      fc.property(fc.array(deeds, { minLength: 2, maxLength: 3 }), fc.integer(), (scripts, seed) => {
        const { server, clients, made } = simulate(scripts, seed)
        expect(server.log.length + server.refused.size).toBe(made)
        expect(new Set(server.log.map(m => m.id)).size).toBe(server.log.length)
        for (const { replica } of clients) {
          expect(replica.shown).toEqual(server.state)
          // After a gap was filled by the whole slate, own moves may still wait for their echo; heard in full, none
          // does.
          expect(replica.confirmed).toEqual(server.state)
          expect(replica.pending.every(p => server.log.some(m => m.id === p.id))).toBe(true)
        }
      }),
      { numRuns: 300 },
    )
  })

  it('are never made by an undo that changes what somebody else did later', () => {
    fc.assert(
      fc.property(fc.array(deeds, { minLength: 3, maxLength: 3 }), fc.integer(), (scripts, seed) => {
        const { server } = simulate(scripts, seed)
        // Replayed by hand, without the record of hands that the core keeps: who changed each thing, and when.
        const changes = new Map<ThingName, { by: Author; number: number }[]>()
        let state = startOf(edition)
        for (const { move, by, number, undoes } of server.log) {
          const performed = perform(state, move, { edition, author: by, number })
          for (const thing of changedThings(state, performed)) {
            const before = changes.get(thing) ?? []
            const taken = undoes && server.log.find(m => m.id === undoes)!.number
            // Of a text one's own letters are taken back, whoever has written there since (weave.test.ts).
            if (taken && move.kind !== 'edit') expect(before.filter(c => c.by !== by && c.number > taken)).toEqual([])
            changes.set(thing, [...before, { by, number }])
          }
          state = performed
        }
        expect(state).toEqual(server.state)
      }),
      { numRuns: 300 },
    )
  })

  it('show a move at once, keep it over a whole slate from the server, and take it back when it is refused', () => {
    const move: Move = { kind: 'put', piece: pieceId('c0'), x: 5, y: 5 }
    const made = makeMoves(emptyReplica, [{ id: 'mine', move }], edition)
    expect(made.shown.pieces[pieceId('c0')]).toMatchObject({ x: 5, y: 5 })
    const whole = receiveWhole({ replica: made, number: 4, state: emptySlate, edition })
    expect(whole.shown.pieces[pieceId('c0')]).toMatchObject({ x: 5, y: 5 })
    expect(dropMoves(whole, new Set(['mine']), edition).shown).toEqual(emptySlate)
  })

  it('ask for what is missing rather than guess', () => {
    const move: Move = { kind: 'start-again' }
    expect(receive(emptyReplica, [{ id: 'x', move, number: 2, by: HOLDER.author, at: '' }], edition)).toBeNull()
  })
})
