import { sql } from 'kysely'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import sharp from 'sharp'
import * as v from 'valibot'
import { RulesSchema } from '../../../core/handout/rules'
import { MOST_LINES } from '../../../core/handout/talk'
import { whoOnSlate } from '../../../server/rights/hold'
import { changeHandout, handBack, handIn, markOpened } from '../../../server/usecases/openness'
import { addToMargin, marginOf, saveReview } from '../../../server/usecases/review'
import { viewSlate } from '../../../server/usecases/slates'
import { hideLine, speak, talkOf } from '../../../server/usecases/talk'
import { raiseHand, sayDone } from '../../../server/usecases/together'
import { readPicture } from '../../../server/files/picture'
import {
  approvePicture,
  hideThing,
  keepSlatePicture,
  MOST_KEPT,
  pictureFor,
  picturesOf,
} from '../../../server/usecases/slatePictures'
import { beginAgain, takeBackHandedIn } from '../../../server/usecases/tries'
import type { Actor } from '../../../server/rights/actor'
import type { Services } from '../../../server/services'
import { pageId, pieceId, shore } from '../../boards'
import { frameWith, listener, moreStudents, put, said, twoProcesses, until, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
let free: string[]
beforeAll(async () => {
  two = await twoProcesses(shore(), 8)
  free = await moreStudents(two, 12)
})
afterAll(() => two.close())
const services = () => two.services as unknown as Services
const rules = (change: object) => changeHandout(services(), two.school.handout, { rules: v.parse(RulesSchema, change) })
const viewAs = async (slate: string, who: Actor) => {
  const view = await viewSlate(services(), slate, {
    id: who.id,
    staff: who.kind === 'teacher',
    actor: (await whoOnSlate(two.connection.db, who, slate)).hold!.actor,
  })
  if (!view.ok) throw new Error(view.reason)
  return view.value
}
const statusOf = async (id: string) =>
  (await two.connection.db.selectFrom('slates').select('status').where('id', '=', id).executeTakeFirstOrThrow()).status
async function frameOf(count: number): Promise<{ frame: string; people: Actor[] }> {
  const { frame, people } = await frameWith(
    two,
    free.splice(0, count).map(student => ({ student })),
  )
  await markOpened(services(), frame)
  return { frame, people }
}

describe('a hand', () => {
  it('is up since it was put up, is seen and taken down, and is put up on nothing that is handed in', async () => {
    const { frame, people } = await frameOf(2)
    const since = async () =>
      (await two.connection.db.selectFrom('slates').select('hand_at').where('id', '=', frame).executeTakeFirstOrThrow())
        .hand_at
    expect((await viewAs(frame, people[0]!)).hand).toBe(false)
    expect(await raiseHand(services(), frame, true)).toMatchObject({ ok: true })
    const first = await since()
    expect(first).not.toBeNull()
    // The other member sees it too; putting it up again changes nothing.
    expect((await viewAs(frame, people[1]!)).hand).toBe(true)
    await raiseHand(services(), frame, true)
    expect(await since()).toEqual(first)
    await raiseHand(services(), frame, false)
    expect(await since()).toBeNull()
    await handIn(services(), frame, people[0]!.id, '')
    expect(await raiseHand(services(), frame, true)).toMatchObject({ ok: false, reason: 'not-now' })
    expect(await raiseHand(services(), frame, false)).toMatchObject({ ok: true })
  })
})

describe('a frame that is handed in', () => {
  it('by any member, or once all have said that they are done, as the teacher set it; whoever hands in is done', async () => {
    const {
      frame,
      people: [one, second],
    } = await frameOf(2)
    await rules({ handInBy: 'all-done' })
    // Only who has it open is waited for: see below.
    await two.connection.db.insertInto('slates_open').values({ slate_id: frame, student_id: second!.id }).execute()
    expect(await handIn(services(), frame, one!.id)).toEqual({ ok: false, reason: 'not-all-done' })
    await sayDone(services(), frame, second!.id, true)
    await sayDone(services(), frame, second!.id, false)
    expect(await handIn(services(), frame, one!.id)).toEqual({ ok: false, reason: 'not-all-done' })
    await sayDone(services(), frame, second!.id, true)
    expect((await viewAs(frame, one!)).members.map(m => m.done)).toEqual([false, true])
    expect(await handIn(services(), frame, one!.id)).toEqual({ ok: true, value: 'handed-in' })
    expect(await sayDone(services(), frame, second!.id, false)).toEqual({ ok: false, reason: 'not-now' })
    await rules({})
  })

  it('isn’t held up by who isn’t here, though all who are have to be done', async () => {
    const {
      frame,
      people: [one, second],
    } = await frameOf(2)
    await rules({ handInBy: 'all-done' })
    const { db } = two.connection
    // Seen last before the break.
    await sql`insert into slates_open (slate_id, student_id, seen_at)
      values (${frame}, ${second!.id}, now() - interval '10 minutes')`.execute(db)
    expect(await handIn(services(), frame, one!.id)).toEqual({ ok: true, value: 'handed-in' })
    await rules({})
  })

  it('one board for everyone is handed in by nobody: each only says to be done', async () => {
    const { id } = await two.connection.db
      .insertInto('slates')
      .values({
        handout_id: two.school.handout,
        class_id: two.school.classId,
        kind: 'class',
        edition_hash: (
          await two.connection.db
            .selectFrom('handouts')
            .select('edition_hash')
            .where('id', '=', two.school.handout)
            .executeTakeFirstOrThrow()
        ).edition_hash,
      })
      .returning('id')
      .executeTakeFirstOrThrow()
    expect((await handIn(services(), id, two.school.slates[0]!.student)).ok).toBe(false)
    expect(await statusOf(id)).toBe('not-opened')
    await two.connection.db.deleteFrom('slates').where('id', '=', id).execute()
  })
})

describe('who is here', () => {
  it('comes from one process to the other by the wire', async () => {
    const { frame } = await frameOf(1)
    const far = listener('far')
    two.engines[1].hub.followSlate(far, frame)
    two.engines[0].presence.be('socket', frame, 'student:1', { page: pageId('page') })
    await until(() =>
      far.heard.some(
        m => m.say === 'hands' && m.hands.some(([author, here]) => author === 'student:1' && here?.page === 'page'),
      ),
    )
    two.engines[0].presence.leave('socket', frame)
    await until(() => far.heard.some(m => m.say === 'hands' && m.hands.some(([, here]) => here === null)))
    two.engines[1].hub.leave(far)
    expect([two.engines[0].presence.size, two.engines[1].presence.size]).toEqual([0, 0])
  })
})

describe('the side talk', () => {
  const say = (
    slate: string,
    by: 'student:1' | 'teacher:0',
    words: string,
    more: { id?: string; about?: string; kind?: 'frame' | 'copy' } = {},
  ) =>
    speak(
      services(),
      { slate, kind: more.kind ?? 'frame', by, staff: by === 'teacher:0' },
      { id: more.id ?? randomUUID(), words, ...(more.about && { about: more.about }) },
    )

  it('is open where the teacher says so; what is said twice with one id stands there once; it is told in every process', async () => {
    const { frame } = await frameOf(1)
    const far = listener('far')
    two.engines[1].hub.followSlate(far, frame)
    expect(await say(frame, 'student:1', 'Hello?')).toEqual({ ok: false, reason: 'talk-closed' })
    await rules({ talk: true })
    const id = randomUUID()
    for (let i = 0; i < 2; i++)
      expect(await say(frame, 'student:1', 'Where does the prawn go?', { id })).toEqual({ ok: true, value: null })
    await say(frame, 'teacher:0', 'Look at its legs.')
    await until(() => far.heard.some(m => m.say === 'talk' && m.slate === frame))
    expect((await talkOf(two.connection.db, frame, false)).map(line => [line.by, line.words])).toEqual([
      ['student:1', 'Where does the prawn go?'],
      ['teacher:0', 'Look at its legs.'],
    ])
    // Hidden by the teacher, only teachers see it.
    expect(await hideLine(services(), frame, id, true)).toBe(true)
    expect((await talkOf(two.connection.db, frame, false)).length).toBe(1)
    expect((await talkOf(two.connection.db, frame, true)).map(line => line.hidden)).toEqual([true, false])
    // The teacher may speak into a talk that is closed for students.
    await rules({})
    expect((await say(frame, 'teacher:0', 'That was enough.')).ok).toBe(true)
    expect((await say(frame, 'student:1', 'But')).ok).toBe(false)
    two.engines[1].hub.leave(far)
  })

  it('holds no more lines than it may, whoever floods it', async () => {
    const { frame } = await frameOf(1)
    await rules({ talk: true })
    await two.connection.pool.query(
      `insert into talk (id, slate_id, by, words) select gen_random_uuid(), $1, 'student:1', 'again' from generate_series(1, ${MOST_LINES})`,
      [frame],
    )
    expect(await say(frame, 'student:1', 'one more')).toEqual({ ok: false, reason: 'full' })
    await rules({})
  })

  it('an answer goes to a note that its student can see, and to no other', async () => {
    const { id, student } = two.school.slates[3]!
    await two.submit(id, two.as(student), [put('c0', 160)])
    const note = await addToMargin(services(), id, two.school.teacher, {
      item: { kind: 'note', page: pageId('page'), at: { to: 'piece', piece: pieceId('c0') }, text: 'Why here?' },
      shown: false,
    })
    if (!note.ok) throw new Error(note.reason)
    expect(await say(id, 'student:1', 'It holds on', { about: note.value.id, kind: 'copy' })).toEqual({
      ok: false,
      reason: 'not-found',
    })
    await handIn(services(), id, student)
    await handBack(services(), id)
    expect(await say(id, 'student:1', 'It holds on', { about: note.value.id, kind: 'copy' })).toEqual({
      ok: true,
      value: null,
    })
    expect(await say(id, 'student:1', 'Hm', { about: randomUUID(), kind: 'copy' })).toEqual({
      ok: false,
      reason: 'not-found',
    })
    expect(await say(id, 'student:1', 'Hm', { kind: 'copy' })).toEqual({ ok: false, reason: 'talk-closed' })
    expect((await viewAs(id, two.as(student))).talk).toMatchObject([{ words: 'It holds on', about: note.value.id }])
  })
})

describe('the line between a student and the teacher', () => {
  it('is begun by the teacher, or by the student where they may write; what is hidden begins nothing', async () => {
    const { id, student } = two.school.slates[2]!
    const say = (by: 'student:1' | 'teacher:0', words: string) =>
      speak(services(), { slate: id, kind: 'copy', by, staff: by === 'teacher:0' }, { id: randomUUID(), words })
    const lines = async () => (await viewAs(id, two.as(student))).talk.map(line => [line.by, line.words])
    await rules({ talk: false })
    expect(await say('student:1', 'May I?')).toEqual({ ok: false, reason: 'talk-closed' })
    expect((await say('teacher:0', 'How do you tell?')).ok).toBe(true)
    expect((await say('student:1', 'By its foot')).ok).toBe(true)
    expect(await lines()).toEqual([
      ['teacher:0', 'How do you tell?'],
      ['student:1', 'By its foot'],
    ])
    const [first] = (await viewAs(id, two.as(student))).talk
    expect(await hideLine(services(), id, first!.id, true)).toBe(true)
    expect(await say('student:1', 'And by its shell')).toEqual({ ok: false, reason: 'talk-closed' })
    await rules({ talk: true })
    expect((await say('student:1', 'And by its shell')).ok).toBe(true)
    await rules({ talk: false })
  })
})

describe('another try', () => {
  it('goes on from what is there, keeps how it was and what was said of it, and what is decided next is about the next', async () => {
    const { id, student } = two.school.slates[4]!
    const who = two.as(student)
    await markOpened(services(), id)
    expect(await beginAgain(services(), id, true)).toEqual({ ok: false, reason: 'not-now' })
    await two.submit(id, who, [put('c0', 160)])
    await handIn(services(), id, student)
    expect(await beginAgain(services(), id, false)).toEqual({ ok: false, reason: 'not-now' })
    await addToMargin(services(), id, two.school.teacher, {
      item: { kind: 'note', page: pageId('page'), at: { to: 'piece', piece: pieceId('c0') }, text: 'Look again' },
      shown: false,
    })
    await saveReview(services(), id, two.school.teacher, { decisions: {}, comment: 'Nearly', points: null, levels: {} })
    await handBack(services(), id)
    await rules({ secondTry: true })
    expect(await beginAgain(services(), id, false)).toEqual({ ok: true, value: 'under-way' })
    expect(said(await two.submit(id, who, [put('c0', 800)]))).toEqual([2])
    // A note of the teacher's that is made now is for later; what was said of the first try stays to be read.
    await addToMargin(services(), id, two.school.teacher, {
      item: { kind: 'note', page: pageId('page'), at: { to: 'piece', piece: pieceId('c0') }, text: 'Better' },
      shown: false,
    })
    const view = await viewAs(id, who)
    expect(view.before).toMatchObject({ turn: 1, state: { pieces: { c0: { x: 160 } } } })
    expect(view.state.pieces[pieceId('c0')]?.x).toBe(800)
    expect(view.margin.map(entry => entry.item.kind === 'note' && entry.item.text)).toEqual(['Look again'])
    expect(view.review).toMatchObject({ comment: 'Nearly' })
    expect((await viewAs(id, two.owner)).review).toMatchObject({ comment: '' })
    expect(await marginOf(two.connection.db, id)).toHaveLength(2)
    await rules({})
  })

  it('a teacher may ask for one where students may not begin one, also of what was handed back', async () => {
    const { id, student } = two.school.slates[5]!
    await two.submit(id, two.as(student), [put('c0', 160)])
    await handIn(services(), id, student)
    await handBack(services(), id)
    expect(await beginAgain(services(), id, true)).toEqual({ ok: true, value: 'under-way' })
  })

  it('what is handed in is taken back until somebody has looked at it, where that is allowed', async () => {
    const { id, student } = two.school.slates[6]!
    await two.submit(id, two.as(student), [put('c0', 160)])
    await handIn(services(), id, student, 'Sorry for the mess')
    expect(await takeBackHandedIn(services(), id)).toEqual({ ok: false, reason: 'not-now' })
    await rules({ takeBack: true })
    expect(await takeBackHandedIn(services(), id)).toEqual({ ok: true, value: 'under-way' })
    expect(said(await two.submit(id, two.as(student), [put('c1', 160)]))).toEqual([2])
    await handIn(services(), id, student)
    await addToMargin(services(), id, two.school.teacher, {
      item: { kind: 'note', page: pageId('page'), at: { to: 'piece', piece: pieceId('c0') }, text: 'Hm' },
      shown: false,
    })
    expect(await takeBackHandedIn(services(), id)).toEqual({ ok: false, reason: 'looked-at' })
    await rules({})
  })
})

describe('pictures of students', () => {
  const bytes = (colour: string) =>
    sharp({ create: { width: 8, height: 8, channels: 3, background: colour } })
      .jpeg()
      .toBuffer()
  const picture = async (colour: string) => {
    const read = await readPicture(await bytes(colour))
    if (!read.ok) throw new Error(read.reason)
    return read.value
  }
  const seen = async (slate: string, id: string, author: `student:${number}` | null, staff = false) =>
    (await pictureFor(services(), slate, id, { author, staff })) !== null

  it("are kept once under their maker's name for them, and nobody else's bytes come under it", async () => {
    const { frame } = await frameOf(1)
    const red = await picture('#f00')
    for (let i = 0; i < 2; i++)
      expect(
        await keepSlatePicture({ services: services(), slate: frame, id: 'the-crab', by: 'student:1', picture: red }),
      ).toEqual({ ok: true, value: null })
    expect(
      await keepSlatePicture({
        services: services(),
        slate: frame,
        id: 'the-crab',
        by: 'student:2',
        picture: await picture('#00f'),
      }),
    ).toEqual({ ok: false, reason: 'taken' })
    expect((await pictureFor(services(), frame, 'the-crab', { author: 'student:2', staff: false }))?.hash).toBe(
      red.hash,
    )
    await two.connection.pool.query(
      `insert into slate_pictures (slate_id, id, by, file_hash) select $1, 'more-' || i, 'student:1', $2 from generate_series(1, ${MOST_KEPT - 1}) i`,
      [frame, red.hash],
    )
    expect(
      await keepSlatePicture({ services: services(), slate: frame, id: 'one-more', by: 'student:1', picture: red }),
    ).toEqual({ ok: false, reason: 'full' })
  })

  it('wait for the teacher where that is set: their maker sees them at once; what is hidden only teachers see', async () => {
    const {
      frame,
      people: [one],
    } = await frameOf(2)
    await rules({ approve: true })
    await keepSlatePicture({
      services: services(),
      slate: frame,
      id: 'the-crab',
      by: 'student:1',
      picture: await picture('#f00'),
    })
    expect([
      await seen(frame, 'the-crab', 'student:1'),
      await seen(frame, 'the-crab', 'student:2'),
      await seen(frame, 'the-crab', null, true),
    ]).toEqual([true, false, true])
    expect(await picturesOf(two.connection.db, frame)).toEqual([{ id: 'the-crab', by: 'student:1', waits: true }])
    await approvePicture(services(), frame, 'the-crab', true)
    expect(await seen(frame, 'the-crab', 'student:2')).toBe(true)
    // The board gives no tool for pictures, so no move lays it; nothing can be hidden that isn't there.
    const hold = (await whoOnSlate(two.connection.db, two.owner, frame)).hold!
    expect(
      await hideThing(
        services(),
        frame,
        { actor: two.owner, hold },
        { id: 'hide-move-1', thing: 'no-such-thing', hidden: true },
      ),
    ).toEqual({ ok: false, reason: 'not-found' })
    expect(
      said(
        await two.submit(frame, one!, [
          {
            id: 'lay-picture-1',
            move: {
              kind: 'own',
              thing: 'a-picture-x',
              as: {
                kind: 'picture',
                page: pageId('page'),
                x: 9,
                y: 9,
                width: 9,
                height: 9,
                picture: 'the-crab',
                from: 'device',
                alt: '',
              },
              by: 'student:1',
            },
          },
        ]),
      ),
    ).toEqual(['not-allowed'])
    expect(await seen(frame, 'none-there', 'student:1', true)).toBe(false)
    await rules({})
  })
})
