import type { Kysely } from 'kysely'
import type { Rubric } from '../../core/handout/counting'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'

type Db = Kysely<Database>
const MOST_RUBRICS = 100

/** A teacher's rubrics, the one that was changed last first. */
export const rubricsOf = (db: Db, teacher: string) =>
  db
    .selectFrom('rubrics')
    .select(['id', 'name', 'criteria'])
    .where('teacher_id', '=', teacher)
    .orderBy('changed_at', 'desc')
    .execute()

/** Keeps a rubric to be used again; one of the same name is changed. What was given out with it stays as it was. */
export function keepRubric(
  db: Db,
  teacher: string,
  { name, criteria }: Rubric,
): Promise<Result<{ id: string }, 'full'>> {
  return db.transaction().execute(async trx => {
    await trx.selectFrom('teachers').select('id').where('id', '=', teacher).forUpdate().executeTakeFirstOrThrow()
    const others = await trx
      .selectFrom('rubrics')
      .select('id')
      .where('teacher_id', '=', teacher)
      .where('name', '!=', name)
      .execute()
    if (others.length >= MOST_RUBRICS) return refuse('full')
    const change = { criteria: JSON.stringify(criteria), changed_at: new Date() }
    return ok(
      await trx
        .insertInto('rubrics')
        .values({ teacher_id: teacher, name, ...change })
        .onConflict(c => c.columns(['teacher_id', 'name']).doUpdateSet(change))
        .returning('id')
        .executeTakeFirstOrThrow(),
    )
  })
}

/** False when the teacher has no such rubric. */
export async function dropRubric(db: Db, teacher: string, id: string): Promise<boolean> {
  return (
    (await db.deleteFrom('rubrics').where('id', '=', id).where('teacher_id', '=', teacher).executeTakeFirst())
      .numDeletedRows > 0n
  )
}
