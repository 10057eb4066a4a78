import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { inOrder, MOST_QUESTIONS_EACH, type Question } from '../../../core/lesson/jar'
import { NOTHING_SHOWN, type Show } from '../../../core/lesson/show'
import { askQuestion, changeQuestion, jarOf, questionsOf, setJar, vote } from '../../../server/usecases/lesson/jar'
import { classScreen, setShow, showOf } from '../../../server/usecases/lesson/screen'
import { markSeen, raiseHand } from '../../../server/usecases/together'
import { trailsOf } from '../../../server/usecases/lesson/trails'
import { walkRound } from '../../../server/usecases/walk'
import type { Services } from '../../../server/services'
import { keyedShore } from '../../boards'
import { listener, put, twoProcesses, until, type TwoProcesses } from '../../lesson'
import { makeSchool } from '../../school'

let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(keyedShore(), 6)
})
afterAll(() => two.close())
const db = () => two.connection.db
const handout = () => two.school.handout
const slateAt = (i: number) => two.school.slates[i]!
const shows = (what: Show['what'], more: Partial<Show> = {}) =>
  setShow(two.services, handout(), { ...NOTHING_SHOWN, what, ...more })
const screen = () => classScreen(two.services, handout())

describe('the class screen', () => {
  it('has nothing before something is put there, and no slate, code or answer with it', async () => {
    const seen = await screen()
    expect(seen).toMatchObject({ kind: 'nothing', title: 'Test board', code: null, slates: [], boards: {} })
    await shows({ kind: 'way-in' })
    expect((await screen()).code).toMatch(/^[A-Z0-9]{6}$/)
  })

  it('has slates without a name in any byte, until names are shown; never the key, never another handout’s', async () => {
    const other = await makeSchool(db(), keyedShore(), 1, 'other@ternhaven.example')
    await two.submit(slateAt(0).id, two.as(slateAt(0).student), [put('c0', 100)])
    await shows({ kind: 'slates', slates: [slateAt(1).id, slateAt(0).id] })
    const nameless = await screen()
    expect(nameless.slates.map(one => one.id)).toEqual([slateAt(1).id, slateAt(0).id])
    expect(nameless.slates[1]!.number).toBe(1)
    const bytes = JSON.stringify(nameless)
    expect(bytes).not.toMatch(/Student [A-Z]/)
    expect(bytes).not.toContain('homes')
    await shows({ kind: 'slates', slates: [slateAt(0).id] }, { names: true })
    expect((await screen()).slates[0]!.name).toMatch(/^Student [A-F]$/)
    await shows({ kind: 'slates', slates: [other.slates[0]!.id] }, { names: true })
    expect((await screen()).slates).toEqual([])
  })

  it('has of the board only the answers that are revealed', async () => {
    await shows({ kind: 'board', revealed: 2 })
    const seen = await screen()
    expect(Object.keys(seen.slates[0]!.state.pieces)).toHaveLength(2)
    expect(JSON.stringify(seen)).not.toContain('homes')
  })

  it('left open overnight shows nothing of yesterday, and what can’t be read is nothing', async () => {
    await shows({ kind: 'slates', slates: [slateAt(0).id] })
    expect((await showOf(two.services, handout())).what.kind).toBe('slates')
    expect((await showOf(two.services, handout(), new Date(Date.now() + 13 * 3600_000))).what.kind).toBe('nothing')
    await db().updateTable('screens').set({ show: '{"what":{"kind":"odd"}}' }).execute()
    expect(await showOf(two.services, handout())).toEqual(NOTHING_SHOWN)
  })

  it('hears of the lesson without following any slate, in both processes', async () => {
    const walls = [listener('one wall'), listener('another')]
    two.engines.forEach((engine, i) => engine.hub.attend(walls[i]!, handout()))
    await shows({ kind: 'way-in' })
    await two.submit(slateAt(2).id, two.as(slateAt(2).student), [put('c0', 100)])
    await until(() => walls.every(wall => wall.heard.length > 0))
    for (const wall of walls) expect(wall.heard).toEqual([{ say: 'lesson', handout: handout() }])
    // The pointer comes to the screens of all processes, and not back to whoever points.
    const at = { slate: 0, x: 12.5, y: 7 }
    two.engines[0].point(handout(), at, walls[0]!)
    await until(() => walls[1]!.heard.length > 1)
    expect(walls[1]!.heard.at(-1)).toEqual({ say: 'point', handout: handout(), at })
    expect(walls[0]!.heard).toHaveLength(1)
    two.engines.forEach((engine, i) => engine.hub.leave(walls[i]!))
  })
})

describe('a question jar', () => {
  const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
  const askAs = (i: number, n: number, words = `Question ${n}?`) =>
    askQuestion(two.services, handout(), slateAt(i).student, { id: id(n), words })
  const voteAs = (i: number, n: number, how: 1 | 0 | -1) =>
    vote(two.services, { handout: handout(), question: id(n), student: slateAt(i).student }, how)
  const seenBy = (i: number) => questionsOf(db(), handout(), { kind: 'student', id: slateAt(i).student })

  it('takes questions while it is open, each once', async () => {
    expect(await jarOf(db(), handout())).toEqual({ open: false, named: false })
    expect(await askAs(0, 1)).toEqual({ ok: false, reason: 'not-now' })
    await setJar(two.services, handout(), { open: true, named: false })
    expect([await askAs(0, 1), await askAs(0, 1), await askAs(1, 2)].map(done => done.ok)).toEqual([true, true, true])
    expect((await seenBy(0)).map(q => [q.words, q.mine])).toEqual([
      ['Question 1?', true],
      ['Question 2?', false],
    ])
  })

  it('is nameless in every byte that students and the class screen get; by name only what was asked so', async () => {
    expect(JSON.stringify((await seenBy(2)).map(q => q.name))).toBe('[null,null]')
    expect(JSON.stringify(await seenBy(2))).not.toMatch(/Student [A-F]/)
    const staff = await questionsOf(db(), handout(), { kind: 'staff' })
    expect(staff.every(q => /^Student [A-F]$/.test(q.name ?? ''))).toBe(true)
    // Asked while it was nameless it stays nameless.
    await setJar(two.services, handout(), { open: true, named: true })
    await askAs(2, 3)
    expect((await seenBy(0)).map(q => q.name !== null && !q.mine)).toEqual([false, false, true])
    await shows({ kind: 'question', question: id(2) }, { names: true })
    expect(JSON.stringify(await screen())).not.toMatch(/Student [A-F]/)
    expect(await screen()).toMatchObject({ question: { words: 'Question 2?', name: null } })
  })

  it('counts one vote each, however often and at once; none for one’s own', async () => {
    await Promise.all(Array.from({ length: 8 }, () => voteAs(3, 1, 1)))
    await voteAs(4, 1, 1)
    await voteAs(5, 1, -1)
    expect((await seenBy(3)).find(q => q.id === id(1))).toMatchObject({ up: 2, down: 1, vote: 1 })
    await voteAs(3, 1, -1)
    expect((await seenBy(3)).find(q => q.id === id(1))).toMatchObject({ up: 1, down: 2, vote: -1 })
    await voteAs(3, 1, 0)
    expect((await seenBy(3)).find(q => q.id === id(1))).toMatchObject({ up: 1, down: 1, vote: 0 })
    expect(await voteAs(0, 1, 1)).toEqual({ ok: false, reason: 'not-found' })
    expect(await voteAs(3, 99, 1)).toEqual({ ok: false, reason: 'not-found' })
  })

  it('is not flooded by one, by a burst neither', async () => {
    const asked = await Promise.all(Array.from({ length: 30 }, (_, n) => askAs(5, 100 + n)))
    expect(asked.filter(done => done.ok)).toHaveLength(MOST_QUESTIONS_EACH)
    expect((await askAs(4, 200)).ok).toBe(true)
  })

  it('hides what doesn’t belong from everybody but the teacher, and knows who hid it', async () => {
    const change = (to: object) =>
      changeQuestion(two.services, { handout: handout(), question: id(2), teacher: two.school.teacher }, to)
    expect(await change({ hidden: true })).toBe(true)
    expect((await seenBy(0)).map(q => q.id)).not.toContain(id(2))
    expect((await questionsOf(db(), handout(), { kind: 'staff' })).at(-1)).toMatchObject({ id: id(2), hidden: true })
    expect(await voteAs(0, 2, 1)).toEqual({ ok: false, reason: 'not-found' })
    expect(await screen()).toMatchObject({ question: null })
    const { hidden_by } = await db()
      .selectFrom('questions')
      .select('hidden_by')
      .where('id', '=', id(2))
      .executeTakeFirstOrThrow()
    expect(hidden_by).toBe(two.school.teacher)
    expect(await change({ hidden: false, answered: true })).toBe(true)
    expect((await seenBy(0)).at(-1)).toMatchObject({ id: id(2), answered: true })
    await setJar(two.services, handout(), { open: false, named: true })
    expect([await askAs(0, 300), await voteAs(3, 1, 1)].map(done => done.ok)).toEqual([false, false])
    // What was asked is kept.
    expect((await seenBy(0)).length).toBeGreaterThan(10)
  })

  it('puts first what is open and most are for; of like ones the older', () => {
    const question = (name: string, more: Partial<Question> = {}): Question => ({
      id: name,
      words: name,
      name: null,
      mine: false,
      up: 0,
      down: 0,
      vote: 0,
      answered: false,
      hidden: false,
      ...more,
    })
    const all = [
      question('hidden', { hidden: true, up: 9 }),
      question('answered', { answered: true, up: 9 }),
      question('older'),
      question('younger'),
      question('disputed', { up: 5, down: 5 }),
      question('liked', { up: 3, down: 1 }),
      question('disliked', { down: 1 }),
    ]
    expect(inOrder(all).map(q => q.id)).toEqual([
      'liked',
      'older',
      'younger',
      'disputed',
      'disliked',
      'answered',
      'hidden',
    ])
  })
})

describe('who was looked after', () => {
  it('has the hand taken down, and is known as seen by every teacher who walks round', async () => {
    const { id } = slateAt(3)
    await two.submit(id, two.as(slateAt(3).student), [put('c0', 100), put('c0', 300)])
    await raiseHand(two.services, id, true)
    await markSeen(two.services, id)
    const { slates } = await walkRound(two.services as Services, handout(), { role: 'owner', day: null })
    const seen = slates.find(slate => slate.id === id)!
    expect(seen.handAt).toBeNull()
    expect(Date.parse(seen.seenAt!)).toBeGreaterThan(0)
  })

  it('is measured by the last moves, which are read without what is drawn', async () => {
    const { id, student } = slateAt(4)
    for (let i = 0; i < 3; i++) await two.submit(id, two.as(student), [put('c1', 100 + i), put('c2', 500)])
    const trails = await trailsOf(two.services, handout())
    expect(trails[id]!.steps.map(step => step.piece)).toEqual(['c1', 'c2', 'c1', 'c2', 'c1', 'c2'])
    expect(trails[slateAt(5).id]).toBeUndefined()
  })
})
