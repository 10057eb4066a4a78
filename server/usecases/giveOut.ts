import { sql, type Kysely } from 'kysely'
import { ok, refuse, type Result } from '../../core/result'
import { keepEdition } from '../database/editions'
import type { Database } from '../database/tables'

/** A copy each: the board is frozen as an edition, and every student of the class gets a slate of it, all in one go or not at all. */
export async function giveOut(db: Kysely<Database>, boardId: string, classId: string): Promise<Result<{ id: string, slates: number }, 'no-students'>> {
  return db.transaction().execute(async (trx) => {
    const { document } = await trx.selectFrom('boards').select('document').where('id', '=', boardId).executeTakeFirstOrThrow()
    const edition_hash = await keepEdition(trx, document)
    // Locked, so that a student who is added at this moment is either given a slate here or by joining late.
    await trx.selectFrom('classes').select('id').where('id', '=', classId).forUpdate().executeTakeFirstOrThrow()
    const someone = await trx.selectFrom('students').select('id').where('class_id', '=', classId).limit(1).executeTakeFirst()
    if (!someone) return refuse('no-students')
    const { id } = await trx.insertInto('handouts').values({ board_id: boardId, class_id: classId, edition_hash, mode: 'copy-each' })
      .returning('id').executeTakeFirstOrThrow()
    const slates = await makeSlates(trx, id)
    return ok({ id, slates })
  })
}

/** One slate for each student of the handout's class who hasn't got one. */
export async function makeSlates(db: Kysely<Database>, handout: string): Promise<number> {
  const result = await sql`
    insert into slates (handout_id, class_id, student_id)
    select handouts.id, handouts.class_id, students.id
    from handouts join students using (class_id) where handouts.id = ${handout}
    on conflict do nothing`.execute(db)
  return Number(result.numAffectedRows ?? 0)
}
