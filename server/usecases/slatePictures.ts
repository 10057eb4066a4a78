import { sql, type Kysely } from 'kysely'
import * as v from 'valibot'
import { RulesSchema } from '../../core/handout/rules'
import { ok, refuse, type Result } from '../../core/result'
import { isStudent, type Author } from '../../core/slate/actor'
import { bare } from '../../core/slate/moves/own'
import { mayUse } from '../../core/slate/own'
import type { Database } from '../database/tables'
import { loadStates } from '../database/loadState'
import type { Picture } from '../files/picture'
import { noteChange, withNews } from '../news/wire'
import type { Actor } from '../rights/actor'
import type { Hold } from '../rights/hold'
import type { Services } from '../services'
import { rulesOf } from './together'

type Told = Pick<Services, 'db' | 'wire'>

/** Kept of one slate at most: those that its moves name, and some that were taken for nothing. */
export const MOST_KEPT = 60

/** What a reader may know of a picture: whether it waits for the teacher. */
export interface PictureView {
  readonly id: string
  readonly by: Author
  readonly waits: boolean
}

interface Reader {
  readonly author: Author | null
  readonly staff: boolean
}

/** Whether pictures can be laid anywhere on the slate: none is kept that nothing could show. */
export async function givesPictures({ db, engine }: Pick<Services, 'db' | 'engine'>, slate: string): Promise<boolean> {
  const { edition_hash } = await db
    .selectFrom('slates')
    .select('edition_hash')
    .where('id', '=', slate)
    .executeTakeFirstOrThrow()
  const edition = await engine.editions.get(db, edition_hash)
  return edition.board.pages.some(page => mayUse(edition, page.id, 'picture') || mayUse(edition, page.id, 'photo'))
}

/**
 * Keeps a picture under the name that its maker gave it. Sent twice it is kept once; a name that somebody else has used
 * is refused.
 */
export function keepSlatePicture({
  services,
  slate,
  id,
  by,
  picture,
}: {
  readonly services: Told
  readonly slate: string
  readonly id: string
  readonly by: Author
  readonly picture: Picture
}): Promise<Result<null, 'taken' | 'full'>> {
  return withNews(services, async (trx, news) => {
    const { handout_id } = await trx
      .selectFrom('slates')
      .select('handout_id')
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    const before = await trx
      .selectFrom('slate_pictures')
      .select('by')
      .where('slate_id', '=', slate)
      .where('id', '=', id)
      .executeTakeFirst()
    if (before) return before.by === by ? ok(null) : refuse('taken')
    const { count } = await trx
      .selectFrom('slate_pictures')
      .select(eb => eb.fn.countAll<string>().as('count'))
      .where('slate_id', '=', slate)
      .executeTakeFirstOrThrow()
    if (Number(count) >= MOST_KEPT) return refuse('full')
    await trx
      .insertInto('files')
      .values({
        hash: picture.hash,
        media_type: picture.mediaType,
        bytes: picture.bytes,
        pixel_width: picture.width,
        pixel_height: picture.height,
      })
      .onConflict(c => c.doNothing())
      .execute()
    await trx.insertInto('slate_pictures').values({ slate_id: slate, id, by, file_hash: picture.hash }).execute()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'pictures' })
    return ok(null)
  })
}

/** The pictures that have come, and whether each still waits for the teacher. */
export async function picturesOf(db: Kysely<Database>, slate: string): Promise<PictureView[]> {
  const { approve } = await rulesOf(db, slate)
  const rows = await db
    .selectFrom('slate_pictures')
    .select(['id', 'by', 'approved_at'])
    .where('slate_id', '=', slate)
    .orderBy('at')
    .execute()
  return rows.map(({ approved_at, ...row }) => ({
    ...row,
    waits: approve && approved_at === null && isStudent(row.by),
  }))
}

/** The pictures of a handout that wait for the teacher; none where they needn't. */
export async function waitingIn(
  db: Kysely<Database>,
  handout: string,
): Promise<{ readonly slate: string; readonly picture: string }[]> {
  const { rules } = await db.selectFrom('handouts').select('rules').where('id', '=', handout).executeTakeFirstOrThrow()
  if (!v.parse(RulesSchema, rules).approve) return []
  return db
    .selectFrom('slate_pictures')
    .innerJoin('slates', 'slates.id', 'slate_pictures.slate_id')
    .select(['slates.id as slate', 'slate_pictures.id as picture'])
    .where('slates.handout_id', '=', handout)
    .where('slate_pictures.approved_at', 'is', null)
    .where(sql<boolean>`slate_pictures.by like 'student:%'`)
    .execute()
}

/** How many they are, by slate; of slates without any nothing. */
export async function waitingPictures(db: Kysely<Database>, handout: string): Promise<Map<string, number>> {
  const counts = new Map<string, number>()
  for (const { slate } of await waitingIn(db, handout)) counts.set(slate, (counts.get(slate) ?? 0) + 1)
  return counts
}

/**
 * The bytes of a picture; null where there is none that this reader may see. Whoever made it sees it at once; one that
 * a teacher has hidden only teachers see.
 */
export async function pictureFor(
  { db, engine }: Pick<Services, 'db' | 'engine'>,
  slate: string,
  id: string,
  reader: Reader,
) {
  const row = await db
    .selectFrom('slate_pictures')
    .innerJoin('files', 'files.hash', 'slate_pictures.file_hash')
    .innerJoin('slates', 'slates.id', 'slate_pictures.slate_id')
    .select([
      'slate_pictures.by',
      'slate_pictures.approved_at',
      'files.hash',
      'files.media_type',
      'files.bytes',
      'slates.edition_hash',
      'slates.last_number',
    ])
    .where('slate_pictures.slate_id', '=', slate)
    .where('slate_pictures.id', '=', id)
    .executeTakeFirst()
  if (!row) return null
  if (reader.staff) return row
  if (row.by !== reader.author && row.approved_at === null && (await rulesOf(db, slate)).approve) return null
  const loaded = (
    await loadStates(db, engine.editions, [{ id: slate, edition: row.edition_hash, last: row.last_number }])
  ).get(slate)
  const shown = Object.values(loaded?.state.own ?? {}).filter(
    thing => thing.kind === 'picture' && thing.from !== 'library' && thing.picture === id,
  )
  return shown.length > 0 && shown.every(thing => thing.hidden) ? null : row
}

/** The teacher lets a picture through to the others, or not after all. False when there is none. */
export function approvePicture(services: Told, slate: string, id: string, approved: boolean): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const changed = await trx
      .updateTable('slate_pictures')
      .set({ approved_at: approved ? new Date() : null })
      .where('slate_id', '=', slate)
      .where('id', '=', id)
      .executeTakeFirst()
    if (changed.numUpdatedRows === 0n) return false
    await noteChange(trx, news, slate, 'pictures')
    return true
  })
}

/**
 * A teacher hides what somebody made on a slate of several, or shows it again: a move like any other, so that it is
 * known who did it and everybody sees it at once. Refused where there is no such thing, or it can't be moved now.
 */
export async function hideThing(
  { db, engine }: Pick<Services, 'db' | 'engine'>,
  slate: string,
  who: { actor: Actor; hold: Hold },
  { id, thing, hidden }: { id: string; thing: string; hidden: boolean },
): Promise<Result<null, 'not-found' | 'not-now'>> {
  const row = await db
    .selectFrom('slates')
    .select(['edition_hash', 'last_number'])
    .where('id', '=', slate)
    .executeTakeFirstOrThrow()
  const loaded = (
    await loadStates(db, engine.editions, [{ id: slate, edition: row.edition_hash, last: row.last_number }])
  ).get(slate)
  const was = loaded && Object.hasOwn(loaded.state.own, thing) ? loaded.state.own[thing] : undefined
  if (!was) return refuse('not-found')
  const move = {
    kind: 'own' as const,
    thing,
    as: bare(was),
    by: was.by,
    ...(was.gone && { gone: was.gone }),
    ...(hidden && { hidden: true as const }),
  }
  const reply = await engine.submit({ slate, who: who.actor, hold: who.hold, envelopes: [{ id, move }] })
  return reply.outcomes[0]?.ok ? ok(null) : refuse('not-now')
}
