import { changedReview, NO_REVIEW } from '../../../core/handout/review'
import type { SlateFile } from '../../../core/along/slate'
import { isSound } from '../../../core/slate/sound'
import type { MarginItem } from '../../../core/margin/item'
import type { Transaction } from 'kysely'
import { loadStates, stateAt } from '../../database/loadState'
import type { Database } from '../../database/tables'
import { isAway } from '../../http/errors'
import { log } from '../../log'
import type { ClassHere } from './classes'
import { date, type Unpacking } from './unpacking'

type Trx = Transaction<Database>

export interface OfSlate {
  readonly handout: string
  readonly here: ClassHere
  /** What an edition of the file is called here; null where it can't be read. */
  readonly edition: (hash: string) => Promise<string | null>
}

/** Its id; null, and nothing of it, where it can't have been so, or contradicts itself. */
export async function slateIn(unpacking: Unpacking, file: SlateFile, of: OfSlate): Promise<string | null> {
  const { services, teacher, files } = unpacking
  const { db, engine } = services
  const hashes = new Map<string, string>()
  const named = [file, ...file.tries].map(({ edition }) => edition)
  for (const hash of [...named, ...file.editionChanges.flatMap(({ from, to }) => [from, to])]) {
    const here = await of.edition(hash)
    if (here === null) return null
    hashes.set(hash, here)
  }
  const pictures = new Map<string, string>()
  for (const { id, file: name } of file.pictures) {
    const here = await files.pictureAt(name)
    if (here) pictures.set(id, here)
  }
  const margin: (MarginItem | null)[] = []
  for (const { item } of file.margin) {
    const heard = item.kind === 'spoken' ? await files.clip(item.file) : null
    margin.push(item.kind !== 'spoken' ? item : heard && { ...item, file: heard })
  }
  try {
    return await db.transaction().execute(async trx => {
      const slate = await insertSlate(trx, file, { ...of, hashes })
      await insertWork(trx, slate, { file, pictures, hashes })
      const row = { id: slate, edition: hashes.get(file.edition)!, last: file.moves.length }
      const { board } = await engine.editions.get(trx, row.edition)
      const pages = new Set<string>(board.pages.map(page => page.id))
      await insertWords(trx, slate, { file, margin, teacher, pages })
      await insertNudges(trx, slate, { file, teacher, handout: of.handout })
      for (const [i, { number, edition, review, ended }] of file.tries.entries()) {
        const then = { id: slate, edition: hashes.get(edition)!, last: number }
        const state = await stateAt(trx, engine.editions, then)
        if (!state) throw new Error('a try of it is not in its history')
        await trx
          .insertInto('tries')
          .values({
            slate_id: slate,
            turn: i + 1,
            number,
            edition_hash: then.edition,
            state: JSON.stringify(state),
            review: review && JSON.stringify(changedReview(NO_REVIEW, review)),
            ended_at: new Date(ended),
          })
          .execute()
      }
      const now = (await loadStates(trx, engine.editions, [row])).get(slate)
      if (!now || !isSound(now.state, await engine.editions.get(trx, row.edition)))
        throw new Error('its moves lead nowhere that a slate could be')
      return slate
    })
  } catch (error) {
    // That the database is away says nothing of the slate.
    if (isAway(error)) throw error
    log.warn({ error: error instanceof Error ? error.message : error }, 'a slate could not be brought in')
    return null
  }
}

async function insertSlate(
  trx: Trx,
  file: SlateFile,
  { handout, here, hashes }: OfSlate & { readonly hashes: ReadonlyMap<string, string> },
): Promise<string> {
  const { kind, group } = file
  const { id } = await trx
    .insertInto('slates')
    .values({
      handout_id: handout,
      class_id: here.id,
      kind,
      name: file.name,
      mark: file.mark,
      position: file.position,
      group_id: group ? (here.sets[group[0]]?.groups[group[1]] ?? null) : null,
      version: file.ofVersion,
      edition_hash: hashes.get(file.edition)!,
      status: file.status,
      last_number: file.moves.length,
      opened_at: date(file.opened),
      moved_at: date(file.moved),
      handed_in_at: date(file.handedIn),
      handed_back_at: date(file.handedBack),
      closed_at: date(file.closed),
      said: file.said,
    })
    .returning('id')
    .executeTakeFirstOrThrow()
  if (file.collected || file.named || file.nameHidden)
    await trx
      .updateTable('slates')
      .set({ collected_at: date(file.collected), named_at: date(file.named), name_hidden_at: date(file.nameHidden) })
      .where('id', '=', id)
      .execute()
  const members = file.members.flatMap(({ student, hand, part, from, until, done }) => {
    const student_id = student === null ? undefined : here.students[student]
    const row = { slate_id: id, handout_id: handout, class_id: here.id, kind, hand, part }
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
interface Work {
  readonly file: SlateFile
  /** The hashes that they have here, by their ids. */
  readonly pictures: ReadonlyMap<string, string>
  readonly hashes: ReadonlyMap<string, string>
}

async function insertWork(trx: Trx, slate: string, { file, pictures, hashes }: Work): Promise<void> {
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
  const put = file.pictures.filter(({ id }) => pictures.has(id))
  for (const { id, by, at, approved } of put) {
    await trx
      .insertInto('slate_pictures')
      .values({ slate_id: slate, id, by, file_hash: pictures.get(id)!, at: new Date(at) })
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

async function insertNudges(
  trx: Trx,
  slate: string,
  { file, teacher, handout }: { readonly file: SlateFile; readonly teacher: string; readonly handout: string },
): Promise<void> {
  for (const { words, at, seen } of file.nudges) {
    const { id } = await trx
      .insertInto('nudges')
      .values({ slate_id: slate, handout_id: handout, teacher_id: teacher, words, at: new Date(at) })
      .returning('id')
      .executeTakeFirstOrThrow()
    if (seen)
      await trx
        .updateTable('nudges')
        .set({ seen_at: new Date(seen) })
        .where('id', '=', id)
        .execute()
  }
}

interface Words {
  readonly file: SlateFile
  /** Item by item; null for what was spoken and isn't there. */
  readonly margin: readonly (MarginItem | null)[]
  readonly teacher: string
  /** Of its board as it is now. */
  readonly pages: ReadonlySet<string>
}

async function insertWords(trx: Trx, slate: string, { file, margin, teacher, pages }: Words): Promise<void> {
  const items: (string | null)[] = []
  for (const [i, { at, removed, shown }] of file.margin.entries()) {
    const item = margin[i]
    // What is about a page that isn't there can't be shown.
    if (!item || !pages.has(item.page)) {
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
