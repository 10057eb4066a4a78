import { afterAll, beforeAll, expect, it } from 'vitest'
import { setHeldBack, duplicatePage } from '../../../core/design/pages'
import { withoutHeldBack } from '../../../core/handout/heldBack'
import { openHeldPages, previewHandout } from '../../../server/usecases/editions'
import { counting, pageId, shore } from '../../boards'
import { put, said, twoProcesses, type TwoProcesses } from '../../lesson'
import { giveOut } from '../../../server/usecases/giveOut'

/** The same page before and after the lesson. */
const twice = duplicatePage(shore(), pageId('page'), counting('second'))
const board = setHeldBack(twice, twice.pages[1]!.id, true)
let two: TwoProcesses
beforeAll(async () => {
  two = await twoProcesses(board, 2)
})
afterAll(() => two.close())

it('a board of nothing but pages that are held back is given out whole', () => {
  expect(withoutHeldBack(board).pages.map(page => page.id)).toEqual([pageId('page')])
  expect(withoutHeldBack(twice)).toBe(twice)
  const all = setHeldBack(board, pageId('page'), true)
  expect(withoutHeldBack(all)).toBe(all)
})

it('a page that is held back is nowhere until it is opened, and then with everybody, what was done staying', async () => {
  const { db } = two.connection
  const { board_id } = await db
    .selectFrom('handouts')
    .select('board_id')
    .where('id', '=', two.school.handout)
    .executeTakeFirstOrThrow()
  const given = await giveOut(db, board_id, two.school.classId)
  if (!given.ok) throw new Error(given.reason)
  const handout = given.value.id
  const slates = await db
    .selectFrom('slate_members')
    .innerJoin('slates', 'slates.id', 'slate_members.slate_id')
    .select(['slates.id', 'student_id', 'edition_hash'])
    .where('slates.handout_id', '=', handout)
    .execute()
  const boardUnder = async (hash: string) => (await two.engines[0]!.editions.get(db, hash)).board
  expect((await boardUnder(slates[0]!.edition_hash)).pages).toHaveLength(1)
  expect(await previewHandout(two.services, handout)).toMatchObject({ upToDate: true, heldBack: 1 })
  const [slate] = slates
  const who = two.as(slate!.student_id)
  const later = put(board.pages[1]!.pieces[0]!.id, 300)
  expect(said(await two.submit(slate!.id, who, [put('c0', 200), later]))).toEqual([1, 'unknown-piece'])

  await openHeldPages(two.services, handout)
  expect(await previewHandout(two.services, handout)).toMatchObject({ upToDate: true, heldBack: 0 })
  const after = await db.selectFrom('slates').select(['edition_hash']).where('handout_id', '=', handout).execute()
  for (const { edition_hash } of after) expect((await boardUnder(edition_hash)).pages).toHaveLength(2)
  for (const engine of two.engines)
    expect(
      said(await two.submit(slate!.id, who, [{ ...later, id: `later-move-${two.engines.indexOf(engine)}` }], engine)),
    ).toEqual([expect.any(Number)])
})
