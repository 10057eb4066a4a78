import { fileURLToPath } from 'node:url'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { startOf } from '../../../core/slate/state'
import { outcomesOf } from '../../../core/keys/outcomes'
import { OutcomeStore } from '../../../server/marking/outcomes'
import { markingPool, type Marking } from '../../../server/marking/markingPool'
import { saveReview } from '../../../server/usecases/review'
import { outcomesForReview, verdictsOn } from '../../../server/usecases/outcomes'
import { shore, shoreEdition } from '../../boards'
import { put, said, twoProcesses, type TwoProcesses } from '../../lesson'
import { markHere } from '../../markHere'

let two: TwoProcesses
let marking: ReturnType<typeof markHere>
let store: OutcomeStore
beforeAll(async () => {
  two = await twoProcesses(shore(), 4)
})
afterAll(() => two.close())
beforeEach(async () => {
  await two.connection.pool.query('delete from outcomes; delete from reviews')
  marking = markHere()
  store = anotherStore()
})
const anotherStore = () => new OutcomeStore(two.connection.db, two.engines[0].editions, marking)
const reviewing = () => ({ ...two.services, outcomes: store, marking })
const ids = () => two.school.slates.map(slate => slate.id)
const marked = () => marking.batches.flatMap(batch => batch.slates.map(slate => slate.id))
const move = async (i: number) => {
  const { id, student } = two.school.slates[i]!
  expect(said(await two.submit(id, two.as(student), [put('c0', 100 + i)]))[0]).toEqual(expect.any(Number))
}
const rows = async () =>
  (await two.connection.pool.query<{ count: string }>('select count(*) from outcomes')).rows.map(row => +row.count)[0]

describe('outcomes', () => {
  it('are what the core says of the slate as it is, with the number and the edition they are of', async () => {
    await move(0)
    const id = ids()[0]!
    const { number, state } = (await two.stateOf(id))!
    const { edition_hash } = await two.connection.db
      .selectFrom('slates')
      .select('edition_hash')
      .where('id', '=', id)
      .executeTakeFirstOrThrow()
    const expected = outcomesOf(state, shoreEdition(), { number, edition: edition_hash })
    expect(await store.ofOne(id)).toEqual({ ok: true, value: { ...expected, turn: 0 } })
    // From the database the same.
    expect(await anotherStore().ofOne(id)).toEqual({ ok: true, value: { ...expected, turn: 0 } })
  })

  it('are marked once for each change, whoever asks and however often, also at the same moment', async () => {
    await Promise.all([store.of(ids()), store.of(ids().slice(0, 2)), store.ofOne(ids()[0]!)])
    expect(marked().toSorted()).toEqual(ids().toSorted())
    await anotherStore().of(ids())
    expect(marked()).toHaveLength(4)
    await move(1)
    await store.of(ids())
    expect(marked().slice(4)).toEqual([ids()[1]])
    // What was said of it before is let go.
    expect(await rows()).toBe(4)
  })

  it('are marked anew after another edition, and when the marker is another; what a review rests on stays', async () => {
    const id = ids()[0]!
    await store.of([id])
    const nothing = { decisions: {}, comment: '', points: null, levels: {} }
    await saveReview({ db: two.connection.db, outcomes: store }, id, two.school.teacher, nothing)
    expect(await outcomesForReview(reviewing(), id)).toMatchObject({ ok: true, value: { reviewed: null } })
    await two.connection.pool.query('update outcomes set marker = marker - 1')
    await two.connection.pool.query('update reviews set marker = marker - 1')
    await store.of([id])
    expect(marked()).toEqual([id, id])
    expect(await rows()).toBe(2)
    // Another edition was laid under it, though its hash was there before.
    await two.connection.pool.query(
      `insert into edition_changes (slate_id, turn, number, from_hash, to_hash)
      select id, 1, last_number, edition_hash, edition_hash from slates where id = $1`,
      [id],
    )
    expect(await store.ofOne(id)).toMatchObject({ ok: true, value: { turn: 1 } })
    expect(marked()).toEqual([id, id, id])
    await two.connection.pool.query('delete from edition_changes')
    await move(0)
    const now = await outcomesForReview(reviewing(), id)
    expect(now).toMatchObject({ ok: true, value: { reviewed: expect.any(Array) } })
    expect(await rows()).toBe(2)
  })

  it("of a slate that is gone, or of another handout, are nobody's", async () => {
    const none = '11111111-1111-4111-8111-111111111111'
    expect(await store.of([none])).toEqual(new Map())
    expect((await store.ofOne(none)).ok).toBe(false)
    const said = await verdictsOn({ db: two.connection.db, outcomes: store }, two.school.handout, [ids()[0]!, none])
    expect(Object.keys(said)).toEqual([ids()[0]])
    expect(await verdictsOn({ db: two.connection.db, outcomes: store }, none)).toEqual({})
  })

  it("of a slate that can't be marked harm no other", async () => {
    const [broken, whole] = ids() as [string, string]
    const half: Marking = {
      ...marking,
      mark: async batch => {
        const all = await marking.mark(batch)
        return new Map(
          [...all].map(([id, result]) => [id, id === broken ? { ok: false, reason: 'too-heavy' } : result]),
        )
      },
    }
    const all = await new OutcomeStore(two.connection.db, two.engines[0].editions, half).of([broken, whole])
    expect(all.get(broken)).toEqual({ ok: false, reason: 'too-heavy' })
    expect(all.get(whole)?.ok).toBe(true)
    expect(await rows()).toBe(1)
  })
})

describe('the marking pool', () => {
  const script = fileURLToPath(new URL('../../../server/marking/marker.ts', import.meta.url))
  const edition = shoreEdition()
  const batch = (count: number) => ({
    edition: 'a'.repeat(64),
    board: edition.board,
    slates: Array.from({ length: count }, (_, i) => ({ id: `slate-${i}`, number: i, state: startOf(edition) })),
  })
  let pool: Marking
  afterEach(() => pool.stop())

  it('marks in threads what would be marked here, each slate by its own number', async () => {
    pool = markingPool(script, { execArgv: ['--import', 'tsx'], milliseconds: 30_000 })
    const sixty = batch(60)
    const all = await pool.mark(sixty)
    expect([...all.keys()].toSorted()).toEqual(sixty.slates.map(slate => slate.id).toSorted())
    expect([...all.values()].every(one => one.ok)).toBe(true)
    const one = all.get('slate-31')!
    expect(one.ok && one.value).toEqual(outcomesOf(startOf(edition), edition, { number: 31, edition: 'a'.repeat(64) }))
  })

  it('lets one that is too heavy go, and tells it from those that came with it', async () => {
    pool = markingPool(fileURLToPath(new URL('../../endless.mjs', import.meta.url)), { milliseconds: 1500 })
    const all = await pool.mark(batch(3))
    expect([...all].map(([id, result]) => [id, result.ok || result.reason]).toSorted()).toEqual([
      ['slate-0', true],
      ['slate-1', 'too-heavy'],
      ['slate-2', true],
    ])
  })
})
