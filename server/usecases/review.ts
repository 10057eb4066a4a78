import { sql, type Kysely } from 'kysely'
import { levelsFit, type Rubric } from '../../core/handout/counting'
import {
  changedReview,
  LONGEST_COMMENT,
  MOST_DECISIONS,
  NO_REVIEW,
  type Review,
  type ReviewChange,
} from '../../core/handout/review'
import type { Page } from '../../core/board/board'
import type { Edition } from '../../core/board/edition'
import type { Anchor, MarginOf, WrittenItem } from '../../core/margin/item'
import { anchorOf } from '../../core/margin/pinned'
import { ok, refuse, type Result } from '../../core/result'
import { NOW } from '../database/clock'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { noteChange, withNews } from '../news/wire'
import { noteSentence } from './sentences'

type Db = Kysely<Database>
type Writing = Pick<Services, 'db' | 'engine' | 'wire'>

export async function marginOf(db: Db, slate: string) {
  return db
    .selectFrom('margins')
    .select(['id', 'item', 'at', 'shown'])
    .where('slate_id', '=', slate)
    .where('removed_at', 'is', null)
    .orderBy('at')
    .execute()
}

export async function reviewOf(db: Db, slate: string): Promise<Review> {
  const row = await db
    .selectFrom('reviews')
    .select(['decisions', 'comment', 'points', 'levels', 'alone'])
    .where('slate_id', '=', slate)
    .executeTakeFirst()
  return row ? { ...row, points: row.points === null ? null : Number(row.points) } : NO_REVIEW
}

/**
 * Adds to the teacher's layer, to be seen at once where it is `shown`. It must be about a piece or a place, or on a
 * page, that this slate's edition has.
 */
export async function addToMargin(
  services: Writing,
  slate: string,
  teacher: string,
  { item, shown }: { readonly item: WrittenItem; readonly shown: boolean },
): Promise<Result<{ id: string }, 'unknown'>> {
  return withNews(services, async (trx, news) => {
    const row = await trx
      .selectFrom('slates')
      .select(['edition_hash', 'handout_id'])
      .where('id', '=', slate)
      .executeTakeFirstOrThrow()
    const { board, pieces } = await services.engine.editions.get(trx, row.edition_hash)
    const page = board.pages.find(p => p.id === item.page)
    if (!page || (item.kind !== 'ink' && !isOn(page, anchorOf(item), pieces))) return refuse('unknown')
    if (item.kind === 'spoken' && !(await isOwnSound(trx, teacher, item))) return refuse('unknown')
    const added = await trx
      .insertInto('margins')
      .values({ slate_id: slate, teacher_id: teacher, item: JSON.stringify(item), removed_at: null, shown })
      .returning('id')
      .executeTakeFirstOrThrow()
    if (item.kind === 'note') await noteSentence(trx, teacher, item.text, idOf(item.at))
    news.push({ scope: 'slate', slate, handout: row.handout_id, changed: 'margin' })
    return ok(added)
  })
}

function isOn(page: Page, anchor: Anchor, pieces: Edition['pieces']): boolean {
  if (anchor.to === 'piece') return pieces.get(anchor.piece)?.page.id === page.id
  if (anchor.to === 'place') return page.places.some(place => place.id === anchor.place)
  return anchor.x >= 0 && anchor.y >= 0 && anchor.x <= page.width && anchor.y <= page.height
}
const idOf = (anchor: Anchor): string | null =>
  anchor.to === 'piece' ? anchor.piece : anchor.to === 'place' ? anchor.place : null

/** A sound that this teacher has recorded, with its own length. */
async function isOwnSound(db: Db, teacher: string, { file, seconds }: MarginOf<'spoken'>): Promise<boolean> {
  const sound = await db
    .selectFrom('files')
    .innerJoin('file_owners', 'file_owners.file_hash', 'files.hash')
    .select('files.seconds')
    .where('files.hash', '=', file)
    .where('files.media_type', 'like', 'audio/%')
    .where('file_owners.teacher_id', '=', teacher)
    .executeTakeFirst()
  return sound?.seconds != null && Math.abs(sound.seconds - seconds) < 1
}

/** Taken away or put back: nothing in a margin is ever lost to a wrong click. False when there is no such item. */
export async function setMarginRemoved(
  services: Writing,
  slate: string,
  item: string,
  removed: boolean,
): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const changed = await trx
      .updateTable('margins')
      .set({ removed_at: removed ? new Date() : null })
      .where('id', '=', item)
      .where('slate_id', '=', slate)
      .executeTakeFirst()
    if (changed.numUpdatedRows === 0n) return false
    await noteChange(trx, news, slate, 'margin')
    return true
  })
}

/**
 * Refused where it gives more points than the handout counts for, levels that its rubric doesn't have, or a word alone
 * to somebody who has no hand in the slate. What somebody else has changed meanwhile stays, if it is something else.
 */
export async function saveReview(
  { db, outcomes }: Pick<Services, 'db' | 'outcomes'>,
  slate: string,
  teacher: string,
  change: ReviewChange,
): Promise<Result<null, 'beyond'>> {
  // What it rests on; where nothing can be marked it rests on the teacher alone.
  const marked = await outcomes.ofOne(slate)
  const { number, turn, marker } = marked.ok ? marked.value : NOTHING_MARKED
  return db.transaction().execute(async trx => {
    const handout = await trx
      .selectFrom('slates')
      .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
      .select(['handouts.points', 'handouts.rubric'])
      .where('slates.id', '=', slate)
      .forUpdate('slates')
      .executeTakeFirstOrThrow()
    if (!(await isWithin(trx, slate, change, handout))) return refuse('beyond')
    const review = changedReview(await reviewOf(trx, slate), change)
    if (Object.keys(review.decisions).length > MOST_DECISIONS) return refuse('beyond')
    const values = {
      number,
      turn,
      marker,
      decisions: JSON.stringify(review.decisions),
      comment: review.comment,
      points: review.points,
      levels: JSON.stringify(review.levels),
      alone: JSON.stringify(review.alone),
      // By the clock by which it was handed in: of the two it is asked which came first.
      updated_at: NOW,
    }
    await trx
      .insertInto('reviews')
      .values({ slate_id: slate, teacher_id: teacher, ...values })
      .onConflict(c => c.column('slate_id').doUpdateSet(values))
      .execute()
    return ok(null)
  })
}
const NOTHING_MARKED = { number: null, turn: null, marker: null }

/** Only what is changed is looked at: what was given when the handout counted for more is no reason to lose a word. */
async function isWithin(
  db: Db,
  slate: string,
  { points = null, levels = {}, alone = {} }: ReviewChange,
  handout: { readonly points: number | null; readonly rubric: Rubric | null },
): Promise<boolean> {
  const given = [points, ...Object.values(alone).map(one => one?.points ?? null)]
  if (given.some(one => one !== null && one > (handout.points ?? -1))) return false
  const judged = Object.entries(levels).filter((entry): entry is [string, number] => entry[1] !== null)
  if (judged.length && !(handout.rubric && levelsFit(Object.fromEntries(judged), handout.rubric))) return false
  if (Object.keys(alone).length === 0) return true
  const members = await db.selectFrom('slate_members').select('hand').where('slate_id', '=', slate).execute()
  return Object.keys(alone).every(author => members.some(({ hand }) => author === `student:${hand}`))
}

/**
 * A word to several: put under what was said to each. How many have it; where it would be too long, it is left out.
 * None of them counts as reviewed by that.
 */
export async function commentOn(
  db: Db,
  slates: readonly string[],
  { teacher, words }: { readonly teacher: string; readonly words: string },
): Promise<number> {
  if (words === '' || slates.length === 0) return 0
  const done = await sql`
    insert into reviews (slate_id, teacher_id, decisions, comment, updated_at)
    select id, ${teacher}, '{}'::jsonb, ${words}::text, 'epoch' from unnest(${[...slates]}::uuid[]) as id
    on conflict (slate_id) do update set comment = concat_ws(E'\\n\\n', nullif(reviews.comment, ''), excluded.comment)
    where length(reviews.comment) + 2 + length(excluded.comment) <= ${LONGEST_COMMENT}`.execute(db)
  return Number(done.numAffectedRows ?? 0n)
}
