import type { Kysely } from 'kysely'
import * as v from 'valibot'
import { withoutAnswers, type Edition } from '../../core/board/edition'
import type { BalanceKey } from '../../core/keys/balance/key'
import { balanceSteps } from '../../core/keys/balance/steps'
import { feedbackOn, type Feedback } from '../../core/keys/feedback'
import { feedbackShows } from '../../core/keys/feedbackShows'
import { withDecisions } from '../../core/keys/mark'
import { gainsOf, namedGains, type NamedGains } from '../../core/review/gained'
import type { Actor as SlateActor, Author } from '../../core/slate/actor'
import type { HistoryStep } from '../../core/slate/history'
import { RulesSchema } from '../../core/handout/rules'
import { isOfSeveral } from '../../core/slate/kind'
import type { Due } from '../../core/handout/settings'
import { NO_REVIEW, type Review } from '../../core/handout/review'
import { isSeenByStudents, marginShows, type SlateStatus } from '../../core/slate/status'
import { ok, refuse, type Result } from '../../core/result'
import type { MarkingRefusal } from '../marking/markingPool'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { loadStates } from '../database/loadState'
import { headsOf, opennessOf } from '../sync/loadKnown'
import { marksBefore } from './outcomes'
import { marginOf, reviewOf } from './review'
import { picturesOf } from './slatePictures'
import { talkOf } from './talk'
import { tryBefore } from './tries'

const STEPS_FOR_UNDO = 200
/** The newest; what is older than so many is done with. */
const MOST_ON_DESK = 60

/** Who reads a slate: whose hand it is, and whether answers and margin are theirs to see. */
export interface Reader {
  readonly id: string
  readonly staff: boolean
  readonly actor: SlateActor
}

/**
 * A slate as its reader may see it: students without answers and with the margin only once it is handed back. Refused
 * where it can't be read.
 */
export async function viewSlate({ db, engine }: Pick<Services, 'db' | 'engine'>, id: string, reader: Reader) {
  return db
    .transaction()
    .setIsolationLevel('repeatable read')
    .execute(async trx => {
      const head = await headsOf(trx).where('slates.id', '=', id).executeTakeFirstOrThrow()
      const edition = await engine.editions.get(trx, head.edition_hash)
      const loaded = (
        await loadStates(trx, engine.editions, [{ id, edition: head.edition_hash, last: head.last_number }])
      ).get(id)
      if (!loaded) return refuse('unreadable' as const)
      const before = await tryBefore(trx, engine, id, edition)
      const shows = reader.staff || marginShows(head.status)
      const margin = await marginOf(trx, id)
      return ok({
        id,
        handout: head.handout_id,
        edition: head.edition_hash,
        openness: opennessOf(head),
        name: (await namesOf(trx, [id])).get(id) ?? '',
        reader: reader.id,
        actor: reader.actor,
        ...(await handoutOf(trx, id)),
        ...loaded,
        keyed: edition.board.keys.length > 0,
        board: reader.staff ? edition.board : withoutAnswers(edition.board),
        steps: reader.staff ? [] : await stepsOf(trx, id, reader.actor.author),
        balanced: reader.staff ? await balancedOn(trx, id, edition) : [],
        margin: margin
          .filter(item => reader.staff || isSeenByStudents(item, head.status, before?.endedAt ?? null))
          .map(({ at, ...item }) => item),
        review: shows
          ? reviewFor(reader, await reviewOf(trx, id))
          : before?.review
            ? reviewFor(reader, { ...NO_REVIEW, ...before.review, decisions: {} })
            : null,
        before: before && { turn: before.turn, state: before.state, endedAt: before.endedAt.toISOString() },
        talk: await talkOf(trx, id, reader.staff),
        pictures: await picturesOf(trx, id),
      })
    })
}

/** Of what each of several gets alone, students have only their own. */
const reviewFor = ({ staff, actor }: Reader, review: Review): Review => {
  const own = review.alone[actor.author]
  return staff ? review : { ...review, alone: own ? { [actor.author]: own } : {} }
}

/** What a student should know of the handout, and who else works on the slate. */
async function handoutOf(db: Kysely<Database>, slate: string) {
  const row = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select([
      'slates.kind',
      'slates.mark',
      'slates.name as heading',
      'slates.name_hidden_at',
      'slates.said',
      'slates.hand_at',
      'handouts.looking',
      'handouts.rules',
      'handouts.counts',
      'handouts.points as mostPoints',
      'handouts.rubric',
      'handouts.word',
      'handouts.due_on',
      'handouts.due_time',
      'handouts.hand_in as handIn',
    ])
    .where('slates.id', '=', slate)
    .executeTakeFirstOrThrow()
  const { kind, mark, heading, said, looking, counts, mostPoints, rubric, word, handIn } = row
  const members = !isOfSeveral(kind)
    ? []
    : await db
        .selectFrom('slate_members')
        .innerJoin('students', 'students.id', 'slate_members.student_id')
        .select(['students.name', 'slate_members.hand', 'slate_members.part', 'slate_members.done_at'])
        .where('slate_members.slate_id', '=', slate)
        .where('slate_members.until_at', 'is', null)
        .where('students.left_at', 'is', null)
        .orderBy('slate_members.hand')
        .execute()
  return {
    kind,
    mark,
    heading,
    headingHidden: row.name_hidden_at !== null,
    said,
    looking,
    counts,
    mostPoints,
    rubric,
    word,
    handIn,
    hand: row.hand_at !== null,
    rules: v.parse(RulesSchema, row.rules),
    members: members.map(({ done_at, ...member }) => ({ ...member, done: done_at !== null })),
    due: dueOf(row),
  }
}

/** When it is due, as the database has it. */
export const dueOf = ({ due_on, due_time }: { due_on: string | null; due_time: string | null }): Due | null =>
  due_on === null ? null : { day: due_on, ...(due_time !== null && { time: due_time.slice(0, 5) }) }

/** What each slate goes by: a frame by its group's name, all others by their students' names. */
export async function namesOf(db: Kysely<Database>, slates: readonly string[]): Promise<Map<string, string>> {
  if (slates.length === 0) return new Map()
  const rows = await db
    .selectFrom('slates')
    .leftJoin('slate_members', join =>
      join.onRef('slate_members.slate_id', '=', 'slates.id').on('slate_members.until_at', 'is', null),
    )
    .leftJoin('students', 'students.id', 'slate_members.student_id')
    .select(['slates.id', 'slates.kind', 'slates.name as group', 'students.name as student'])
    .where('slates.id', 'in', slates)
    .orderBy('slate_members.hand')
    .execute()
  const names = new Map<string, string>()
  for (const { id, kind, group, student } of rows) {
    if (kind === 'frame') names.set(id, group ?? '')
    else if (kind === 'class') names.set(id, '')
    else if (student !== null) names.set(id, student)
  }
  return names
}

/** Slates with what each goes by, in the order of these names, numbers in them by their value. */
export async function byNames<Row extends { readonly id: string }>(
  db: Kysely<Database>,
  rows: readonly Row[],
): Promise<(Row & { readonly name: string })[]> {
  const names = await namesOf(
    db,
    rows.map(row => row.id),
  )
  const order = new Intl.Collator('en', { numeric: true })
  return rows
    .map(row => ({ ...row, name: names.get(row.id) ?? '' }))
    .toSorted((a, b) => order.compare(a.name, b.name) || (a.id < b.id ? -1 : 1))
}

export interface FeedbackOnSlate {
  readonly items: Feedback[]
  /** What became of the answers since the try before; null for a first one. */
  readonly gains: NamedGains | null
}

/** What the key says of a student's own work as it is now, as far as the board lets students know. */
export async function feedbackFor(
  services: Services,
  id: string,
): Promise<Result<FeedbackOnSlate, SlateStatus | MarkingRefusal>> {
  const { db, engine, outcomes } = services
  const head = await headsOf(db).where('slates.id', '=', id).executeTakeFirstOrThrow()
  const edition = await engine.editions.get(db, head.edition_hash)
  if (!feedbackShows(edition.board.feedback, edition.board.keys.length > 0, head.status)) return refuse(head.status)
  const marked = await outcomes.ofOne(id)
  if (!marked.ok) return marked
  const { decisions } = head.status === 'handed-back' ? await reviewOf(db, id) : { decisions: {} }
  const now = withDecisions(marked.value.keys, decisions)
  const before = await marksBefore(services, id, head.edition_hash)
  return ok({ items: feedbackOn(now), gains: before && namedGains(gainsOf(before, now)) })
}

/** The true equations that a student reached on each balance with an unknown, in the order of the keys. */
async function balancedOn(db: Kysely<Database>, slate: string, edition: Edition) {
  const keys = edition.board.keys.filter(key => key.kind === 'balance' && key.unknown !== undefined) as BalanceKey[]
  if (keys.length === 0) return []
  const moves = await db.selectFrom('moves').select('move').where('slate_id', '=', slate).orderBy('number').execute()
  return keys.map(key => ({
    key: key.id,
    steps: balanceSteps(
      key,
      moves.map(m => m.move),
      edition,
    ),
  }))
}

/** The latest steps of one hand, for undo after a reload. */
async function stepsOf(db: Kysely<Database>, slate: string, author: Author): Promise<HistoryStep[]> {
  const rows = await db
    .selectFrom('moves')
    .select(['id', 'inverse', 'undoes', 'number'])
    .where('slate_id', '=', slate)
    .where('by', '=', author)
    .orderBy('number', 'desc')
    .limit(STEPS_FOR_UNDO)
    .execute()
  return rows.reverse().map(row => ({ ...row, undoes: row.undoes ?? undefined }))
}

export async function deskOf({ db, engine }: Services, student: string) {
  const rows = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select([
      'slates.id',
      'slates.status',
      'slates.last_number',
      'slates.kind',
      'slates.mark',
      'slates.name as group',
      'slates.handout_id as handout',
      'slates.edition_hash',
      'handouts.created_at',
      'handouts.word',
      'handouts.due_on',
      'handouts.due_time',
      'handouts.hand_in as handIn',
    ])
    .innerJoin('slate_members', 'slate_members.slate_id', 'slates.id')
    .where('slate_members.student_id', '=', student)
    .where('slate_members.until_at', 'is', null)
    .orderBy('handouts.created_at', 'desc')
    .limit(MOST_ON_DESK)
    .execute()
  const states = await loadStates(
    db,
    engine.editions,
    rows.map(row => ({ id: row.id, edition: row.edition_hash, last: row.last_number })),
  )
  return Promise.all(
    rows.map(async ({ edition_hash, last_number, created_at, due_on, due_time, ...row }) => {
      const { board } = await engine.editions.get(db, edition_hash)
      // The work as it stands; of one that can't be read, the board as it was given out.
      return {
        ...row,
        state: states.get(row.id)?.state ?? null,
        due: dueOf({ due_on, due_time }),
        title: board.title,
        at: created_at.toISOString(),
        picture: withoutAnswers({ ...board, pages: board.pages.slice(0, 1) }),
      }
    }),
  )
}
