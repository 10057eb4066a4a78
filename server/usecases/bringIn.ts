import type { Kysely, Transaction } from 'kysely'
import { isZone } from '../../core/handout/due'
import { ok, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import { withFolder } from '../files/folder'
import type { ReadClass } from '../reading/everything'
import type { ReadInRefusal } from '../reading/readIn'
import type { PoolRefusal } from '../labour/pool'
import type { Services } from '../services'
import { importBoard, setOnShelf } from './boards'
import { createClass, nameTaken, takeList } from './classes'
import { handoutIn, setsOf, type SlatesIn } from './bringInHandouts'
import { keepSet, keepWishes } from './groups'
import { keepRubric } from './rubrics'
import { noteSentence } from './sentences'

type Told = Pick<Services, 'db' | 'wire' | 'labour' | 'engine'>

/** How many of each came in, and how many couldn't be read. */
export interface BroughtIn {
  readonly boards: number
  readonly classes: number
  readonly slates: number
  readonly rubrics: number
  readonly unread: number
}

/**
 * Brings in what a teacher took along as a file: boards with their pictures and clips, classes with students and
 * groups, what they made, rubrics and sentences. It all comes beside what is there; a class whose name is taken gets a
 * number. What can't be read is left out and counted.
 */
export async function bringIn(
  services: Told,
  teacher: string,
  path: string,
): Promise<Result<BroughtIn, PoolRefusal | ReadInRefusal>> {
  const { db, labour } = services
  const done = await labour.files.do('everything', path)
  if (!done.ok) return done
  if (!done.value.ok) return done.value
  const { manifest, classes } = done.value.value
  const boards = new Map<string, string>()
  for (const one of manifest.boards) {
    const id = await withFolder(async folder => {
      const read = await labour.files.do('board-of-everything', { path, name: one.file, folder })
      return read.ok && read.value.ok ? (await importBoard(db, teacher, read.value.value)).id : null
    })
    if (!id) continue
    boards.set(one.file, id)
    if (one.organizer || one.putAway) await setOnShelf(db, id, { archived: one.putAway, organizer: one.organizer })
  }
  const made = { classes: 0, slates: 0, unread: 0 }
  for (const one of classes) {
    const came = await classIn(services, one, { teacher, path, boards })
    if (!came) continue
    made.classes++
    made.slates += came.slates
    made.unread += came.unread
  }
  for (const rubric of manifest.rubrics) await keepRubric(db, teacher, rubric)
  // The most used is noted last, and so comes first.
  for (const { words } of manifest.sentences.toReversed()) await noteSentence(db, teacher, words)
  return ok({
    boards: boards.size,
    classes: made.classes,
    slates: made.slates,
    rubrics: manifest.rubrics.length,
    unread: manifest.boards.length - boards.size + manifest.classes.length - made.classes + made.unread,
  })
}

const MOST_TRIES = 50
interface From {
  readonly teacher: string
  readonly path: string
  /** By their files. */
  readonly boards: ReadonlyMap<string, string>
}

/** A class with all that was made in it; null where it can't be made. */
async function classIn(
  services: Told,
  { file, handouts }: ReadClass,
  { teacher, path, boards }: From,
): Promise<SlatesIn | null> {
  const { db } = services
  const zone = isZone(file.timeZone) ? file.timeZone : undefined
  const created = await createClass(db, teacher, await freeName(db, teacher, file.name), zone)
  if (!created.ok) return null
  const { id } = created.value
  const listed = file.students.map(({ left: _, ...student }) => student)
  if (listed.length) {
    const taken = await takeList(services, id, { students: listed, missing: 'stay' })
    if (!taken.ok) {
      await db.deleteFrom('classes').where('id', '=', id).execute()
      return null
    }
  }
  const rows = await db.selectFrom('students').select(['id', 'name']).where('class_id', '=', id).execute()
  const byName = new Map(rows.map(row => [row.name, row.id]))
  const ids = file.students.map(student => byName.get(student.name))
  const who = (numbers: readonly number[]) => [...new Set(numbers.flatMap(n => ids[n] ?? []))]
  const sets: string[] = []
  await db.transaction().execute(async trx => {
    for (const set of file.sets) {
      const groups = set.groups.map(group => ({ ...group, students: who(group.students) }))
      const kept = await keepSet(trx, id, { name: set.name, groups })
      sets.push(kept.ok ? kept.value.id : '')
    }
  })
  const wishes = file.wishes.map(wish => ({ kind: wish.kind, students: who(wish.students) }))
  await keepWishes(
    db,
    id,
    wishes.filter(wish => wish.students.length > 1),
  )
  const where = { path, teacher, classId: id, students: ids, sets: await setsOf(db, sets), boards }
  const came = { slates: 0, unread: 0 }
  for (const handout of handouts) {
    const made = await handoutIn(services, handout, where)
    came.slates += made?.slates ?? 0
    came.unread += made?.unread ?? 1
  }
  // Whoever has left had a part in what was made before.
  await db.transaction().execute(trx => leftAndLevels(trx, id, { file, ids }))
  if (file.putAway) await db.updateTable('classes').set({ put_away_at: new Date() }).where('id', '=', id).execute()
  return came
}

interface OfClass {
  readonly file: ReadClass['file']
  readonly ids: readonly (string | undefined)[]
}
async function leftAndLevels(trx: Transaction<Database>, id: string, { file, ids }: OfClass): Promise<void> {
  const left = file.students.flatMap((student, i) => (student.left ? (ids[i] ?? []) : []))
  if (left.length) await trx.updateTable('students').set({ left_at: new Date() }).where('id', 'in', left).execute()
  const used = new Set(file.students.map(student => student.level))
  const levels = [...new Set(file.levels)].filter(level => used.has(level))
  if (levels.length) await trx.updateTable('classes').set({ levels }).where('id', '=', id).execute()
}

async function freeName(db: Kysely<Database>, teacher: string, name: string): Promise<string> {
  for (let i = 1; i < MOST_TRIES; i++) {
    const tried = i === 1 ? name : `${name.slice(0, 54)} (${i})`
    if (!(await nameTaken(db, teacher, tried))) return tried
  }
  return name
}
