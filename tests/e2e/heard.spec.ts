import { readFileSync } from 'node:fs'
import type { Board } from '../../core/board/board'
import { frameOfFour, student } from './frames'
import { comeIn, expect, makeLesson, piece, test } from './class'

test.use({ testIdAttribute: 'data-test' })

const order = JSON.parse(readFileSync('docs/formats/examples/order.board.json', 'utf8')) as Board

test('in a lane a card goes between any two by keys and by taps, says its place, and undo says what moved and stands there', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], order)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const said = page.getByTestId('said')
  const onLedge = page.getByTestId('ledge').locator('[data-piece]')
  const names = await onLedge.evaluateAll(all => all.map(one => one.getAttribute('aria-label')!.split(',')[0]!))
  const [first, second, third] = names as [string, string, string]
  const lane = order.pages[0]!.places.find(place => place.kind === 'lane')!.heading

  await piece(page, first).press('Enter')
  await expect(said).toHaveText(`${first} picked up, over ${lane}, place 1. Arrows choose a place, Enter puts it down.`)
  await page.keyboard.press('Enter')
  await expect(said).toContainText(`${first}, now in ${lane}, 1 of 1, `)
  await piece(page, second).press('Enter')
  const down = order.pages[0]!.places.find(place => place.kind === 'lane' && place.direction === 'column')
  await page.keyboard.press(down ? 'ArrowDown' : 'ArrowRight')
  await expect(said).toHaveText(`Over ${lane}, place 2`)
  await page.keyboard.press('Enter')
  // The third between the two.
  await piece(page, third).press('Enter')
  await page.keyboard.press(down ? 'ArrowDown' : 'ArrowRight')
  await page.keyboard.press('Enter')
  await expect(piece(page, third)).toHaveAccessibleName(`${third}, in ${lane}, 2 of 3`)
  await expect(piece(page, second)).toHaveAccessibleName(`${second}, in ${lane}, 3 of 3`)

  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('announced')).toContainText(/^Undone\./)
  await expect(piece(page, third)).toHaveAccessibleName(`${third}, on the ledge`)

  // By taps: on the first half of a card, before it.
  await piece(page, third).click()
  const box = (await piece(page, first).boundingBox())!
  await page.mouse.click(box.x + box.width * 0.2, box.y + box.height * 0.2)
  await expect(piece(page, third)).toHaveAccessibleName(`${third}, in ${lane}, 1 of 3`)
})

test('the ledge is one stop of the Tab key, arrows lead along it, and whoever comes to a page stands at its heading', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const onLedge = page.getByTestId('ledge').locator('[data-piece]')
  await expect(onLedge.and(page.locator('[tabindex="0"]'))).toHaveCount(1)
  await onLedge.first().focus()
  await page.keyboard.press('ArrowRight')
  await expect(onLedge.nth(1)).toBeFocused()
  await page.keyboard.press('End')
  await expect(onLedge.last()).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await expect(onLedge.first()).toBeFocused()
  await expect(onLedge.and(page.locator('[tabindex="0"]'))).toHaveCount(1)

  // Also after pencils were down, when nothing there was to be pressed; that they are up again is said.
  const pencils = (down: boolean) => lesson.teacher.must('PUT', `/api/handouts/${lesson.handout}/pencils`, { down })
  await pencils(true)
  await expect(page.getByTestId('pencils-down')).toBeVisible()
  await pencils(false)
  await expect(page.getByTestId('announced')).toHaveText('Pencils up. You can go on.')
  await expect(onLedge.and(page.locator('[tabindex="0"]'))).toHaveCount(1)

  await page.getByRole('link', { name: 'To my desk' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'My desk' })).toBeFocused()
})

test('who works on a frame hears what others change there, the first of its members too', async ({
  browser,
  application: { address },
}) => {
  const lesson = await frameOfFour(address, {})
  const [ada, bo] = await Promise.all(['Ada Fern', 'Bo Kelp'].map(name => student({ browser, address, lesson, name })))
  await piece(ada!, 'limpet').press('Enter')
  await ada!.keyboard.press('Enter')
  await expect(bo!.getByTestId('announced')).toHaveText('Ada Fern has changed 1 thing.')
  await piece(bo!, 'goby').press('Enter')
  await bo!.keyboard.press('Enter')
  await expect(ada!.getByTestId('announced')).toHaveText('Bo Kelp has changed 1 thing.')
})

test('the code can be typed at once by whoever comes in', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await page.goto(application.address)
  await page.getByRole('link', { name: 'student' }).press('Enter')
  await expect(page.getByRole('textbox')).toBeFocused()
  await page.keyboard.type(lesson.code)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Ada Fern' })).toBeVisible()
})
