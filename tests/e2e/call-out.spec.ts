import { addFamily } from '../../core/design/tiles'
import { addZone } from '../../core/design/places'
import { emptyBoard } from '../../core/board/board'
import { counting, masterId, pageId, pieceId, placeId } from '../boards'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })

function mat() {
  const [piece, master] = [counting('p'), counting('m')]
  const page = pageId('page')
  const board = addZone(emptyBoard('Make it', page, 1), page, placeId('mat'), 'Mat')
  return addFamily(
    { ...board, instructions: 'Build what is called.' },
    page,
    { family: 'base-ten', of: '1 10', bins: true, each: 1 },
    { piece: () => pieceId(piece()), master: () => masterId(master()) },
  )
}

test('a target is called: everybody builds it, the walk-round shows who has it and how, and the next clears the mat', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], mat())
  const [ada, bo] = await Promise.all([1, 2].map(async () => (await browser.newContext()).newPage()))
  await comeIn(ada!, address, lesson, 'Ada Fern')
  await comeIn(bo!, address, lesson, 'Bo Kelp')
  /** So many of a bin's tiles into the mat, by keys. */
  const take = async (who: typeof page, bin: string, count: number) => {
    for (let i = 0; i < count; i++) {
      await who.getByRole('button', { name: `${bin}, as many as you need` }).press('Enter')
      await who.keyboard.press('Enter')
    }
  }
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await press(page, 'Call out')
  const desk = page.getByTestId('call-panel')
  await desk.getByLabel('What to build').fill('half a whale')
  await desk.getByRole('button', { name: 'Call it' }).click()
  await expect(desk).toContainText("The pieces of this page can't make that")
  await desk.getByLabel('What to build').fill('1/2')
  await desk.getByRole('button', { name: 'Call it' }).click()
  await expect(desk).toContainText('No choice of the pieces of this page makes that. Nothing was called.')
  await expect(ada!.getByTestId('call')).toHaveCount(0)

  await desk.getByLabel('What to build').fill('12')
  await desk.getByLabel('What to build').press('Enter')
  for (const student of [ada!, bo!]) await expect(student.getByTestId('call')).toContainText('Build 12')
  await take(ada!, 'ten', 1)
  await take(ada!, 'one', 2)
  await expect(desk).toContainText('One of 2 has it.')
  await expect(page.locator('[data-slate="Ada Fern"]')).toContainText('has it')
  await take(bo!, 'one', 12)
  await expect(desk).toContainText('2 of 2 have it.')
  await expect(desk.getByTestId('called')).toContainText('10 + 2 × 1 (one)')
  await expect(desk.getByTestId('called')).toContainText('12 × 1 (one)')

  // The next from the list: the pieces go back, with pencils down too, and what was built is kept.
  await desk.getByLabel('Prepared, one on each line').fill('21\n30')
  await press(page, 'Pencils down')
  await desk.getByRole('button', { name: 'Next: 21' }).click()
  await expect(desk).toContainText('Nobody of 2 has it.')
  await expect(ada!.getByTestId('call')).toContainText('Build 21')
  for (const student of [ada!, bo!])
    await expect(student.getByRole('group', { name: 'Page', exact: true }).locator('[data-piece]')).toHaveCount(0)
  await press(page, 'Pencils up')
  await expect(desk.getByRole('button', { name: 'Next: 30' })).toBeVisible()
  await desk.getByText('One target before').click()
  await expect(desk).toContainText('12: 2 of 2 have it.')
  await desk.getByRole('button', { name: 'Done with calling' }).click()
  await expect(ada!.getByTestId('call')).toHaveCount(0)
  for (const student of [ada!, bo!]) await student.context().close()
})
