import { sql, type Kysely } from 'kysely'
import type { Database } from '../database/tables'

type Db = Kysely<Database>

/** What a teacher has not said for longest goes, once there are more. */
const MOST_KEPT = 300
const MOST_SHOWN = 40

/**
 * What a teacher has said before: first what was said most about this piece or place, then what is most used; of those
 * as often used the latest.
 */
export async function sentencesOf(db: Db, teacher: string, about: string | null): Promise<string[]> {
  const rows = await db
    .selectFrom('sentences')
    .leftJoin('sentence_items', join =>
      join
        .onRef('sentence_items.teacher_id', '=', 'sentences.teacher_id')
        .onRef('sentence_items.words', '=', 'sentences.words')
        .on('sentence_items.about', '=', about ?? ''),
    )
    .select('sentences.words')
    .where('sentences.teacher_id', '=', teacher)
    .orderBy(sql`coalesce(sentence_items.used, 0)`, 'desc')
    .orderBy('sentences.used', 'desc')
    .orderBy('sentences.used_at', 'desc')
    .limit(MOST_SHOWN)
    .execute()
  return rows.map(row => row.words)
}

/** Counts a sentence that was said, also for the piece or place that it was said about. */
export async function noteSentence(db: Db, teacher: string, words: string, about: string | null = null): Promise<void> {
  await db
    .insertInto('sentences')
    .values({ teacher_id: teacher, words })
    .onConflict(c =>
      c.columns(['teacher_id', 'words']).doUpdateSet({ used: sql`sentences.used + 1`, used_at: new Date() }),
    )
    .execute()
  if (about !== null)
    await db
      .insertInto('sentence_items')
      .values({ teacher_id: teacher, words, about })
      .onConflict(c => c.columns(['teacher_id', 'words', 'about']).doUpdateSet({ used: sql`sentence_items.used + 1` }))
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
