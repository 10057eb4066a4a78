import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { apply, type Move } from '../../../core/slate/move'
import { emptySlate } from '../../../core/slate/state'
import type { Envelope, ServerMessage } from '../../../core/sync/messages'
import { seeded } from '../../../core/layout/random'
import { Engine } from '../../../server/sync/engine'
import { loadStates } from '../../../server/sync/loadState'
import type { Listener } from '../../../server/sync/hub'
import { handBack, handIn } from '../../../server/usecases/slates'
import type { Services } from '../../../server/services'
import { connect } from '../../../server/database/connect'
import { pieceId, shore, shoreEdition } from '../../boards'
import { migratedDatabase } from '../../database'
import { makeSchool, type School } from '../../school'

let connection: Awaited<ReturnType<typeof migratedDatabase>>
let second: ReturnType<typeof connect>
let engines: Engine[]
let school: School
const edition = shoreEdition()
let made = 0

beforeAll(async () => {
  connection = await migratedDatabase()
  second = connect(connection.url)
  school = await makeSchool(connection.db, shore(), 40)
  engines = [new Engine(connection), new Engine(second)]
  await Promise.all(engines.map(e => e.start()))
})
afterAll(async () => {
  await Promise.all(engines.map(e => e.stop()))
  await second.db.destroy()
  await connection.close()
})

const put = (piece: string, x: number): Envelope => ({ id: `move-${made++}-xxxx`, move: { kind: 'put', piece: pieceId(piece), x, y: 100 } })
const submit = (slate: School['slates'][number], envelopes: Envelope[], engine = engines[0]!) =>
  engine.submit(school.handout, envelopes.map(envelope => ({ slate: slate.id, student: slate.student, envelope })))
const stateOf = async (slate: string) => (await loadStates(connection.db, [{ id: slate, edition }])).get(slate)!
const services = () => ({ ...connection, engine: engines[0]!, limits: null as never }) satisfies Services

function listener(id: string): Listener & { heard: ServerMessage[] } {
  const heard: ServerMessage[] = []
  return { id, heard, tell: message => heard.push(message) }
}
async function until(condition: () => boolean): Promise<void> {
  while (!condition()) await new Promise(resolve => setTimeout(resolve, 5))
}

describe('committing moves', () => {
  it('numbers them from 1, keeps them, and gives the state that the core gives', async () => {
    const slate = school.slates[0]!
    const envelopes = [put('c0', 100), put('c1', 200), put('c0', 300)]
    const outcomes = await submit(slate, envelopes)
    expect(outcomes.map(o => o.ok && o.move.number)).toEqual([1, 2, 3])
    const expected = envelopes.reduce((state, { move }) => {
      const result = apply(state, move, edition)
      return result.ok ? result.value : state
    }, emptySlate)
    expect(await stateOf(slate.id)).toEqual({ number: 3, state: expected })
  })

  it('takes a move that is sent again for the one it has', async () => {
    const slate = school.slates[1]!
    const envelope = put('c0', 50)
    const [first] = await submit(slate, [envelope])
    const again = await submit(slate, [envelope, envelope])
    expect(again.map(o => o.ok && [o.move.number, o.fresh])).toEqual([[1, false], [1, false]])
    expect(first).toMatchObject({ ok: true, fresh: true })
    expect((await stateOf(slate.id)).number).toBe(1)
  })

  it('refuses what the core refuses and lets its neighbours pass', async () => {
    const slate = school.slates[2]!
    const outcomes = await submit(slate, [put('c0', 10), put('ghost', 10), put('c1', 5000), put('c2', 20)])
    expect(outcomes.map(o => o.ok ? o.move.number : o.code)).toEqual([1, 'unknown-piece', 'off-page', 2])
  })

  it('refuses every move once the slate is handed in, and after it is handed back', async () => {
    const slate = school.slates[3]!
    await submit(slate, [put('c0', 10)])
    expect(await handIn(services(), slate.id)).toEqual({ ok: true, value: 'handed-in' })
    expect(await submit(slate, [put('c0', 90)])).toMatchObject([{ ok: false, code: 'handed-in' }])
    expect(await handIn(services(), slate.id)).toEqual({ ok: false, reason: 'handed-in' })
    expect(await handBack(services(), slate.id)).toMatchObject({ ok: true })
    expect(await submit(slate, [put('c0', 90)])).toMatchObject([{ ok: false, code: 'handed-in' }])
    expect((await stateOf(slate.id)).state.pieces[pieceId('c0')]!.x).toBe(10)
  })

  it('of many slates through two processes at once loses none, doubles none and leaves no gap', async () => {
    const random = seeded(4)
    const slates = school.slates.slice(4, 14)
    const sent = slates.flatMap(slate => Array.from({ length: 24 }, (_, i) => ({ slate, envelope: put(`c${i % 6}`, Math.floor(random() * 900)) })))
    // Every move is given to both processes, as a client does that was cut off before it heard the answer.
    const all = await Promise.all(sent.flatMap(({ slate, envelope }) => engines.map(engine => submit(slate, [envelope], engine))))
    expect(all.flat().every(o => o.ok)).toBe(true)
    for (const slate of slates) {
      const rows = await connection.db.selectFrom('moves').select(['number', 'id']).where('slate_id', '=', slate.id).orderBy('number').execute()
      expect(rows.map(r => r.number)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1))
      expect(new Set(rows.map(r => r.id)).size).toBe(24)
    }
  })

  it('keeps snapshots from which the state is the same as from all moves', async () => {
    const slate = school.slates[14]!
    for (let i = 0; i < 6; i++) await submit(slate, Array.from({ length: 20 }, (_, n) => put(`c${n % 6}`, i * 20 + n)))
    const snapshots = await connection.db.selectFrom('snapshots').select('number').where('slate_id', '=', slate.id).execute()
    expect(snapshots.length).toBeGreaterThanOrEqual(2)
    const withSnapshots = await stateOf(slate.id)
    await connection.db.deleteFrom('snapshots').where('slate_id', '=', slate.id).execute()
    expect(await stateOf(slate.id)).toEqual(withSnapshots)
  })
})

describe('telling others', () => {
  it('reaches followers of the slate and of the handout in both processes, each move once and in order', async () => {
    const slate = school.slates[15]!
    const [near, far] = [listener('near'), listener('far')]
    engines[0]!.hub.followSlate(near, slate.id)
    engines[1]!.hub.followHandout(far, school.handout)
    const moves: Move['kind'][] = []
    for (let i = 0; i < 30; i++) {
      await submit(slate, [put('c0', i)])
      moves.push('put')
    }
    const numbers = (l: typeof near) => l.heard.flatMap(m => m.say === 'moves' && m.slate === slate.id ? m.moves.map(x => x.number) : [])
    await until(() => numbers(near).includes(30) && numbers(far).includes(30))
    expect(numbers(near)).toEqual(moves.map((_, i) => i + 1))
    expect(numbers(far)).toEqual(moves.map((_, i) => i + 1))
    await handIn(services(), slate.id)
    await until(() => far.heard.some(m => m.say === 'status' && m.status === 'handed-in'))
    engines.forEach((e, i) => e.hub.leave([near, far][i]!))
  })

  it('goes on after the listening connection was cut, and catches up with what was missed', async () => {
    const slate = school.slates[16]!
    const far = listener('cut')
    engines[1]!.hub.followHandout(far, school.handout)
    await submit(slate, [put('c0', 1)])
    await until(() => far.heard.some(m => m.say === 'moves' && m.slate === slate.id))
    await connection.pool.query(`select pg_terminate_backend(pid) from pg_stat_activity where query ilike 'listen%' and datname = current_database()`)
    await submit(slate, [put('c0', 2), put('c0', 3)])
    await until(() => far.heard.some(m => m.say === 'moves' && m.slate === slate.id && m.moves.at(-1)!.number === 3))
    const numbers = far.heard.flatMap(m => m.say === 'moves' && m.slate === slate.id ? m.moves.map(x => x.number) : [])
    expect(numbers).toEqual([1, 2, 3])
  })
})
