import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sql } from 'kysely'
import { HOLDER } from '../../../core/slate/actor'
import { apply } from '../../../core/slate/move'
import { emptySlate } from '../../../core/slate/state'
import { seeded } from '../../../core/layout/random'
import { holdToMove } from '../../../server/rights/hold'
import { handBack, handIn } from '../../../server/usecases/openness'
import { walkRound } from '../../../server/usecases/walk'
import type { Services } from '../../../server/services'
import { pieceId, shore, shoreEdition } from '../../boards'
import { put, said, twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
const edition = shoreEdition()
const slateAt = (i: number) => two.school.slates[i]!
const submit = (i: number, envelopes: Parameters<TwoProcesses['submit']>[2], engine = two.engines[0]) =>
  two.submit(slateAt(i).id, two.as(slateAt(i).student), envelopes, engine)

beforeAll(async () => {
  two = await twoProcesses(shore(), 40)
})
afterAll(() => two.close())

describe('committing moves', () => {
  it('numbers them from 1, keeps them, and gives the state that the core gives', async () => {
    const envelopes = [put('c0', 100), put('c1', 200), put('c0', 300)]
    expect(said(await submit(0, envelopes))).toEqual([1, 2, 3])
    const expected = envelopes.reduce((state, { move }) => {
      const result = apply(state, move, { edition, actor: HOLDER })
      return result.ok ? result.value : state
    }, emptySlate)
    expect(await two.stateOf(slateAt(0).id)).toEqual({ number: 3, state: expected })
  })

  it('takes a move that is sent again for the one it has', async () => {
    const envelope = put('c0', 50)
    expect((await submit(1, [envelope])).outcomes).toMatchObject([{ ok: true, fresh: true }])
    const again = await submit(1, [envelope, envelope])
    expect(again.outcomes.map(o => o.ok && [o.move.number, o.fresh])).toEqual([
      [1, false],
      [1, false],
    ])
    expect((await two.stateOf(slateAt(1).id))!.number).toBe(1)
    // Long ago, and at another process, which remembers nothing of it.
    for (let i = 0; i < 30; i++) await submit(1, [put('c1', i)])
    expect(
      (await submit(1, [envelope, put('c2', 9)], two.engines[1])).outcomes.map(o => o.ok && [o.move.number, o.fresh]),
    ).toEqual([
      [1, false],
      [32, true],
    ])
  })

  it('refuses what the core refuses and lets its neighbours pass', async () => {
    expect(said(await submit(2, [put('c0', 10), put('ghost', 10), put('c1', 5000), put('c2', 20)]))).toEqual([
      1,
      'unknown-piece',
      'off-page',
      2,
    ])
  })

  it('refuses every move once the slate is handed in, and after it is handed back, in every process', async () => {
    const { id, student } = slateAt(3)
    await submit(3, [put('c0', 10)])
    await submit(3, [put('c0', 10)], two.engines[1])
    expect(await handIn(two.services, id, student)).toEqual({ ok: true, value: 'handed-in' })
    for (const engine of two.engines) expect(said(await submit(3, [put('c0', 90)], engine))).toEqual(['handed-in'])
    expect(await handIn(two.services, id, student)).toEqual({ ok: false, reason: 'handed-in' })
    expect(await handBack(two.services, id)).toMatchObject({ ok: true })
    expect(said(await submit(3, [put('c0', 90)]))).toEqual(['handed-in'])
    expect((await two.stateOf(id))!.state.pieces[pieceId('c0')]!.x).toBe(10)
  })

  it('of many slates through two processes at once loses none, doubles none and leaves no gap', async () => {
    const random = seeded(4)
    const sent = Array.from({ length: 10 }, (_, n) => n + 4).flatMap(i =>
      Array.from({ length: 24 }, (_, n) => ({ i, envelope: put(`c${n % 6}`, Math.floor(random() * 900)) })),
    )
    // Every move is given to both processes, as a client does that was cut off before it heard the answer.
    const all = await Promise.all(
      sent.flatMap(({ i, envelope }) => two.engines.map(engine => submit(i, [envelope], engine))),
    )
    expect(all.flatMap(reply => reply.outcomes).filter(o => !o.ok)).toEqual([])
    for (let i = 4; i < 14; i++) {
      const rows = await two.connection.db
        .selectFrom('moves')
        .select(['number', 'id'])
        .where('slate_id', '=', slateAt(i).id)
        .orderBy('number')
        .execute()
      expect(rows.map(r => r.number)).toEqual(Array.from({ length: 24 }, (_, n) => n + 1))
      expect(new Set(rows.map(r => r.id)).size).toBe(24)
    }
  })

  it('keeps snapshots from which the state is the same as from all moves', async () => {
    const { id } = slateAt(14)
    for (let i = 0; i < 6; i++)
      await submit(
        14,
        Array.from({ length: 20 }, (_, n) => put(`c${n % 6}`, i * 20 + n)),
      )
    const snapshots = () =>
      two.connection.db.selectFrom('snapshots').select('number').where('slate_id', '=', id).execute()
    // They are kept behind the acknowledgement, and of what comes at once only the latest.
    while ((await snapshots()).length < 1) await new Promise(resolve => setTimeout(resolve, 5))
    const withSnapshots = await two.stateOf(id)
    await two.connection.db.deleteFrom('snapshots').where('slate_id', '=', id).execute()
    expect(await two.stateOf(id)).toEqual(withSnapshots)
  })

  it('takes a step back only for its maker, only once, and knows the inverse better than who asks', async () => {
    const [first, second] = [put('c0', 10), put('c0', 20)]
    await submit(19, [first, second])
    const back = { id: 'undo-it-1', undoes: second.id }
    // Whatever else is sent along, what is taken back is what was done.
    expect(said(await submit(19, [{ ...back, move: { kind: 'start-again' } }]))).toEqual([3])
    expect((await two.stateOf(slateAt(19).id))!.state.pieces[pieceId('c0')]!.x).toBe(10)
    expect(
      said(
        await submit(19, [
          { id: 'undo-it-2', undoes: second.id },
          { id: 'undo-it-3', undoes: 'undo-it-1' },
          { id: 'undo-it-4', undoes: 'never-was' },
        ]),
      ),
    ).toEqual(['nothing-to-undo', 'nothing-to-undo', 'nothing-to-undo'])
    expect(said(await submit(19, [{ id: 'undo-it-5', undoes: first.id }], two.engines[1]))).toEqual([4])
    expect((await two.stateOf(slateAt(19).id))!.state.pieces).toEqual({})
  })
})

describe('what goes wrong with one slate', () => {
  it("is said of that slate when what is stored can't be read, and harms no other", async () => {
    const [bad, good] = [20, 21]
    for (const i of [bad, good]) await submit(i, [put('c0', 10)])
    const { id } = slateAt(bad)
    const { db } = two.connection
    await sql`alter table moves disable trigger moves_never_changed`.execute(db)
    await sql`update moves set move = '{"kind": "no such move"}' where slate_id = ${id}`.execute(db)
    await sql`alter table moves enable trigger moves_never_changed`.execute(db)
    // The other process has never seen either; both come in one batch.
    const [engine] = [two.engines[1]]
    const [damaged, well] = await Promise.all([
      submit(bad, [put('c1', 20)], engine),
      submit(good, [put('c1', 20)], engine),
    ])
    expect([said(damaged), said(well)]).toEqual([['unreadable'], [2]])
    const walk = await walkRound(two.services as Services, two.school.handout, { role: 'owner', day: null })
    expect(walk.slates.filter(s => s.unreadable).map(s => s.id)).toEqual([id])
    expect(walk.slates.find(s => s.id === slateAt(good).id)).toMatchObject({ number: 2, unreadable: false })
  })

  it('delays nobody else when somebody holds it', async () => {
    const [stuck, free] = [22, 23]
    for (const i of [stuck, free]) await submit(i, [put('c0', 10)])
    const holder = await two.connection.pool.connect()
    await holder.query('begin')
    await holder.query('select from slates where id = $1 for update', [slateAt(stuck).id])
    let held = true
    const waiting = submit(stuck, [put('c0', 20)]).then(reply => {
      held = false
      return reply
    })
    for (let i = 0; i < 5; i++) expect(said(await submit(free, [put('c0', i)]))).toEqual([i + 2])
    expect(held).toBe(true)
    await holder.query('commit')
    holder.release()
    expect(said(await waiting)).toEqual([2])
  })

  it("is final for the one move that the database won't have; its neighbours in the batch and the message pass", async () => {
    const guilty = { id: 'poisoned-move', move: { kind: 'write' as const, in: 'nowhere', text: '\u0000' } }
    // Past the schema, as a fault in it would let it: the statement fails for all of the batch.
    const poisoned = put('c1', 30)
    const [bad, good] = await Promise.all([
      submit(24, [put('c0', 10), { ...poisoned, id: `${'x'.repeat(41)}` }, put('c2', 10)]),
      submit(25, [put('c0', 10)]),
    ])
    expect([said(bad!), said(good!)]).toEqual([[1, 'malformed', 2], [1]])
    expect(said(await submit(24, [guilty]))).toEqual(['unknown-place'])
  })

  it('lets what is sent with an older right be decided by the one that is', async () => {
    const { id, student } = slateAt(26)
    const who = two.as(student)
    const hold = (await holdToMove(two.connection.db, who, id))!
    await two.connection.db
      .updateTable('slate_members')
      .set({ until_at: sql<Date>`now()` })
      .where('slate_id', '=', id)
      .execute()
    for (const engine of two.engines) {
      const reply = await engine.submit({ slate: id, who, hold, envelopes: [put('c0', 1)] })
      expect([said(reply), reply.hold]).toEqual([['not-yours'], null])
    }
  })
})
