import { partsOf } from '../../core/board/parts'
import { MOST_PARTS } from '../../core/board/whatPlacesTake'
import { ok, refuse, type Result } from '../../core/result'
import { sql, type Transaction } from 'kysely'
import type { Database } from '../database/tables'
import type { News } from '../news/news'
import { withNews } from '../news/wire'
import type { Services } from '../services'

type Told = Pick<Services, 'db' | 'wire'>
/** *not-shared*: a copy is one student's. *elsewhere*: the student has a slate of their own in this handout already. */
export type MemberRefusal = 'not-found' | 'not-shared' | 'elsewhere' | 'no-such-part'

const UNIQUE_VIOLATION = '23505'

type Trx = Transaction<Database>

/**
 * A student works on this slate from now on, with a part or none; who comes back has the hand they had. Of frames and
 * own pages a student has one in a handout: to change, `moveMember`.
 */
export function addMember(
  services: Told,
  slate: string,
  student: string,
  part: number | null = null,
): Promise<Result<{ hand: number }, MemberRefusal>> {
  return oneOfTheirOwn(() => withNews(services, (trx, news) => joinSlate(trx, news, { slate, student, part })))
}

/** A student works on this slate no longer; what they did stays, and is theirs. Refused when they didn't. */
export function endMember(services: Told, slate: string, student: string): Promise<Result<null, MemberRefusal>> {
  return withNews(services, async (trx, news) => {
    const row = await held(trx, slate)
    return row && (await end(trx, news, { slate, student, handout: row.handout_id })) ? ok(null) : refuse('not-found')
  })
}

/** From one slate to another of the same handout in one go, in the middle of a lesson: never in both, never in none. */
export function moveMember(
  services: Told,
  student: string,
  from: string,
  to: string,
): Promise<Result<{ hand: number }, MemberRefusal>> {
  return oneOfTheirOwn(() =>
    withNews(services, async (trx, news) => {
      // In the order of their ids, so that two who change places don't wait for each other.
      for (const slate of [from, to].toSorted()) if (!(await held(trx, slate))) return refuse('not-found')
      const { handout_id } = (await held(trx, from))!
      if ((await held(trx, to))!.handout_id !== handout_id) return refuse('not-found')
      if (!(await end(trx, news, { slate: from, student, handout: handout_id }))) return refuse('not-found')
      const added = await joinSlate(trx, news, { slate: to, student, part: null })
      // A refusal must leave things as they were: the student would be in none.
      if (!added.ok) throw new Stopped(added.reason)
      return added
    }),
  )
}

/**
 * Where a student works in a handout of frames from now on: on this frame, or on none. In the middle of a lesson, and
 * at once:
 * what they did on another frame stays there.
 */
export async function placeMember(
  services: Told,
  handout: string,
  student: string,
  to: string | null,
): Promise<Result<null, MemberRefusal>> {
  const now = await services.db
    .selectFrom('slate_members')
    .select('slate_id')
    .where('handout_id', '=', handout)
    .where('student_id', '=', student)
    .where('until_at', 'is', null)
    .where('kind', '=', 'frame')
    .executeTakeFirst()
  if (to !== null) {
    const target = await services.db
      .selectFrom('slates')
      .select('kind')
      .where('id', '=', to)
      .where('handout_id', '=', handout)
      .executeTakeFirst()
    if (!target) return refuse('not-found')
    if (target.kind !== 'frame') return refuse('not-shared')
  }
  if (now?.slate_id === to) return ok(null)
  if (now && to !== null) return done(await moveMember(services, student, now.slate_id, to))
  if (to !== null) return done(await addMember(services, to, student))
  return now ? endMember(services, now.slate_id, student) : ok(null)
}

/**
 * Which part a member of a frame has from now on; null for none of their own. Several may share one. Refused where the
 * board has no such part, and for who is on no frame.
 */
export async function setPart(
  services: Told,
  handout: string,
  student: string,
  part: number | null,
): Promise<Result<null, MemberRefusal>> {
  return withNews(services, async (trx, news) => {
    const member = await trx
      .selectFrom('slate_members')
      .select('slate_id')
      .where('handout_id', '=', handout)
      .where('student_id', '=', student)
      .where('until_at', 'is', null)
      .where('kind', '=', 'frame')
      .executeTakeFirst()
    if (!member || !(await held(trx, member.slate_id))) return refuse('not-found')
    const slate = member.slate_id
    if (part !== null && part > (await partsUnder(trx, slate))) return refuse('no-such-part')
    await trx
      .updateTable('slate_members')
      .set({ part })
      .where('slate_id', '=', slate)
      .where('student_id', '=', student)
      .where('until_at', 'is', null)
      .execute()
    news.push({ scope: 'slate', slate, handout, changed: 'members' })
    return ok(null)
  })
}

const done = (result: Result<unknown, MemberRefusal>): Result<null, MemberRefusal> => (result.ok ? ok(null) : result)

class Stopped extends Error {
  constructor(readonly reason: MemberRefusal) {
    super(reason)
  }
}

/** The database lets nobody have two slates of their own, however quick two hands are. */
async function oneOfTheirOwn<T>(work: () => Promise<Result<T, MemberRefusal>>): Promise<Result<T, MemberRefusal>> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof Stopped) return refuse(error.reason)
    if ((error as { code?: string }).code === UNIQUE_VIOLATION) return refuse('elsewhere')
    throw error
  }
}

/** The slate first, as moves do: what came before counts, what comes after is refused. */
const held = (trx: Trx, slate: string) =>
  trx
    .selectFrom('slates')
    .select(['id', 'handout_id', 'class_id', 'kind'])
    .where('id', '=', slate)
    .forUpdate()
    .executeTakeFirst()

interface Joining {
  readonly slate: string
  readonly student: string
  readonly part: number | null
}

export async function joinSlate(
  trx: Trx,
  news: News[],
  { slate, student, part }: Joining,
): Promise<Result<{ hand: number }, MemberRefusal>> {
  if (part !== null && !(Number.isInteger(part) && part >= 1 && part <= MOST_PARTS)) return refuse('no-such-part')
  const row = await held(trx, slate)
  const known =
    row
    && (await trx
      .selectFrom('students')
      .select('id')
      .where('id', '=', student)
      .where('class_id', '=', row.class_id)
      .where('left_at', 'is', null)
      .executeTakeFirst())
  if (!row || !known) return refuse('not-found')
  if (row.kind === 'copy') return refuse('not-shared')
  const before = await trx
    .selectFrom('slate_members')
    .select(['student_id', 'hand'])
    .where('slate_id', '=', slate)
    .execute()
  const hand = before.find(m => m.student_id === student)?.hand ?? 1 + Math.max(0, ...before.map(m => m.hand))
  const theirs = part ?? (row.kind === 'frame' ? await partOn(trx, slate, { student, hand }) : null)
  await trx
    .insertInto('slate_members')
    .values({
      slate_id: slate,
      handout_id: row.handout_id,
      class_id: row.class_id,
      kind: row.kind,
      student_id: student,
      hand,
      part: theirs,
    })
    .onConflict(c => c.columns(['slate_id', 'student_id']).doUpdateSet({ until_at: null, part: theirs }))
    .execute()
  news.push({ scope: 'slate', slate, handout: row.handout_id, changed: 'members' })
  return ok({ hand })
}

/**
 * Which part somebody has who comes onto a frame, by whatever way: the one they had, if nobody has it meanwhile; else
 * the first that is nobody's; where all are somebody's they share one, in turn. Null on a board without parts.
 */
export async function partOn(
  trx: Trx,
  slate: string,
  { student, hand }: { readonly student: string; readonly hand: number },
): Promise<number | null> {
  const parts = await partsUnder(trx, slate)
  if (parts === 0) return null
  const members = await trx
    .selectFrom('slate_members')
    .select(['student_id', 'part', 'until_at'])
    .where('slate_id', '=', slate)
    .execute()
  const held = new Set(members.filter(m => m.until_at === null && m.student_id !== student).map(m => m.part))
  const had = members.find(m => m.student_id === student)?.part ?? null
  if (had !== null && had <= parts && !held.has(had)) return had
  const free = Array.from({ length: parts }, (_, i) => i + 1).find(part => !held.has(part))
  return free ?? ((hand - 1) % parts) + 1
}

async function partsUnder(trx: Trx, slate: string): Promise<number> {
  const { document } = await trx
    .selectFrom('slates')
    .innerJoin('editions', 'editions.hash', 'slates.edition_hash')
    .select('document')
    .where('slates.id', '=', slate)
    .executeTakeFirstOrThrow()
  return partsOf(document)
}

async function end(
  trx: Trx,
  news: News[],
  { slate, student, handout }: { slate: string; student: string; handout: string },
): Promise<boolean> {
  const ended = await trx
    .updateTable('slate_members')
    .set({ until_at: sql<Date>`now()` })
    .where('slate_id', '=', slate)
    .where('student_id', '=', student)
    .where('until_at', 'is', null)
    .executeTakeFirst()
  if (ended.numUpdatedRows === 0n) return false
  news.push({ scope: 'slate', slate, handout, changed: 'members' })
  return true
}
