import type { Page } from '@playwright/test'
import { duplicatePage } from '../../core/design/pages'
import type { SlateState } from '../../core/slate/state'
import { counting, placeId } from '../boards'
import { boardOf, box, card } from '../keyBoards'
import { comeIn, expect, giveOutTo, makeLesson, piece, test, type Lesson } from './class'
import { frameOfFour, student } from './frames'
import { kept } from './making'

test.use({ testIdAttribute: 'data-test' })

const one = boardOf(
  [
    {
      kind: 'writing',
      id: placeId('w'),
      heading: 'The market',
      lines: 'many',
      textSize: 20,
      shape: box(40, 60, 420, 200),
    },
    { kind: 'zone', id: placeId('z'), heading: 'Here', shape: box(500, 40, 420, 400) },
  ],
  [card('limpet'), card('goby')],
  null,
)
const board = duplicatePage(one, one.pages[0]!.id, counting('second'))
const field = (page: Page) => page.getByLabel('The market')
const textOf = async (lesson: Lesson, slate = lesson.slates[0]!.id) =>
  (await lesson.teacher.must<{ state: SlateState }>('GET', `/api/slates/${slate}`)).state.texts.w ?? ''
/** So quick that nothing is on its way yet. */
const type = async (page: Page, words: string) => {
  await field(page).focus()
  await page.keyboard.press('Control+End')
  await page.keyboard.insertText(words)
}

test('what was typed a moment before the page is turned, pencils go down, the wire is lost, it is handed in, or tried again is there', async ({
  page,
  application: { address },
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(address, ['Ada Fern'], board)
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId }],
    rules: { secondTry: true },
  })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  const given = { ...lesson, handout, slates }
  await comeIn(page, address, given, 'Ada Fern')
  const pencils = (down: boolean) => lesson.teacher.must('PUT', `/api/handouts/${handout}/pencils`, { down })

  await test.step('a page is turned', async () => {
    await type(page, 'turned,')
    await page.getByRole('button', { name: 'Next page' }).click()
    await page.getByRole('button', { name: 'Page before' }).click()
    await expect(field(page)).toHaveValue('turned,')
  })
  await test.step('pencils go down: it waits on the device, and comes when they are up', async () => {
    await type(page, 'down,')
    await pencils(true)
    await expect(page.getByTestId('pencils-down')).toBeVisible()
    await pencils(false)
    await expect(page.getByTestId('pencils-down')).toHaveCount(0)
    await kept(page)
    await expect.poll(() => textOf(given)).toBe('turned,down,')
    await expect(field(page)).toHaveValue('turned,down,')
  })
  await test.step('the connection is lost and comes back', async () => {
    await page.context().setOffline(true)
    await type(page, 'lost,')
    await expect(page.getByTestId('kept')).toContainText('kept on this device')
    await page.context().setOffline(false)
    await kept(page)
    await expect.poll(() => textOf(given)).toBe('turned,down,lost,')
  })
  await test.step('it is handed in, and tried again', async () => {
    await type(page, 'in,')
    await page.getByRole('button', { name: 'Hand in' }).click()
    await page.getByRole('button', { name: 'Hand it in now' }).click()
    await expect(page.getByTestId('shut')).toHaveText('Handed in')
    expect(await textOf(given)).toBe('turned,down,lost,in,')
    await page.getByRole('button', { name: 'Try again' }).click()
    await expect(field(page)).toHaveValue('turned,down,lost,in,')
    // What is seen differently now is asked for at once.
    await expect(page.getByLabel('What do you see differently now?')).toBeVisible()
    await type(page, 'again')
    await page.reload()
    await expect(field(page)).toHaveValue('turned,down,lost,in,again')
  })
})

test('what one types and holds while another hands the frame in: the words are in it, the card lies where it lay', async ({
  browser,
  application: { address },
}) => {
  const lesson = await frameOfFour(address, {}, one)
  const [ada, bo] = await Promise.all(['Ada Fern', 'Bo Kelp'].map(name => student({ browser, address, lesson, name })))
  await expect(bo!.getByTestId('together').getByRole('listitem').filter({ hasText: 'here' })).toHaveCount(1)
  await bo!.getByRole('button', { name: 'Hand in' }).click()
  const now = bo!.getByRole('button', { name: 'Hand it in now' })
  await expect(now).toBeEnabled()
  await type(ada!, 'Boats first.')
  await now.click()
  await expect(bo!.getByTestId('shut')).toHaveText('Handed in')
  await expect.poll(() => textOf(lesson)).toBe('Boats first.')
  await expect(ada!.getByTestId('shut')).toHaveText('Handed in')
  await expect(ada!.getByText('Boats first.').first()).toBeVisible()
  await expect(ada!.getByRole('alert')).toHaveCount(0)
  for (const person of [ada!, bo!]) await person.context().close()
})

test('a card that is held when its slate is handed in for all lies where it lay', async ({
  page,
  application: { address },
}) => {
  const lesson = await makeLesson(address, ['Ada Fern'], one)
  await comeIn(page, address, lesson, 'Ada Fern')
  await piece(page, 'limpet').press('Enter')
  await page.keyboard.press('Enter')
  const where = await piece(page, 'limpet').getAttribute('aria-label')
  await kept(page)
  await piece(page, 'limpet').press('Enter')
  await page.keyboard.press('ArrowDown')
  await lesson.teacher.must('POST', `/api/handouts/${lesson.handout}/collect`, { back: false })
  await expect(page.getByTestId('shut')).toHaveText('Handed in by your teacher')
  await expect(page.getByRole('img', { name: where!, exact: true })).toHaveCount(1)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('img', { name: where!, exact: true })).toHaveCount(1)
})
