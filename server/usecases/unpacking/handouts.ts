import { randomUUID } from 'node:crypto'
import type { Transaction } from 'kysely'
import type { HandoutFile } from '../../../core/along/handout'
import type { Recipient } from '../../../core/handout/settings'
import type { Database } from '../../database/tables'
import { isAway } from '../../http/errors'
import { log } from '../../log'
import type { ReadHandout } from '../../reading/everything'
import type { ClassHere } from './classes'
import { slateIn } from './slates'
import { date, patiently, type Unpacking } from './unpacking'

type Trx = Transaction<Database>

export interface SlatesIn {
  readonly slates: number
  readonly unread: number
}

/**
 * A handout with its slates, as the file has them. Null where it contradicts itself, or its board or an edition of it
 * can't be read. What waited for its time is a draft: it may still go out at its time where it came from.
 */
export async function handoutIn(unpacking: Unpacking, read: ReadHandout, here: ClassHere): Promise<SlatesIn | null> {
  const { services, editions } = unpacking
  const { file, folder } = read
  const made = await insertHandout(unpacking, read, here).catch((error: unknown) => {
    if (isAway(error)) throw error
    log.warn({ error: error instanceof Error ? error.message : error }, 'a handout could not be brought in')
    return null
  })
  if (made === null) {
    for (const _ of read.slates) unpacking.step()
    return null
  }
  const slates = new Map<string, string>()
  for (const name of read.slates) {
    const found = await patiently(services.labour.files, 'slate-of-everything', { path: unpacking.path, name })
    const id =
      found.ok
      && found.value
      && (await slateIn(unpacking, found.value, { handout: made, here, edition: hash => editions.of(hash, folder) }))
    if (id) slates.set(name, id)
    unpacking.step()
  }
  await services.db.transaction().execute(trx => callOutsIn(trx, made, file, slates))
  return { slates: slates.size, unread: read.slates.length - slates.size }
}

async function insertHandout(
  { services, editions, boards }: Unpacking,
  { file, folder }: ReadHandout,
  here: ClassHere,
): Promise<string | null> {
  const edition = async (hash: string) => {
    const kept = await editions.of(hash, folder)
    if (kept === null) throw new Error('an edition of it could not be read')
    return kept
  }
  const edition_hash = await edition(file.edition)
  const versions: { readonly version: HandoutFile['versions'][number]; readonly hash: string }[] = []
  for (const version of file.versions) versions.push({ version, hash: await edition(version.edition) })
  const board_id = (file.board && boards.get(file.board)) || (await editions.asBoard(file.edition, folder))
  if (!board_id) return null
  const { counting } = file
  return services.db.transaction().execute(async trx => {
    const { id } = await trx
      .insertInto('handouts')
      .values({
        board_id,
        class_id: here.id,
        edition_hash,
        mode: file.mode,
        set_id: file.mode === 'frame-per-group' && file.set !== null ? (here.sets[file.set]?.id ?? null) : null,
        created_at: new Date(file.made),
        given_at: date(file.given),
        plan: file.given ? null : JSON.stringify(planOf(file, { here, boards })),
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
    for (const { version, hash } of versions)
      await trx
        .insertInto('handout_versions')
        .values({
          handout_id: id,
          number: version.number,
          name: version.name,
          board_id: (version.board && boards.get(version.board)) || null,
          without: JSON.stringify(version.without),
          edition_hash: hash,
        })
        .execute()
    await jarIn(trx, id, file, here)
    return id
  })
}

/** To whom a draft will go, by who they are here. */
function planOf(
  { plan, versions }: HandoutFile,
  { here, boards }: { readonly here: ClassHere; readonly boards: Unpacking['boards'] },
): Recipient {
  const who = (numbers: readonly number[]) => [...new Set(numbers.flatMap(n => here.students[n] ?? []))]
  const set = plan?.set == null ? undefined : here.sets[plan.set]?.id
  const students = who(plan?.students ?? [])
  const others = versions.map(({ name, board, without }, i) => {
    const own = board ? boards.get(board) : undefined
    return { name, ...(own && { board: own }), without, students: who(plan?.versions[i] ?? []) }
  })
  return {
    classId: here.id,
    ...(set && { set }),
    ...(students.length && { students }),
    ...(others.length && { versions: others }),
  }
}

async function jarIn(trx: Trx, handout: string, { jar, questions }: HandoutFile, here: ClassHere): Promise<void> {
  // It is closed: whoever put something in could not know that it is read here.
  if (jar) await trx.insertInto('jars').values({ handout_id: handout, is_open: false, named: jar.named }).execute()
  for (const { student, words, named, at, answered, hidden, votes } of questions) {
    const student_id = here.students[student]
    if (student_id === undefined) continue
    const id = randomUUID()
    await trx
      .insertInto('questions')
      .values({ id, handout_id: handout, student_id, words, named, at: new Date(at) })
      .execute()
    if (answered || hidden)
      await trx
        .updateTable('questions')
        .set({ answered_at: date(answered), hidden_at: date(hidden) })
        .where('id', '=', id)
        .execute()
    const cast = new Map(votes.flatMap(({ student: n, up }) => (here.students[n] ? [[here.students[n], up]] : [])))
    const rows = [...cast].map(([voter, up]) => ({ question_id: id, student_id: voter, vote: up ? 1 : -1 }))
    if (rows.length) await trx.insertInto('question_votes').values(rows).execute()
  }
}

/** Targets that were called out; one that was open when it was taken along is over. */
async function callOutsIn(
  trx: Trx,
  handout: string,
  { callOuts }: HandoutFile,
  slates: ReadonlyMap<string, string>,
): Promise<void> {
  for (const [i, { page, target, called, ended, builds }] of callOuts.entries()) {
    const { id } = await trx
      .insertInto('callouts')
      .values({ handout_id: handout, number: i + 1, page, target, called_at: new Date(called) })
      .returning('id')
      .executeTakeFirstOrThrow()
    await trx
      .updateTable('callouts')
      .set({ ended_at: date(ended) ?? new Date() })
      .where('id', '=', id)
      .execute()
    const built = new Map(builds.flatMap(build => (slates.has(build.slate) ? [[build.slate, build]] : [])))
    const rows = [...built].map(([slate, { number, is, way, after }]) => ({
      callout_id: id,
      slate_id: slates.get(slate)!,
      number,
      is_there: is,
      way,
      after_s: after,
    }))
    if (rows.length) await trx.insertInto('builds').values(rows).execute()
  }
}
