import { createHash } from 'node:crypto'
import type { Kysely, Transaction } from 'kysely'
import { makeEdition } from '../core/board/edition'
import { markOf } from '../core/groups/marks'
import { GroupSearch } from '../core/groups/search'
import { groupSizes } from '../core/groups/sizes'
import { NO_RULES } from '../core/handout/noRules'
import { COPY_EACH } from '../core/handout/settings'
import { seeded } from '../core/layout/random'
import type { SlateState } from '../core/slate/state'
import type { Database } from '../server/database/tables'
import { giveOut, giveOutWithin } from '../server/usecases/giveOut'
import { keepSet, keepWishes } from '../server/usecases/groups'
import { FATES, movesTo, slateOf } from './fourSlates'
import { playLesson, type Played } from './lesson'
import { CLASSES } from './school'

type Db = Kysely<Database>

const DEMO_GROUPS = ['Oak', 'Ash', 'Hazel', 'Maple', 'Willow', 'Ginkgo'] as const

interface Slate {
  readonly id: string
}
const slatesOf = (db: Db, handout: string): Promise<Slate[]> =>
  db
    .selectFrom('slate_members')
    .innerJoin('students', 'students.id', 'slate_members.student_id')
    .select('slate_members.slate_id as id')
    .where('handout_id', '=', handout)
    .orderBy('students.name_folded')
    .execute()

/** The moves as if a student had made them, and the slate as it is after them. */
async function playOn({
  db,
  slate,
  moves,
  at,
  status,
  opened,
  handedBack = null,
  hands = 1,
}: {
  readonly db: Db
  readonly slate: Slate
  readonly moves: readonly Played[]
  readonly at: (after: number) => Date
  readonly status: Status
  readonly opened: Date
  readonly handedBack?: Date | null | undefined
  readonly hands?: number | undefined
}): Promise<void> {
  await db
    .insertInto('moves')
    .values(
      moves.map(({ move, inverse, after }, n) => ({
        slate_id: slate.id,
        number: n + 1,
        id: moveId(slate.id, n),
        move: JSON.stringify(move),
        inverse: JSON.stringify(inverse),
        undoes: null,
        by: `student:${1 + (n % hands)}` as const,
        at: at(after),
      })),
    )
    .execute()
  const last = at(moves.at(-1)!.after)
  await db
    .updateTable('slates')
    .set({
      status,
      last_number: moves.length,
      opened_at: opened,
      moved_at: last,
      handed_in_at: status === 'under-way' ? null : new Date(last.getTime() + 8000),
      handed_back_at: status === 'handed-back' ? handedBack : null,
    })
    .where('id', '=', slate.id)
    .execute()
}

type Status = 'not-opened' | 'under-way' | 'handed-in' | 'handed-back'

export async function playHandout({
  db,
  teacher,
  board,
  classId,
  now,
  fate,
  seed,
  believes = {},
}: {
  readonly db: Db
  readonly teacher: string
  readonly board: string
  readonly classId: string
  readonly now: Date
  readonly fate: (i: number) => Status
  readonly seed: number
  /** What many of them think, and isn't so. */
  readonly believes?: Readonly<Record<string, string>> | undefined
}): Promise<void> {
  const given = await giveOut(db, board, classId)
  if (!given.ok) throw new Error(given.reason)
  const { document } = await db
    .selectFrom('boards')
    .select('document')
    .where('id', '=', board)
    .executeTakeFirstOrThrow()
  const edition = makeEdition(document)
  const cards = document.pages[0]!.pieces.length
  const random = seeded(seed)
  const slates = await slatesOf(db, given.value.id)
  const start = now.getTime() - 14 * 60_000

  for (const [i, slate] of slates.entries()) {
    const status = fate(i)
    if (status === 'not-opened') continue
    const done = status === 'under-way' ? 1 + Math.floor(random() * (cards - 1)) : cards - (random() < 0.2 ? 1 : 0)
    const { moves } = playLesson(edition, random, {
      cards: done,
      knows: 0.55 + 0.4 * random(),
      pace: 12 + 16 * random(),
      believes,
    })
    // Most worked until a moment ago; one in five of those under way has been quiet for a while.
    const quiet = status === 'under-way' && random() < 0.2 ? 3.5 + 4 * random() : 1.5 * random()
    const stretch = ((14 - (status === 'under-way' ? quiet : 2 + quiet)) * 60) / moves.at(-1)!.after
    const at = (after: number) => new Date(start + after * stretch * 1000)
    await playOn({ db, slate, moves, at, status, opened: new Date(start), handedBack: now })
    if (status === 'handed-back')
      await db
        .transaction()
        .execute(trx =>
          writeMargin({ trx, slate: slate.id, teacher, page: edition.board.pages[0]!.id, last: moves.at(-1)!.move }),
        )
  }
}

/** The older class in groups of four, mixed, each in the middle of a frame; two who wanted to be together are. */
export async function playFrames({
  db,
  board,
  parted,
  classId,
  now,
}: {
  readonly db: Db
  readonly board: string
  readonly parted: string
  readonly classId: string
  readonly now: Date
}): Promise<void> {
  const students = await db
    .selectFrom('students')
    .select(['id', 'level'])
    .where('class_id', '=', classId)
    .orderBy('name_folded')
    .execute()
  const random = seeded(11)
  const sizes = groupSizes(students.length, { by: 'size', size: 4 })
  if (!sizes.ok) throw new Error(sizes.reason)
  const levels: readonly string[] = CLASSES[0].levels
  const wishes = [
    { kind: 'together', students: [0, 5] },
    { kind: 'apart', students: [1, 2] },
  ] as const
  await keepWishes(
    db,
    classId,
    wishes.map(wish => ({ ...wish, students: wish.students.map(i => students[i]!.id) })),
  )
  const search = new GroupSearch({
    students: students.length,
    sizes: sizes.value,
    wishes,
    likeness: 'mixed',
    levels: students.map(({ level }) => (level === null ? null : levels.indexOf(level))),
    past: [],
    random,
  })
  search.run(Infinity)
  const groups = search.best.groups.map((group, i) => ({
    name: DEMO_GROUPS[i]!,
    mark: markOf(i),
    students: group.map(n => students[n]!.id),
  }))
  await db.transaction().execute(async trx => {
    const set = await keepSet(trx, classId, { name: 'Rock-pool groups', groups })
    if (!set.ok) throw new Error(set.reason)
    const due = { day: new Date(now.getTime() + 2 * 86_400_000).toISOString().slice(0, 10) }
    const given = await giveOutWithin(
      trx,
      board,
      { classId, set: set.value.id },
      {
        ...COPY_EACH,
        mode: 'frame-per-group',
        word: 'Ten minutes with your group, then we compare.',
        due,
        rules: { ...NO_RULES, talk: true, handInBy: 'all-done' },
      },
    )
    if (!given.ok) throw new Error(given.reason)
    const inParts = await giveOutWithin(
      trx,
      parted,
      { classId, set: set.value.id },
      { ...COPY_EACH, mode: 'frame-per-group', rules: { ...NO_RULES, talk: true } },
    )
    if (!inParts.ok) throw new Error(inParts.reason)
    const { document } = await trx
      .selectFrom('boards')
      .select('document')
      .where('id', '=', board)
      .executeTakeFirstOrThrow()
    const edition = makeEdition(document)
    const frames = await trx
      .selectFrom('slates')
      .select('id')
      .where('handout_id', '=', given.value.id)
      .orderBy('name')
      .execute()
    const start = now.getTime() - 9 * 60_000
    for (const [i, frame] of frames.slice(0, 5).entries()) {
      const { moves } = playLesson(edition, random, { cards: 2 + i, knows: 0.6, pace: 20 })
      const stretch = (8 * 60) / moves.at(-1)!.after
      await playOn({
        db: trx,
        slate: frame,
        moves,
        at: after => new Date(start + after * stretch * 1000),
        status: 'under-way',
        opened: new Date(start),
        handedBack: null,
        hands: 4,
      })
    }
  })
}
/** A handout of four slates: right, wrong, in doubt, and empty. */
export async function handOutTried({
  db,
  board,
  classId,
  solved,
  start,
}: {
  readonly db: Db
  readonly board: string
  readonly classId: string
  readonly solved: SlateState
  readonly start: Date
}): Promise<void> {
  const given = await giveOut(db, board, classId)
  if (!given.ok) throw new Error(given.reason)
  const { document } = await db
    .selectFrom('boards')
    .select('document')
    .where('id', '=', board)
    .executeTakeFirstOrThrow()
  const edition = makeEdition(document)
  const slates = await slatesOf(db, given.value.id)
  for (const [i, fate] of FATES.entries()) {
    const played = movesTo(slateOf(fate, edition, solved), edition)
    if (played.length)
      await playOn({
        db,
        slate: slates[i]!,
        moves: played,
        at: after => new Date(start.getTime() + after * 1000),
        status: 'handed-in',
        opened: start,
      })
  }
}

/** A ring of ink around the last card, a note pinned to it, and a word. */
async function writeMargin({
  trx,
  slate,
  teacher,
  page,
  last,
}: {
  readonly trx: Transaction<Database>
  readonly slate: string
  readonly teacher: string
  readonly page: string
  readonly last: { kind: string }
}): Promise<void> {
  const { piece, x, y } = last as { kind: 'put'; piece: string; x: number; y: number }
  const ring = Array.from({ length: 42 }, (_, i) => {
    const turn = (i / 38) * 2 * Math.PI
    return [round(x + (76 + i / 8) * Math.cos(turn)), round(y + (34 + i / 10) * Math.sin(turn)), 0.5]
  })
  const items = [
    { kind: 'ink', page, points: ring },
    {
      kind: 'note',
      page,
      at: { to: 'piece', piece },
      text: 'Look at its foot in the tank tomorrow. What does it do when the water moves?',
    },
  ]
  await trx
    .insertInto('margins')
    .values(items.map(item => ({ slate_id: slate, teacher_id: teacher, item: JSON.stringify(item), removed_at: null })))
    .execute()
  await trx
    .insertInto('reviews')
    .values({
      slate_id: slate,
      teacher_id: teacher,
      decisions: '{}',
      comment: 'Careful work. You told the crawlers from the clingers by how they move, not by how they look.',
      updated_at: new Date(),
    })
    .execute()
}

const round = (n: number) => Math.round(n * 10) / 10
const moveId = (slate: string, n: number) =>
  createHash('sha256').update(`${slate} ${n}`).digest('base64url').slice(0, 21)
