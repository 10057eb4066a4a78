import type { Kysely } from 'kysely'
import { isZone } from '../../../core/handout/due'
import { foldName } from '../../../core/roster/names'
import { makePicturePassword } from '../../../core/roster/picturePassword'
import type { Database } from '../../database/tables'
import { unforeseen } from '../../http/random'
import type { ReadClass } from '../../reading/everything'
import { createClass, nameTaken, takeList } from '../classes'
import { keepSet, keepWishes } from '../groups'
import { handoutIn, type SlatesIn } from './handouts'
import type { Unpacking } from './unpacking'

const MOST_TRIES = 50
const AT_ONCE = 1000

/** Where what a class's handouts name is now. */
export interface ClassHere {
  readonly id: string
  /** By number in the class's file. */
  readonly students: readonly (string | undefined)[]
  /** In the order of the class's file; null for one that couldn't be kept. */
  readonly sets: readonly ({ readonly id: string; readonly groups: readonly string[] } | null)[]
}

/**
 * A class with all that was made in it; a name that is taken gets a number. Null where it can't be made. `begun` is
 * told its id before anything else is done: broken off later it can be dropped.
 */
export async function classIn(
  unpacking: Unpacking,
  { file, handouts }: ReadClass,
  begun: (id: string) => Promise<unknown>,
): Promise<SlatesIn | null> {
  const { services, teacher } = unpacking
  const { db } = services
  const zone = isZone(file.timeZone) ? file.timeZone : undefined
  const created = await createClass(db, teacher, await freeName(db, teacher, file.name), zone)
  if (!created.ok) return null
  const { id } = created.value
  await begun(id)
  const listed = file.students.flatMap(({ left, ...student }) => (left ? [] : [student]))
  if (listed.length) {
    const taken = await takeList(services, id, { students: listed, missing: 'stay' })
    if (!taken.ok) {
      await db.deleteFrom('classes').where('id', '=', id).execute()
      return null
    }
  }
  await haveLeft(db, id, file)
  const here = await hereNow(db, id, file)
  const came = { slates: 0, unread: 0 }
  for (const handout of handouts) {
    const made = await handoutIn(unpacking, handout, here)
    came.slates += made?.slates ?? 0
    came.unread += made?.unread ?? 1
  }
  await inOrder(db, id, file)
  if (file.putAway) await db.updateTable('classes').set({ put_away_at: new Date() }).where('id', '=', id).execute()
  return came
}

/** Its groups, wishes and absences, and who everybody is here. */
async function hereNow(db: Kysely<Database>, id: string, file: ReadClass['file']): Promise<ClassHere> {
  const rows = await db.selectFrom('students').select(['id', 'name']).where('class_id', '=', id).execute()
  const byName = new Map(rows.map(row => [row.name, row.id]))
  const students = file.students.map(student => byName.get(student.name))
  const who = (numbers: readonly number[]) => [...new Set(numbers.flatMap(n => students[n] ?? []))]
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
  const absences = file.absences.flatMap(({ day, student }) =>
    who([student]).map(student_id => ({ class_id: id, student_id, day })),
  )
  for (let i = 0; i < absences.length; i += AT_ONCE)
    await db
      .insertInto('absences')
      .values(absences.slice(i, i + AT_ONCE))
      .onConflict(c => c.doNothing())
      .execute()
  return { id, students, sets: await setsOf(db, sets) }
}

/** The groups of a class's sets, in the order of its file. */
function setsOf(db: Kysely<Database>, ids: readonly (string | null)[]): Promise<ClassHere['sets']> {
  return Promise.all(
    ids.map(async id => {
      if (id === null) return null
      const groups = await db.selectFrom('groups').select('id').where('set_id', '=', id).orderBy('position').execute()
      return { id, groups: groups.map(group => group.id) }
    }),
  )
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
