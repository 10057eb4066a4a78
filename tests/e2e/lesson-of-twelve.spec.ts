import type { Page } from '@playwright/test'
import { keyedShore } from '../boards'
import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })

/** The words of the board's cards. */
const CARDS = ['limpet', 'barnacle', 'shore crab', 'sea star', 'prawn', 'goby']
const NAMES = Array.from({ length: 12 }, (_, i) => `Student ${String.fromCharCode(65 + i)}`)

async function place(student: Page, card: string, right = 1): Promise<void> {
  await piece(student, card).press('Enter')
  for (let i = 0; i < right; i++) await student.keyboard.press('ArrowRight')
  await student.keyboard.press('Enter')
}

test('a lesson of twelve: all work, one without a connection through the pause; nobody loses a move and nobody reloads', async ({
  page,
  browser,
  application,
}) => {
  test.setTimeout(300_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES, keyedShore())
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await press(page, 'Class screen')
  const popup = page.waitForEvent('popup')
  await page.getByTestId('show-panel').getByRole('button', { name: 'Open its window' }).click()
  const wall = await popup
  await page.bringToFront()
  await page.getByTestId('show-panel').getByRole('button', { name: 'The way in' }).click()
  await expect(wall.getByTestId('way-in')).toBeVisible()

  const students: Page[] = []
  let loads = 0
  for (const name of NAMES) {
    const student = await (await browser.newContext()).newPage()
    await comeIn(student, address, lesson, name)
    student.on('framenavigated', frame => frame === student.mainFrame() && loads++)
    students.push(student)
  }
  const tile = (i: number) => page.locator(`[data-slate="${NAMES[i]}"]`)
  // Each places two cards, all at the same time; the last has no connection by then.
  const away = students[11]!
  await place(away, CARDS[0]!)
  await expect(away.getByTestId('kept')).toContainText('Every move is kept')
  await away.context().setOffline(true)
  await place(away, CARDS[1]!)
  await Promise.all(
    students.slice(0, 11).map(async (student, i) => {
      await place(student, CARDS[i % 6]!)
      await place(student, CARDS[(i + 1) % 6]!)
    }),
  )
  for (let i = 0; i < 11; i++) await expect(tile(i)).toContainText('2 of')
  await expect(tile(11)).toContainText('1 of')

  // All look up. What the one without a connection makes meanwhile stays on the device.
  await press(page, 'Pencils down')
  for (const student of students.slice(0, 11)) await expect(student.getByTestId('pencils-down')).toBeVisible()
  await place(away, CARDS[2]!)
  await expect(away.getByTestId('kept')).toContainText('2 moves are kept on this device')
  await page.getByTestId('show-panel').getByRole('button', { name: 'The board' }).click()
  await page.getByTestId('show-panel').getByRole('button', { name: 'Next answer' }).click()
  await expect(wall.getByTestId('lying')).toHaveCount(1)
  await away.context().setOffline(false)
  await expect(away.getByTestId('pencils-down')).toBeVisible()
  await expect(tile(11)).toContainText('1 of')

  await press(page, 'Pencils up')
  await expect(tile(11)).toContainText('3 of')
  for (const student of students) await expect(student.getByTestId('pencils-down')).toHaveCount(0)

  // One asks, is seen, and is lit until then; all hear a word.
  await press(students[4]!, 'Ask for help')
  await expect(tile(4)).toContainText('asks for help')
  await page.getByRole('button', { name: `Seen: ${NAMES[4]}` }).click()
  await expect(tile(4)).not.toContainText('asks for help')
  await press(page, 'Say a word')
  await page.getByRole('dialog').getByLabel('What do you want to say?').fill('One more minute.')
  await page.getByRole('dialog').getByRole('button', { name: 'Say it' }).click()
  for (const student of students) await expect(student.getByTestId('nudge')).toContainText('One more minute.')

  // Handed in for all; every move that was made is there.
  await press(page, 'Hand in for all')
  await page.getByRole('dialog').getByRole('button', { name: 'Hand in for all' }).click()
  for (const student of students) await expect(student.getByTestId('shut')).toHaveText('Handed in by your teacher')
  const { slates } = await lesson.teacher.must<{
    slates: { name: string; status: string; state: { pieces: object } }[]
  }>('GET', `/api/handouts/${lesson.handout}`)
  expect(slates.map(slate => [slate.status, Object.keys(slate.state.pieces).length])).toEqual(
    NAMES.map((_, i) => ['handed-in', i === 11 ? 3 : 2]),
  )
  expect(loads).toBe(0)
  for (const student of students) await student.context().close()
})
