import { sql } from 'kysely'
import { connect, type Connection } from '../../server/database/connect'
import { EditionCache } from '../../server/database/editions'
import { loadStates } from '../../server/database/loadState'
import { postgresWire } from '../../server/news/postgres'
import type { Actor } from '../../server/rights/actor'
import { holdToMove } from '../../server/rights/hold'
import { Engine } from '../../server/sync/engine'
import { giveOut } from '../../server/usecases/giveOut'
import { shore } from '../boards'
import { put } from '../lesson'
import { makeSchool } from '../school'
import { ms, quantile, time, type Line } from './measure'

const SIZES = [30, 30_000] as const
const MOVES = 300
const LONG = 5000

/** What a move costs in a database of 30 slates and of 30,000, its row on disk, and opening a slate of 5,000 moves. */
export async function growth(urls: readonly [string, string]): Promise<Line[]> {
  const costs: { took: number; bytes: number }[] = []
  for (const [i, slates] of SIZES.entries()) {
    const connection = connect(urls[i]!)
    costs.push(await costOfMoves(connection, slates))
    await connection.close()
  }
  const [few, many] = costs as [(typeof costs)[number], (typeof costs)[number]]
  const connection = connect(urls[0])
  const long = await openingLong(connection)
  await connection.close()
  return [
    {
      what: `storing a move among ${SIZES[1]} slates, one after the other, median`,
      measured: ms(many.took),
      floor: `among ${SIZES[0]} ${ms(few.took)}`,
      ratio: many.took / few.took,
    },
    {
      what: `a move's row on disk, its indexes included, among ${SIZES[1]} slates`,
      measured: `${Math.round(many.bytes)} bytes`,
      floor: `among ${SIZES[0]} ${Math.round(few.bytes)} bytes`,
      ratio: many.bytes / few.bytes,
    },
    ...long,
  ]
}

async function costOfMoves(connection: Connection, slates: number): Promise<{ took: number; bytes: number }> {
  const { db } = connection
  const school = await makeSchool(db, shore(), 1, `growth-${slates}@ternhaven.example`)
  await sql`insert into students (class_id, name, picture_password)
    select ${school.classId}, 'Bench ' || i, array['sun', 'cat', 'key'] from generate_series(2, ${slates}) as i`.execute(
    db,
  )
  const given = await giveOut(db, school.board, school.classId)
  if (!given.ok) throw new Error(given.reason)
  const engine = new Engine(connection, postgresWire(connection.url))
  await engine.start()
  const rows = await db
    .selectFrom('slate_members')
    .select(['slate_id', 'student_id'])
    .where('handout_id', '=', given.value.id)
    .limit(MOVES)
    .execute()
  const size = async () =>
    Number((await sql<{ bytes: string }>`select pg_total_relation_size('moves') as bytes`.execute(db)).rows[0]!.bytes)
  const [before, taken] = [await size(), [] as number[]]
  for (let i = 0; i < MOVES * 10; i++) {
    const { slate_id, student_id } = rows[i % rows.length]!
    const who: Actor = { kind: 'student', id: student_id, classId: school.classId, name: '', session: '' }
    const hold = i < rows.length ? await holdToMove(db, who, slate_id) : null
    if (hold) holds.set(slate_id, hold)
    const start = performance.now()
    const reply = await engine.submit({
      slate: slate_id,
      who,
      hold: holds.get(slate_id)!,
      envelopes: [put(`c${i % 6}`, i % 900)],
    })
    taken.push(performance.now() - start)
    if (reply.hold) holds.set(slate_id, reply.hold)
  }
  const bytes = ((await size()) - before) / taken.length
  await engine.stop()
  return { took: quantile(taken.slice(MOVES), 0.5), bytes }
}
const holds = new Map<string, Awaited<ReturnType<typeof holdToMove>>>()

async function openingLong(connection: Connection): Promise<Line[]> {
  const { db } = connection
  const school = await makeSchool(db, shore(), 2, 'long@ternhaven.example')
  const engine = new Engine(connection, postgresWire(connection.url))
  await engine.start()
  const [long, short] = school.slates as [(typeof school.slates)[number], (typeof school.slates)[number]]
  const work = async (slate: typeof long, moves: number) => {
    const who: Actor = { kind: 'student', id: slate.student, classId: school.classId, name: '', session: '' }
    for (let made = 0; made < moves; made += 10) {
      await engine.submit({
        slate: slate.id,
        who,
        hold: await holdToMove(db, who, slate.id),
        envelopes: Array.from({ length: 10 }, (_, i) => put(`c${i % 6}`, (made + i) % 900)),
      })
    }
  }
  await work(long, LONG)
  await work(short, 10)
  await engine.stop()
  const editions = new EditionCache()
  const open = async (slate: typeof long) => {
    const row = await db
      .selectFrom('slates')
      .select(['edition_hash', 'last_number'])
      .where('id', '=', slate.id)
      .executeTakeFirstOrThrow()
    return loadStates(db, editions, [{ id: slate.id, edition: row.edition_hash, last: row.last_number }])
  }
  const [whole, few] = [await time(30, () => open(long)), await time(30, () => open(short))]
  const { number } = await db
    .selectFrom('snapshots')
    .select(e => e.fn.max('number').as('number'))
    .where('slate_id', '=', long.id)
    .executeTakeFirstOrThrow()
  return [
    {
      what: `opening a slate of ${LONG} moves: one snapshot and ${LONG - (number ?? 0)} moves`,
      measured: ms(whole),
      floor: `one of 10 moves ${ms(few)}`,
      ratio: whole / few,
    },
  ]
}
