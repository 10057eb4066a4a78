import type { Kysely } from 'kysely'
import { isZone } from '../../core/handout/due'
import { ok, type Result } from '../../core/result'
import { foldName } from '../../core/roster/names'
import { makePicturePassword } from '../../core/roster/picturePassword'
import type { Database } from '../database/tables'
import { withFolder } from '../files/folder'
import { unforeseen } from '../http/random'
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
  const listed = file.students.flatMap(({ left, ...student }) => (left ? [] : [student]))
  if (listed.length) {
    const taken = await takeList(services, id, { students: listed, missing: 'stay' })
    if (!taken.ok) {
      await db.deleteFrom('classes').where('id', '=', id).execute()
      return null
    }
  }
  await haveLeft(db, id, file)
  const rows = await db.selectFrom('students').select(['id', 'name']).where('class_id', '=', id).execute()
  const byName = new Map(rows.map(row => [row.name, row.id]))
  const ids = file.students.map(student => byName.get(student.name))
  const who = (numbers: readonly number[]) => [...new Set(numbers.flatMap(n => ids[n] ?? []))]
  const sets: (string | null)[] = []
  await db.transaction().execute(async trx => {
    for (const set of file.sets) {
      const groups = set.groups.map(group => ({ ...group, students: who(group.students) }))
      const kept = await keepSet(trx, id, { name: set.name, groups })
      sets.push(kept.ok ? kept.value.id : null)
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
  await inOrder(db, id, file)
  if (file.putAway) await db.updateTable('classes').set({ put_away_at: new Date() }).where('id', '=', id).execute()
  return came
}

/** Whoever is no longer on the list had a part in what was made. However many they are, the class has room. */
async function haveLeft(db: Kysely<Database>, id: string, { students }: ReadClass['file']): Promise<void> {
  // A list of theirs has each name, and each of the records' numbers, once.
  const taken = new Set(students.flatMap(student => (student.left ? [] : keysOf(student))))
  const gone = students.filter(student => {
    const free = student.left && !keysOf(student).some(key => taken.has(key))
    if (free) for (const key of keysOf(student)) taken.add(key)
    return free
  })
  for (const { name, preferred = null, level = null, record = null } of gone)
    await db
      .insertInto('students')
      .values({
        class_id: id,
        name,
        preferred,
        level,
        record,
        picture_password: makePicturePassword(unforeseen),
        left_at: new Date(),
      })
      .execute()
}
const keysOf = ({ name, record }: { name: string; record?: string | undefined }) => [
  `name ${foldName(name)}`,
  ...(record === undefined ? [] : [`record ${record}`]),
]

/** The teacher's words for levels, from the lowest to the highest. */
async function inOrder(db: Kysely<Database>, id: string, { students, levels }: ReadClass['file']): Promise<void> {
  const used = new Set(students.map(student => student.level))
  const known = [...new Set(levels)].filter(level => used.has(level))
  if (known.length) await db.updateTable('classes').set({ levels: known }).where('id', '=', id).execute()
}

async function freeName(db: Kysely<Database>, teacher: string, name: string): Promise<string> {
  for (let i = 1; i < MOST_TRIES; i++) {
    const tried = i === 1 ? name : `${name.slice(0, 54)} (${i})`
    if (!(await nameTaken(db, teacher, tried))) return tried
  }
  return name
}
