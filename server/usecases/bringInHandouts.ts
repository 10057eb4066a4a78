import type { Kysely, Transaction } from 'kysely'
import type { HandoutFile, SlateFile } from '../../core/along/handedOut'
import { changedReview, NO_REVIEW } from '../../core/handout/review'
import { keepEdition } from '../database/editions'
import { loadStates } from '../database/loadState'
import type { Database } from '../database/tables'
import { withFolder } from '../files/folder'
import { keepPicture } from '../files/keep'
import { log } from '../log'
import type { ReadHandout, ReadSlate } from '../reading/everything'
import type { Services } from '../services'
import { createBoard, keepRead, setOnShelf } from './boards'

type Told = Pick<Services, 'db' | 'labour' | 'engine'>
type Trx = Transaction<Database>

/** Where what a handout's files name is now. */
export interface Where {
  readonly path: string
  readonly teacher: string
  readonly classId: string
  /** By number in the class's file. */
  readonly students: readonly (string | undefined)[]
  /** In the order of the class's file; null for one that couldn't be kept. */
  readonly sets: readonly ({ readonly id: string; readonly groups: readonly string[] } | null)[]
  /** By their files. */
  readonly boards: ReadonlyMap<string, string>
}
export interface SlatesIn {
  readonly slates: number
  readonly unread: number
}

/**
 * A handout with its slates, as the file has them. Null where it contradicts itself, or its board or an edition of it
 * can't be read.
 */
export async function handoutIn(services: Told, read: ReadHandout, where: Where): Promise<SlatesIn | null> {
  const editions = new Editions(services, read.folder, where)
  const { file } = read
  const needed = [file.edition, ...file.versions.map(one => one.edition)]
  for (const hash of needed) if ((await editions.of(hash)) === null) return null
  const board = (file.board && where.boards.get(file.board)) || (await editions.asBoard(file.edition))
  const handout = await services.db
    .transaction()
    .execute(trx => insertHandout(trx, file, { board, editions, where }))
    .catch((error: unknown) => {
      log.warn({ error: error instanceof Error ? error.message : error }, 'a handout could not be brought in')
      return null
    })
  if (handout === null) return null
  let slates = 0
  for (const name of read.slates) {
    const found = await services.labour.files.do('slate-of-everything', { path: where.path, name })
    if (found.ok && found.value && (await slateIn(services, found.value, { handout, editions, where }))) slates++
  }
  return { slates, unread: read.slates.length - slates }
}

/** Editions of a file under the hashes that they have here: their pictures are encoded anew, so these are others. */
class Editions {
  readonly #known = new Map<string, string | null>()
  constructor(
    readonly services: Told,
    readonly folder: string,
    readonly where: Where,
  ) {}

  async of(hash: string): Promise<string | null> {
    const known = this.#known.get(hash)
    if (known !== undefined) return known
    const board = await this.#read(hash)
    const kept = board && (await this.services.db.transaction().execute(trx => keepEdition(trx, board)))
    this.#known.set(hash, kept)
    return kept
  }

  async #read(hash: string) {
    const { labour, db } = this.services
    const { path, teacher } = this.where
    return withFolder(async folder => {
      const name = `${this.folder}editions/${hash}.board.json`
      const read = await labour.files.do('board-of-everything', { path, name, folder })
      return read.ok && read.value.ok ? (await keepRead(db, teacher, read.value.value)).board : null
    })
  }

  /** The board of a handout whose own isn't in the file; it is put away. */
  async asBoard(hash: string): Promise<string> {
    const { db } = this.services
    const board = (await this.#read(hash))!
    const made = await createBoard(db, this.where.teacher, board.title, { board })
    if (!made.ok) throw new Error("an edition was left with a file that is not its teacher's")
    await setOnShelf(db, made.value, { archived: true })
    return made.value
  }
}

const date = (moment: string | null) => (moment === null ? null : new Date(moment))

interface OfHandout {
  readonly board: string
  readonly editions: Editions
  readonly where: Where
}

async function insertHandout(trx: Trx, file: HandoutFile, { board, editions, where }: OfHandout): Promise<string> {
  const { counting } = file
  const { id } = await trx
    .insertInto('handouts')
    .values({
      board_id: board,
      class_id: where.classId,
      edition_hash: (await editions.of(file.edition))!,
      mode: file.mode,
      set_id: file.mode === 'frame-per-group' && file.set !== null ? (where.sets[file.set]?.id ?? null) : null,
      created_at: new Date(file.made),
      given_at: date(file.given) ?? new Date(file.made),
      closed_at: date(file.closed),
      word: file.word,
      due_on: file.due?.day ?? null,
      due_time: file.due?.time ?? null,
      hand_in: file.handIn,
      whole_class: file.wholeClass,
      own_pages: file.ownPages && file.mode === 'one-for-everyone',
      free: file.free && file.mode === 'frame-per-group' ? JSON.stringify(file.free) : null,
      looking: file.looking,
      counts: counting.counts,
      points: counting.counts === 'points' ? counting.points : null,
      rubric: counting.counts === 'rubric' ? JSON.stringify(counting.rubric) : null,
      rules: JSON.stringify(file.rules),
    })
    .returning('id')
    .executeTakeFirstOrThrow()
  for (const { number, name, without, edition } of file.versions)
    await trx
      .insertInto('handout_versions')
      .values({
        handout_id: id,
        number,
        name,
        board_id: null,
        without: JSON.stringify(without),
        edition_hash: (await editions.of(edition))!,
      })
      .execute()
  return id
}

interface OfSlate {
  readonly handout: string
  readonly editions: Editions
  readonly where: Where
}

/** All of a slate or nothing: what can't have happened on it, or contradicts itself, isn't taken. */
async function slateIn(services: Told, { file, pictures }: ReadSlate, of: OfSlate): Promise<boolean> {
  const { db, engine } = services
  const hashes = new Map<string, string>()
  for (const hash of [file.edition, ...file.editionChanges.flatMap(({ from, to }) => [from, to])]) {
    const here = await of.editions.of(hash)
    if (here === null) return false
    hashes.set(hash, here)
  }
  for (const { picture } of pictures) await keepPicture(db, of.where.teacher, picture)
  try {
    return await db.transaction().execute(async trx => {
      const slate = await insertSlate(trx, file, { ...of, hashes })
      await insertWork(trx, slate, { file, pictures, hashes })
      const row = { id: slate, edition: hashes.get(file.edition)!, last: file.moves.length }
      const { board } = await engine.editions.get(trx, row.edition)
      await insertWords(trx, slate, {
        file,
        teacher: of.where.teacher,
        pages: new Set(board.pages.map(page => page.id)),
      })
      if (!(await loadStates(trx, engine.editions, [row])).get(slate))
        throw new Error('its moves contradict each other')
      return true
    })
  } catch (error) {
    log.warn({ error: error instanceof Error ? error.message : error }, 'a slate could not be brought in')
    return false
  }
}

async function insertSlate(
  trx: Trx,
  file: SlateFile,
  { handout, where, hashes }: OfSlate & { readonly hashes: ReadonlyMap<string, string> },
): Promise<string> {
  const { kind, group } = file
  const { id } = await trx
    .insertInto('slates')
    .values({
      handout_id: handout,
      class_id: where.classId,
      kind,
      name: file.name,
      mark: file.mark,
      position: file.position,
      group_id: group ? (where.sets[group[0]]?.groups[group[1]] ?? null) : null,
      version: file.ofVersion,
      edition_hash: hashes.get(file.edition)!,
      status: file.status,
      last_number: file.moves.length,
      opened_at: date(file.opened),
      moved_at: date(file.moved),
      handed_in_at: date(file.handedIn),
      handed_back_at: date(file.handedBack),
      said: file.said,
    })
    .returning('id')
    .executeTakeFirstOrThrow()
  const members = file.members.flatMap(({ student, hand, part, from, until, done }) => {
    const student_id = student === null ? undefined : where.students[student]
    const row = { slate_id: id, handout_id: handout, class_id: where.classId, kind, hand, part }
    return student_id
      ? [{ ...row, student_id, from_at: new Date(from), until_at: date(until), done_at: date(done) }]
      : []
  })
  for (const { until_at, done_at, ...member } of members) {
    await trx.insertInto('slate_members').values(member).execute()
    if (until_at || done_at)
      await trx
        .updateTable('slate_members')
        .set({ until_at, done_at })
        .where('slate_id', '=', id)
        .where('hand', '=', member.hand)
        .execute()
  }
  return id
}

const AT_ONCE = 500

async function insertWork(
  trx: Trx,
  slate: string,
  { file, pictures, hashes }: ReadSlate & { readonly hashes: ReadonlyMap<string, string> },
): Promise<void> {
  const moves = file.moves.map(({ move, inverse, at, ...rest }, i) => ({
    slate_id: slate,
    number: i + 1,
    ...rest,
    move: JSON.stringify(move),
    inverse: inverse && JSON.stringify(inverse),
    at: new Date(at),
  }))
  for (let i = 0; i < moves.length; i += AT_ONCE)
    await trx
      .insertInto('moves')
      .values(moves.slice(i, i + AT_ONCE))
      .execute()
  const changes = file.editionChanges.map(({ turn, number, from, to, at }) => ({
    slate_id: slate,
    turn,
    number,
    from_hash: hashes.get(from)!,
    to_hash: hashes.get(to)!,
    at: new Date(at),
  }))
  if (changes.length) await trx.insertInto('edition_changes').values(changes).execute()
  const found = new Map(pictures.map(({ id, picture }) => [id, picture.hash]))
  const put = file.pictures.filter(({ id }) => found.has(id))
  for (const { id, by, at, approved } of put) {
    await trx
      .insertInto('slate_pictures')
      .values({ slate_id: slate, id, by, file_hash: found.get(id)!, at: new Date(at) })
      .execute()
    if (approved)
      await trx
        .updateTable('slate_pictures')
        .set({ approved_at: new Date(approved) })
        .where('slate_id', '=', slate)
        .where('id', '=', id)
        .execute()
  }
}

interface Words {
  readonly file: SlateFile
  readonly teacher: string
  /** Of its board as it is now. */
  readonly pages: ReadonlySet<string>
}

async function insertWords(trx: Trx, slate: string, { file, teacher, pages }: Words): Promise<void> {
  const items: (string | null)[] = []
  for (const { item, at, removed, shown } of file.margin) {
    // What was spoken is not in the file, and what is about a page that isn't there can't be shown.
    if (item.kind === 'spoken' || !pages.has(item.page)) {
      items.push(null)
      continue
    }
    const { id } = await trx
      .insertInto('margins')
      .values({
        slate_id: slate,
        teacher_id: teacher,
        item: JSON.stringify(item),
        at: new Date(at),
        removed_at: date(removed),
        shown,
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    items.push(id)
  }
  if (file.review) {
    const { at, ...change } = file.review
    const { decisions, comment, points, levels, alone } = changedReview(NO_REVIEW, change)
    await trx
      .insertInto('reviews')
      .values({
        slate_id: slate,
        teacher_id: teacher,
        decisions: JSON.stringify(decisions),
        comment,
        points,
        levels: JSON.stringify(levels),
        alone: JSON.stringify(alone),
        updated_at: new Date(at),
      })
      .execute()
  }
  for (const [i, { by, words, about, at, hidden }] of file.talk.entries()) {
    const id = `brought-${i}`
    await trx
      .insertInto('talk')
      .values({
        id,
        slate_id: slate,
        by,
        words,
        about: about === null ? null : (items[about] ?? null),
        at: new Date(at),
      })
      .execute()
    if (hidden)
      await trx
        .updateTable('talk')
        .set({ hidden_at: new Date(hidden) })
        .where('slate_id', '=', slate)
        .where('id', '=', id)
        .execute()
  }
}

/** The groups of a class's sets, in the order of its file. */
export async function setsOf(db: Kysely<Database>, ids: readonly (string | null)[]): Promise<Where['sets']> {
  return Promise.all(
    ids.map(async id => {
      if (id === null) return null
      const groups = await db.selectFrom('groups').select('id').where('set_id', '=', id).orderBy('position').execute()
      return { id, groups: groups.map(group => group.id) }
    }),
  )
}
