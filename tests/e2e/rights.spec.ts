import { readdirSync } from 'node:fs'
import pg from 'pg'
import sharp from 'sharp'
import { Client } from '../../demo/client'
import { expect, giveOutTo, makeLesson, test, type Lesson } from './class'
import { keyedShore } from '../boards'
import { wav } from '../sounds'
import { ACTORS, cast, slateOf } from './cast'
import type { Extra } from './routeRow'
import { ROUTES } from './routes'

/** A lesson whose board shows a picture, so that there is a file to ask for, and has a key that students may ask. */
async function lessonWithPicture(address: string): Promise<{ lesson: Lesson; extra: Extra }> {
  const lesson = await makeLesson(address)
  const form = new FormData()
  form.append(
    'file',
    new Blob([
      new Uint8Array(
        await sharp({ create: { width: 30, height: 20, channels: 3, background: '#789' } })
          .png()
          .toBuffer(),
      ),
    ]),
    'a.png',
  )
  const { hash, width, height } = await lesson.teacher.must<{ hash: string; width: number; height: number }>(
    'POST',
    '/api/files',
    form,
  )
  const clip = await lesson.teacher.must<{ hash: string }>('POST', '/api/clips', new Blob([new Uint8Array(wav(1))]))
  const version = async () =>
    (await lesson.teacher.must<{ version: number }>('GET', `/api/boards/${lesson.board}`)).version
  const { board } = await lesson.teacher.must<{
    board: { pages: { backdrop: { pictures: object[]; clips?: object[] } }[]; keys: object[]; feedback?: string }
  }>('GET', `/api/boards/${lesson.board}`)
  board.pages[0]!.backdrop.pictures = [
    { id: 'p', file: hash, x: 0, y: 0, width: 60, height: 40, pixelWidth: width, pixelHeight: height, alt: '' },
  ]
  board.pages[0]!.backdrop.clips = [
    { id: 's', kind: 'sound', file: clip.hash, x: 0, y: 0, width: 200, height: 60, seconds: 1, name: '' },
  ]
  board.keys = [{ kind: 'sort', id: 'k', page: 'page', homes: { c0: ['z0'], c1: ['z1'] } }]
  board.feedback = 'asked'
  await lesson.teacher.must('PUT', `/api/boards/${lesson.board}`, { version: await version(), board })
  const { id } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${id}`)
  const { id: shown } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId }],
    mode: 'one-for-everyone',
    ownPages: true,
    looking: 'always',
  })
  const withHandout = { ...lesson, handout: id, slates }
  const margin = await lesson.teacher.must<{ id: string }>('POST', `/api/slates/${slateOf(withHandout)}/margin`, {
    item: { kind: 'note', page: 'page', at: { to: 'piece', piece: 'c0' }, text: 'Hm' },
  })
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
      const reply = await clients[actor].ask(
        method,
        row.path(lesson, extra),
        body,
        method === 'DELETE' ? { 'content-length': '0' } : {},
      )
      const what = `${method} ${file} as ${actor}`
      // A route let through may still refuse what was sent; what matters is that it got past the question of who asks.
      if (row.allowed.includes(actor))
        expect.soft([401, 403].includes(reply.status), `${what}: ${reply.status} ${reply.code}`).toBe(false)
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
    const id = {
      boards: lesson.board,
      classes: lesson.classId,
      handouts: lesson.handout,
      slates: lesson.slates[0]!.id,
    }[path]!
    const [theirs, nothing] = [
      await stranger.teacher.ask('GET', `/api/${path}/${id}`),
      await stranger.teacher.ask('GET', `/api/${path}/${none}`),
    ]
    expect([theirs.status, theirs.code]).toEqual([nothing.status, nothing.code])
    expect((await stranger.teacher.ask('GET', `/api/${path}/drop-table`)).status).toBe(404)
  }
})

test('a student never gets the answers, nor the margin before it is handed back', async ({ application }) => {
  const { lesson } = await lessonWithPicture(application.address)
  const student = new Client(application.address)
  await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
  const before = await student.must<{ board: { keys: unknown[] }; margin: unknown[]; review: unknown }>(
    'GET',
    `/api/slates/${slateOf(lesson)}`,
  )
  expect(before.board.keys).toEqual([])
  expect(before.margin).toEqual([])
  expect(before.review).toBeNull()
  await lesson.teacher.must('POST', `/api/slates/${slateOf(lesson)}/hand-back`, {})
  const after = await student.must<{ margin: unknown[]; review: unknown }>('GET', `/api/slates/${slateOf(lesson)}`)
  expect(after.margin).toHaveLength(1)
  expect(after.review).not.toBeNull()
})

test('byte for byte: what a student is given says nothing of the review before it is handed back, and only theirs after', async ({
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'], keyedShore())
  const [own, others] = lesson.students.map(one => lesson.slates.find(slate => slate.name === one.name)!.id)
  const student = new Client(application.address)
  await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
  const given = async () => JSON.stringify(await student.must('GET', `/api/slates/${own}`))
  await given()
  const before = await given()
  // Whatever the teacher writes and decides changes nothing of what they are given …
  for (const [slate, word] of [
    [own, 'SECRET-OWN'],
    [others, 'SECRET-OTHER'],
  ] as const) {
    await lesson.teacher.must('PUT', `/api/slates/${slate}/review`, {
      comment: word,
      decisions: { 'k/c0': 'wrong', 'k/c1': 0.5 },
    })
    const at = { to: 'place', place: 'z0' }
    for (const item of [
      { kind: 'note', page: 'page', at, text: word },
      { kind: 'tick', page: 'page', at },
    ])
      await lesson.teacher.must('POST', `/api/slates/${slate}/margin`, { item })
  }
  expect(await given()).toBe(before)
  // … until it is theirs, and then it is theirs alone.
  await lesson.teacher.must('POST', `/api/slates/${own}/hand-back`, {})
  const after = await given()
  expect(after.split('SECRET-OWN')).toHaveLength(3)
  expect(after).not.toContain('SECRET-OTHER')
  expect((await student.ask('GET', `/api/slates/${others}`)).status).toBe(403)
  // Taken back by another try, what is decided next is hidden again.
  await lesson.teacher.must('POST', `/api/slates/${own}/hand-back`, { again: true })
  const again = await given()
  await lesson.teacher.must('PUT', `/api/slates/${own}/review`, { comment: 'SECRET-NEXT' })
  expect(await given()).toBe(again)
})

test("guessing picture passwords and teachers' passwords is slowed", async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const client = new Client(application.address)
  const codes: (string | undefined)[] = []
  for (let i = 0; i < 12; i++)
    codes.push(
      (
        await client.ask('POST', '/api/join/student', {
          code: lesson.code,
          student: lesson.students[2]!.id,
          pictures: ['bell', 'bell', 'bell'],
        })
      ).code,
    )
  expect(codes.slice(0, 10)).toEqual(Array.from({ length: 10 }, () => 'wrong-pictures'))
  expect(codes.at(-1)).toBe('too-often')
  expect(
    (
      await client.ask('POST', '/api/join/student', {
        code: lesson.code,
        student: lesson.students[2]!.id,
        pictures: lesson.students[2]!.pictures,
      })
    ).code,
  ).toBe('too-often')
  for (let i = 0; i < 8; i++) await client.ask('POST', '/api/session', { email: lesson.email, password: 'wrong' })
  expect((await client.ask('POST', '/api/session', { email: lesson.email, password: lesson.password })).code).toBe(
    'too-often',
  )
})

test('changes from another site are refused', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const reply = await lesson.teacher.ask(
    'POST',
    '/api/classes',
    { name: 'Forged' },
    { origin: 'https://elsewhere.example' },
  )
  expect(reply.status).toBe(403)
})

test('a session that was ended opens nothing any more', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const copy = Object.assign(new Client(application.address), lesson.teacher)
  await lesson.teacher.must('DELETE', '/api/session')
  expect((await copy.ask('GET', '/api/boards')).status).toBe(401)
})

test("every answer is guarded, and what isn't there is not there in JSON", async ({ application }) => {
  const headersOf = async (path: string) => {
    const response = await fetch(`${application.address}${path}`)
    const of = (name: string) => response.headers.get(name)
    return {
      status: response.status,
      type: of('content-type'),
      sniff: of('x-content-type-options'),
      policy: of('content-security-policy')?.slice(0, 18),
      cache: of('cache-control'),
      cookie: of('set-cookie'),
      made: of('x-powered-by'),
    }
  }
  const guarded = { sniff: 'nosniff', policy: "default-src 'self'", cookie: null, made: null }
  expect(await headersOf('/api/session')).toMatchObject({ ...guarded, cache: 'no-store' })
  expect(await headersOf('/api/nothing/here')).toMatchObject({
    ...guarded,
    status: 404,
    type: 'application/json',
    cache: 'no-store',
  })
  expect(await headersOf('/api/_auth/session')).toMatchObject({ status: 404 })
  expect(await headersOf('/mark.svg')).toMatchObject({ ...guarded, status: 200 })
  expect(await headersOf('/sign-in')).toMatchObject({ ...guarded, status: 200 })
  expect(await headersOf('/health')).toMatchObject({ ...guarded, status: 200 })
})

test('what is asked twice with one key is done once, also at the same moment', async ({ application }) => {
  const lesson = await makeLesson(application.address)
  const ask = (path: string, body: object, key: string) =>
    lesson.teacher.ask('POST', path, body, { 'idempotency-key': key })
  const asked = await Promise.all(
    Array.from({ length: 5 }, () =>
      ask(`/api/boards/${lesson.board}/handouts`, { to: [{ classId: lesson.classId }] }, 'give-out-once'),
    ),
  )
  expect(new Set(asked.map(reply => (reply.body as { id: string }).id)).size).toBe(1)
  const boards = await Promise.all(
    Array.from({ length: 4 }, () => ask('/api/boards', { title: 'Twice' }, 'new-board-once')),
  )
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
  const cards = await fetch(`${address}/api/classes/${lesson.classId}/cards`, {
    headers: { cookie: lesson.teacher.cookies },
  })
  expect([
    cards.status,
    cards.headers.get('content-type'),
    Buffer.from(await cards.arrayBuffer())
      .subarray(0, 5)
      .toString(),
  ]).toEqual([200, 'application/pdf', '%PDF-'])
  const { id, name } = lesson.students[0]!
  const client = new pg.Client({ connectionString: application.database })
  await client.connect()
  const linkOf = async () =>
    (await client.query<{ link: string }>('select link from students where id = $1', [id])).rows[0]!.link
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
  for (const end of [
    (c: Client) => c.must('DELETE', '/api/session'),
    () => lesson.teacher.must('POST', `/api/classes/${lesson.classId}/students/${id}/pictures`, {}),
  ]) {
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
