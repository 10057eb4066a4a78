import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Kysely } from 'kysely'
import type { BackdropPicture } from '../core/board/backdrop'
import type { FileHash } from '../core/board/ids'
import { NO_RULES } from '../core/handout/noRules'
import { COPY_EACH } from '../core/handout/settings'
import { connect } from '../server/database/connect'
import { migrate } from '../server/database/migrate'
import type { Database } from '../server/database/tables'
import { readClip } from '../server/files/clip'
import { withFolder } from '../server/files/folder'
import { keepPicture } from '../server/files/keep'
import { keepClip } from '../server/files/keepClip'
import { hashPassword } from '../server/http/passwords'
import { giveOut } from '../server/usecases/giveOut'
import { planHandout } from '../server/usecases/later'
import { postgresWire } from '../server/news/postgres'
import { startJobs, type Jobs } from '../server/jobs'
import { Engine } from '../server/sync/engine'
import { BOARDS, BOAT, HARBOUR, HOLD_ON, WHERE_SEEN } from './boards'
import { exampleBoards } from './examples'
import { makeBoard, type KeptSound } from './makeBoard'
import { CLASSES, demoPictures, TEACHER } from './school'
import { harbourHorn } from './wav'
import { playHandout, playFrames, handOutTried } from './play'

type Db = Kysely<Database>

/** Loads the school unless it is there, and prints how to come in. */
async function loadDemo(db: Db, jobs: Jobs, now = new Date()): Promise<void> {
  await migrate(db)
  const known = await db.selectFrom('teachers').select('id').where('email', '=', TEACHER.email).executeTakeFirst()
  if (known) return
  const { id: teacher } = await db
    .insertInto('teachers')
    .values({
      name: TEACHER.name,
      email: TEACHER.email,
      password_hash: await hashPassword(TEACHER.password),
      email_proven_at: now,
    })
    .returning('id')
    .executeTakeFirstOrThrow()
  const classes = await loadClasses(db, teacher)
  const boards = new Map<string, string>()
  let boat: BackdropPicture | undefined
  const horn = await keepHorn(db, teacher)
  for (const [i, plan] of BOARDS.entries()) {
    const { board, pictures } = await makeBoard(plan, horn)
    for (const picture of pictures) await keepPicture(db, teacher, picture)
    const { id } = await db
      .insertInto('boards')
      .values({
        teacher_id: teacher,
        title: board.title,
        document: JSON.stringify(board),
        updated_at: new Date(now.getTime() - i * 86_400_000),
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    boards.set(plan.title, id)
    boat ??= board.pages[0]!.backdrop.pictures[0]
  }
  for (const [i, { board, work }] of exampleBoards(boat!).entries()) {
    const { id } = await db
      .insertInto('boards')
      .values({
        teacher_id: teacher,
        title: board.title,
        document: JSON.stringify(board),
        updated_at: new Date(now.getTime() - (BOARDS.length + i) * 86_400_000),
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    await handOutTried({
      db,
      board: id,
      classId: classes.get('Friday club')!,
      solved: work,
      start: new Date(now.getTime() - (i + 1) * 3_600_000),
    })
  }
  // The older class is in the middle of its lesson; the younger one has hardly begun.
  await playHandout({
    db,
    teacher,
    board: boards.get(HOLD_ON.title)!,
    classId: classes.get('Year 5/6')!,
    now,
    fate: i => (i < 13 ? 'under-way' : i < 20 ? 'handed-in' : i < 22 ? 'handed-back' : 'not-opened'),
    seed: 56,
    believes: HOLD_ON.misbelief,
  })
  await playFrames({
    db,
    board: boards.get(BOARDS[2]!.title)!,
    parted: boards.get(HARBOUR.title)!,
    classId: classes.get('Year 5/6')!,
    now,
  })
  await giveToEveryone(db, boards.get(BOARDS[3]!.title)!, classes.get('Year 2')!)
  // A sheet that some do on paper and send a photo of.
  await giveOut(db, boards.get(BOAT.title)!, classes.get('Year 2')!, {
    ...COPY_EACH,
    word: 'Draw the part that is missing. If you draw on paper, take a photo of it.',
  })
  await planMore({ db, jobs, board: boards.get(HOLD_ON.title)!, classId: classes.get('Year 2')!, now })
  await playHandout({
    db,
    teacher,
    board: boards.get(WHERE_SEEN.title)!,
    classId: classes.get('Year 2')!,
    now,
    fate: i => (i < 5 ? 'under-way' : 'not-opened'),
    seed: 22,
  })
}

/** The sound that one of the boards has, taken in as if a teacher had sent it. */
const keepHorn = (db: Db, teacher: string): Promise<KeptSound> =>
  withFolder(async folder => {
    const [from, to] = [join(folder, 'came'), join(folder, 'packed')]
    await writeFile(from, harbourHorn())
    const read = await readClip({ from, to })
    if (!read.ok) throw new Error(read.reason)
    const kept = await keepClip(db, teacher, read.value, to)
    if (!kept.ok) throw new Error(kept.reason)
    return { file: read.value.hash as FileHash, seconds: read.value.seconds }
  })

async function loadClasses(db: Db, teacher: string): Promise<Map<string, string>> {
  const ids = new Map<string, string>()
  for (const { name, code, students, levels } of CLASSES) {
    const { id } = await db
      .insertInto('classes')
      .values({ teacher_id: teacher, name, code, levels: [...levels] })
      .returning('id')
      .executeTakeFirstOrThrow()
    ids.set(name, id)
    await db
      .insertInto('students')
      .values(
        students.map((student, i) => ({
          class_id: id,
          name: student,
          picture_password: demoPictures(student),
          level: levels[i % levels.length] ?? null,
        })),
      )
      .execute()
  }
  return ids
}

/** One that goes out by itself next week, and a draft. */
async function planMore({
  db,
  jobs,
  board,
  classId,
  now,
}: {
  readonly db: Db
  readonly jobs: Jobs
  readonly board: string
  readonly classId: string
  readonly now: Date
}): Promise<void> {
  const day = new Date(now.getTime() + 5 * 86_400_000).toISOString().slice(0, 10)
  for (const when of [{ day, time: '08:30' }, null]) {
    const planned = await db
      .transaction()
      .execute(trx => planHandout(trx, jobs, { board, to: { classId }, settings: COPY_EACH, when, now }))
    if (!planned.ok) throw new Error(planned.reason)
  }
}

/** A board on which the whole class works together. */
async function giveToEveryone(db: Db, board: string, classId: string): Promise<void> {
  const given = await giveOut(db, board, classId, {
    ...COPY_EACH,
    mode: 'one-for-everyone',
    handIn: false,
    rules: { ...NO_RULES, approve: true },
  })
  if (!given.ok) throw new Error(given.reason)
}

/** How to come in, for whoever starts the demo. */
function signIns(): string {
  const lines = [`Teacher   ${TEACHER.email}   password: ${TEACHER.password}`]
  for (const { name, code, students } of CLASSES) {
    for (const student of students.slice(0, 2))
      lines.push(`Student   ${name}, code ${code}: ${student}, pictures: ${demoPictures(student).join(', ')}`)
  }
  return lines.join('\n')
}

if (import.meta.url === new URL(process.argv[1] ?? '', 'file:').href) {
  const connection = connect()
  const { db, close } = connection
  await migrate(db)
  const wire = postgresWire(connection.url)
  const jobs = await startJobs({ ...connection, wire, engine: new Engine(connection, wire) })
  await loadDemo(db, jobs)
  await jobs.stop()
  console.log(signIns())
  await close()
}
