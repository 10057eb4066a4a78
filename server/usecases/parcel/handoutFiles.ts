import type { Kysely } from 'kysely'
import { writeBoardFile } from '../../../core/format/boardFile'
import { asJson, numbered } from '../../../core/format/fileNames'
import type { Database } from '../../database/tables'
import type { ZipEntry } from '../../files/zipFile'
import { filesIn } from '../boards'
import { byNames } from '../slates'

type Db = Kysely<Database>

interface OfClass {
  readonly classId: string
  readonly folder: string
  /** The number of each student in the class's file. */
  readonly students: ReadonlyMap<string, number>
  /** The file of each board. */
  readonly boards: ReadonlyMap<string, string>
}

/**
 * Of each handout how it was given out, the editions of its board, and each slate with all that was done on it and said
 * of it. A slate is read when its turn comes.
 */
export async function* handoutFiles(db: Db, { classId, folder, students, boards }: OfClass): AsyncGenerator<ZipEntry> {
  const handouts = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .selectAll('handouts')
    .select('boards.title')
    .where('class_id', '=', classId)
    .orderBy('handouts.created_at')
    .execute()
  for (const [i, handout] of handouts.entries()) {
    const at = `${folder}/handouts/${numbered(i + 1, handout.title)}`
    const versions = await db
      .selectFrom('handout_versions')
      .select(['number', 'name', 'without', 'edition_hash as edition'])
      .where('handout_id', '=', handout.id)
      .execute()
    const { id, board_id, class_id: _, set_id: __, plan: ___, edition_hash: edition, ...settings } = handout
    yield {
      name: `${at}/handout.json`,
      content: asJson({
        format: 'dappled-slate/handout',
        formatVersion: 1,
        board: boards.get(board_id) ?? null,
        edition,
        versions,
        ...settings,
      }),
    }
    const editions = new Set([edition, ...versions.map(one => one.edition)])
    const slates = await byNames(db, await db.selectFrom('slates').selectAll().where('handout_id', '=', id).execute())
    for (const [n, slate] of slates.entries()) {
      editions.add(slate.edition_hash)
      const file = await slateFile(db, slate.id, students)
      for (const change of file.editionChanges) editions.add(change.from).add(change.to)
      const { id: ____, handout_id: _____, class_id: ______, group_id: _______, edition_hash, ...own } = slate
      yield {
        name: `${at}/slates/${numbered(n + 1, slate.name)}.json`,
        content: asJson({ format: 'dappled-slate/slate', formatVersion: 1, edition: edition_hash, ...own, ...file }),
      }
    }
    for (const hash of editions) {
      const row = await db.selectFrom('editions').select('document').where('hash', '=', hash).executeTakeFirst()
      if (row)
        yield { name: `${at}/editions/${hash}.board.json`, content: writeBoardFile(await filesIn(db, row.document)) }
    }
  }
}

async function slateFile(db: Db, slate: string, students: ReadonlyMap<string, number>) {
  const members = await db
    .selectFrom('slate_members')
    .select(['student_id', 'hand', 'part', 'from_at as from', 'until_at as until', 'done_at as done'])
    .where('slate_id', '=', slate)
    .orderBy('hand')
    .execute()
  const moves = await db
    .selectFrom('moves')
    .select(['number', 'id', 'move', 'inverse', 'undoes', 'by', 'at'])
    .where('slate_id', '=', slate)
    .orderBy('number')
    .execute()
  const editionChanges = await db
    .selectFrom('edition_changes')
    .select(['turn', 'number', 'from_hash as from', 'to_hash as to', 'at'])
    .where('slate_id', '=', slate)
    .orderBy('number')
    .execute()
  const margin = await db
    .selectFrom('margins')
    .select(['id', 'item', 'at', 'removed_at as removed', 'shown'])
    .where('slate_id', '=', slate)
    .orderBy('at')
    .execute()
  const review = await db
    .selectFrom('reviews')
    .select(['decisions', 'comment', 'points', 'levels', 'alone', 'updated_at as at'])
    .where('slate_id', '=', slate)
    .executeTakeFirst()
  const talk = await db
    .selectFrom('talk')
    .select(['by', 'words', 'about', 'at', 'hidden_at as hidden'])
    .where('slate_id', '=', slate)
    .orderBy('number')
    .execute()
  const tries = await db
    .selectFrom('tries')
    .select(['turn', 'number', 'edition_hash as edition', 'state', 'review', 'ended_at as ended'])
    .where('slate_id', '=', slate)
    .orderBy('turn')
    .execute()
  return {
    members: members.map(({ student_id, ...one }) => ({ student: students.get(student_id) ?? null, ...one })),
    moves,
    editionChanges,
    margin,
    review: review ?? null,
    talk,
    tries,
  }
}
