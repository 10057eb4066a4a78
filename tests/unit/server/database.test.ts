import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrate } from '../../../server/database/migrate'
import { connect } from '../../../server/database/connect'
import { addStudents, classWithStudents, createClass } from '../../../server/usecases/classes'
import { giveOut } from '../../../server/usecases/giveOut'
import { saveBoard } from '../../../server/usecases/boards'
import { keepKey } from '../../../core/design/answers'
import { keyId, pageId, pieceId, placeId, shore } from '../../boards'
import { createDatabase, migratedDatabase } from '../../database'
import { makeSchool, type School } from '../../school'

let connection: Awaited<ReturnType<typeof migratedDatabase>>
let school: School
beforeAll(async () => {
  connection = await migratedDatabase()
  school = await makeSchool(connection.db, shore(), 3)
})
afterAll(() => connection.close())

describe('the database itself', () => {
  it('is migrated by one of several processes that start at once', async () => {
    const fresh = await createDatabase()
    const processes = [connect(fresh.url), connect(fresh.url), connect(fresh.url)]
    await Promise.all(processes.map(p => migrate(p.db)))
    expect(await processes[0]!.db.selectFrom('teachers').selectAll().execute()).toEqual([])
    await Promise.all(processes.map(p => p.db.destroy()))
    await fresh.drop()
  })

  it('does not let a student have a second slate of one handout', async () => {
    const { student } = school.slates[0]!
    await expect(connection.db.insertInto('slates').values({ handout_id: school.handout, class_id: school.classId, student_id: student, opened_at: null, moved_at: null, handed_in_at: null, handed_back_at: null }).execute()).rejects.toThrow(/unique/)
  })

  it('does not let a slate belong to a student of another class', async () => {
    const other = await makeSchool(connection.db, shore(), 1, 'other@ternhaven.example')
    await expect(connection.db.insertInto('slates').values({ handout_id: school.handout, class_id: school.classId, student_id: other.slates[0]!.student, opened_at: null, moved_at: null, handed_in_at: null, handed_back_at: null }).execute()).rejects.toThrow(/foreign key/)
  })

  it('does not let an edition or a move be changed', async () => {
    await expect(sql`update editions set document = '{}'`.execute(connection.db)).rejects.toThrow(/never changed/)
    await sql`insert into moves (slate_id, number, id, move, inverse) values (${school.slates[0]!.id}, 1, 'abcdefgh', '{}', '{}')`.execute(connection.db)
    await expect(sql`update moves set move = '{"kind":"start-again"}'`.execute(connection.db)).rejects.toThrow(/never changed/)
  })
})

describe('a class list', () => {
  it('is taken whole or not at all', async () => {
    const made = await createClass(connection.db, school.teacher, 'Half')
    if (!made.ok) throw new Error(made.reason)
    const bad = await addStudents(connection.db, made.value.id, 'Ada\nBram\nada')
    expect(bad).toMatchObject({ ok: false, reason: [{}, {}, { problem: 'double' }] })
    expect((await classWithStudents(connection.db, made.value.id)).students).toEqual([])
    expect(await addStudents(connection.db, made.value.id, 'Ada\n\nنور\nZoë')).toEqual({ ok: true, value: { added: 3 } })
    expect(await addStudents(connection.db, made.value.id, '')).toMatchObject({ ok: false })
  })

  it('gives those who join late a slate at once', async () => {
    await addStudents(connection.db, school.classId, 'Late Comer')
    const slates = await connection.db.selectFrom('slates').select('id').where('handout_id', '=', school.handout).execute()
    expect(slates).toHaveLength(4)
  })

  it('can\'t have two classes of one name with one teacher', async () => {
    expect(await createClass(connection.db, school.teacher, 'Class')).toEqual({ ok: false, reason: 'taken' })
  })
})

describe('giving out', () => {
  it('stores one edition for the same board, and another once it has changed', async () => {
    const count = async () => Number((await connection.db.selectFrom('editions').select(e => e.fn.countAll().as('n')).executeTakeFirstOrThrow()).n)
    const before = await count()
    await giveOut(connection.db, school.board, school.classId)
    expect(await count()).toBe(before)
    const changed = keepKey(shore(), { kind: 'sort', id: keyId('k'), page: pageId('page'), homes: { [pieceId('c0')]: [placeId('z0')] } })
    expect(await saveBoard(connection.db, school.board, school.teacher, changed, 1)).toEqual({ ok: true, value: { version: 2 } })
    await giveOut(connection.db, school.board, school.classId)
    expect(await count()).toBe(before + 1)
  })

  it('is refused for a class without students', async () => {
    const made = await createClass(connection.db, school.teacher, 'Empty')
    if (!made.ok) throw new Error(made.reason)
    expect(await giveOut(connection.db, school.board, made.value.id)).toEqual({ ok: false, reason: 'no-students' })
  })
})

describe('keeping a board', () => {
  it('is refused when somebody else has kept a newer one', async () => {
    const { version } = await connection.db.selectFrom('boards').select('version').where('id', '=', school.board).executeTakeFirstOrThrow()
    expect(await saveBoard(connection.db, school.board, school.teacher, shore(), version)).toMatchObject({ ok: true })
    expect(await saveBoard(connection.db, school.board, school.teacher, shore(), version)).toEqual({ ok: false, reason: { code: 'changed-elsewhere', version: version + 1 } })
  })

  it('is refused when it shows a file that its teacher never put in', async () => {
    const board = shore()
    board.pages[0]!.backdrop.pictures = [{ id: 'p', file: 'b'.repeat(64) as never, x: 0, y: 0, width: 10, height: 10, pixelWidth: 10, pixelHeight: 10, alt: '' }]
    const { version } = await connection.db.selectFrom('boards').select('version').where('id', '=', school.board).executeTakeFirstOrThrow()
    expect(await saveBoard(connection.db, school.board, school.teacher, board, version)).toEqual({ ok: false, reason: { code: 'not-yours' } })
  })
})
