import { sql, type Kysely } from 'kysely'
import type { Database } from '../database/tables'

type Db = Kysely<Database>

/** What a teacher has not said for longest goes, once there are more. */
const MOST_KEPT = 300
const MOST_SHOWN = 40

/** What a teacher has said before: most used first, of those as often used the latest. */
export async function sentencesOf(db: Db, teacher: string): Promise<string[]> {
  const rows = await db
    .selectFrom('sentences')
    .select('words')
    .where('teacher_id', '=', teacher)
    .orderBy('used', 'desc')
    .orderBy('used_at', 'desc')
    .limit(MOST_SHOWN)
    .execute()
  return rows.map(row => row.words)
}

/** Counts a sentence that was said. */
export async function noteSentence(db: Db, teacher: string, words: string): Promise<void> {
  await db
    .insertInto('sentences')
    .values({ teacher_id: teacher, words })
    .onConflict(c =>
      c.columns(['teacher_id', 'words']).doUpdateSet({ used: sql`sentences.used + 1`, used_at: new Date() }),
    )
    .execute()
  const kept = db
    .selectFrom('sentences')
    .select('words')
    .where('teacher_id', '=', teacher)
    .orderBy('used_at', 'desc')
    .limit(MOST_KEPT)
  await db.deleteFrom('sentences').where('teacher_id', '=', teacher).where('words', 'not in', kept).execute()
}

/** It isn't offered any more. */
export async function forgetSentence(db: Db, teacher: string, words: string): Promise<void> {
  await db.deleteFrom('sentences').where('teacher_id', '=', teacher).where('words', '=', words).execute()
}
