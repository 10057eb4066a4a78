import { sql, type Kysely, type Transaction } from 'kysely'
import { ok, refuse, type Result } from '../../core/result'
import { keepEdition } from '../database/editions'
import type { Database } from '../database/tables'

/** A copy each: the board is frozen as an edition, and every student of the class gets a slate of it, all in one go or not at all. */
export function giveOut(db: Kysely<Database>, boardId: string, classId: string): Promise<Given> {
  return db.transaction().execute(trx => giveOutWithin(trx, boardId, classId))
}

export type Given = Result<{ id: string, slates: number }, 'no-students'>

/** The same as a part of a larger transaction, whose refusal leaves nothing. */
export async function giveOutWithin(trx: Transaction<Database>, boardId: string, classId: string): Promise<Given> {
  const { document } = await trx.selectFrom('boards').select('document').where('id', '=', boardId).executeTakeFirstOrThrow()
  const edition_hash = await keepEdition(trx, document)
  // Locked, so that a student who is added at this moment is either given a slate here or by joining late.
  await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirstOrThrow()
  const someone = await trx.selectFrom('students').select('id').where('class_id', '=', classId).where('left_at', 'is', null).limit(1).executeTakeFirst()
  if (!someone) return refuse('no-students')
  const { id } = await trx.insertInto('handouts').values({ board_id: boardId, class_id: classId, edition_hash, mode: 'copy-each' })
    .returning('id').executeTakeFirstOrThrow()
  const slates = await makeSlates(trx, id)
  return ok({ id, slates })
}

/**
 * Takes a handout back as if it had never been given out, while nobody has opened it. The slates are held meanwhile, so that
 * nobody opens one in between. Refused once somebody has.
 */
export function takeBack(db: Kysely<Database>, handout: string): Promise<Result<null, 'opened'>> {
  return db.transaction().execute(async (trx) => {
    const slates = await trx.selectFrom('slates').select(['status', 'last_number']).where('handout_id', '=', handout).orderBy('id').forUpdate().execute()
    if (slates.some(slate => slate.status !== 'not-opened' || slate.last_number > 0)) return refuse('opened')
    await trx.deleteFrom('handouts').where('id', '=', handout).execute()
    return ok(null)
  })
}

/** Of a handout of copies: one for each student of its class who hasn't got one. */
export async function makeSlates(db: Kysely<Database>, handout: string): Promise<number> {
  const result = await sql`
    with given as materialized (
      select gen_random_uuid() as id, handouts.id as handout_id, handouts.class_id, handouts.edition_hash, students.id as student_id
      from handouts join students using (class_id)
      where handouts.id = ${handout} and handouts.mode = 'copy-each' and students.left_at is null
        and not exists (select from slate_members m where m.handout_id = handouts.id and m.student_id = students.id and m.until_at is null and m.kind <> 'class')
    ), made as (
      insert into slates (id, handout_id, class_id, kind, edition_hash) select id, handout_id, class_id, 'copy', edition_hash from given
    )
    insert into slate_members (slate_id, handout_id, class_id, kind, student_id, hand) select id, handout_id, class_id, 'copy', student_id, 1 from given`.execute(db)
  return Number(result.numAffectedRows ?? 0)
}

/** A frame for a group, empty at first: `addMember` puts students into it. */
export async function makeFrame(db: Kysely<Database>, handout: string, name: string): Promise<string> {
  const row = await db.selectFrom('handouts').select(['class_id', 'edition_hash']).where('id', '=', handout).executeTakeFirstOrThrow()
  const { id } = await db.insertInto('slates').values({ handout_id: handout, class_id: row.class_id, kind: 'frame', name, edition_hash: row.edition_hash })
    .returning('id').executeTakeFirstOrThrow()
  return id
}
