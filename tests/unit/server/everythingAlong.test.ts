import { randomUUID } from 'node:crypto'
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync, zipSync } from 'fflate'
import { sql } from 'kysely'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ClassFile, Manifest } from '../../../core/along/everything'
import { MANIFEST_FILE } from '../../../core/along/everything'
import type { HandoutFile } from '../../../core/along/handout'
import type { SlateFile } from '../../../core/along/slate'
import type { Board } from '../../../core/board/board'
import { filesOf } from '../../../core/board/files'
import type { FileHash } from '../../../core/board/ids'
import { readBoardFile } from '../../../core/format/boardFile'
import { seeded } from '../../../core/layout/random'
import type { WrittenItem } from '../../../core/margin/item'
import { readClip } from '../../../server/files/clip'
import { keepPicture } from '../../../server/files/keep'
import { keepClip } from '../../../server/files/keepClip'
import { readPicture } from '../../../server/files/picture'
import { TASKS } from '../../../server/labour/tasks'
import { writeZip } from '../../../server/files/zipFile'
import { readEverything, slateOfEverything } from '../../../server/reading/everything'
import { openZipOnDisk } from '../../../server/reading/zipOnDisk'
import { exportBoard } from '../../../server/usecases/boards'
import { EachOnce } from '../../../server/usecases/parcel/eachOnce'
import { correctHandout } from '../../../server/usecases/editions'
import { markOpened } from '../../../server/usecases/openness'
import { askQuestion, changeQuestion, setJar, vote } from '../../../server/usecases/lesson/jar'
import { nudge } from '../../../server/usecases/lesson/nudges'
import { planHandout } from '../../../server/usecases/later'
import { packParcel } from '../../../server/usecases/parcels'
import { parcelsThatCame, takeParcel, unpackParcel } from '../../../server/usecases/parcelsThatCome'
import { addToMargin, saveReview } from '../../../server/usecases/review'
import { keepSlatePicture } from '../../../server/usecases/slatePictures'
import { beginAgain } from '../../../server/usecases/tries'
import { COPY_EACH } from '../../../core/handout/settings'
import { keyedShore, middleOf, pageId, pieceId } from '../../boards'
import { twoProcesses, type TwoProcesses } from '../../lesson'
import { anotherTeacher, broughtIn, namesIn, packed, parcelServices, textIn, type Files } from '../../parcels'
import { wav } from '../../sounds'

let two: TwoProcesses
let folder: string
const EVERYTHING = { kind: 'everything' } as const
const BOX = { x: 20, y: 20, width: 40, height: 30 }
const jobs = { at: () => Promise.resolve(), stop: () => Promise.resolve() }

async function soundOf(seconds: number): Promise<FileHash> {
  const [from, to] = [join(folder, `${seconds}.wav`), join(folder, `${seconds}.packed`)]
  await writeFile(from, wav(seconds))
  const clip = await readClip({ from, to })
  if (!clip.ok) throw new Error(clip.reason)
  await keepClip(two.connection.db, two.school.teacher, clip.value, to)
  return clip.value.hash as FileHash
}
async function pictureOf(colour: string) {
  const bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: colour } })
    .png()
    .toBuffer()
  const picture = await readPicture(bytes)
  if (!picture.ok) throw new Error(picture.reason)
  return picture.value
}

/** A lesson with everything that can happen in one, on a board with a picture, a sound, and a page more later on. */
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'along-'))
  const plain = keyedShore()
  two = await twoProcesses(plain, 4)
  const { db } = two.connection
  const { slates, teacher, classId, handout, board: boardId } = two.school
  const all = parcelServices(two)
  const photo = await pictureOf('#4477aa')
  await keepPicture(db, teacher, photo)
  const [page] = plain.pages
  const corrected: Board = {
    ...plain,
    spoken: { file: await soundOf(2), seconds: 2 },
    pages: [
      {
        ...page!,
        backdrop: {
          ...page!.backdrop,
          pictures: [
            { id: 'p1', file: photo.hash as FileHash, alt: 'a shore', ...BOX, pixelWidth: 40, pixelHeight: 30 },
          ],
        },
      },
    ],
  }
  const [first, second, third] = slates as [(typeof slates)[0], (typeof slates)[0], (typeof slates)[0]]
  const put = (slate: typeof first, id: string, piece: string, zone: string) =>
    two.submit(slate.id, two.as(slate.student), [
      { id: `along-${id}-xxxx`, move: { kind: 'put', piece: pieceId(piece), ...middleOf(plain, zone) } },
    ])
  for (const { id } of slates) await markOpened(two.services, id)
  await put(first, 'one', 'c0', 'z2')
  await db
    .updateTable('boards')
    .set({ document: JSON.stringify(corrected) })
    .where('id', '=', boardId)
    .execute()
  await correctHandout(all, handout)
  await put(first, 'two', 'c1', 'z1')
  const say = (item: WrittenItem) => addToMargin(two.services, first.id, teacher, { item, shown: true })
  const at = { to: 'piece', piece: pieceId('c0') } as const
  const heard = await say({ kind: 'spoken', page: pageId('page'), at, file: await soundOf(3), seconds: 3 })
  expect(heard.ok).toBe(true)
  await db
    .updateTable('slates')
    .set({ status: 'handed-back', handed_in_at: new Date(), handed_back_at: new Date() })
    .where('id', '=', first.id)
    .execute()
  await saveReview(all, first.id, teacher, { comment: 'Nearly' })
  expect(await beginAgain(all, first.id, true)).toMatchObject({ ok: true })
  await put(first, 'three', 'c0', 'z1')
  const drawn = await pictureOf('#aa7744')
  await keepSlatePicture({ services: all, slate: second.id, id: 'photo-1-xxxx', by: 'student:1', picture: drawn })
  await db.updateTable('slate_pictures').set({ approved_at: new Date() }).execute()
  await nudge(all, handout, { teacher, words: 'Five minutes more', slates: [second.id, third.id] })
  await setJar(all, handout, { open: true, named: true })
  const [asked, other] = [randomUUID(), randomUUID()]
  await askQuestion(all, handout, first.student, { id: asked, words: 'Do crabs count?' })
  await askQuestion(all, handout, second.student, { id: other, words: 'What is kelp?' })
  await vote(all, { handout, question: asked, student: second.student }, 1)
  await vote(all, { handout, question: asked, student: third.student }, -1)
  await changeQuestion(all, { handout, question: other, teacher }, { answered: true })
  const { id: call } = await db
    .insertInto('callouts')
    .values({ handout_id: handout, number: 1, page: 0, target: '256' })
    .returning('id')
    .executeTakeFirstOrThrow()
  await db.updateTable('callouts').set({ ended_at: new Date() }).execute()
  await db
    .insertInto('builds')
    .values({ callout_id: call, slate_id: first.id, number: 2, is_there: 'there', way: '2 × 100', after_s: 41 })
    .execute()
  await db.insertInto('absences').values({ class_id: classId, student_id: third.student, day: '2026-11-03' }).execute()
  const draft = await db
    .transaction()
    .execute(trx =>
      planHandout(trx, jobs, {
        board: boardId,
        to: {
          classId,
          students: [first.student, second.student],
          versions: [{ name: 'Shorter', without: { pages: [], pieces: [pieceId('c2')] }, students: [second.student] }],
        },
        settings: COPY_EACH,
        when: null,
      }),
    )
  expect(draft.ok).toBe(true)
})
afterAll(async () => {
  await two.close()
  await rm(folder, { recursive: true })
})

/** What the files say, without what is called otherwise where it came to: hashes, and names of files after them. */
function said(files: Files): unknown[] {
  const known = new Map<string, string>()
  const plain = (text: string) =>
    text.replace(/[0-9a-f]{64}/g, hash => known.get(hash) ?? known.set(hash, `file ${known.size}`).get(hash)!)
  return namesIn(files, /^classes\/001[^/]*\/.*\.json$/)
    .toSorted()
    .map(name => JSON.parse(plain(textIn(files, name))) as unknown)
}

describe('what goes along', () => {
  it('is all of it: what was spoken, asked, called out, nudged and tried, drafts and absences; each file once', async () => {
    const files = await packed(two, folder, EVERYTHING)
    const read = <T>(name: RegExp) => namesIn(files, name).map(one => JSON.parse(textIn(files, one)) as T)
    const handouts = read<HandoutFile>(/handout\.json$/)
    const [handout, draft] = [handouts.find(one => one.given)!, handouts.find(one => !one.given)!]
    expect(handout.questions.map(({ words, votes }) => [words, votes.map(one => one.up).toSorted()])).toEqual([
      ['Do crabs count?', [false, true]],
      ['What is kelp?', []],
    ])
    expect(handout.callOuts).toMatchObject([{ target: '256', builds: [{ is: 'there', way: '2 × 100', after: 41 }] }])
    expect(namesIn(files, /slates\//)).toContain(handout.callOuts[0]!.builds[0]!.slate)
    expect(draft).toMatchObject({ plan: { students: [expect.any(Number), expect.any(Number)], set: null } })
    expect(draft.plan!.versions.map(one => one.length)).toEqual([1])
    const slates = read<SlateFile>(/slates\//)
    const tried = slates.find(one => one.tries.length)!
    expect(tried.tries).toMatchObject([{ number: 2, review: { comment: 'Nearly' } }])
    expect(tried.editionChanges).toMatchObject([{ number: 1 }])
    expect(slates.flatMap(one => one.nudges.map(({ words }) => words))).toEqual(Array(2).fill('Five minutes more'))
    expect(read<ClassFile>(/class\.json$/)[0]!.absences).toEqual([{ day: '2026-11-03', student: expect.any(Number) }])
    // The board's picture and sound, what was spoken in the margin, and a student's picture.
    expect(namesIn(files, /^files\//)).toHaveLength(4)
    const spoken = tried.margin.flatMap(({ item }) => (item.kind === 'spoken' ? [item.file] : []))
    expect(namesIn(files, new RegExp(`^files/${spoken[0]}`))).toHaveLength(1)
  })

  it('has a board whose file would be too large to be read again without its pictures in it: they lie beside it', async () => {
    const { db } = two.connection
    const file = await exportBoard(db, two.school.board)
    const entries = async (most?: number) => {
      const names: string[] = []
      let board = ''
      for await (const { name, content } of new EachOnce(db).board('b.board.json', file, most)) {
        names.push(name)
        if (typeof content === 'string') board = content
      }
      return { names, read: readBoardFile(JSON.parse(board)) }
    }
    const [whole, parted] = [await entries(), await entries(1000)]
    expect(whole.names).toEqual(['b.board.json'])
    expect(
      parted.names
        .slice(1)
        .map(name => name.slice(6, 70))
        .toSorted(),
    ).toEqual(filesOf(file.board).toSorted())
    expect(whole.read).toMatchObject({ ok: true, value: { board: file.board, pictures: file.pictures } })
    expect(parted.read).toMatchObject({ ok: true, value: { board: file.board, pictures: {}, clips: {} } })
  })

  it('comes in elsewhere, and taken along from there it is the same', async () => {
    const files = await packed(two, folder, EVERYTHING)
    const path = join(folder, 'there.zip')
    await writeFile(path, zipSync(files))
    const teacher = await anotherTeacher(two)
    expect(await broughtIn(two, teacher, path)).toMatchObject({ ok: true, value: { slates: 4, unread: 0 } })
    const again = await packed(two, folder, EVERYTHING, teacher)
    const [mine, theirs] = [said(files), said(again)]
    // A jar is closed where it came to, and the class has a number behind its name.
    const open = (one: unknown) => JSON.stringify(one).replaceAll('"open":true', '"open":false')
    const named = (one: unknown) => open(one).replace(/"name":"Class( \(\d\))?"/, '"name":"Class"')
    expect(theirs.map(named)).toEqual(mine.map(named))
    // The try before is there with what lay where, as it was then.
    const { db } = two.connection
    const tries = await db
      .selectFrom('tries')
      .innerJoin('slates', 'slates.id', 'tries.slate_id')
      .innerJoin('classes', 'classes.id', 'slates.class_id')
      .select(['tries.state', 'classes.teacher_id'])
      .execute()
    const [before, after] = [two.school.teacher, teacher].map(who => tries.find(one => one.teacher_id === who)!.state)
    expect(after).toEqual(before)
  })

  it('goes on where it was broken off, and nothing comes twice', async () => {
    const files = await packed(two, folder, EVERYTHING)
    const path = join(folder, 'broken-off.zip')
    await writeFile(path, zipSync(files))
    const teacher = await anotherTeacher(two)
    const { db } = two.connection
    const services = parcelServices(two)
    const taken = await takeParcel(services, teacher, path)
    const id = taken.ok ? taken.value.id : ''
    // The process dies while a slate is read: nothing that comes after it is done, not even that it is told.
    const dying = Object.assign(new Error('gone'), { gone: true })
    let slates = 0
    const never = new Promise<never>(() => {})
    const { files: pool } = services.labour
    const died = new Promise<void>(resolve => {
      const broken = {
        do: (name: string, input: never) => {
          if (name !== 'slate-of-everything' || ++slates < 3) return pool.do(name as never, input)
          resolve()
          return never
        },
      }
      void unpackParcel({ ...services, labour: { ...services.labour, files: broken as never } }, id).catch(() => dying)
    })
    await died
    const classesNow = () => db.selectFrom('classes').select('id').where('teacher_id', '=', teacher).execute()
    expect(await classesNow()).toHaveLength(1)
    expect((await parcelsThatCame(db, teacher))[0]).toMatchObject({ status: 'making', came: { boards: 1, slates: 0 } })
    await unpackParcel(services, id)
    expect((await parcelsThatCame(db, teacher))[0]).toMatchObject({
      status: 'ready',
      came: { boards: 1, classes: 1, slates: 4, unread: 0 },
    })
    expect(await classesNow()).toHaveLength(1)
    expect(await db.selectFrom('boards').select('id').where('teacher_id', '=', teacher).execute()).toHaveLength(1)
    // Asked for once more it does nothing, and as a parcel to be packed it is none.
    await unpackParcel(services, id)
    await packParcel(services, id)
    expect(await classesNow()).toHaveLength(1)
    expect((await parcelsThatCame(db, teacher))[0]!.status).toBe('ready')
  })

  it('is tried again where the database was away for a moment, and ends where something else went wrong', async () => {
    const path = join(folder, 'away.zip')
    await writeFile(path, zipSync(await packed(two, folder, EVERYTHING)))
    const services = parcelServices(two)
    const failing = (message: string) => {
      let slates = 0
      const files = {
        do: (name: string, input: never) =>
          name === 'slate-of-everything' && ++slates === 3
            ? Promise.reject(new Error(message))
            : services.labour.files.do(name as never, input),
      }
      return { ...services, labour: { ...services.labour, files: files as never } }
    }
    const { db } = two.connection
    for (const [message, status, slates] of [
      ['Connection terminated unexpectedly', 'ready', 4],
      ['nobody foresaw this', 'failed', 0],
    ] as const) {
      const teacher = await anotherTeacher(two)
      const taken = await takeParcel(services, teacher, path)
      const id = taken.ok ? taken.value.id : ''
      const first = await unpackParcel(failing(message), id).then(
        () => 'ended',
        () => 'to be tried again',
      )
      expect(first).toBe(status === 'ready' ? 'to be tried again' : 'ended')
      await unpackParcel(services, id)
      const [parcel] = await parcelsThatCame(db, teacher)
      expect([parcel!.status, parcel!.came.slates]).toEqual([status, slates])
    }
  })

  it('waits its turn while three are under way, and not for one that was lost on the way', async () => {
    const { db } = two.connection
    const path = join(folder, 'turn.zip')
    await writeFile(path, zipSync(await packed(two, folder, EVERYTHING)))
    const teacher = await anotherTeacher(two)
    const take = () => takeParcel(parcelServices(two), teacher, path)
    const taken = [await take(), await take(), await take()]
    expect(taken.every(one => one.ok)).toBe(true)
    expect(await take()).toEqual({ ok: false, reason: 'busy' })
    const yesterday = new Date(Date.now() - 25 * 3600 * 1000)
    const [first] = taken
    await sql`update parcels set asked_at = ${yesterday} where id = ${first!.ok ? first!.value.id : ''}`.execute(db)
    expect(await take()).toMatchObject({ ok: true })
  })

  it('is read as the first version of it had it: editions beside their handout, with their pictures in them', async () => {
    const files = await packed(two, folder, EVERYTHING)
    const manifest = JSON.parse(textIn(files, MANIFEST_FILE)) as Manifest
    const at = namesIn(files, /handout\.json$/).map(name => name.slice(0, -'handout.json'.length))
    const older = Object.fromEntries(
      Object.entries(files).flatMap(([name, bytes]): [string, Uint8Array][] => {
        const edition = /^editions\/([0-9a-f]{64})\.json$/.exec(name)?.[1]
        if (edition) return at.map(folder_ => [`${folder_}editions/${edition}.board.json`, bytes])
        if (name !== MANIFEST_FILE) return [[name, bytes]]
        return [[name, Buffer.from(JSON.stringify({ ...manifest, version: 1 }))]]
      }),
    )
    const path = join(folder, 'older.zip')
    await writeFile(path, zipSync(older))
    expect(await broughtIn(two, await anotherTeacher(two), path)).toMatchObject({ value: { slates: 4, unread: 0 } })
  })
})

describe('files that were tampered with', () => {
  it(
    'are refused, or read as far as they can be: nothing breaks, and nothing climbs out',
    { timeout: 120_000 },
    async () => {
      const whole = zipSync(await packed(two, folder, EVERYTHING))
      const random = seeded(20261127)
      const upTo = (most: number) => Math.floor(random() * most)
      const became = new Map<string, number>()
      const path = (i: number) => join(folder, `tampered-${i}.zip`)
      for (let i = 0; i < 200; i++) {
        const bytes = Uint8Array.from(whole)
        const [way, from] = [upTo(4), upTo(bytes.length)]
        if (way === 0) for (let n = 0; n < 20; n++) bytes[upTo(bytes.length)] = upTo(256)
        if (way === 1) bytes.fill(upTo(256), from, from + upTo(200))
        if (way === 2) bytes.copyWithin(upTo(bytes.length), from, from + upTo(400))
        await writeFile(path(i), way === 3 ? bytes.subarray(0, from) : bytes)
        const read = await readEverything(path(i))
        const how = read.ok ? 'read' : read.reason
        became.set(how, (became.get(how) ?? 0) + 1)
        if (!read.ok) continue
        for (const name of read.value.classes.flatMap(one => one.handouts.flatMap(handout => handout.slates)))
          await slateOfEverything({ path: path(i), name })
        for (const name of read.value.files.values()) await TASKS['picture-of-everything']({ path: path(i), name })
      }
      expect([...became.keys()].toSorted()).toEqual(['bad-file', 'read'])
    },
  )

  it('say that they unpack to more than there can be, or climb out by name', async () => {
    const path = join(folder, 'bomb.zip')
    const bomb = zipSync(Object.fromEntries(Array.from({ length: 4 }, (_, i) => [`files/${i}.png`, new Uint8Array(9)])))
    // APPNOTE 4.3.12: how large a file is unpacked stands 24 bytes behind each entry's mark.
    const view = new DataView(bomb.buffer)
    for (let at = 0; at < bomb.length - 46; at++)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 4_000_000_000, true)
    await writeFile(path, bomb)
    expect(await readEverything(path)).toEqual({ ok: false, reason: 'too-heavy' })
    for (const name of ['../everything.json', '/everything.json', 'C:/everything.json']) {
      await writeFile(join(folder, `${name.length}.zip`), zipSync({ [name]: new Uint8Array(3) }))
      expect(await readEverything(join(folder, `${name.length}.zip`))).toEqual({ ok: false, reason: 'bad-file' })
    }
  })
})

describe('a zip with more entries than the first zips could have', () => {
  it('is written, and read by two readers', async () => {
    const path = join(folder, 'many.zip')
    const MANY = 66_000
    await writeZip(
      path,
      (async function* () {
        for (let i = 0; i < MANY; i++) yield { name: `slates/${i}.json`, content: i % 1000 ? '' : `{"n":${i}}` }
      })(),
    )
    const names = Object.keys(unzipSync(await readFile(path), { filter: one => one.originalSize > 0 }))
    expect(names).toHaveLength(MANY / 1000)
    const opened = await openZipOnDisk(path, { files: 70_000, largest: 1000, total: 1e6 })
    expect(opened.ok && opened.value.names.length).toBe(MANY)
    expect(opened.ok && String(await opened.value.bytes('slates/65000.json'))).toBe('{"n":65000}')
    expect(await openZipOnDisk(path, { files: 65_000, largest: 1000, total: 1e6 })).toMatchObject({
      reason: 'too-many-files',
    })
  })
})
