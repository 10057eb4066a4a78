import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrate } from '../../../server/database/migrate'
import { connect } from '../../../server/database/connect'
import { EditionCache } from '../../../server/database/editions'
import { loadStates } from '../../../server/database/loadState'
import { whoOnSlate } from '../../../server/rights/hold'
import { createClass } from '../../../server/usecases/classes'
import { giveOut } from '../../../server/usecases/giveOut'
import { saveBoard } from '../../../server/usecases/boards'
import type { SlateKind } from '../../../core/slate/kind'
import { keepKey } from '../../../core/design/answers'
import { keyId, pageId, pieceId, placeId, shore } from '../../boards'
import { createDatabase, migratedDatabase } from '../../database'
import { makeSchool, type School } from '../../school'

let connection: Awaited<ReturnType<typeof migratedDatabase>>
let school: School
let edition: string
beforeAll(async () => {
  connection = await migratedDatabase()
  school = await makeSchool(connection.db, shore(), 3)
  edition = (await connection.db.selectFrom('handouts').select('edition_hash').executeTakeFirstOrThrow()).edition_hash
})
afterAll(() => connection.close())

describe('the database itself', () => {
  it('is migrated by one of several processes that start at once', async () => {
    const fresh = await createDatabase()
    const processes = [connect(fresh.url), connect(fresh.url), connect(fresh.url)]
    await Promise.all(processes.map(p => migrate(p.db)))
    expect(await processes[0]!.db.selectFrom('teachers').selectAll().execute()).toEqual([])
    await Promise.all(processes.map(p => p.close()))
    await fresh.drop()
  })

  const slate = (kind: SlateKind, over: object = {}) =>
    connection.db
      .insertInto('slates')
      .values({
        handout_id: school.handout,
        class_id: school.classId,
        kind,
        name: kind === 'frame' ? 'Oak' : null,
        edition_hash: edition,
        ...over,
      })
      .returning('id')
      .executeTakeFirstOrThrow()
  const member = (slate_id: string, kind: SlateKind, student_id: string, hand: number, over: object = {}) =>
    connection.db
      .insertInto('slate_members')
      .values({
        slate_id,
        handout_id: school.handout,
        class_id: school.classId,
        kind,
        student_id,
        hand,
        part: null,
        ...over,
      })
      .execute()

  it('keeps what was there before slates had several people', async () => {
    const fresh = await createDatabase()
    const old = connect(fresh.url)
    await migrate(old.db, '0002_shelf')
    const board = JSON.stringify(shore())
    await old.pool.query(`
      insert into teachers (id, email, name, password_hash) values ('00000000-0000-4000-8000-000000000001', 'a@ternhaven.example', 'A', 'none');
      insert into classes (id, teacher_id, name, code) values ('00000000-0000-4000-8000-000000000002', '00000000-0000-4000-8000-000000000001', 'Old', 'ABCDEFG');
      insert into students (id, class_id, name, picture_password) values ('00000000-0000-4000-8000-000000000003', '00000000-0000-4000-8000-000000000002', 'Ada', array['sun', 'cat', 'key']);
      insert into boards (id, teacher_id, title, document) values ('00000000-0000-4000-8000-000000000004', '00000000-0000-4000-8000-000000000001', 'Old', '${board}');
      insert into editions (hash, document) values ('${'a'.repeat(64)}', '${board}');
      insert into handouts (id, board_id, class_id, edition_hash, mode) values ('00000000-0000-4000-8000-000000000005', '00000000-0000-4000-8000-000000000004',
        '00000000-0000-4000-8000-000000000002', '${'a'.repeat(64)}', 'copy-each');
      insert into slates (id, handout_id, class_id, student_id, status, last_number) values ('00000000-0000-4000-8000-000000000006', '00000000-0000-4000-8000-000000000005',
        '00000000-0000-4000-8000-000000000002', '00000000-0000-4000-8000-000000000003', 'under-way', 2);
      insert into moves (slate_id, number, id, move, inverse, student_id) values
        ('00000000-0000-4000-8000-000000000006', 1, 'first-move', '{"kind": "put", "piece": "c0", "x": 7, "y": 7}', '{"kind": "shelve", "piece": "c0"}', '00000000-0000-4000-8000-000000000003'),
        ('00000000-0000-4000-8000-000000000006', 2, 'second-move', '{"kind": "start-again"}', '{"kind": "restore", "pieces": {"c0": {"x": 7, "y": 7, "z": 1}}, "texts": {}, "arrows": {}, "strokes": []}', null);
      insert into snapshots (slate_id, number, state) values ('00000000-0000-4000-8000-000000000006', 1, '{"pieces": {"c0": {"x": 7, "y": 7, "z": 1}}}')`)
    await migrate(old.db)
    const slate = '00000000-0000-4000-8000-000000000006'
    expect(
      await loadStates(old.db, new EditionCache(), [{ id: slate, edition: 'a'.repeat(64), last: 2 }]),
    ).toMatchObject(new Map([[slate, { number: 2, state: { pieces: {} } }]]))
    expect(
      await whoOnSlate(
        old.db,
        {
          kind: 'student',
          id: '00000000-0000-4000-8000-000000000003',
          classId: '00000000-0000-4000-8000-000000000002',
          name: 'Ada',
          session: '',
        },
        slate,
      ),
    ).toMatchObject({ role: 'holder', hold: { actor: { author: 'student:1' } } })
    expect((await old.db.selectFrom('moves').select('by').execute()).map(m => m.by)).toEqual(['student:1', 'student:1'])
    await old.close()
    await fresh.drop()
  })

  it('does not let a student have a second slate of their own in one handout, whatever kind it is', async () => {
    const { student } = school.slates[0]!
    for (const kind of ['copy', 'frame', 'page'] as const) {
      const { id } = await slate(kind)
      await expect(member(id, kind, student, 1)).rejects.toThrow(/slate_members_own/)
    }
    const { id } = await slate('class')
    await member(id, 'class', student, 1)
    await expect(slate('class')).rejects.toThrow(/slates_one_for_everyone/)
  })

  it('does not let a copy have two students, a member another class, or a membership lie about the slate', async () => {
    const { id } = school.slates[0]!
    const {
      rows: [fresh],
    } = await sql<{
      id: string
    }>`insert into students (class_id, name, picture_password) values (${school.classId}, 'Nobody Yet', array['sun', 'cat', 'key']) returning id`.execute(
      connection.db,
    )
    await expect(member(id, 'copy', fresh!.id, 2)).rejects.toThrow(/slate_members_alone/)
    await expect(member(id, 'frame', fresh!.id, 2)).rejects.toThrow(/foreign key/)
    const other = await makeSchool(connection.db, shore(), 1, 'other@ternhaven.example')
    const frame = await slate('frame')
    await expect(member(frame.id, 'frame', other.slates[0]!.student, 1)).rejects.toThrow(/foreign key/)
    await expect(slate('frame', { name: null })).rejects.toThrow(/check/)
    await sql`delete from students where id = ${fresh!.id}`.execute(connection.db)
  })

  it("counts a slate's epoch on whatever decides on it changes, and not for its moves", async () => {
    const { id, student } = school.slates[1]!
    const epoch = async () =>
      (await connection.db.selectFrom('slates').select('epoch').where('id', '=', id).executeTakeFirstOrThrow()).epoch
    const before = await epoch()
    await sql`update slates set last_number = last_number + 1, moved_at = now() where id = ${id}`.execute(connection.db)
    expect(await epoch()).toBe(before)
    await sql`update slates set last_number = last_number - 1 where id = ${id}`.execute(connection.db)
    const changes = [
      sql`update slates set paused_at = now() where id = ${id}`,
      sql`update slates set closed_at = now() where id = ${id}`,
      sql`update slates set paused_at = null, closed_at = null where id = ${id}`,
      sql`update slates set status = 'under-way' where id = ${id}`,
      sql`update handouts set paused_at = now() where id = ${school.handout}`,
      sql`update handouts set paused_at = null where id = ${school.handout}`,
      sql`update slate_members set part = 2 where slate_id = ${id} and student_id = ${student}`,
    ]
    for (const [i, change] of changes.entries()) {
      await change.execute(connection.db)
      expect(await epoch()).toBe(before + i + 1)
    }
  })

  it('breaks off a transaction whose connection breaks between two questions, and takes nothing else along', async () => {
    const broken: Error[] = []
    const hear = (error: Error) => void broken.push(error)
    process.on('uncaughtExceptionMonitor', hear)
    const work = connection.db.transaction().execute(async trx => {
      const {
        rows: [row],
      } = await sql<{ pid: number }>`select pg_backend_pid() as pid`.execute(trx)
      const gone = new Promise(resolve => {
        connection.pool.once('remove', resolve)
        setTimeout(resolve, 1000)
      })
      await sql`select pg_terminate_backend(${row!.pid}, 5000)`.execute(connection.db)
      await gone
      await sql`select 1`.execute(trx)
    })
    await expect(work).rejects.toThrow()
    process.off('uncaughtExceptionMonitor', hear)
    expect(broken).toEqual([])
    expect((await sql<{ one: number }>`select 1 as one`.execute(connection.db)).rows).toEqual([{ one: 1 }])
  })
  it('does not let an edition or a move be changed', async () => {
    await expect(sql`update editions set document = '{}'`.execute(connection.db)).rejects.toThrow(/never changed/)
    await sql`insert into moves (slate_id, number, id, move, inverse, by) values (${school.slates[0]!.id}, 1, 'abcdefgh', '{}', '{}', 'student:1')`.execute(
      connection.db,
    )
    await expect(sql`update moves set move = '{"kind":"start-again"}'`.execute(connection.db)).rejects.toThrow(
      /never changed/,
    )
  })
})

describe('giving out', () => {
  it('stores one edition for the same board, and another once it has changed', async () => {
    const count = async () =>
      Number(
        (
          await connection.db
            .selectFrom('editions')
            .select(e => e.fn.countAll().as('n'))
            .executeTakeFirstOrThrow()
        ).n,
      )
    const before = await count()
    await giveOut(connection.db, school.board, school.classId)
    expect(await count()).toBe(before)
    const changed = keepKey(shore(), {
      kind: 'sort',
      id: keyId('k'),
      page: pageId('page'),
      homes: { [pieceId('c0')]: [placeId('z0')] },
    })
    expect(
      await saveBoard({ db: connection.db, id: school.board, teacher: school.teacher, board: changed, version: 1 }),
    ).toEqual({ ok: true, value: { version: 2 } })
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
    const { version } = await connection.db
      .selectFrom('boards')
      .select('version')
      .where('id', '=', school.board)
      .executeTakeFirstOrThrow()
    expect(
      await saveBoard({ db: connection.db, id: school.board, teacher: school.teacher, board: shore(), version }),
    ).toMatchObject({ ok: true })
    expect(
      await saveBoard({ db: connection.db, id: school.board, teacher: school.teacher, board: shore(), version }),
    ).toEqual({ ok: false, reason: { code: 'changed-elsewhere', version: version + 1 } })
  })

  it('is refused when it shows a file that its teacher never put in', async () => {
    const board = shore()
    board.pages[0]!.backdrop.pictures = [
      {
        id: 'p',
        file: 'b'.repeat(64) as never,
        x: 0,
        y: 0,
        width: 10,
        height: 10,
        pixelWidth: 10,
        pixelHeight: 10,
        alt: '',
      },
    ]
    const { version } = await connection.db
      .selectFrom('boards')
      .select('version')
      .where('id', '=', school.board)
      .executeTakeFirstOrThrow()
    expect(await saveBoard({ db: connection.db, id: school.board, teacher: school.teacher, board, version })).toEqual({
      ok: false,
      reason: { code: 'not-yours' },
    })
  })
})
