import type { Kysely } from 'kysely'
import { EVERYTHING, MANIFEST_FILE, type ClassFile, type Manifest } from '../../../core/along/everything'
import { asJson, numbered } from '../../../core/format/fileNames'
import type { Database } from '../../database/tables'
import type { ZipEntry } from '../../files/zipFile'
import { exportBoard } from '../boards'
import { BY_NAME } from '../classes'
import type { Packing } from './classYear'
import { EachOnce } from './eachOnce'
import { handoutFiles } from './handoutFiles'

type Db = Kysely<Database>

/**
 * All that a teacher has: every board with its pictures and clips, rubrics, sentences, and every class that is theirs
 * with its groups, its handouts and their slates. A board is a whole file of its own; what it has no room for, and what
 * else is shown and played, lies beside it, each once.
 */
export async function* everything(db: Db, teacher: string, { begun, progress }: Packing): AsyncGenerator<ZipEntry> {
  const { name } = await db.selectFrom('teachers').select('name').where('id', '=', teacher).executeTakeFirstOrThrow()
  const boards = await db
    .selectFrom('boards')
    .select(['id', 'title', 'organizer', 'archived_at'])
    .where('teacher_id', '=', teacher)
    .orderBy('created_at')
    .execute()
  const classes = await db
    .selectFrom('classes')
    .select(['id', 'name'])
    .where('teacher_id', '=', teacher)
    .orderBy('created_at')
    .execute()
  await begun(boards.length + classes.length)
  let done = 0
  const fileOf = new Map(boards.map(({ id, title }, i) => [id, `boards/${numbered(i + 1, title)}.board.json`]))
  const once = new EachOnce(db)
  for (const { id } of boards) {
    yield* once.board(fileOf.get(id)!, await exportBoard(db, id))
    progress(++done)
  }
  const folders = classes.map((one, i) => `classes/${numbered(i + 1, one.name)}`)
  for (const [i, { id }] of classes.entries()) {
    const { students, groupIds, ...file } = await classFile(db, id)
    const listed = students.map(({ id: _, ...student }) => student)
    yield { name: `${folders[i]}/class.json`, content: asJson({ ...file, students: listed } satisfies ClassFile) }
    const numbers = new Map(students.map((student, n) => [student.id, n]))
    const names = { students: numbers, sets: groupIds, boards: fileOf }
    yield* handoutFiles(db, { classId: id, folder: folders[i]!, once, ...names })
    progress(++done)
  }
  const rubrics = await db
    .selectFrom('rubrics')
    .select(['name', 'criteria'])
    .where('teacher_id', '=', teacher)
    .execute()
  const sentences = await db
    .selectFrom('sentences')
    .select(['words', 'used'])
    .where('teacher_id', '=', teacher)
    .orderBy('used', 'desc')
    .limit(300)
    .execute()
  const manifest: Manifest = {
    format: EVERYTHING,
    version: 2,
    made: new Date().toISOString(),
    teacher: name,
    boards: boards.map(({ id, organizer, archived_at }) => ({
      file: fileOf.get(id)!,
      organizer,
      putAway: archived_at !== null,
    })),
    classes: folders.map(folder => ({ file: `${folder}/class.json` })),
    rubrics,
    sentences,
  }
  yield { name: MANIFEST_FILE, content: asJson(manifest) }
}

async function classFile(db: Db, id: string) {
  const one = await db
    .selectFrom('classes')
    .select(['name', 'levels', 'time_zone', 'put_away_at'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  const rows = await db
    .selectFrom('students')
    .select(['id', 'name', 'preferred', 'level', 'record', 'left_at'])
    .where('class_id', '=', id)
    .orderBy(BY_NAME)
    .execute()
  const numbers = new Map(rows.map((row, i) => [row.id, i]))
  const who = (ids: readonly string[]) => ids.flatMap(student => numbers.get(student) ?? [])
  const sets = await db.selectFrom('group_sets').select(['id', 'name']).where('class_id', '=', id).execute()
  const groups = await db
    .selectFrom('groups')
    .select(['id', 'set_id', 'name', 'mark'])
    .where('class_id', '=', id)
    .orderBy('position')
    .execute()
  const members = await db
    .selectFrom('group_students')
    .select(['group_id', 'student_id'])
    .where('class_id', '=', id)
    .execute()
  const wishes = await db.selectFrom('wishes').select(['id', 'kind']).where('class_id', '=', id).execute()
  const wished = await db
    .selectFrom('wish_students')
    .select(['wish_id', 'student_id'])
    .where('class_id', '=', id)
    .execute()
  const absences = await db
    .selectFrom('absences')
    .select(['day', 'student_id'])
    .where('class_id', '=', id)
    .orderBy('day')
    .execute()
  return {
    format: 'dappled-slate/class' as const,
    version: 1 as const,
    name: one.name,
    levels: one.levels,
    timeZone: one.time_zone,
    putAway: one.put_away_at !== null,
    students: rows.map(({ id: student, name, preferred, level, record, left_at }) => ({
      id: student,
      name,
      ...(preferred !== null && { preferred }),
      ...(level !== null && { level }),
      ...(record !== null && { record }),
      left: left_at !== null,
    })),
    groupIds: sets.map(set => ({
      id: set.id,
      groups: groups.filter(group => group.set_id === set.id).map(group => group.id),
    })),
    sets: sets.map(set => ({
      name: set.name,
      groups: groups
        .filter(group => group.set_id === set.id)
        .map(group => ({
          name: group.name,
          mark: group.mark,
          students: who(members.filter(m => m.group_id === group.id).map(m => m.student_id)),
        })),
    })),
    wishes: wishes.map(wish => ({
      kind: wish.kind,
      students: who(wished.filter(one => one.wish_id === wish.id).map(one => one.student_id)),
    })),
    absences: absences.flatMap(({ day, student_id }) =>
      who([student_id]).map(student => ({ day: String(day), student })),
    ),
  }
}
