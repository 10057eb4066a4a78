import { sql, type Kysely } from 'kysely'
import { MOST_LINES, type Said, type TalkLine } from '../../core/handout/talk'
import { ok, refuse, type Result } from '../../core/result'
import type { Author } from '../../core/slate/actor'
import { isOfSeveral, type SlateKind } from '../../core/slate/kind'
import { marginShows } from '../../core/slate/status'
import type { Database } from '../database/tables'
import { noteChange, withNews } from '../news/wire'
import type { Services } from '../services'
import { rulesOf } from './together'

/**
 * *closed*: the teacher lets nobody talk here, and hasn't begun. *full*: more lines than a slate keeps.
 * *unknown*: no such note.
 */
export type TalkRefusal = 'talk-closed' | 'full' | 'not-found'

interface Speaking {
  readonly slate: string
  readonly kind: SlateKind
  readonly by: Author
  readonly staff: boolean
}

/** Everything said beside a slate, the first first. What a teacher has hidden only teachers see. */
export async function talkOf(db: Kysely<Database>, slate: string, staff: boolean): Promise<TalkLine[]> {
  const rows = await db
    .selectFrom('talk')
    .select(['id', 'by', 'words', 'about', 'at', 'hidden_at'])
    .where('slate_id', '=', slate)
    .$if(!staff, query => query.where('hidden_at', 'is', null))
    .orderBy('number')
    .limit(MOST_LINES)
    .execute()
  return rows.map(({ hidden_at, at, ...line }) => ({ ...line, at: at.toISOString(), hidden: hidden_at !== null }))
}

/** Whether the teacher has written to the one student of a slate, who may always answer that. */
async function hasLine(db: Kysely<Database>, slate: string): Promise<boolean> {
  const found = await db
    .selectFrom('talk')
    .select('id')
    .where('slate_id', '=', slate)
    .where('about', 'is', null)
    .where('hidden_at', 'is', null)
    .where(sql<string>`by`, 'not like', 'student:%')
    .limit(1)
    .executeTakeFirst()
  return found !== undefined
}

/**
 * Says something to the others of a slate, to the teacher where it is one student's (as long as the teacher has written
 * or lets them), or answers a note in the margin. Said twice with one id it is said once.
 */
export function speak(
  services: Pick<Services, 'db' | 'wire'>,
  { slate, kind, by, staff }: Speaking,
  { id, words, about }: Said,
): Promise<Result<null, TalkRefusal>> {
  return withNews(services, async (trx, news) => {
    const { status, handout_id } = await trx
      .selectFrom('slates')
      .select(['status', 'handout_id'])
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (about !== undefined) {
      const note = await trx
        .selectFrom('margins')
        .select('shown')
        .where('id', '=', about)
        .where('slate_id', '=', slate)
        .where('removed_at', 'is', null)
        .executeTakeFirst()
      const shown =
        staff
        || note?.shown
        || marginShows(status)
        || !!(await trx.selectFrom('tries').select('turn').where('slate_id', '=', slate).limit(1).executeTakeFirst())
      if (!note || !shown) return refuse('not-found')
    } else if (!staff && !(await rulesOf(trx, slate)).talk && (isOfSeveral(kind) || !(await hasLine(trx, slate))))
      return refuse('talk-closed')
    const { count } = await trx
      .selectFrom('talk')
      .select(eb => eb.fn.countAll<string>().as('count'))
      .where('slate_id', '=', slate)
      .executeTakeFirstOrThrow()
    if (Number(count) >= MOST_LINES) return refuse('full')
    await trx
      .insertInto('talk')
      .values({ id, slate_id: slate, by, words, about: about ?? null })
      .onConflict(c => c.doNothing())
      .execute()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'talk' })
    return ok(null)
  })
}

/** A teacher hides a line, or shows it again. False when there is none. */
export function hideLine(
  services: Pick<Services, 'db' | 'wire'>,
  slate: string,
  line: string,
  hidden: boolean,
): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const changed = await trx
      .updateTable('talk')
      .set({ hidden_at: hidden ? new Date() : null })
      .where('slate_id', '=', slate)
      .where('id', '=', line)
      .executeTakeFirst()
    if (changed.numUpdatedRows === 0n) return false
    await noteChange(trx, news, slate, 'talk')
    return true
  })
}
