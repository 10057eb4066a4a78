import type { Kysely } from 'kysely'
import { writeBoardFile } from '../../../core/format/boardFile'
import { asJson, numbered } from '../../../core/format/fileNames'
import type { HandoutFile, SlateFile } from '../../../core/along/handedOut'
import type { Counting } from '../../../core/handout/counting'
import { RulesSchema } from '../../../core/handout/rules'
import * as v from 'valibot'
import type { Database, Row } from '../../database/tables'
import type { ZipEntry } from '../../files/zipFile'
import { filesIn } from '../boards'
import { byNames, dueOf } from '../slates'

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
}

/**
 * Of each handout how it was given out, the editions of its board, and each slate with all that was done on it and said
 * of it. A slate is read when its turn comes. Drafts, and what waits to go out, are left out.
 */
export async function* handoutFiles(db: Db, of: OfClass): AsyncGenerator<ZipEntry> {
  const handouts = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .selectAll('handouts')
    .select('boards.title')
    .where('class_id', '=', of.classId)
    .where('given_at', 'is not', null)
    .orderBy('handouts.created_at')
    .execute()
  for (const [i, handout] of handouts.entries()) {
    const at = `${of.folder}/handouts/${numbered(i + 1, handout.title)}`
    const file = await handoutFile(db, handout, of)
    yield { name: `${at}/handout.json`, content: asJson(file) }
    const editions = new Set([file.edition, ...file.versions.map(one => one.edition)])
    const rows = await db.selectFrom('slates').selectAll().where('handout_id', '=', handout.id).execute()
    for (const [n, { name: shown, ...row }] of (await byNames(db, rows)).entries()) {
      const own = rows.find(one => one.id === row.id)!
      const pictures = await picturesOf(db, row.id, at)
      const slate = { ...(await slateFile(db, own, of)), pictures: pictures.map(one => one.entry) }
      for (const { entry, bytes } of pictures) yield { name: entry.file, content: bytes, packed: true }
      editions.add(slate.edition)
      for (const { from, to } of slate.editionChanges) editions.add(from).add(to)
      yield { name: `${at}/slates/${numbered(n + 1, shown)}.json`, content: asJson(slate) }
    }
    for (const hash of editions) {
      const row = await db.selectFrom('editions').select('document').where('hash', '=', hash).executeTakeFirst()
      if (row)
        yield { name: `${at}/editions/${hash}.board.json`, content: writeBoardFile(await filesIn(db, row.document)) }
    }
  }
}

const moment = (date: Date | null) => date?.toISOString() ?? null

function countingOf({ counts, points, rubric }: Row<'handouts'>): Counting {
  if (counts === 'points' && points !== null) return { counts, points }
  return counts === 'rubric' && rubric ? { counts, rubric } : { counts: 'nothing' }
}

async function handoutFile(db: Db, row: Row<'handouts'>, { boards, sets }: OfClass): Promise<HandoutFile> {
  const versions = await db
    .selectFrom('handout_versions')
    .select(['number', 'name', 'without', 'edition_hash as edition'])
    .where('handout_id', '=', row.id)
    .orderBy('number')
    .execute()
  const set = sets.findIndex(one => one.id === row.set_id)
  return {
    format: 'dappled-slate/handout',
    version: 1,
    board: boards.get(row.board_id) ?? null,
    edition: row.edition_hash,
    mode: row.mode,
    made: row.created_at.toISOString(),
    given: moment(row.given_at),
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
    versions,
  }
}

function groupOf(id: string | null, sets: OfClass['sets']): [number, number] | null {
  const set = sets.findIndex(one => id !== null && one.groups.includes(id))
  return set < 0 ? null : [set, sets[set]!.groups.indexOf(id!)]
}

async function picturesOf(db: Db, slate: string, at: string) {
  const rows = await db
    .selectFrom('slate_pictures')
    .innerJoin('files', 'files.hash', 'slate_pictures.file_hash')
    .select(['slate_pictures.id', 'by', 'at', 'approved_at', 'hash', 'bytes', 'media_type'])
    .where('slate_id', '=', slate)
    .execute()
  return rows.flatMap(({ id, by, at: put, approved_at, hash, bytes, media_type }) => {
    const file = `${at}/pictures/${hash}.${media_type.split('/')[1]}`
    return bytes ? [{ bytes, entry: { id, by, file, at: put.toISOString(), approved: moment(approved_at) } }] : []
  })
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
    handedBack: moment(row.handed_back_at),
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
    tries: await db
      .selectFrom('tries')
      .select(['turn', 'number', 'edition_hash as edition', 'state', 'review', 'ended_at as ended'])
      .where('slate_id', '=', slate)
      .orderBy('turn')
      .execute(),
  }
}
