import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Lay } from '../../../core/margin/item'
import { nudge, nudgeSeen, nudgesFor, nudgesOf } from '../../../server/usecases/lesson/nudges'
import { followMargin, setAside } from '../../../server/usecases/lesson/secondThoughts'
import { pencils } from '../../../server/usecases/lesson/hold'
import { handIn } from '../../../server/usecases/openness'
import { addToMargin, setMarginRemoved } from '../../../server/usecases/review'
import { forgetSentence, noteSentence, sentencesOf } from '../../../server/usecases/sentences'
import { viewSlate } from '../../../server/usecases/slates'
import { HOLDER } from '../../../core/slate/actor'
import type { Actor } from '../../../server/rights/actor'
import { pageId, pieceId, shore } from '../../boards'
import { put, said, twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(shore(), 6)
})
afterAll(() => two.close())
const slateAt = (i: number) => two.school.slates[i]!
const by = (i: number) => two.as(slateAt(i).student)
const LAY: Lay = { x: 160, y: 200 }
const leads = () => ({ who: two.owner, author: 'teacher:0' as const })
const seenBy = async (i: number, who: Actor) => {
  const reader = { id: who.id, staff: who.kind === 'teacher', actor: HOLDER }
  const view = await viewSlate(two.services, slateAt(i).id, reader)
  if (!view.ok) throw new Error(view.reason)
  return view.value
}
const piecesOn = async (i: number) => (await two.stateOf(slateAt(i).id))!.state.pieces
const aside = (i: number, pieces: readonly string[], why = '') =>
  setAside(two.services, slateAt(i).id, {
    ...leads(),
    pieces: pieces.map(piece => ({ piece: pieceId(piece), lay: LAY })),
    why,
  })

describe('second thoughts', () => {
  it('take pieces off the page by a move, with pencils down too, and the student is told why at once', async () => {
    said(await two.submit(slateAt(0).id, by(0), [put('c0', 160), put('c1', 300), put('c2', 420)]))
    await pencils(two.services, two.school.handout, { down: true })
    expect(await aside(0, ['c0', 'c2'], 'Which rule?')).toMatchObject({ ok: true })
    await pencils(two.services, two.school.handout, { down: false })
    expect(Object.keys(await piecesOn(0))).toEqual(['c1'])
    expect((await seenBy(0, by(0))).margin.map(({ item, shown }) => ({ item, shown }))).toEqual(
      ['c0', 'c2'].map(piece => ({
        item: { kind: 'second-thought', page: 'page', piece, lay: LAY, why: 'Which rule?' },
        shown: true,
      })),
    )
    // The teacher's hand is known in the history.
    const hands = await two.connection.db
      .selectFrom('moves')
      .select('by')
      .where('slate_id', '=', slateAt(0).id)
      .orderBy('number')
      .execute()
    expect(hands.map(row => row.by)).toEqual([...Array(3).fill('student:1'), ...Array(2).fill('teacher:0')])
  })

  it('taken away put a piece back where it lay, once; not one that the student has placed again', async () => {
    said(await two.submit(slateAt(1).id, by(1), [put('c0', 160), put('c1', 300)]))
    const done = await aside(1, ['c0', 'c1'])
    if (!done.ok) throw new Error(done.reason)
    said(await two.submit(slateAt(1).id, by(1), [put('c1', 800)]))
    for (const entry of done.value.ids) {
      await setMarginRemoved(two.services, slateAt(1).id, entry, true)
      await followMargin(two.services, { slate: slateAt(1).id, entry, removed: true }, leads())
    }
    const { c0, c1 } = (await piecesOn(1)) as Record<string, { x: number; y: number }>
    expect([c0, c1!.x]).toMatchObject([LAY, 800])
    // And put back, the piece goes off again.
    const entry = done.value.ids[0]!
    await setMarginRemoved(two.services, slateAt(1).id, entry, false)
    await followMargin(two.services, { slate: slateAt(1).id, entry, removed: false }, leads())
    expect(Object.keys(await piecesOn(1))).toEqual(['c1'])
  })

  it('are refused for what the slate has not, and once it is handed in, and leave nothing behind', async () => {
    said(await two.submit(slateAt(2).id, by(2), [put('c0', 160)]))
    expect(await aside(2, ['c0', 'none'])).toEqual({ ok: false, reason: 'unknown' })
    expect(Object.keys(await piecesOn(2))).toEqual(['c0'])
    await handIn(two.services, slateAt(2).id, slateAt(2).student)
    expect(await aside(2, ['c0'])).toEqual({ ok: false, reason: 'not-now' })
    expect(Object.keys(await piecesOn(2))).toEqual(['c0'])
    expect((await seenBy(2, two.owner)).margin).toEqual([])
  })
})

describe('the margin while they work', () => {
  it('is seen at once where the teacher wants it, and else not before it is handed back', async () => {
    said(await two.submit(slateAt(3).id, by(3), [put('c0', 160)]))
    const about = { page: pageId('page'), piece: pieceId('c0') }
    const add = (text: string, shown: boolean) =>
      addToMargin(two.services, slateAt(3).id, two.school.teacher, {
        item: { kind: 'note', page: about.page, at: { to: 'piece', piece: about.piece }, text },
        shown,
      })
    await add('For later', false)
    await add('Now', true)
    await addToMargin(two.services, slateAt(3).id, two.school.teacher, {
      item: { kind: 'flag', ...about, lay: { x: 160, y: 200 } },
      shown: true,
    })
    const kinds = async (who: Actor) =>
      (await seenBy(3, who)).margin.map(({ item }) => (item.kind === 'note' ? item.text : item.kind))
    expect(await kinds(by(3))).toEqual(['Now', 'flag'])
    expect(await kinds(two.owner)).toEqual(['For later', 'Now', 'flag'])
    expect((await seenBy(3, by(3))).review).toBeNull()
  })
})

describe('a word to who is at work', () => {
  it('goes to those who are meant and at work, is seen once, and the teacher knows', async () => {
    const ids = [slateAt(4).id, slateAt(2).id]
    const say = (words: string, slates?: readonly string[]) =>
      nudge(two.services, two.school.handout, { teacher: two.school.teacher, words, slates })
    // One of the two is handed in.
    expect(await say('Read it once more.', ids)).toEqual({ ok: true, value: 1 })
    expect(await say('Well begun.', [slateAt(4).id])).toEqual({ ok: true, value: 1 })
    const { db } = two.connection
    expect((await nudgesFor(db, slateAt(4).id)).map(one => one.words)).toEqual(['Read it once more.', 'Well begun.'])
    expect(await nudgesFor(db, slateAt(2).id)).toEqual([])
    const [first, second] = await nudgesFor(db, slateAt(4).id)
    // Another's is not theirs to have seen.
    await nudgeSeen(two.services, slateAt(5).id, second!.id)
    await nudgeSeen(two.services, slateAt(4).id, first!.id)
    expect((await nudgesFor(db, slateAt(4).id)).map(one => one.words)).toEqual(['Well begun.'])
    const toTeacher = async () => (await nudgesOf(db, two.school.handout)).map(({ words, seen }) => [words, seen])
    expect(await toTeacher()).toEqual([['Well begun.', false]])
    await nudgeSeen(two.services, slateAt(4).id, second!.id)
    expect(await toTeacher()).toEqual([['Well begun.', true]])
    expect(await say('To all.')).toEqual({ ok: true, value: 5 })
  })

  it('sentences are offered by how often they were said, kept within a bound, and forgotten', async () => {
    const { db } = two.connection
    const { teacher } = two.school
    for (let i = 0; i < 3; i++) await noteSentence(db, teacher, 'Often said')
    for (let i = 0; i < 310; i++) await noteSentence(db, teacher, `Once ${i}`)
    const { count } = await db
      .selectFrom('sentences')
      .select(eb => eb.fn.countAll<string>().as('count'))
      .executeTakeFirstOrThrow()
    expect(Number(count)).toBe(300)
    await noteSentence(db, teacher, 'Once 309')
    expect((await sentencesOf(db, teacher, null)).slice(0, 2)).toEqual(['Once 309', 'Once 308'])
    await forgetSentence(db, teacher, 'Once 309')
    expect((await sentencesOf(db, teacher, null))[0]).toBe('Once 308')
  })
})
