import type { Kysely } from 'kysely'
import type { HandoutFile } from '../../../core/along/handout'
import type { SlateFile } from '../../../core/along/slate'
import { asJson, numbered } from '../../../core/format/fileNames'
import type { Counting } from '../../../core/handout/counting'
import { RulesSchema } from '../../../core/handout/rules'
import * as v from 'valibot'
import type { Database, Row } from '../../database/tables'
import type { ZipEntry } from '../../files/zipFile'
import { byNames, dueOf } from '../slates'
import { fileName, type EachOnce } from './eachOnce'
import { callOutsOf, jarWithQuestions } from './lessonFile'

type Db = Kysely<Database>

export interface OfClass {
  readonly classId: string
  readonly folder: string
  /** The number of each student in the class's file. */
  readonly students: ReadonlyMap<string, number>
  /** The sets of groups, and the groups in each, in the order of the class's file. */
  readonly sets: readonly { readonly id: string; readonly groups: readonly string[] }[]
  /** The file of each board. */
  readonly boards: ReadonlyMap<string, string>
  readonly once: EachOnce
}

/**
 * Of each handout how it was given out and what was said in its lessons, the editions of its board, and each slate with
 * all that was done on it and said of it. A slate is read when its turn comes.
 */
export async function* handoutFiles(db: Db, of: OfClass): AsyncGenerator<ZipEntry> {
  const { once } = of
  const handouts = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .selectAll('handouts')
    .select('boards.title')
    .where('class_id', '=', of.classId)
    .orderBy('handouts.created_at')
    .execute()
  for (const [i, handout] of handouts.entries()) {
    const at = `${of.folder}/handouts/${numbered(i + 1, handout.title)}`
    const rows = await db.selectFrom('slates').selectAll().where('handout_id', '=', handout.id).execute()
    const slates = (await byNames(db, rows)).map(({ id, name }, n) => ({
      row: rows.find(one => one.id === id)!,
      file: `${at}/slates/${numbered(n + 1, name)}.json`,
    }))
    const fileOf = new Map(slates.map(({ row, file }) => [row.id, file]))
    const file: HandoutFile = {
      ...(await handoutFile(db, handout, of)),
      ...(await jarWithQuestions(db, handout.id, of.students)),
      callOuts: await callOutsOf(db, handout.id, fileOf),
    }
    yield { name: `${at}/handout.json`, content: asJson(file) }
    const editions = new Set([file.edition, ...file.versions.map(one => one.edition)])
    for (const { row, file: name } of slates) {
      const slate = await slateFile(db, row, of)
      const { pictures, heard } = await filesOfSlate(db, row.id, slate)
      yield* once.files([...pictures.map(one => one.hash), ...heard])
      for (const { from, to } of slate.editionChanges) editions.add(from).add(to)
      for (const { edition } of [slate, ...slate.tries]) editions.add(edition)
      yield { name, content: asJson({ ...slate, pictures: pictures.map(one => one.entry) } satisfies SlateFile) }
    }
    yield* once.editions(editions)
  }
}

const moment = (date: Date | null) => date?.toISOString() ?? null

function countingOf({ counts, points, rubric }: Row<'handouts'>): Counting {
  if (counts === 'points' && points !== null) return { counts, points }
  return counts === 'rubric' && rubric ? { counts, rubric } : { counts: 'nothing' }
}

type OfHandout = Omit<HandoutFile, 'jar' | 'questions' | 'callOuts'>

async function handoutFile(db: Db, row: Row<'handouts'>, { boards, sets, students }: OfClass): Promise<OfHandout> {
  const versions = await db
    .selectFrom('handout_versions')
    .select(['number', 'name', 'board_id', 'without', 'edition_hash as edition'])
    .where('handout_id', '=', row.id)
    .orderBy('number')
    .execute()
  const set = sets.findIndex(one => one.id === row.set_id)
  const who = (ids: readonly string[]) => ids.flatMap(id => students.get(id) ?? [])
  const plannedSet = sets.findIndex(one => one.id === row.plan?.set)
  return {
    format: 'dappled-slate/handout',
    version: 1,
    board: boards.get(row.board_id) ?? null,
    edition: row.edition_hash,
    mode: row.mode,
    made: row.created_at.toISOString(),
    given: moment(row.given_at),
    plan: row.given_at
      ? null
      : {
          set: plannedSet < 0 ? null : plannedSet,
          students: row.plan?.students ? who(row.plan.students) : null,
          versions: (row.plan?.versions ?? []).map(version => who(version.students)),
        },
    closed: moment(row.closed_at),
    word: row.word,
    due: dueOf(row),
    handIn: row.hand_in,
    wholeClass: row.whole_class,
    ownPages: row.own_pages,
    free: row.free,
    looking: row.looking,
    counting: countingOf(row),
    rules: v.parse(RulesSchema, row.rules),
    set: set < 0 ? null : set,
    versions: versions.map(({ board_id, ...version }) => ({
      ...version,
      board: (board_id && boards.get(board_id)) || null,
    })),
  }
}

function groupOf(id: string | null, sets: OfClass['sets']): [number, number] | null {
  const set = sets.findIndex(one => id !== null && one.groups.includes(id))
  return set < 0 ? null : [set, sets[set]!.groups.indexOf(id!)]
}

/** What students put on a slate, and what was spoken in its margin. */
async function filesOfSlate(db: Db, slate: string, { margin }: Pick<SlateFile, 'margin'>) {
  const rows = await db
    .selectFrom('slate_pictures')
    .innerJoin('files', 'files.hash', 'slate_pictures.file_hash')
    .select(['slate_pictures.id', 'by', 'at', 'approved_at', 'hash', 'media_type'])
    .where('slate_id', '=', slate)
    .execute()
  return {
    pictures: rows.map(({ id, by, at, approved_at, hash, media_type }) => ({
      hash,
      entry: { id, by, file: fileName(hash, media_type), at: at.toISOString(), approved: moment(approved_at) },
    })),
    heard: margin.flatMap(({ item }) => (item.kind === 'spoken' ? [item.file] : [])),
  }
}

async function slateFile(
  db: Db,
  row: Row<'slates'>,
  { students, sets }: OfClass,
): Promise<Omit<SlateFile, 'pictures'>> {
  const { id: slate } = row
  const margin = await db.selectFrom('margins').selectAll().where('slate_id', '=', slate).orderBy('at').execute()
  const review = await db.selectFrom('reviews').selectAll().where('slate_id', '=', slate).executeTakeFirst()
  const about = (item: string | null) => {
    const found = margin.findIndex(one => one.id === item)
    return found < 0 ? null : found
  }
  return {
    format: 'dappled-slate/slate',
    version: 1,
    kind: row.kind,
    name: row.name,
    mark: row.mark,
    position: row.position,
    group: groupOf(row.group_id, sets),
    ofVersion: row.version,
    edition: row.edition_hash,
    status: row.status,
    opened: moment(row.opened_at),
    moved: moment(row.moved_at),
    handedIn: moment(row.handed_in_at),
    collected: moment(row.collected_at),
    handedBack: moment(row.handed_back_at),
    closed: moment(row.closed_at),
    named: moment(row.named_at),
    nameHidden: moment(row.name_hidden_at),
    said: row.said,
    members: (
      await db.selectFrom('slate_members').selectAll().where('slate_id', '=', slate).orderBy('hand').execute()
    ).map(({ student_id, hand, part, from_at, until_at, done_at }) => ({
      student: students.get(student_id) ?? null,
      hand,
      part,
      from: from_at.toISOString(),
      until: moment(until_at),
      done: moment(done_at),
    })),
    moves: (
      await db
        .selectFrom('moves')
        .select(['id', 'move', 'inverse', 'undoes', 'by', 'at'])
        .where('slate_id', '=', slate)
        .orderBy('number')
        .execute()
    ).map(({ at, ...move }) => ({ ...move, at: at.toISOString() })),
    editionChanges: (
      await db
        .selectFrom('edition_changes')
        .select(['turn', 'number', 'from_hash as from', 'to_hash as to', 'at'])
        .where('slate_id', '=', slate)
        .orderBy('turn')
        .execute()
    ).map(({ at, ...change }) => ({ ...change, at: at.toISOString() })),
    margin: margin.map(({ item, at, removed_at, shown }) => ({
      item,
      at: at.toISOString(),
      removed: moment(removed_at),
      shown,
    })),
    review: review
      ? {
          decisions: review.decisions,
          comment: review.comment,
          points: review.points === null ? null : Number(review.points),
          levels: review.levels,
          alone: review.alone,
          at: review.updated_at.toISOString(),
        }
      : null,
    talk: (await db.selectFrom('talk').selectAll().where('slate_id', '=', slate).orderBy('number').execute()).map(
      ({ by, words, about: of, at, hidden_at }) => ({
        by,
        words,
        about: about(of),
        at: at.toISOString(),
        hidden: moment(hidden_at),
      }),
    ),
    nudges: (
      await db
        .selectFrom('nudges')
        .select(['words', 'at', 'seen_at'])
        .where('slate_id', '=', slate)
        .orderBy('at')
        .execute()
    ).map(({ words, at, seen_at }) => ({ words, at: at.toISOString(), seen: moment(seen_at) })),
    tries: (
      await db
        .selectFrom('tries')
        .select(['number', 'edition_hash as edition', 'review', 'ended_at'])
        .where('slate_id', '=', slate)
        .orderBy('turn')
        .execute()
    ).map(({ ended_at, ...one }) => ({ ...one, ended: ended_at.toISOString() })),
  }
}
