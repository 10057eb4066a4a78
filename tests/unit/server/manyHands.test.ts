import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readBoard, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { NO_RULES } from '../../../core/handout/noRules'
import { carry } from '../../../core/slate/carry'
import { perform } from '../../../core/slate/move'
import { startOf } from '../../../core/slate/state'
import { seeded } from '../../../core/layout/random'
import type { SentEnvelope } from '../../../core/sync/messages'
import type { Actor } from '../../../server/rights/actor'
import { whoOnSlate } from '../../../server/rights/hold'
import { makeFrame } from '../../../server/usecases/giveOut'
import { correctEdition, previewCorrection } from '../../../server/usecases/editions'
import { addMember, endMember, moveMember, setPart } from '../../../server/usecases/members'
import { changeHandout, switchHandout, switchSlate } from '../../../server/usecases/openness'
import { pieceId, shore } from '../../boards'
import { frameWith, moreStudents, put, said, twoProcesses, type TwoProcesses } from '../../lesson'

let two: TwoProcesses
/** Students of the class without a slate in the handout. */
let free: string[]

/** The second zone is the first member's part, the third the second's. */
function parted(): Board {
  const board = shore()
  board.pages[0]!.places.forEach((place, i) => {
    if (i > 0) place.part = i
  })
  return board
}
const zone = (i: number) => 160 + 320 * i
const inZone = (piece: string, i: number) => ({
  ...put(piece, zone(i)),
  move: { kind: 'put' as const, piece: pieceId(piece), x: zone(i), y: 240 },
})

beforeAll(async () => {
  two = await twoProcesses(parted(), 4)
  free = await moreStudents(two, 16)
})
afterAll(() => two.close())

const frameOf = (...parts: (number | null)[]) =>
  frameWith(
    two,
    parts.map(part => ({ student: free.pop()!, part })),
  )
const movesOf = (slate: string) =>
  two.connection.db.selectFrom('moves').selectAll().where('slate_id', '=', slate).orderBy('number').execute()

describe('a frame of several', () => {
  it('takes moves of each, says whose each was, and keeps each to their part', async () => {
    const {
      frame,
      people: [one, second],
    } = await frameOf(1, 2)
    expect(said(await two.submit(frame, one!, [inZone('c0', 1), inZone('c1', 0), inZone('c2', 2)]))).toEqual([
      1,
      2,
      'not-your-part',
    ])
    expect(said(await two.submit(frame, second!, [inZone('c1', 2), inZone('c0', 0)], two.engines[1]))).toEqual([
      3,
      'not-your-part',
    ])
    expect(said(await two.submit(frame, two.owner, [inZone('c3', 1)]))).toEqual([4])
    expect((await movesOf(frame)).map(m => m.by)).toEqual(['student:1', 'student:1', 'student:2', 'teacher:0'])
    // Starting again is about what nobody else has touched, in one's own part and in what is everyone's.
    const again = (id: string, more: object) => ({ id, move: { kind: 'start-again' as const, ...more } })
    for (const [id, more] of [
      ['start-again-1', {}],
      ['start-again-2', { part: 2 }],
      ['start-again-3', { part: 1, by: 'student:2', mine: true }],
    ] as const)
      expect(said(await two.submit(frame, second!, [again(id, more)]))).toEqual(['not-your-part'])
    await two.submit(frame, second!, [inZone('c4', 2)])
    expect(
      said(await two.submit(frame, second!, [again('start-again-4', { part: 2, by: 'student:2', mine: true })])),
    ).toEqual([6])
    expect(Object.keys((await two.stateOf(frame))!.state.pieces).toSorted()).toEqual(['c0', 'c1', 'c3'])
  })

  it('gives whoever comes a part that is nobody’s, and the one they had when they come back', async () => {
    const {
      frame,
      people: [one, second],
    } = await frameOf(null, null)
    const partsNow = async () =>
      (
        await two.connection.db
          .selectFrom('slate_members')
          .select('part')
          .where('slate_id', '=', frame)
          .where('until_at', 'is', null)
          .orderBy('hand')
          .execute()
      ).map(({ part }) => part)
    expect(await partsNow()).toEqual([1, 2])
    expect(said(await two.submit(frame, one!, [inZone('c0', 2)]))).toEqual(['not-your-part'])
    await endMember(two.services, frame, second!.id)
    // What is nobody's is free to the group.
    expect(said(await two.submit(frame, one!, [inZone('c0', 2)], two.engines[1]))).toEqual([1])
    await addMember(two.services, frame, second!.id)
    expect(await partsNow()).toEqual([1, 2])
    for (const engine of two.engines)
      expect(said(await two.submit(frame, one!, [inZone('c1', 2)], engine))).toEqual(['not-your-part'])
    await endMember(two.services, frame, one!.id)
    await addMember(two.services, frame, free.pop()!)
    expect(await partsNow()).toEqual([2, 1])
    // A third of two shares one.
    await addMember(two.services, frame, one!.id)
    expect(await partsNow()).toEqual([1, 2, 1])
  })

  it('has the parts that the teacher sets, and what is nobody’s stays nobody’s where the teacher keeps it', async () => {
    const {
      frame,
      people: [one, second],
    } = await frameOf(1, 2)
    const { handout } = two.school
    const set = (student: string, part: number | null) => setPart(two.services, handout, student, part)
    expect(await set(one!.id, 2)).toEqual({ ok: true, value: null })
    for (const engine of two.engines)
      expect(said(await two.submit(frame, one!, [inZone('c0', 2)], engine))[0]).toEqual(expect.any(Number))
    expect(await set(second!.id, null)).toEqual({ ok: true, value: null })
    expect(said(await two.submit(frame, second!, [inZone('c1', 2)]))).toEqual(['not-your-part'])
    // The first part is nobody's now: free to the group, until the teacher keeps it.
    expect(said(await two.submit(frame, second!, [inZone('c1', 1)]))[0]).toEqual(expect.any(Number))
    await changeHandout(two.services, handout, { rules: { ...NO_RULES, keepParts: true } })
    for (const engine of two.engines)
      expect(said(await two.submit(frame, second!, [inZone('c2', 1)], engine))).toEqual(['not-your-part'])
    await changeHandout(two.services, handout, { rules: NO_RULES })
    expect(await set(one!.id, 3)).toEqual({ ok: false, reason: 'no-such-part' })
    expect(await set(free.at(-1)!, 1)).toEqual({ ok: false, reason: 'not-found' })
  })

  it('belongs to whoever is in it now; who leaves and comes back has the same hand', async () => {
    const {
      frame,
      people: [one],
    } = await frameOf(null, null)
    await two.submit(frame, one!, [put('c0', 1)])
    expect(await endMember(two.services, frame, one!.id)).toEqual({ ok: true, value: null })
    expect(await endMember(two.services, frame, one!.id)).toEqual({ ok: false, reason: 'not-found' })
    for (const engine of two.engines)
      expect(said(await two.submit(frame, one!, [put('c0', 2)], engine))).toEqual(['not-yours'])
    expect((await whoOnSlate(two.connection.db, one!, frame)).role).toBe('class-member')
    expect(await addMember(two.services, frame, one!.id)).toEqual({ ok: true, value: { hand: 1 } })
    expect(said(await two.submit(frame, one!, [put('c0', 3)], two.engines[1]))).toEqual([2])
  })

  it('is one for each student, whoever asks at the same moment; changing it is one step', async () => {
    const {
      frame: oak,
      people: [one],
    } = await frameOf(null)
    const { frame: ash } = await frameOf(null)
    expect(await addMember(two.services, ash, one!.id)).toEqual({ ok: false, reason: 'elsewhere' })
    const newcomer = free.pop()!
    const both = await Promise.all([addMember(two.services, oak, newcomer), addMember(two.services, ash, newcomer)])
    expect(both.map(r => r.ok).toSorted()).toEqual([false, true])
    expect(await moveMember(two.services, one!.id, oak, ash)).toMatchObject({ ok: true })
    expect((await whoOnSlate(two.connection.db, one!, oak)).role).toBe('other-frame')
    expect(said(await two.submit(ash, one!, [put('c0', 1)]))).toEqual([1])
    expect(await moveMember(two.services, one!.id, ash, two.school.slates[0]!.id)).toEqual({
      ok: false,
      reason: 'not-shared',
    })
    expect((await whoOnSlate(two.connection.db, one!, ash)).role).toBe('frame-member')
    expect(await addMember(two.services, two.school.slates[0]!.id, newcomer)).toEqual({
      ok: false,
      reason: 'not-shared',
    })
    expect(await addMember(two.services, ash, newcomer, 9)).toEqual({ ok: false, reason: 'no-such-part' })
  })

  it('through two processes at once, with sending again and taking back, ends as its history says, and nobody undoes another', async () => {
    const { frame, people } = await frameOf(null, null)
    const hands: Actor[] = [...people, two.owner]
    const random = seeded(12)
    await Promise.all(
      hands.map(async who => {
        const own: SentEnvelope[] = []
        for (let i = 0; i < 40; i++) {
          const last = own.at(-1)
          const envelope: SentEnvelope =
            random() < 0.3 && last
              ? { id: `undo-${put('c0', 0).id}`, undoes: last.id }
              : put(`c${Math.floor(random() * 3)}`, Math.floor(random() * 900))
          if (envelope.undoes) own.pop()
          else own.push(envelope)
          const engines = random() < 0.3 ? two.engines : [two.engines[Math.floor(random() * 2)]!]
          await Promise.all(engines.map(engine => two.submit(frame, who, [envelope], engine)))
        }
      }),
    )
    const rows = await movesOf(frame)
    expect(rows.map(r => r.number)).toEqual(rows.map((_, i) => i + 1))
    const edition = makeEdition(parted())
    const replayed = rows.reduce(
      (state, { move, by, number }) => perform(state, move, { edition, author: by, number }),
      startOf(edition),
    )
    expect(await two.stateOf(frame)).toEqual({ number: rows.length, state: replayed })
    for (const undo of rows.filter(r => r.undoes)) {
      const undone = rows.find(r => r.id === undo.undoes)!
      expect(undone.by).toBe(undo.by)
      const piece = (undone.move as { piece: string }).piece
      const between = rows.filter(
        r => r.number > undone.number && r.number < undo.number && (r.move as { piece: string }).piece === piece,
      )
      expect(between.every(r => r.by === undo.by)).toBe(true)
    }
    expect(rows.some(r => r.undoes)).toBe(true)
  })
})

describe('pencils down and closing', () => {
  it('stand in one order with the moves: none is stored after, whatever was on its way', async () => {
    const { id, student } = two.school.slates[1]!
    let [stop, number] = [false, 0]
    const working = Promise.all(
      two.engines.map(async engine => {
        while (!stop)
          number = Math.max(
            number,
            ...said(await two.submit(id, two.as(student), [put('c0', 7)], engine))
              .map(Number)
              .filter(Number.isFinite),
          )
      }),
    )
    while (number < 20) await new Promise(resolve => setTimeout(resolve, 1))
    await switchHandout(two.services, two.school.handout, 'paused_at', true)
    const { last_number } = await two.connection.db
      .selectFrom('slates')
      .select('last_number')
      .where('id', '=', id)
      .executeTakeFirstOrThrow()
    for (let i = 0; i < 5; i++)
      expect(said(await two.submit(id, two.as(student), [put('c0', 8)], two.engines[i % 2]))).toEqual(['paused'])
    stop = true
    await working
    expect(await movesOf(id)).toHaveLength(last_number)
    await switchHandout(two.services, two.school.handout, 'paused_at', false)
    expect(said(await two.submit(id, two.as(student), [put('c0', 9)]))).toEqual([last_number + 1])
  })

  it('of one slate leave the others open; closed is said before paused', async () => {
    const [one, other] = [two.school.slates[2]!, two.school.slates[3]!]
    await switchSlate(two.services, one.id, 'paused_at', true)
    expect(said(await two.submit(one.id, two.as(one.student), [put('c0', 1)]))).toEqual(['paused'])
    await switchSlate(two.services, one.id, 'closed_at', true)
    await switchSlate(two.services, one.id, 'closed_at', true)
    expect(said(await two.submit(one.id, two.as(one.student), [put('c0', 1)]))).toEqual(['closed'])
    expect(said(await two.submit(other.id, two.as(other.student), [put('c0', 1)]))).toEqual([1])
  })
})

describe('another edition under living slates', () => {
  /** c5 is gone, the page is smaller, and c0 says something else. */
  function corrected(): Board {
    const board = parted()
    const page = board.pages[0]!
    const pieces = page.pieces.filter(p => p.id !== 'c5').map(p => (p.id === 'c0' ? { ...p, text: 'limpets' } : p))
    const read = readBoard({
      ...board,
      pages: [{ ...page, width: 700, pieces, ledge: page.ledge.filter(id => id !== 'c5') }],
    })
    if (!read.ok) throw new Error(JSON.stringify(read.reason))
    return read.value
  }

  it('says before what it will change for whom, does it without losing a move, and takes what was made on the older one', async () => {
    const {
      frame,
      people: [one],
    } = await frameOf(null)
    await two.submit(frame, one!, [put('c0', 100), put('c5', 300), put('c1', 900), put('c2', 40)])
    const before = (await two.stateOf(frame))!
    const preview = await previewCorrection(two.services, [frame], corrected())
    expect(preview.get(frame)).toEqual([
      { what: 'piece-gone', item: 'c5' },
      { what: 'piece-moved', item: 'c1' },
    ])
    expect(await two.stateOf(frame)).toEqual(before)

    const done = await correctEdition(two.services, two.school.handout, corrected(), { some: [frame] })
    expect(done).toMatchObject({ changed: [frame], unreadable: [] })
    const after = (await two.stateOf(frame))!
    expect(after.number).toBe(4)
    expect(after.state).toEqual(carry(before.state, makeEdition(parted()), makeEdition(corrected())).state)
    expect(after.state.pieces[pieceId('c1')]!.x).toBe(700)
    // Made offline on the older edition: what still is there is taken, the rest is told, in both processes.
    expect(said(await two.submit(frame, one!, [put('c5', 10), put('c1', 50)], two.engines[1]))).toEqual([
      'unknown-piece',
      5,
    ])
    expect(said(await two.submit(frame, one!, [put('c2', 800), put('c3', 60)]))).toEqual(['off-page', 6])
    // Others keep the edition they had.
    const other = two.school.slates[0]!
    expect(said(await two.submit(other.id, two.as(other.student), [put('c5', 900)]))).toEqual([1])

    const whole = await two.stateOf(frame)
    await two.connection.db.deleteFrom('snapshots').where('slate_id', '=', frame).execute()
    expect(await two.stateOf(frame)).toEqual(whole)
  })

  it('goes on where it was broken off, and reaches those who come later', async () => {
    const first = await correctEdition(two.services, two.school.handout, corrected(), {
      some: [two.school.slates[0]!.id],
    })
    const second = await correctEdition(two.services, two.school.handout, corrected())
    expect(first.changed).toHaveLength(1)
    expect(second.changed).not.toContain(two.school.slates[0]!.id)
    const { rows } = await two.connection.pool.query<{ n: string }>(
      'select count(distinct edition_hash) as n from slates where handout_id = $1',
      [two.school.handout],
    )
    expect(rows[0]!.n).toBe('1')
    const fresh = await makeFrame(two.connection.db, two.school.handout, 'Ash')
    expect(
      (
        await two.connection.db
          .selectFrom('slates')
          .select('edition_hash')
          .where('id', '=', fresh)
          .executeTakeFirstOrThrow()
      ).edition_hash,
    ).toBe(second.edition)
  })

  it('while moves go on through two processes falls between two of them', async () => {
    const {
      frame,
      people: [one],
    } = await frameOf(null)
    await two.submit(frame, one!, [put('c0', 1)])
    const sending = Promise.all(
      two.engines.map(async (engine, n) => {
        for (let i = 0; i < 40; i++) await two.submit(frame, one!, [put(n ? 'c0' : 'c5', i)], engine)
      }),
    )
    for (let i = 0; i < 6; i++)
      await correctEdition(two.services, two.school.handout, i % 2 ? corrected() : parted(), { some: [frame] })
    await sending
    const whole = (await two.stateOf(frame))!
    expect((await movesOf(frame)).map(m => m.number)).toEqual(Array.from({ length: whole.number }, (_, i) => i + 1))
    await two.connection.db.deleteFrom('snapshots').where('slate_id', '=', frame).execute()
    expect(await two.stateOf(frame)).toEqual(whole)
  })
})
