import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { PieceId } from '../../../core/board/ids'
import { historyOf } from '../../../server/usecases/history'
import { replayOf } from '../../../core/slate/replay'
import { makeEdition } from '../../../core/board/edition'
import { callOut, calledBefore, callOutOf, endCallOut } from '../../../server/usecases/lesson/callOuts'
import { handInFor, pencils } from '../../../server/usecases/lesson/hold'
import { markOpened } from '../../../server/usecases/openness'
import { box, boardOf, tile } from '../../keyBoards'
import { placeId } from '../../boards'
import { said, twoProcesses, type TwoProcesses } from '../../lesson'
import type { SentEnvelope } from '../../../core/sync/messages'

const BOARD = boardOf(
  [{ kind: 'zone', id: placeId('mat'), heading: 'Mat', shape: box(20, 20, 600, 400) }],
  [tile('t', '10', { bin: true }), tile('o', '1', { bin: true })],
  null,
)
let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(BOARD, 4)
})
afterAll(() => two.close())
const slateAt = (i: number) => two.school.slates[i]!
let made = 0
const copy = (bin: string): SentEnvelope => ({
  id: `move-${++made}-xxxx`,
  move: {
    kind: 'put',
    piece: `${bin}~c${String(made).padStart(6, '0')}` as PieceId,
    x: 60 + 45 * (made % 10),
    y: 60 + 25 * (made % 12),
  },
})
const build = async (i: number, tens: number, ones: number) =>
  said(
    await two.submit(slateAt(i).id, two.as(slateAt(i).student), [
      ...Array.from({ length: tens }, () => copy('t')),
      ...Array.from({ length: ones }, () => copy('o')),
    ]),
  )
const call = (target: string, page = 0) =>
  callOut(two.services, { handout: two.school.handout, who: two.owner, target, page })
const piecesOn = async (i: number) => Object.keys((await two.stateOf(slateAt(i).id))!.state.pieces).length

describe('a call-out', () => {
  it('that no tiles can make changes nothing', async () => {
    await build(0, 1, 1)
    expect([await call('1/2'), await call('whale'), await call('12', 5)].map(done => !done.ok && done.reason)).toEqual([
      'cannot-be-made',
      'not-read',
      'nothing-to-build-with',
    ])
    expect(await callOutOf(two.connection.db, two.school.handout)).toBeNull()
    expect(await piecesOn(0)).toBe(2)
  })

  it('sends all pieces back, with pencils down too, and keeps what was built before with its ways', async () => {
    expect(await call('12')).toMatchObject({ ok: true, value: { number: 1, target: '12' } })
    expect(await piecesOn(0)).toBe(0)
    await build(0, 1, 2)
    await build(1, 0, 12)
    await build(2, 1, 0)
    await pencils(two.services, two.school.handout, { down: true })
    expect(await call('21')).toMatchObject({ ok: true, value: { number: 2 } })
    expect([await piecesOn(0), await piecesOn(1), await piecesOn(2)]).toEqual([0, 0, 0])
    expect(await build(0, 1, 0)).toEqual(['paused'])
    await pencils(two.services, two.school.handout, { down: false })
    const [before] = await calledBefore(two.connection.db, two.school.handout)
    expect(before!.target).toBe('12')
    expect(Object.fromEntries(before!.builds.map(one => [one.slate, [one.is_there, one.way]]))).toEqual({
      [slateAt(0).id]: ['there', '10 + 2 × 1'],
      [slateAt(1).id]: ['there', '12 × 1'],
      [slateAt(2).id]: ['not-yet', '10'],
    })
  })

  it('of two teachers at once are called one after the other, and one is open', async () => {
    const done = await Promise.all(['13', '14', '15', '16'].map(target => call(target)))
    expect(done.every(one => one.ok)).toBe(true)
    const { rows } = await two.connection.pool.query('select number from callouts order by number')
    expect(rows.map(row => row.number)).toEqual([1, 2, 3, 4, 5, 6])
    expect((await callOutOf(two.connection.db, two.school.handout))?.number).toBe(6)
  })

  it('leaves what is handed in as it is, and is over when the teacher says so', async () => {
    await build(3, 1, 6)
    await handInFor(two.services, two.school.handout, [slateAt(3).id])
    await call('20')
    expect(await piecesOn(3)).toBe(7)
    await endCallOut(two.services, two.school.handout)
    await endCallOut(two.services, two.school.handout)
    expect(await callOutOf(two.connection.db, two.school.handout)).toBeNull()
    // The last one called that was still open is kept like the others.
    expect((await calledBefore(two.connection.db, two.school.handout))[0]!.target).toBe('20')
    await markOpened(two.services, slateAt(3).id)
  })

  it('is kept with what each had built for it then, to be looked at again', async () => {
    const { id } = slateAt(1)
    const history = await historyOf(two.connection.db, two.engines[0].editions, id)
    const replay = replayOf(history.chapters.map(({ board, moves }) => ({ edition: makeEdition(board), moves })))
    const [first] = history.calls
    expect(first).toMatchObject({ target: '12', is: 'there', way: '12 × 1' })
    const upTo = replay.moves.filter(move => move.number <= first!.number).length
    expect(Object.keys(replay.after(upTo).state.pieces)).toHaveLength(12)
    // And now it is as the server has it.
    expect(replay.after(Infinity).state).toEqual((await two.stateOf(id))!.state)
  })
})
