import { sql, type Kysely, type Transaction } from 'kysely'
import { withoutHeldBack } from '../../core/handout/heldBack'
import { partsOf } from '../../core/board/parts'
import { COPY_EACH, type FreeFrames, type HandoutSettings, type Recipient } from '../../core/handout/settings'
import { ok, refuse, type Result } from '../../core/result'
import type { HandoutMode } from '../../core/slate/kind'
import { keepEdition } from '../database/editions'
import type { Database } from '../database/tables'
import { withNews } from '../news/wire'
import type { Services } from '../services'
import { giveVersions, keepVersions } from './versions'

type Trx = Transaction<Database>

/**
 * *put-away*: a class that nobody comes in by. *no-students*: nobody there to have it. *not-found*: a set or a student
 * that isn't the class's. *empty-set*: frames without anybody. *nothing-left*: a version without a page.
 */
export type GiveOutRefusal = 'put-away' | 'no-students' | 'not-found' | 'empty-set' | 'nothing-left'
export type Given = Result<{ id: string; slates: number }, GiveOutRefusal>

/** The board is frozen as an edition, and everybody gets what the settings say, all in one go or not at all. */
export function giveOut(db: Kysely<Database>, board: string, classId: string, settings = COPY_EACH): Promise<Given> {
  return db.transaction().execute(trx => giveOutWithin(trx, board, { classId }, settings))
}

/** The same as a part of a larger transaction; a refusal leaves nothing of its own. */
export async function giveOutWithin(
  trx: Transaction<Database>,
  board: string,
  to: Recipient,
  settings: HandoutSettings,
): Promise<Given> {
  // Locked, so that a student who is added at this moment is either given a slate here or by joining late.
  await trx.selectFrom('classes').select('id').where('id', '=', to.classId).forUpdate().executeTakeFirstOrThrow()
  const refused = await whyNot(trx, to, settings)
  if (refused) return refuse(refused)
  const made = await newHandout(trx, board, to, settings)
  return made.ok ? ok({ ...made.value, slates: await fillHandout(trx, made.value.id, to) }) : made
}

/**
 * A handout of the board as it is now, and of its versions, without slates yet. After a refusal the transaction must
 * not be kept.
 */
export async function newHandout(
  trx: Trx,
  board: string,
  to: Recipient,
  settings: HandoutSettings,
): Promise<Result<{ id: string }, GiveOutRefusal>> {
  const { document } = await trx
    .selectFrom('boards')
    .select('document')
    .where('id', '=', board)
    .executeTakeFirstOrThrow()
  const edition_hash = await keepEdition(trx, withoutHeldBack(document))
  const { counting } = settings
  const made = await trx
    .insertInto('handouts')
    .values({
      board_id: board,
      class_id: to.classId,
      edition_hash,
      mode: settings.mode,
      set_id: settings.mode === 'frame-per-group' && !settings.free ? to.set : null,
      own_pages: settings.ownPages && settings.mode === 'one-for-everyone',
      free: settings.free && settings.mode === 'frame-per-group' ? JSON.stringify(settings.free) : null,
      looking: settings.looking,
      word: settings.word,
      due_on: settings.due?.day ?? null,
      due_time: settings.due?.time ?? null,
      counts: counting.counts,
      points: counting.counts === 'points' ? counting.points : null,
      rubric: counting.counts === 'rubric' ? JSON.stringify(counting.rubric) : null,
      hand_in: settings.handIn,
      rules: JSON.stringify(settings.rules),
      whole_class: to.students === undefined,
      given_at: new Date(),
    })
    .returning('id')
    .executeTakeFirstOrThrow()
  const kept = await keepVersions(trx, made.id, to.versions ?? [])
  return kept.ok ? ok(made) : kept
}

/** Makes the slates of a handout, and says how many. */
export async function fillHandout(trx: Trx, handout: string, { students, versions = [] }: Recipient): Promise<number> {
  const { mode, free, own_pages, document } = await trx
    .selectFrom('handouts')
    .innerJoin('editions', 'editions.hash', 'handouts.edition_hash')
    .select(['handouts.mode', 'handouts.free', 'handouts.own_pages', 'editions.document'])
    .where('handouts.id', '=', handout)
    .executeTakeFirstOrThrow()
  // Own pages are made when their students come.
  if (own_pages) return 0
  if (versions.length) {
    const slates = await makeSlates(trx, handout, students)
    await giveVersions(trx, handout, versions)
    return slates
  }
  return free ? makeFreeFrames(trx, handout, free) : MAKERS[mode](trx, handout, { students, parts: partsOf(document) })
}

/** Why nothing can be given out to them; null when it can. */
export async function whyNot(
  trx: Trx,
  { classId, set, students, versions = [] }: Recipient,
  { mode, free }: Pick<HandoutSettings, 'mode' | 'free'>,
): Promise<GiveOutRefusal | null> {
  const { newcomers, put_away_at } = await trx
    .selectFrom('classes')
    .select(['newcomers', 'put_away_at'])
    .where('id', '=', classId)
    .executeTakeFirstOrThrow()
  if (put_away_at) return 'put-away'
  const here = await trx
    .selectFrom('students')
    .select('id')
    .where('class_id', '=', classId)
    .where('left_at', 'is', null)
    .execute()
  if (here.length === 0 && newcomers === null) return 'no-students'
  if (
    [...(students ?? []), ...versions.flatMap(one => one.students)].some(
      student => !here.some(one => one.id === student),
    )
  )
    return 'not-found'
  if (mode !== 'frame-per-group' || free) return null
  if (
    set === undefined
    || !(await trx
      .selectFrom('group_sets')
      .select('id')
      .where('id', '=', set)
      .where('class_id', '=', classId)
      .executeTakeFirst())
  )
    return 'not-found'
  const someone = await trx
    .selectFrom('group_students')
    .innerJoin('students', 'students.id', 'group_students.student_id')
    .select('students.id')
    .where('group_students.set_id', '=', set)
    .where('students.left_at', 'is', null)
    .limit(1)
    .executeTakeFirst()
  return someone ? null : 'empty-set'
}

interface Making {
  readonly students?: readonly string[]
  readonly parts: number
}
/** What each way of giving out makes, and how many slates. */
const MAKERS: Record<HandoutMode, (trx: Trx, handout: string, making: Making) => Promise<number>> = {
  'copy-each': (trx, handout, { students }) => makeSlates(trx, handout, students),
  'frame-per-group': (trx, handout, { parts }) => makeFrames(trx, handout, parts),
  'one-for-everyone': makeClassSlate,
}

/**
 * A frame for each group of the set that has anybody in it, with its name and mark; its members have the board's parts
 * in turn.
 */
async function makeFrames(trx: Trx, handout: string, parts: number): Promise<number> {
  const { rows } = await sql<{ slate_id: string }>`
    with given as materialized (
      select gen_random_uuid() as id, h.id as handout_id, h.class_id, h.edition_hash, g.id as group_id, g.name, g.mark
      from handouts h join groups g on g.set_id = h.set_id
      where h.id = ${handout} and exists (select from group_students m join students s on s.id = m.student_id where m.group_id = g.id and s.left_at is null)
    ), made as (
      insert into slates (id, handout_id, class_id, kind, edition_hash, group_id, name, mark) select id, handout_id, class_id, 'frame', edition_hash, group_id, name, mark from given
    )
    insert into slate_members (slate_id, handout_id, class_id, kind, student_id, hand, part)
    select id, handout_id, class_id, 'frame', student_id, hand, case when ${parts}::int > 0 then (hand - 1) % ${parts}::int + 1 end from (
      select given.*, m.student_id, row_number() over (partition by given.id order by s.name_folded)::int as hand
      from given join group_students m on m.group_id = given.group_id join students s on s.id = m.student_id where s.left_at is null) as members
    returning slate_id`.execute(trx)
  return new Set(rows.map(row => row.slate_id)).size
}

/** Frames with nobody on them yet. */
async function makeFreeFrames(trx: Trx, handout: string, { frames }: FreeFrames): Promise<number> {
  const { class_id, edition_hash } = await trx
    .selectFrom('handouts')
    .select(['class_id', 'edition_hash'])
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  await trx
    .insertInto('slates')
    .values(
      frames.map(({ name, mark }, i) => ({
        handout_id: handout,
        class_id,
        kind: 'frame' as const,
        edition_hash,
        name,
        mark,
        position: i + 1,
      })),
    )
    .execute()
  return frames.length
}

/** One slate that belongs to all. */
async function makeClassSlate(trx: Trx, handout: string, { students }: Making): Promise<number> {
  await sql`insert into slates (handout_id, class_id, kind, edition_hash) select id, class_id, 'class', edition_hash from handouts where id = ${handout}`.execute(
    trx,
  )
  await joinClassSlate(trx, handout, students)
  return 1
}

/** Whoever isn't among the people of a handout's one slate yet joins them. */
async function joinClassSlate(trx: Trx, handout: string, students?: readonly string[]): Promise<void> {
  await sql`
    insert into slate_members (slate_id, handout_id, class_id, kind, student_id, hand)
    select sl.id, sl.handout_id, sl.class_id, 'class', st.id,
      (select coalesce(max(hand), 0) from slate_members where slate_id = sl.id) + row_number() over (order by st.name_folded)
    from slates sl join students st using (class_id)
    where sl.handout_id = ${handout} and sl.kind = 'class' and st.left_at is null and (${students ?? null}::uuid[] is null or st.id = any(${students ?? null}::uuid[]))
      and not exists (select from slate_members m where m.slate_id = sl.id and m.student_id = st.id)`.execute(trx)
}

/**
 * Who comes to a class late, or comes back, has a part in whatever went to the whole of it; into frames they are put by
 * hand.
 */
export async function joinLate(trx: Trx, classId: string): Promise<void> {
  const handouts = await trx
    .selectFrom('handouts')
    .select(['id', 'mode'])
    .where('class_id', '=', classId)
    .where('whole_class', '=', true)
    .where('given_at', 'is not', null)
    .execute()
  for (const { id, mode } of handouts) {
    if (mode === 'copy-each') await makeSlates(trx, id)
    else if (mode === 'one-for-everyone') await joinClassSlate(trx, id)
  }
}

/**
 * Gives a handout of copies to more of its class: whoever has one keeps it. How many are new; refused where it is no
 * such handout, or a student isn't of the class.
 */
export function giveToMore(
  services: Pick<Services, 'db' | 'wire'>,
  handout: string,
  students: readonly string[],
): Promise<Result<{ slates: number }, 'not-found'>> {
  return withNews(services, async (trx, news) => {
    const row = await trx
      .selectFrom('handouts')
      .select(['class_id', 'mode'])
      .where('id', '=', handout)
      .where('given_at', 'is not', null)
      .forUpdate()
      .executeTakeFirst()
    if (row?.mode !== 'copy-each') return refuse('not-found')
    const known = await trx
      .selectFrom('students')
      .select('id')
      .where('class_id', '=', row.class_id)
      .where('left_at', 'is', null)
      .where('id', 'in', [...students])
      .execute()
    if (known.length < new Set(students).size) return refuse('not-found')
    const slates = await makeSlates(trx, handout, students)
    const [one] = await trx.selectFrom('slates').select('id').where('handout_id', '=', handout).limit(1).execute()
    if (one) news.push({ scope: 'slate', slate: one.id, handout, changed: 'members' })
    return ok({ slates })
  })
}

/**
 * Takes a handout back as if it had never been given out, while nobody has opened it. The slates are held meanwhile, so
 * that nobody opens one in between. Refused once somebody has.
 */
export function takeBack(db: Kysely<Database>, handout: string): Promise<Result<null, 'opened'>> {
  return db.transaction().execute(async trx => {
    const slates = await trx
      .selectFrom('slates')
      .select(['status', 'last_number'])
      .where('handout_id', '=', handout)
      .orderBy('id')
      .forUpdate()
      .execute()
    if (slates.some(slate => slate.status !== 'not-opened' || slate.last_number > 0)) return refuse('opened')
    await trx.deleteFrom('handouts').where('id', '=', handout).execute()
    return ok(null)
  })
}

/** Of a handout of copies: one for each student of its class, or of these, who hasn't got one. */
async function makeSlates(db: Kysely<Database>, handout: string, students?: readonly string[]): Promise<number> {
  const result = await sql`
    with given as materialized (
      select gen_random_uuid() as id, handouts.id as handout_id, handouts.class_id, handouts.edition_hash, students.id as student_id
      from handouts join students using (class_id)
      where handouts.id = ${handout} and handouts.mode = 'copy-each' and students.left_at is null
        and (${students ?? null}::uuid[] is null or students.id = any(${students ?? null}::uuid[]))
        and not exists (select from slate_members m where m.handout_id = handouts.id and m.student_id = students.id and m.until_at is null and m.kind <> 'class')
    ), made as (
      insert into slates (id, handout_id, class_id, kind, edition_hash) select id, handout_id, class_id, 'copy', edition_hash from given
    )
    insert into slate_members (slate_id, handout_id, class_id, kind, student_id, hand) select id, handout_id, class_id, 'copy', student_id, 1 from given`.execute(
    db,
  )
  return Number(result.numAffectedRows ?? 0)
}

/** A frame for a group, empty at first: `addMember` puts students into it. */
export async function makeFrame(db: Kysely<Database>, handout: string, name: string): Promise<string> {
  const row = await db
    .selectFrom('handouts')
    .select(['class_id', 'edition_hash'])
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  const { id } = await db
    .insertInto('slates')
    .values({ handout_id: handout, class_id: row.class_id, kind: 'frame', name, edition_hash: row.edition_hash })
    .returning('id')
    .executeTakeFirstOrThrow()
  return id
}
