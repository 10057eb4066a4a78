import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { setExplain, setHints, setNotes } from '../../core/design/around'
import { setBoardTools } from '../../core/design/tools'
import { pageId, shore } from '../boards'
import { comeIn, expect, makeLesson, test } from './class'

test.use({ testIdAttribute: 'data-test' })

const exampleOf = (name: string) =>
  JSON.parse(readFileSync(`docs/formats/examples/${name}.board.json`, 'utf8')) as Board
const PAGE = pageId('page')
const around = (board: Board) => setHints(setNotes(setExplain(board, PAGE, 'places'), PAGE, true), PAGE, null, 'Waves.')

/** How much larger than its frame the page is, each way; CSS pixels. */
const beyond = (page: Page) =>
  page
    .locator('[data-frame]')
    .evaluate(frame => [frame.scrollWidth - frame.clientWidth, frame.scrollHeight - frame.clientHeight])

test('a page fits its room with a mouse, however small its cells; nothing of it is out of sight', async ({
  page,
  application,
}) => {
  for (const name of ['cover', 'expression', 'arrows', 'counters']) {
    const lesson = await makeLesson(application.address, ['Ada Fern'], exampleOf(name))
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await expect.poll(() => beyond(page), { message: name }).toEqual([0, 0])
    await page.context().clearCookies()
  }
})

test('on a phone the page is begun as large as it is read and caught, which is said, with the way out in sight', async ({
  browser,
  application,
}) => {
  const lesson = await makeLesson(
    application.address,
    ['Ada Fern'],
    setBoardTools(around(shore()), [
      'write',
      'note',
      'pen',
      'highlighter',
      'line',
      'shape',
      'sign',
      'picture',
      'photo',
    ]),
  )
  const page = await (await browser.newContext({ viewport: { width: 360, height: 640 }, hasTouch: true })).newPage()
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await expect.poll(async () => (await beyond(page))[0]).toBeGreaterThan(0)
  // It begins where the page begins.
  expect(await page.locator('[data-frame]').evaluate(frame => [frame.scrollLeft, frame.scrollTop])).toEqual([0, 0])
  await page.getByRole('button', { name: 'See the whole page' }).click()
  await expect.poll(() => beyond(page)).toEqual([0, 0])
  // The tools are one row that is pushed along, not three of which two lie under the ledge.
  const ledge = (await page.getByTestId('ledge').boundingBox())!
  for (const name of ['Rubber', 'Sign', 'Photo', 'Write']) {
    const tool = page.getByRole('toolbar').getByRole('button', { name, exact: true })
    await tool.scrollIntoViewIfNeeded()
    const box = (await tool.boundingBox())!
    expect(box.y + box.height).toBeLessThanOrEqual(ledge.y)
    await tool.click({ trial: true })
  }
})

test('what opens beside the page moves nothing, and closes', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], around(shore()))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const frame = page.locator('[data-frame]')
  await expect.poll(() => beyond(page)).toEqual([0, 0])
  const before = await frame.boundingBox()
  for (const name of ['Hint', 'Reasons and notes']) {
    const opener = page.getByRole('button', { name, exact: true })
    await opener.press('Enter')
    const panel = page.getByRole('complementary')
    await expect(panel).toBeVisible()
    expect(await frame.boundingBox()).toEqual(before)
    // By keys: one stands at its heading, and is back where one was when it closes.
    await expect(panel.getByRole('heading', { level: 2 })).toBeFocused()
    await page.keyboard.press('Escape')
    await expect(panel).toHaveCount(0)
    await expect(opener).toBeFocused()
  }
  const [student] = lesson.slates
  await lesson.teacher.must('POST', `/api/slates/${student!.id}/margin`, {
    item: { kind: 'note', page: PAGE, text: 'Look at the feet.', at: { to: 'spot', x: 60, y: 60 } },
    shown: true,
  })
  const said = page.getByRole('complementary', { name: 'From your teacher' })
  await expect(said).toContainText('Look at the feet.')
  expect(await frame.boundingBox()).toEqual(before)
  await said.getByRole('button', { name: 'Close' }).click()
  await expect(said).toHaveCount(0)
  await page.getByRole('button', { name: 'From your teacher' }).click()
  await expect(said).toBeVisible()
})

test('whatever a student presses is as large as a finger', async ({ page, application }) => {
  const lesson = await makeLesson(
    application.address,
    ['Ada Fern'],
    setBoardTools(around(shore()), ['write', 'pen', 'sign']),
  )
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await page.getByRole('button', { name: 'Hint', exact: true }).click()
  for (const target of await page.locator('button:visible, a:visible').all()) {
    const { width, height } = (await target.boundingBox())!
    expect(Math.min(width, height), await target.innerText()).toBeGreaterThanOrEqual(44)
  }
})
