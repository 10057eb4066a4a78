import { LARGEST_MESSAGE } from '../../core/sync/messages'
import { readdirSync } from 'node:fs'
import pg from 'pg'
import sharp from 'sharp'
import { Client } from '../client'
import type { Socket } from '../client'
import { expect, giveOutTo, makeLesson, test, type Lesson } from './class'
import { wav } from '../sounds'
import { ACTORS, ROUTES, slateOf, type Cast, type Extra } from './routes'

async function cast(address: string, lesson: Lesson, stranger: Lesson): Promise<Cast> {
  const enter = async (l: Lesson, i: number) => {
    const client = new Client(address)
    await client.enter(l.code, l.students[i]!.id, l.students[i]!.pictures)
    return client
  }
  return {
    nobody: new Client(address), student: await enter(lesson, 0), otherStudent: await enter(lesson, 1),
    strangerStudent: await enter(stranger, 0), otherTeacher: stranger.teacher, owner: lesson.teacher,
  }
}

/** A lesson whose board shows a picture, so that there is a file to ask for, and has a key that students may ask. */
async function lessonWithPicture(address: string): Promise<{ lesson: Lesson, extra: Extra }> {
  const lesson = await makeLesson(address)
  const form = new FormData()
  form.append('file', new Blob([new Uint8Array(await sharp({ create: { width: 30, height: 20, channels: 3, background: '#789' } }).png().toBuffer())]), 'a.png')
  const { hash, width, height } = await lesson.teacher.must<{ hash: string, width: number, height: number }>('POST', '/api/files', form)
  const clip = await lesson.teacher.must<{ hash: string }>('POST', '/api/clips', new Blob([new Uint8Array(wav(1))]))
  const version = async () => (await lesson.teacher.must<{ version: number }>('GET', `/api/boards/${lesson.board}`)).version
  const { board } = await lesson.teacher.must<{ board: { pages: { backdrop: { pictures: object[], clips?: object[] } }[], keys: object[], feedback?: string } }>('GET', `/api/boards/${lesson.board}`)
  board.pages[0]!.backdrop.pictures = [{ id: 'p', file: hash, x: 0, y: 0, width: 60, height: 40, pixelWidth: width, pixelHeight: height, alt: '' }]
  board.pages[0]!.backdrop.clips = [{ id: 's', kind: 'sound', file: clip.hash, x: 0, y: 0, width: 200, height: 60, seconds: 1, name: '' }]
  board.keys = [{ kind: 'sort', id: 'k', page: 'page', homes: { c0: ['z0'], c1: ['z1'] } }]
  board.feedback = 'asked'
  await lesson.teacher.must('PUT', `/api/boards/${lesson.board}`, { version: await version(), board })
  const { id } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${id}`)
  const { id: shown } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }], mode: 'one-for-everyone', ownPages: true, looking: 'always' })
  const withHandout = { ...lesson, handout: id, slates }
  const margin = await lesson.teacher.must<{ id: string }>('POST', `/api/slates/${slateOf(withHandout)}/margin`, { kind: 'note', page: 'page', piece: 'c0', text: 'Hm' })
  return { lesson: withHandout, extra: { file: hash, clip: clip.hash, shown, margin: margin.id, board, version } }
}

test('every route lets through whom it should, and nobody else', async ({ application }) => {
  const files = readdirSync('server/api', { recursive: true, encoding: 'utf8' }).filter(f => f.endsWith('.ts'))
  expect(Object.keys(ROUTES).toSorted()).toEqual(files.toSorted())
  const { lesson, extra } = await lessonWithPicture(application.address)
  const stranger = await makeLesson(application.address)
  const clients = await cast(application.address, lesson, stranger)
  for (const [file, row] of Object.entries(ROUTES)) {
    const method = /\.(get|post|put|delete)\.ts$/.exec(file)![1]!.toUpperCase()
    for (const actor of ACTORS) {
      const body = await row.body?.(lesson, extra)
      const reply = await clients[actor].ask(method, row.path(lesson, extra), body, method === 'DELETE' ? { 'content-length': '0' } : {})
      const what = `${method} ${file} as ${actor}`
      // A route let through may still refuse what was sent; what matters is that it got past the question of who asks.
      if (row.allowed.includes(actor)) expect.soft([401, 403].includes(reply.status), `${what}: ${reply.status} ${reply.code}`).toBe(false)
      else if (row.allowed.length > 0) expect.soft(reply.status, what).toBe(actor === 'nobody' ? 401 : 403)
      else expect.soft([400, 401, 404, 429], what).toContain(reply.status)
      expect.soft(reply.status, what).toBeLessThan(500)
    }
  }
})

test('what is not there and what is not yours look the same', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const stranger = await makeLesson(application.address)
  const none = '00000000-0000-4000-8000-000000000000'
  for (const path of ['boards', 'classes', 'handouts', 'slates']) {
    const id = { boards: lesson.board, classes: lesson.classId, handouts: lesson.handout, slates: lesson.slates[0]!.id }[path]!
    const [theirs, nothing] = [await stranger.teacher.ask('GET', `/api/${path}/${id}`), await stranger.teacher.ask('GET', `/api/${path}/${none}`)]
    expect([theirs.status, theirs.code]).toEqual([nothing.status, nothing.code])
    expect((await stranger.teacher.ask('GET', `/api/${path}/drop-table`)).status).toBe(404)
  }
})

test('a student never gets the answers, nor the margin before it is handed back', async ({ application }) => {
  const { lesson } = await lessonWithPicture(application.address)
  const student = new Client(application.address)
  await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
  const before = await student.must<{ board: { keys: unknown[] }, margin: unknown[], review: unknown }>('GET', `/api/slates/${slateOf(lesson)}`)
  expect(before.board.keys).toEqual([])
  expect(before.margin).toEqual([])
  expect(before.review).toBeNull()
  await lesson.teacher.must('POST', `/api/slates/${slateOf(lesson)}/hand-back`, {})
  const after = await student.must<{ margin: unknown[], review: unknown }>('GET', `/api/slates/${slateOf(lesson)}`)
  expect(after.margin).toHaveLength(1)
  expect(after.review).not.toBeNull()
})

test('guessing picture passwords and teachers\' passwords is slowed', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const client = new Client(application.address)
  const codes: (string | undefined)[] = []
  for (let i = 0; i < 12; i++) codes.push((await client.ask('POST', '/api/join/student', { code: lesson.code, student: lesson.students[2]!.id, pictures: ['bell', 'bell', 'bell'] })).code)
  expect(codes.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => 'wrong-pictures'))
  expect(codes.at(-1)).toBe('too-often')
  expect((await client.ask('POST', '/api/join/student', { code: lesson.code, student: lesson.students[2]!.id, pictures: lesson.students[2]!.pictures })).code).toBe('too-often')
  for (let i = 0; i < 8; i++) await client.ask('POST', '/api/session', { email: lesson.email, password: 'wrong' })
  expect((await client.ask('POST', '/api/session', { email: lesson.email, password: lesson.password })).code).toBe('too-often')
})

test('changes from another site are refused', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const reply = await lesson.teacher.ask('POST', '/api/classes', { name: 'Forged' }, { origin: 'https://elsewhere.example' })
  expect(reply.status).toBe(403)
})

test('a session that was ended opens nothing any more', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const copy = Object.assign(new Client(application.address), lesson.teacher)
  await lesson.teacher.must('DELETE', '/api/session')
  expect((await copy.ask('GET', '/api/boards')).status).toBe(401)
})

test('every answer is guarded, and what isn\'t there is not there in JSON', async ({ application }) => {
  const headersOf = async (path: string) => {
    const response = await fetch(`${application.address}${path}`)
    const of = (name: string) => response.headers.get(name)
    return { status: response.status, type: of('content-type'), sniff: of('x-content-type-options'), policy: of('content-security-policy')?.slice(0, 18), cache: of('cache-control'), cookie: of('set-cookie'), made: of('x-powered-by') }
  }
  const guarded = { sniff: 'nosniff', policy: 'default-src \'self\'', cookie: null, made: null }
  expect(await headersOf('/api/session')).toMatchObject({ ...guarded, cache: 'no-store' })
  expect(await headersOf('/api/nothing/here')).toMatchObject({ ...guarded, status: 404, type: 'application/json', cache: 'no-store' })
  expect(await headersOf('/api/_auth/session')).toMatchObject({ status: 404 })
  expect(await headersOf('/mark.svg')).toMatchObject({ ...guarded, status: 200 })
  expect(await headersOf('/sign-in')).toMatchObject({ ...guarded, status: 200 })
  expect(await headersOf('/health')).toMatchObject({ ...guarded, status: 200 })
})

test('what is asked twice with one key is done once, also at the same moment', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const ask = (path: string, body: object, key: string) => lesson.teacher.ask('POST', path, body, { 'idempotency-key': key })
  const asked = await Promise.all(Array.from({ length: 5 }, () => ask(`/api/boards/${lesson.board}/handouts`, { to: [{ classId: lesson.classId }] }, 'give-out-once')))
  expect(new Set(asked.map(reply => (reply.body as { id: string }).id)).size).toBe(1)
  const boards = await Promise.all(Array.from({ length: 4 }, () => ask('/api/boards', { title: 'Twice' }, 'new-board-once')))
  expect(new Set(boards.map(reply => (reply.body as { id: string }).id)).size).toBe(1)
  // A refusal keeps no key.
  expect((await ask('/api/classes', { name: 'Test class' }, 'new-class-once')).code).toBe('taken')
  expect((await ask('/api/classes', { name: 'Another' }, 'new-class-once')).status).toBe(200)
  expect((await ask('/api/classes', { name: 'x' }, 'no')).code).toBe('bad-request')
})

test('a handout is taken back while nobody has opened it', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const { id } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
  expect((await lesson.teacher.ask('DELETE', `/api/handouts/${id}`)).status).toBe(200)
  expect((await lesson.teacher.ask('GET', `/api/handouts/${id}`)).status).toBe(403)
  const student = new Client(application.address)
  await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
  await student.must('GET', `/api/slates/${slateOf(lesson)}`)
  expect((await lesson.teacher.ask('DELETE', `/api/handouts/${lesson.handout}`)).code).toBe('not-now')
})

test('a personal link leads in without a word, until it is changed; cards are a PDF', async ({ application, page }) => {
  const { address } = application
  const lesson = await makeLesson(address)
  const cards = await fetch(`${address}/api/classes/${lesson.classId}/cards`, { headers: { cookie: lesson.teacher.cookies } })
  expect([cards.status, cards.headers.get('content-type'), Buffer.from(await cards.arrayBuffer()).subarray(0, 5).toString()]).toEqual([200, 'application/pdf', '%PDF-'])
  const { id, name } = lesson.students[0]!
  const client = new pg.Client({ connectionString: application.database })
  await client.connect()
  const linkOf = async () => (await client.query<{ link: string }>('select link from students where id = $1', [id])).rows[0]!.link
  const before = await linkOf()
  await page.goto(`${address}/come/${before}`)
  await expect(page.getByRole('heading', { name: 'My desk' })).toBeVisible()
  await expect(page.getByText(name)).toBeVisible()
  await lesson.teacher.must('POST', `/api/classes/${lesson.classId}/students/${id}/link`, { to: 'new' })
  const reply = await new Client(address).ask('POST', '/api/join/link', { link: before })
  expect([reply.status, reply.code]).toEqual([404, 'no-such-link'])
  await page.goto(`${address}/come/${before}`)
  await expect(page.getByText('This link opens nothing any more')).toBeVisible()
  expect((await new Client(address).ask('POST', '/api/join/link', { link: await linkOf() })).status).toBe(200)
  await client.end()
})

test('signing out, and new pictures, end the sockets of that session', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const { id, pictures } = lesson.students[0]!
  for (const end of [(c: Client) => c.must('DELETE', '/api/session'), () => lesson.teacher.must('POST', `/api/classes/${lesson.classId}/students/${id}/pictures`, {})]) {
    const student = new Client(application.address)
    await student.enter(lesson.code, id, pictures)
    const socket = await student.socket()
    socket.say({ say: 'open', slate: slateOf(lesson), since: 0 })
    await socket.hear(m => m.say === 'slate')
    await end(student)
    await socket.hear(m => m.say === 'refused' && m.code === 'signed-out')
    await expect.poll(() => socket.open).toBe(false)
    expect((await student.ask('GET', '/api/desk')).status).toBe(401)
  }
})

test.describe('over the socket', () => {
  const move = (id: string, piece = 'c0', x = 100) => ({ id, move: { kind: 'put', piece, x, y: 100 } })
  const refused = (socket: Socket, code: string) => socket.hear(m => m.say === 'refused' && m.code === code)

  test('nobody gets in, and only the holder moves', async ({ application }) => {
    const lesson = await makeLesson(application.address)
    const stranger = await makeLesson(application.address)
    const clients = await cast(application.address, lesson, stranger)
    await expect(clients.nobody.socket()).rejects.toThrow(/401/)
    const slate = slateOf(lesson)
    for (const actor of ['otherStudent', 'strangerStudent', 'otherTeacher', 'owner', 'student'] as const) {
      const socket = await clients[actor].socket()
      socket.say({ say: 'open', slate, since: 0 })
      const mayRead = actor === 'owner' || actor === 'student'
      if (mayRead) await socket.hear(m => m.say === 'slate')
      else await refused(socket, 'not-yours')
      socket.say({ say: 'moves', slate, moves: [move(`move-of-${actor}`)] })
      if (actor === 'student') await socket.hear(m => m.say === 'moves' && m.moves[0]!.id === 'move-of-student')
      else await refused(socket, 'not-yours')
      socket.say({ say: 'walk', handout: lesson.handout })
      if (actor === 'owner') await socket.hear(m => m.say === 'walking')
      else await refused(socket, 'not-yours')
      socket.close()
    }
    const view = await lesson.teacher.must<{ number: number }>('GET', `/api/slates/${slate}`)
    expect(view.number).toBe(1)
  })

  test('who may look sees the work move, and reaches nothing else of it; who came by a code is like any student of their class', async ({ application }) => {
    const { address } = application
    const lesson = await makeLesson(address)
    const { teacher } = lesson
    const { id: handout } = await giveOutTo(teacher, lesson.board, { to: [{ classId: lesson.classId }], mode: 'one-for-everyone', ownPages: true, looking: 'after-hand-in' })
    const enter = async (i: number) => {
      const client = new Client(address)
      await client.enter(lesson.code, lesson.students[i]!.id, lesson.students[i]!.pictures)
      return client
    }
    const [ada, bo] = [await enter(0), await enter(1)]
    const [pageOfAda, pageOfBo] = [(await ada.must<{ id: string }>('POST', `/api/handouts/${handout}/page`, {})).id, (await bo.must<{ id: string }>('POST', `/api/handouts/${handout}/page`, {})).id]
    const socket = await bo.socket()
    socket.say({ say: 'open', slate: pageOfAda, since: 0 })
    await refused(socket, 'not-yours')
    await bo.must('GET', `/api/slates/${pageOfBo}`)
    await bo.must('POST', `/api/slates/${pageOfBo}/hand-in`, {})
    socket.say({ say: 'open', slate: pageOfAda, since: 0 })
    await socket.hear(m => m.say === 'slate' && m.slate === pageOfAda)
    socket.say({ say: 'moves', slate: pageOfAda, moves: [move('move-of-a-looker')] })
    await refused(socket, 'not-yours')
    const mover = await ada.socket()
    mover.say({ say: 'open', slate: pageOfAda, since: 0 })
    mover.say({ say: 'moves', slate: pageOfAda, moves: [move('move-of-the-holder')] })
    await socket.hear(m => m.say === 'moves' && m.slate === pageOfAda && m.moves[0]!.id === 'move-of-the-holder')
    for (const [method, path, body] of [['GET', '', undefined], ['GET', '/feedback', undefined], ['POST', '/hand-in', {}], ['PUT', '/name', { name: 'Mine' }], ['PUT', '/review', { decisions: {}, comment: '' }]] as const) {
      expect((await bo.ask(method, `/api/slates/${pageOfAda}${path}`, body)).status, path).toBe(403)
    }
    const { handouts: [open] } = await teacher.must<{ handouts: { id: string, code: string }[] }>('POST', `/api/boards/${lesson.board}/handouts`, { newcomers: true })
    const guest = new Client(address)
    await guest.must('POST', '/api/join/newcomer', { code: open!.code, name: 'Guest' })
    const [own] = await guest.must<{ id: string }[]>('GET', '/api/desk')
    expect((await guest.ask('GET', `/api/slates/${own!.id}`)).status).toBe(200)
    for (const path of [`/api/slates/${pageOfAda}`, `/api/handouts/${handout}/others`, `/api/handouts/${handout}/frames`, `/api/handouts/${open!.id}`, `/api/classes/${lesson.classId}`]) expect((await guest.ask('GET', path)).status, path).toBe(403)
    // Twice from one device is one person.
    expect(await guest.must('POST', '/api/join/newcomer', { code: open!.code, name: 'Guest' })).toMatchObject({ name: 'Guest' })
    socket.close()
    mover.close()
  })

  test('whatever is sent, the answer is a reason, the connection lives, and the slate is unchanged', async ({ application }) => {
    const lesson = await makeLesson(application.address)
    const slate = slateOf(lesson)
    const student = new Client(application.address)
    await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
    const socket = await student.socket()
    socket.say({ say: 'open', slate, since: 0 })
    await socket.hear(m => m.say === 'slate')
    const other = lesson.slates.find(s => s.name === 'Bo Kelp')!.id
    const sent = (id: string, deed: object) => ({ say: 'moves', slate, moves: [{ id, move: deed }] })
    const BAD: [unknown, string][] = [
      ['not json at all {', 'malformed'],
      [{ say: 'shout' }, 'malformed'],
      [[], 'malformed'],
      [{ say: 'moves', slate: 'no-uuid', moves: [move('m-xxxxxxx')] }, 'malformed'],
      [{ say: 'moves', slate, moves: [] }, 'malformed'],
      [{ say: 'moves', slate, moves: [{ id: 'm-unknown', move: { kind: 'move-zone', place: 'z0', x: 1, y: 1 } }] }, 'malformed'],
      [{ say: 'moves', slate, moves: [{ id: 'm-unknown', move: { kind: 'delete-backdrop' } }] }, 'malformed'],
      [`{"say":"moves","slate":"${slate}","moves":[{"id":"m-infinite","move":{"kind":"put","piece":"c0","x":1e999,"y":1}}]}`, 'malformed'],
      [{ say: 'moves', slate, moves: [move('m-far-off', 'c0', 100_000)] }, 'malformed'],
      [{ say: 'moves', slate, moves: [move('m-off-page', 'c0', 5000)] }, 'off-page'],
      [{ say: 'moves', slate, moves: [move('m-ghost-x', 'ghost')] }, 'unknown-piece'],
      [{ say: 'moves', slate: other, moves: [move('m-others')] }, 'not-yours'],
      [{ say: 'moves', slate: '00000000-0000-4000-8000-000000000000', moves: [move('m-nowhere')] }, 'not-yours'],
      [sent('m-write-x', { kind: 'write', in: 'z0', text: 'on the backdrop' }), 'not-allowed'],
      [sent('m-draw-xx', { kind: 'draw', stroke: 'stroke-1', place: 'z0', points: [[1, 1]] }), 'not-allowed'],
      [sent('m-draw-no', { kind: 'draw', stroke: 'stroke-1', place: 'z0', points: [['1', null]] }), 'malformed'],
      [sent('m-join-xx', { kind: 'connect', from: 'c0', to: 'c1' }), 'not-allowed'],
      [sent('m-copy-xx', { kind: 'put', piece: 'c0~copy', x: 1, y: 1 }), 'unknown-piece'],
      [sent('m-turn-xx', { kind: 'turn', piece: 'c0', turn: 90, flipped: false }), 'not-allowed'],
      [sent('m-restore', { kind: 'restore', pieces: { c0: { x: -5, y: 1, z: 1 } }, texts: {}, arrows: {}, strokes: [] }), 'off-page'],
      [sent('m-restor2', { kind: 'restore', pieces: {}, texts: { '__proto__:0': 'x' }, arrows: {}, strokes: [] }), 'unknown-place'],
      ['x'.repeat(LARGEST_MESSAGE + 1), 'too-big'],
    ]
    for (const [message, code] of BAD) {
      socket.say(message)
      const answer = await socket.hear(m => m.say === 'refused')
      expect.soft(answer, JSON.stringify(message).slice(0, 100)).toMatchObject({ code })
      expect.soft((answer as { detail: string }).detail.length).toBeGreaterThan(10)
    }
    expect(socket.open).toBe(true)
    // One bad move does not take its neighbours with it.
    socket.say({ say: 'moves', slate, moves: [move('m-good-1'), { id: 'm-bad-one', move: 7 }, move('m-good-2', 'c1')] })
    expect(await socket.hear(m => m.say === 'refused')).toMatchObject({ code: 'malformed', id: 'm-bad-one' })
    await socket.hear(m => m.say === 'moves' && m.moves.some(x => x.id === 'm-good-2'))
    for (let i = 0; i < 400; i++) socket.say({ say: 'close', slate })
    await refused(socket, 'too-fast')
    expect(socket.open).toBe(true)

    await student.must('POST', `/api/slates/${slate}/hand-in`, {})
    const later = await student.socket()
    later.say({ say: 'moves', slate, moves: [move('m-too-late')] })
    await refused(later, 'handed-in')
    const view = await lesson.teacher.must<{ number: number, state: { pieces: object } }>('GET', `/api/slates/${slate}`)
    expect(view.number).toBe(2)
    expect(Object.keys(view.state.pieces)).toEqual(['c0', 'c1'])
    expect(application.output()).not.toMatch(/Error|"level":(50|60)/)
    later.close()
    socket.close()
  })
})
