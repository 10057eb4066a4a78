import { randomUUID } from 'node:crypto'
import { sql } from 'kysely'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { earlierMoves } from '../../../server/sync/earlierMoves'
import { shore } from '../../boards'
import { twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(shore(), 2)
  const { db } = two.connection
  const [ada, bo] = two.school.slates.map(one => one.id)
  // As many as a class makes in a month, so that the database has a choice that matters.
  await sql`insert into moves (slate_id, number, id, move, inverse, undoes, by)
    select slate, n, 'made-move-' || n, '{"kind":"shelve","piece":"c0"}', null,
      case when n % 3 = 0 then 'made-move-' || (n - 1) end, 'student:1'
    from unnest(${[ada, bo]}::uuid[]) as slate, generate_series(1, 15000) as n`.execute(db)
  await sql`analyze moves`.execute(db)
})
afterAll(() => two.close())

const found = async (asked: { slate: string; wanted: string }[]) =>
  (await earlierMoves(two.connection.db, asked).execute()).map(row => [row.slate_id, row.id])

it('are those of the ids, and those that take them back, of that slate alone', async () => {
  const slate = two.school.slates[0]!.id
  expect((await found([{ slate, wanted: 'made-move-5' }])).toSorted()).toEqual([
    [slate, 'made-move-5'],
    [slate, 'made-move-6'],
  ])
  expect(await found([{ slate, wanted: 'made-move-3' }])).toEqual([[slate, 'made-move-3']])
  expect(await found([{ slate: randomUUID(), wanted: 'made-move-5' }])).toEqual([])
})

it('are looked up, however many moves there are', async () => {
  const asked = two.school.slates.map(one => ({ slate: one.id, wanted: 'made-move-5' }))
  const rows = await earlierMoves(two.connection.db, asked).explain('text', sql`costs off`)
  const plan = rows.map(row => row['QUERY PLAN']).join('\n')
  expect(plan).not.toMatch(/Seq Scan/)
  expect(plan).toMatch(/moves_that_undo/)
})
