import type { Kysely, Transaction } from 'kysely'
import type { ClassFile } from '../../core/format/everything'
import { isZone } from '../../core/handout/due'
import { ok, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import { withFolder } from '../files/folder'
import type { ReadEverything } from '../reading/everything'
import type { ReadInRefusal } from '../reading/readIn'
import type { PoolRefusal } from '../labour/pool'
import type { Services } from '../services'
import { importBoard, setOnShelf } from './boards'
import { createClass, nameTaken, takeList } from './classes'
import { keepSet, keepWishes } from './groups'
import { keepRubric } from './rubrics'
import { noteSentence } from './sentences'

type Told = Pick<Services, 'db' | 'wire' | 'labour'>

/** How many of each came in, and how many boards couldn't be read. */
export interface BroughtIn {
  readonly boards: number
  readonly classes: number
  readonly rubrics: number
  readonly unread: number
}

/**
 * Brings in what a teacher took along as a file: boards with their pictures and clips, classes with students and
 * groups, rubrics and sentences. It all comes beside what is there; a class whose name is taken gets a number. What
 * can't be read is left out and counted.
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
  let boards = 0
  for (const one of manifest.boards) {
    const id = await withFolder(async folder => {
      const read = await labour.files.do('board-of-everything', { path, name: one.file, folder })
      return read.ok && read.value.ok ? (await importBoard(db, teacher, read.value.value)).id : null
    })
    if (!id) continue
    boards++
    if (one.organizer || one.putAway) await setOnShelf(db, id, { archived: one.putAway, organizer: one.organizer })
  }
  const made = await classesIn(services, teacher, { manifest, classes })
  for (const rubric of manifest.rubrics) await keepRubric(db, teacher, rubric)
  // The most used is noted last, and so comes first.
  for (const { words } of manifest.sentences.toReversed()) await noteSentence(db, teacher, words)
  return ok({
    boards,
    classes: made,
    rubrics: manifest.rubrics.length,
    unread: manifest.boards.length - boards + manifest.classes.length - made,
  })
}

async function classesIn(services: Told, teacher: string, { classes }: ReadEverything): Promise<number> {
  let made = 0
  for (const one of classes) if (await classIn(services, teacher, one)) made++
  return made
}

const MOST_TRIES = 50
async function classIn(services: Told, teacher: string, file: ClassFile): Promise<boolean> {
  const { db } = services
  const zone = isZone(file.timeZone) ? file.timeZone : undefined
  const created = await createClass(db, teacher, await freeName(db, teacher, file.name), zone)
  if (!created.ok) return false
  const { id } = created.value
  const listed = file.students.map(({ left: _, ...student }) => student)
  if (listed.length) {
    const taken = await takeList(services, id, { students: listed, missing: 'stay' })
    if (!taken.ok) {
      await db.deleteFrom('classes').where('id', '=', id).execute()
      return false
    }
  }
  const rows = await db.selectFrom('students').select(['id', 'name']).where('class_id', '=', id).execute()
  const byName = new Map(rows.map(row => [row.name, row.id]))
  const ids = file.students.map(student => byName.get(student.name))
  const who = (numbers: readonly number[]) => [...new Set(numbers.flatMap(n => ids[n] ?? []))]
  await db.transaction().execute(async trx => {
    await leftAndLevels(trx, id, { file, ids })
    for (const set of file.sets) {
      const groups = set.groups.map(group => ({ ...group, students: who(group.students) }))
      await keepSet(trx, id, { name: set.name, groups })
    }
  })
  const wishes = file.wishes.map(wish => ({ kind: wish.kind, students: who(wish.students) }))
  await keepWishes(
    db,
    id,
    wishes.filter(wish => wish.students.length > 1),
  )
  if (file.putAway) await db.updateTable('classes').set({ put_away_at: new Date() }).where('id', '=', id).execute()
  return true
}

interface OfClass {
  readonly file: ClassFile
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
