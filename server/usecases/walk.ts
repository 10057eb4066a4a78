import { sql, type Kysely } from 'kysely'
import * as v from 'valibot'
import { RulesSchema } from '../../core/handout/rules'
import type { Board } from '../../core/board/board'
import { withoutAnswers } from '../../core/board/edition'
import type { Database } from '../database/tables'
import { calendarOf } from '../papers/calendar'
import type { Services } from '../services'
import { loadStates } from '../database/loadState'
import { emptySlate } from '../../core/slate/state'
import type { SlateStatus } from '../../core/slate/status'
import { may, type Role } from '../../core/rights/rights'
import { opennessOf } from '../sync/loadKnown'
import { isTheirs } from './classReading'
import { waitingPictures } from './slatePictures'
import { dueOf, namesOf } from './slates'

/**
 * Everything the walk-round begins with; from there on the socket brings the changes. `day` is the day whose absent
 * students are told.
 */
export async function walkRound(
  { db, engine }: Services,
  id: string,
  { role, day }: { role: Role; day: string | null },
) {
  const handout = await db
    .selectFrom('handouts')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select([
      'handouts.mode',
      'handouts.word',
      'handouts.due_on',
      'handouts.due_time',
      'handouts.hand_in as handIn',
      'handouts.closed_at',
      'handouts.paused_at',
      'handouts.own_pages as ownPages',
      'handouts.free',
      'handouts.looking',
      'handouts.rules',
      'classes.newcomers',
    ])
    .select([
      'handouts.id',
      'handouts.edition_hash',
      'handouts.board_id as boardId',
      'handouts.created_at',
      'classes.id as classId',
      'classes.name as className',
      'classes.code',
    ])
    .where('handouts.id', '=', id)
    .executeTakeFirstOrThrow()
  // One reading in one transaction, so that number, status and state belong together.
  const { slates, loose, versions } = await db
    .transaction()
    .setIsolationLevel('repeatable read')
    .execute(async trx => {
      const rows = await trx
        .selectFrom('slates')
        .select([
          'id',
          'status',
          'kind',
          'mark',
          'name as heading',
          'position',
          'version',
          'edition_hash',
          'last_number',
          'moved_at',
          'hand_at',
          'seen_at',
          'handed_in_at',
          'paused_at',
          'closed_at',
          'collected_at',
        ])
        .where('handout_id', '=', id)
        .execute()
      const states = await loadStates(
        trx,
        engine.editions,
        rows.map(row => ({ id: row.id, edition: row.edition_hash, last: row.last_number })),
      )
      const names = await namesOf(
        trx,
        rows.map(row => row.id),
      )
      const people = await peopleOf(trx, id, day)
      const waiting = await waitingPictures(trx, id)
      const slates = rows
        .map(({ moved_at, hand_at, seen_at, handed_in_at, edition_hash, last_number, ...head }) => ({
          ...withOpenness(head, handout),
          name: names.get(head.id) ?? '',
          members: people.filter(p => p.slate === head.id).map(({ slate, ...member }) => member),
          edition: edition_hash,
          waiting: waiting.get(head.id) ?? 0,
          movedAt: moved_at?.toISOString() ?? null,
          handAt: hand_at?.toISOString() ?? null,
          seenAt: seen_at?.toISOString() ?? null,
          handedInAt: handed_in_at?.toISOString() ?? null,
          // One that can't be read says so, and harms no other.
          ...(states.get(head.id) ?? { number: last_number, state: emptySlate }),
          unreadable: !states.get(head.id),
        }))
        .filter(
          slate => slate.members.length > 0 || slate.number > 0 || slate.kind === 'frame' || slate.kind === 'class',
        )
        .toSorted(
          (a, b) => (a.position ?? 0) - (b.position ?? 0) || a.name.localeCompare(b.name, 'en', { numeric: true }),
        )
      const placed = people.map(person => person.student)
      // Who has no frame; of copies, who has none because it went to some only.
      const loose =
        handout.mode !== 'one-for-everyone'
          ? await trx
              .selectFrom('students')
              .select(['id as student', 'name'])
              .where('class_id', '=', handout.classId)
              .where('left_at', 'is', null)
              .$if(placed.length > 0, query => query.where('id', 'not in', placed))
              .orderBy('name_folded')
              .execute()
          : []
      const versions = await trx
        .selectFrom('handout_versions')
        .select(['number', 'name'])
        .where('handout_id', '=', id)
        .orderBy('number')
        .execute()
      return { slates, loose, versions }
    })
  // Versions and corrections: each slate is drawn over its own.
  const hashes = new Set([handout.edition_hash, ...slates.map(slate => slate.edition)])
  const boards: Record<string, Board> = Object.fromEntries(
    await Promise.all([...hashes].map(async hash => [hash, (await engine.editions.get(db, hash)).board] as const)),
  )
  const { edition_hash, created_at, closed_at, paused_at: _, due_on, due_time, rules, ...rest } = handout
  return {
    ...rest,
    rules: v.parse(RulesSchema, rules),
    mayChange: may(role, 'handout.correct'),
    closed: closed_at !== null,
    due: dueOf({ due_on, due_time }),
    edition: edition_hash,
    createdAt: created_at.toISOString(),
    boards,
    slates,
    loose,
    versions,
  }
}

interface Times {
  readonly status: SlateStatus
  readonly paused_at: Date | null
  readonly closed_at: Date | null
  readonly collected_at: Date | null
}
/** A slate's own times, and its handout's, as whether work may go on. */
function withOpenness<Row extends Times>(
  { paused_at, closed_at, collected_at, ...row }: Row,
  all: { readonly paused_at: Date | null; readonly closed_at: Date | null },
) {
  const { status } = row
  const times = { status, paused_at, closed_at, collected_at }
  return { ...row, openness: opennessOf({ ...times, all_paused_at: all.paused_at, all_closed_at: all.closed_at }) }
}

/** Who works on which slate of a handout now. */
const peopleOf = (db: Kysely<Database>, handout: string, day: string | null) =>
  db
    .selectFrom('slate_members')
    .innerJoin('students', 'students.id', 'slate_members.student_id')
    .leftJoin('absences', join =>
      join.onRef('absences.student_id', '=', 'students.id').on(sql<boolean>`absences.day = ${day}::date`),
    )
    .select([
      'slate_members.slate_id as slate',
      'slate_members.student_id as student',
      'students.name',
      'slate_members.hand',
      'slate_members.part',
      sql<boolean>`absences.day is not null`.as('absent'),
    ])
    .where('slate_members.handout_id', '=', handout)
    .where('slate_members.until_at', 'is', null)
    .where('students.left_at', 'is', null)
    .orderBy('slate_members.hand')
    .execute()

/** Everything a teacher has given out, or will: the newest first, with a picture of the board as it went out. */
export async function handoutsOf({ db, engine }: Pick<Services, 'db' | 'engine'>, teacher: string) {
  const rows = await db
    .selectFrom('handouts')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .leftJoin('slates', 'slates.handout_id', 'handouts.id')
    .select(eb => [
      'handouts.id',
      'handouts.board_id as boardId',
      'handouts.mode',
      'handouts.edition_hash',
      'classes.name as className',
      eb('classes.newcomers', 'is not', null).as('newcomers'),
      'handouts.created_at',
      'handouts.given_at',
      'handouts.gives_at',
      'handouts.hindered',
      'handouts.due_on',
      'handouts.due_time',
      'handouts.closed_at',
      eb.fn.count<string>('slates.id').as('all'),
      eb.fn.countAll<string>().filterWhere('slates.status', '=', 'handed-in').as('handedIn'),
      eb.fn.countAll<string>().filterWhere('slates.status', '=', 'under-way').as('underWay'),
    ])
    .where(eb => eb.or([eb('handouts.given_at', 'is not', null), eb('classes.teacher_id', '=', teacher)]))
    .where(isTheirs(teacher))
    .groupBy(['handouts.id', 'classes.id'])
    .orderBy('handouts.created_at', 'desc')
    .limit(MOST_HANDOUTS)
    .execute()
  return Promise.all(
    rows.map(async ({ edition_hash, created_at, given_at, gives_at, due_on, due_time, closed_at, ...row }) => {
      const { board } = await engine.editions.get(db, edition_hash)
      return {
        ...row,
        title: board.title,
        picture: withoutAnswers({ ...board, pages: board.pages.slice(0, 1) }),
        due: dueOf({ due_on, due_time }),
        closed: closed_at !== null,
        createdAt: created_at.toISOString(),
        givenAt: given_at?.toISOString() ?? null,
        givesAt: gives_at?.toISOString() ?? null,
        all: Number(row.all),
        handedIn: Number(row.handedIn),
        underWay: Number(row.underWay),
      }
    }),
  )
}
const MOST_HANDOUTS = 300

/**
 * The due days of everything a teacher has given out, as a calendar (RFC 5545): each a whole day, or a moment where a
 * time is set.
 */
export async function dueCalendar(db: Kysely<Database>, teacher: string): Promise<string> {
  const rows = await db
    .selectFrom('handouts')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .select([
      'handouts.id',
      'boards.title',
      'classes.name',
      'classes.time_zone',
      'handouts.due_on',
      'handouts.due_time',
      'handouts.created_at',
    ])
    .where('classes.teacher_id', '=', teacher)
    .where('handouts.due_on', 'is not', null)
    .where('handouts.given_at', 'is not', null)
    .orderBy('handouts.due_on')
    .limit(MOST_HANDOUTS)
    .execute()
  return calendarOf(
    rows.map(row => ({
      id: row.id,
      title: `${row.title} (${row.name})`,
      due: dueOf(row)!,
      zone: row.time_zone,
      made: row.created_at,
    })),
  )
}
