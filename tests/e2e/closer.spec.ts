import type { Page } from '@playwright/test'
import { addPlaces } from '../../core/design/places'
import { newPlaces } from '../../core/design/newPlaces'
import { addPage, duplicatePage } from '../../core/design/pages'
import { addStep, changeStep } from '../../core/design/steps'
import { addFamily } from '../../core/design/tiles'
import type { StepId } from '../../core/board/ids'
import { counting, masterId, pageId, pieceId, placeId, shore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'
import { boardKept, kept, press, station } from './making'
import { middleOf, Pointing, WAYS } from './pointing'

test.use({ testIdAttribute: 'data-test', hasTouch: true })

const PAGE = pageId('page')
const frameOf = (page: Page) => page.locator('[data-frame]')
const scrolled = (page: Page) => frameOf(page).evaluate(frame => ({ x: frame.scrollLeft, y: frame.scrollTop }))
/** Where the middle of the page is, as shares of what its frame shows. */
const middleInFrame = (page: Page) =>
  frameOf(page).evaluate(frame => {
    const [sheet, seen] = [frame.firstElementChild!.getBoundingClientRect(), frame.getBoundingClientRect()]
    return {
      x: (sheet.left + sheet.width / 2 - seen.left) / seen.width,
      y: (sheet.top + sheet.height / 2 - seen.top) / seen.height,
    }
  })
const widthOf = (page: Page) => frameOf(page).evaluate(frame => frame.firstElementChild!.getBoundingClientRect().width)
const inSight = (page: Page, name: string) =>
  piece(page, name).evaluate(element => {
    const [box, seen] = [element.getBoundingClientRect(), element.closest('[data-frame]')!.getBoundingClientRect()]
    return box.left >= seen.left && box.right <= seen.right && box.top >= seen.top && box.bottom <= seen.bottom
  })

test('a student looks closer by buttons and keys: what was in the middle stays, and the page follows what is carried', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await page.setViewportSize({ width: 1024, height: 768 })
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const whole = await widthOf(page)
  await expect(page.getByRole('button', { name: 'Further away' })).toBeDisabled()
  for (let i = 0; i < 4; i++) await press(page, 'Closer')
  expect(await widthOf(page)).toBeCloseTo(whole * 1.25 ** 4, -1)
  const middle = await middleInFrame(page)
  expect(middle.x).toBeCloseTo(0.5, 1)
  expect(middle.y).toBeCloseTo(0.5, 1)
  // Nothing but the page itself is pushed about.
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
  await expectAccessible(page)

  await piece(page, 'goby').focus()
  await page.keyboard.press('Enter')
  const before = await scrolled(page)
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('said')).toHaveText('Over Swims')
  await page.keyboard.press('Enter')
  await expect(piece(page, 'goby')).toHaveAccessibleName('goby, in Swims')
  expect((await scrolled(page)).x).toBeGreaterThan(before.x)
  await expect.poll(() => inSight(page, 'goby')).toBe(true)

  await page.keyboard.press('Alt+Digit0')
  expect(await widthOf(page)).toBeCloseTo(whole, 0)
  await page.keyboard.press('Alt+Equal')
  expect(await widthOf(page)).toBeCloseTo(whole * 1.25, 0)
})

for (const way of WAYS)
  test(`what a ${way} drags to the edge of a page looked at closely pushes it along`, async ({ page, application }) => {
    const lesson = await makeLesson(application.address, ['Ada Fern'])
    await page.setViewportSize({ width: 1024, height: 768 })
    await comeIn(page, application.address, lesson, 'Ada Fern')
    for (let i = 0; i < 5; i++) await press(page, 'Closer')
    const frame = (await frameOf(page).boundingBox())!
    const card = (await piece(page, 'limpet').boundingBox())!
    const hand = await Pointing.of(page, way)
    const across = (x: number) => ({ x: frame.x + x, y: frame.y + frame.height / 2 })
    await hand.down(middleOf(card))
    await hand.along(1, middleOf(card), across(frame.width / 2))
    const before = (await scrolled(page)).x
    await hand.along(1, across(frame.width / 2), across(6))
    await expect.poll(async () => (await scrolled(page)).x).toBe(0)
    expect(before).toBeGreaterThan(0)
    // Where it is let go now is another part of the page than where it came in.
    await hand.move(across(140))
    await hand.up(across(140))
    await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await kept(page)
  })

test('two fingers look closer, and put no piece out of its place', async ({ browser, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true })
  const page = await context.newPage()
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const whole = await widthOf(page)
  const { x, y, width, height } = (await frameOf(page).boundingBox())!
  const [cx, cy] = [x + width / 2, y + height / 2]
  const touch = await context.newCDPSession(page)
  const fingers = (apart: number) => [
    { x: cx - apart / 2, y: cy, id: 1 },
    { x: cx + apart / 2, y: cy, id: 2 },
  ]
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: fingers(80) })
  for (const apart of [90, 120, 160])
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(apart) })
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  await expect.poll(() => widthOf(page)).toBeGreaterThan(whole * 1.5)
  await expect(page.getByRole('group', { name: 'Ledge' }).getByRole('button')).toHaveCount(6)
  await context.close()
})

test('on a tablet everything on the ledge can be caught with a finger, ones and tens too', async ({
  browser,
  application,
}) => {
  const [pieces, masters] = [counting('p'), counting('m')]
  const ids = { piece: () => pieceId(pieces()), master: () => masterId(masters()) }
  const board = addFamily(shore(), PAGE, { family: 'base-ten', of: '', bins: true, each: 1 }, ids)
  const lesson = await makeLesson(application.address, ['Ada Fern'], board)
  const page = await (await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true })).newPage()
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const ledge = page.getByRole('group', { name: 'Ledge' }).getByRole('button')
  await expect(ledge).toHaveCount(9)
  for (const name of ['one, as many as you need', 'ten, as many as you need', 'hundred, as many as you need']) {
    const { width, height } = (await page.getByRole('button', { name }).boundingBox())!
    expect(width, name).toBeGreaterThanOrEqual(44)
    expect(height, name).toBeGreaterThanOrEqual(44)
  }
  // At the very edge of its room it is still caught.
  const box = (await page.getByRole('button', { name: /^one, / }).boundingBox())!
  await page.touchscreen.tap(box.x + 3, box.y + 3)
  await expect(page.getByTestId('said')).toHaveText('one picked. Now tap where it goes.')
  await page.context().close()
})

test('the page and the activity that were open are open again after the window was loaded anew', async ({
  page,
  browser,
  application,
}) => {
  const two = duplicatePage(shore(), PAGE, counting('copy'))
  const second = two.pages[1]!.id
  const stepped = ['s1', 's2', 's3'].reduce(
    (board, id) =>
      changeStep(addStep(board, second, id as StepId), second, id as StepId, { instructions: `Do ${id}.` }),
    two,
  )
  const lesson = await makeLesson(application.address, ['Ada Fern'], stepped)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await press(page, 'Next page')
  await page.getByRole('button', { name: /^Activity 3/ }).click()
  await page.reload()
  await expect(page.getByTestId('page-of')).toHaveText('Page 2 of 2')
  await expect(page.getByTestId('step')).toHaveText('Do s3.')

  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, application.address, lesson.email, lesson.password)
  await teacher.goto(`${application.address}/board/${lesson.board}`)
  await teacher.getByRole('button', { name: 'Page 2', exact: true }).click()
  await station(teacher, 'Places').click()
  await teacher.reload()
  await expect(station(teacher, 'Places')).toHaveAttribute('aria-current', 'step')
  await expect(teacher.getByRole('button', { name: 'Page 2', exact: true })).toHaveAttribute('aria-current', 'page')
  await teacher.context().close()
})

test('at the workbench the page is whole at 100 %, and as large at every station', async ({ page, application }) => {
  const board = addPage(
    addPlaces(
      shore(),
      PAGE,
      newPlaces('drawing', shore().pages[0]!, () => placeId('ink')),
    ),
    PAGE,
    pageId('next'),
  )
  const lesson = await makeLesson(application.address, ['Ada Fern'], board)
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 1024, height: 600 },
  ]) {
    await page.setViewportSize(viewport)
    await page.goto(`${application.address}/board/${lesson.board}`)
    const seen = []
    for (const name of ['Backdrop', 'Places', 'Pieces', 'Answers', 'Check']) {
      await station(page, name).click()
      await page.getByRole('heading', { name, level: 2 }).waitFor()
      seen.push(Math.round(await widthOf(page)))
      expect(await frameOf(page).evaluate(f => f.scrollWidth - f.clientWidth + f.scrollHeight - f.clientHeight)).toBe(0)
    }
    expect(new Set(seen).size, `${seen.join()} at ${viewport.width}`).toBe(1)
  }
})

test('a board that was changed in another window is kept as one of its own, or opened as it is there', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  const other = await page.context().newPage()
  const open = async (which: Page) => {
    await which.goto(`${application.address}/board/${lesson.board}`)
    await which.getByRole('textbox', { name: 'Instructions' }).waitFor()
  }
  const write = (which: Page, words: string) => which.getByRole('textbox', { name: 'Instructions' }).fill(words)
  await open(page)
  await open(other)
  await write(other, 'From the other window.')
  await boardKept(other)
  await write(page, 'From this one.')
  await expect(page.getByRole('alert')).toContainText('changed in another window')
  await press(page, 'Open the newer one')
  await expect(page.getByRole('textbox', { name: 'Instructions' })).toHaveValue('From the other window.')
  await write(page, 'Newer still.')
  await boardKept(page)
  await write(other, 'Not lost.')
  await expect(other.getByRole('alert')).toContainText('changed in another window')
  await press(other, 'Keep what is here as a board of its own')
  await expect(other).not.toHaveURL(new RegExp(lesson.board))
  await expect(other.getByRole('textbox', { name: 'Name of the board' })).toHaveValue(
    'Test board (from the other window)',
  )
  await expect(other.getByRole('textbox', { name: 'Instructions' })).toHaveValue('Not lost.')
  await boardKept(other)
})

test('a box for a number says when something else stands in it', async ({ page, application }) => {
  const board = addPlaces(
    shore(),
    PAGE,
    newPlaces('number', shore().pages[0]!, () => placeId('n')),
  )
  const lesson = await makeLesson(application.address, ['Ada Fern'], board)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const field = page.getByRole('textbox', { name: 'Write here' })
  await field.fill('many')
  await field.blur()
  await expect(page.getByText('A number goes here.')).toBeVisible()
  await expect(field).toHaveAttribute('aria-invalid', 'true')
  for (const number of ['12', '−3', '½', '٣', '4,5 cm']) {
    await field.fill(number)
    await field.blur()
    await expect(page.getByText('A number goes here.')).toBeHidden()
  }
})
