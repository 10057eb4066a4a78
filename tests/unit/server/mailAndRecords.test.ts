import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { passwordMatches } from '../../../server/http/passwords'
import { startMail, type Mail } from '../../../server/mail'
import { recordsAt, type Records } from '../../../server/records/records'
import { mailLink, newLink, proveAddress, setPassword } from '../../../server/usecases/mailedLinks'
import { startMailbox } from '../../../standins/mail'
import { RecordsService, WELL, type RecordedSchool } from '../../../standins/records'
import { TERNHAVEN } from '../../../standins/ternhaven'
import { shore } from '../../boards'
import { listener, twoProcesses, until, type TwoProcesses } from '../../lesson'

const HOLT = 'maren.holt@ternhaven.example'

describe('mailed links', () => {
  let two: TwoProcesses
  let box: Awaited<ReturnType<typeof startMailbox>>
  let mail: Mail
  const EMAIL = 'teacher@ternhaven.example'
  beforeAll(async () => {
    two = await twoProcesses(shore(), 1)
    box = await startMailbox()
    mail = startMail({ MAIL_URL: box.url, PUBLIC_URL: 'https://slates.ternhaven.example/' })!
  })
  afterAll(async () => {
    await box.close()
    await two.close()
  })
  const linkIn = (text: string) => /#(\S+)/.exec(text)![1]!
  it('come as letters that lead to this very application, and give a new password once', async () => {
    const { db } = two.connection
    await mailLink(db, mail, EMAIL, 'new-password')
    const [letter] = box.letters
    expect(letter).toMatchObject({ to: EMAIL, subject: 'A new password for Dappled Slate' })
    expect(letter!.text).toContain('https://slates.ternhaven.example/new-password#')
    const link = linkIn(letter!.text)
    expect(JSON.stringify(await db.selectFrom('mailed_links').selectAll().execute())).not.toContain(link)
    const { id: session } = await db
      .insertInto('sessions')
      .values({ teacher_id: two.school.teacher, student_id: null, ends_at: new Date(Date.now() + 60_000) })
      .returning('id')
      .executeTakeFirstOrThrow()
    const there = listener('there', session)
    two.engines[1].hub.join(there)
    // Clicked many times at once, it is used once.
    const results = await Promise.all(
      Array.from({ length: 4 }, (_, i) => setPassword(two.services, link, `another password ${i}`)),
    )
    expect(results.filter(Boolean)).toEqual([{ id: two.school.teacher, name: 'T. Est' }])
    const { password_hash, email_proven_at } = await db
      .selectFrom('teachers')
      .select(['password_hash', 'email_proven_at'])
      .where('id', '=', two.school.teacher)
      .executeTakeFirstOrThrow()
    expect(await passwordMatches(`another password ${results.findIndex(Boolean)}`, password_hash)).toBe(true)
    expect(email_proven_at).not.toBeNull()
    // Whoever was signed in with the old one is out.
    await until(() => there.over)
    expect(await setPassword(two.services, link, 'once more, please')).toBeNull()
  })
  it("open nothing after an hour, after a newer one, or for another purpose; and to nobody's address nothing goes", async () => {
    const { db } = two.connection
    const now = new Date()
    const [old, fresh] = [
      await newLink(db, two.school.teacher, 'prove-address'),
      await newLink(db, two.school.teacher, 'prove-address', now),
    ]
    expect(await proveAddress(db, old)).toBe(false)
    expect(await setPassword(two.services, fresh, 'ten letters or more')).toBeNull()
    expect(await proveAddress(db, fresh, new Date(now.getTime() + 3_600_000))).toBe(false)
    expect(await proveAddress(db, fresh, new Date(now.getTime() + 3_599_000))).toBe(true)
    const before = box.letters.length
    await mailLink(db, mail, 'nobody@ternhaven.example', 'new-password')
    expect(box.letters.length).toBe(before)
  })
  it('a mail server that is away breaks nothing, and half a setting stops the start', async () => {
    const gone = startMail({ MAIL_URL: 'smtp://127.0.0.1:1', PUBLIC_URL: 'https://slates.ternhaven.example' })!
    await expect(gone.send({ to: EMAIL, subject: 'x', text: 'x' })).resolves.toBeUndefined()
    expect(startMail({})).toBeNull()
    expect(() => startMail({ MAIL_URL: box.url })).toThrow('PUBLIC_URL')
  })
})

describe("the school's records", () => {
  const large: RecordedSchool = {
    teachers: [...TERNHAVEN.teachers, { id: 'many', email: 'many@ternhaven.example', classes: ['all'] }],
    classes: [
      ...TERNHAVEN.classes,
      {
        id: 'all',
        title: 'All',
        students: Array.from({ length: 180 }, (_, i) => ({ id: `s${i}`, given: `Given${i}`, family: 'Family' })),
      },
    ],
  }
  const service = new RecordsService(large)
  let server: Server
  let url: string
  let records: Records
  const asked: string[] = []
  beforeAll(async () => {
    server = createServer((request, response) => {
      asked.push(request.url!)
      void service.answer(request, response)
    })
    await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    records = recordsAt({ url, client: service.client, secret: service.secret })
  })
  afterAll(() => void server.close())
  afterEach(() => void (service.behaviour = { ...WELL }))

  it("say which classes are a teacher's, and who is in them, and ask for no more than a list needs", async () => {
    expect(await records.classesOf(HOLT)).toEqual({
      ok: true,
      value: {
        passedOver: 0,
        classes: [
          { record: 'y2', title: 'Year 2' },
          { record: 'y34', title: 'Year 3/4' },
          { record: 'y56', title: 'Year 5/6' },
        ],
      },
    })
    const read = await records.studentsOf(HOLT, 'y56')
    if (!read.ok) throw new Error(read.reason)
    const names = read.value.students.map(s => s.name)
    expect(names).toHaveLength(24)
    expect(names).toContain('Tilde Groyne')
    // To be deleted, and no student.
    expect(names).not.toContain('Piet Umber')
    expect(names).not.toContain('Hal Bight')
    expect(read.value.students.find(s => s.name === 'Noor Quill')).toEqual({
      name: 'Noor Quill',
      record: 'y56-23',
      preferred: 'Nour',
    })
    expect(asked.at(-1)).toContain(
      'fields=sourcedId,status,enabledUser,givenName,familyName,preferredFirstName,role,roles&',
    )
  })
  it("give nobody else's class, and nothing to who isn't theirs", async () => {
    expect(await records.studentsOf(HOLT, 'y1')).toEqual({ ok: false, reason: 'not-found' })
    expect(await records.classesOf('nobody@ternhaven.example')).toEqual({
      ok: true,
      value: { classes: [], passedOver: 0 },
    })
    expect(await records.classesOf("x' OR email!='@ternhaven.example")).toEqual({
      ok: true,
      value: { classes: [], passedOver: 0 },
    })
  })
  it('are read page by page to the end, however small the pages', async () => {
    service.behaviour.page = 7
    const read = await records.studentsOf('many@ternhaven.example', 'all')
    expect(read.ok && new Set(read.value.students.map(s => s.record)).size).toBe(180)
  })
  it('are asked again when they fail now and then, and said to be away when they go on failing or are too slow', async () => {
    service.behaviour.fail = 2
    expect((await records.classesOf(HOLT)).ok).toBe(true)
    service.behaviour.fail = 100
    expect(await records.classesOf(HOLT)).toEqual({ ok: false, reason: 'records-away' })
    service.behaviour = { ...WELL, slow: 2000 }
    const impatient = recordsAt({ url, client: service.client, secret: service.secret, pageWithin: 20 })
    expect(await impatient.classesOf(HOLT)).toEqual({ ok: false, reason: 'records-away' })
  })
  it('that answer half are taken by none: broken off, or stopped after a page', async () => {
    service.behaviour.half = true
    expect(await records.classesOf(HOLT)).toEqual({ ok: false, reason: 'records-odd' })
    service.behaviour = { ...WELL, page: 50, stops: true }
    expect(await records.studentsOf('many@ternhaven.example', 'all')).toEqual({ ok: false, reason: 'records-half' })
  })
  it('with odd rows give all the others, and say how many were passed over', async () => {
    service.behaviour.odd = true
    const read = await records.studentsOf(HOLT, 'y2')
    expect(read).toMatchObject({ ok: true, value: { passedOver: 6 } })
    expect(read.ok && read.value.students).toHaveLength(16)
  })
})
