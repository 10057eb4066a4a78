import type { Page } from '@playwright/test'
import { duplicatePage } from '../../core/design/pages'
import { counting, pageId, shore } from '../boards'
import { PICTURE_WORDS } from '../pictureWords'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'
import { press, station } from './making'

test.use({ testIdAttribute: 'data-test' })

/** Something that is shown has the focus, and not the page's body. */
const somewhere = (page: Page) =>
  expect
    .poll(() =>
      page.evaluate(() => {
        const now = document.activeElement
        return now && now !== document.body && now.getClientRects().length > 0
      }),
    )
    .toBe(true)

test('while coming in, each step has the focus, and the browser goes back and on step by step', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'])
  await page.goto(`${application.address}/join`)
  await page.getByLabel('Class code').fill(lesson.code.toLowerCase())
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Who are you?' })).toBeFocused()
  await page.getByRole('button', { name: 'Bo Kelp' }).press('Enter')
  await expect(page.getByRole('heading', { name: 'Hello, Bo Kelp' })).toBeFocused()
  await page.getByRole('button', { name: PICTURE_WORDS[lesson.students[1]!.pictures[0]!], exact: true }).press('Enter')
  await expect(page.getByRole('status')).toHaveText(
    `1 picture of 3 chosen, ${PICTURE_WORDS[lesson.students[1]!.pictures[0]!]}`,
  )
  await page.goBack()
  await expect(page.getByRole('heading', { name: 'Who are you?' })).toBeFocused()
  await page.goForward()
  await expect(page.getByRole('heading', { name: 'Hello, Bo Kelp' })).toBeVisible()
  await expect(page.getByRole('status')).toHaveText('No picture of 3 chosen')
  await page.goBack()
  await page.goBack()
  await expect(page.getByLabel('Class code')).toBeVisible()
  await page.goForward()
  await page.getByRole('button', { name: 'Ada Fern' }).press('Enter')
  for (const picture of lesson.students[0]!.pictures)
    await page.getByRole('button', { name: PICTURE_WORDS[picture], exact: true }).press('Enter')
  await expect(page.getByRole('heading', { name: 'My desk' })).toBeVisible()
})

test('on a slate the focus is never lost: at the last page, in dialogs, after handing in', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], duplicatePage(shore(), pageId('page'), counting()))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await page.getByRole('button', { name: 'Next page' }).press('Enter')
  // That button can't be pressed any more: its neighbour has the focus.
  await expect(page.getByRole('button', { name: 'Page before' })).toBeFocused()
  for (let i = 0; i < 9; i++) await page.getByRole('button', { name: 'Closer' }).press('Enter')
  await somewhere(page)
  await page.getByRole('button', { name: 'Hand in' }).press('Enter')
  await expect(page.getByRole('button', { name: 'Keep working' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Hand in' })).toBeFocused()
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Hand it in now' }).press('Enter')
  await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
  await somewhere(page)
})

test('at the desk of a teacher what is removed, mended or closed hands the focus on', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, undefined, { ...shore(), instructions: '' })
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/classes/${lesson.classId}`)
  await page.getByRole('button', { name: 'Has left the class: Bo Kelp' }).press('Enter')
  await expect(page.getByRole('status')).toContainText('Bo Kelp has left the class')
  await somewhere(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).press('Enter')
  await expect(page.getByRole('button', { name: 'Has left the class: Bo Kelp' })).toBeVisible()
  await somewhere(page)

  await page.goto(`${application.address}/board/${lesson.board}`)
  await station(page, 'Check').press('Enter')
  await page.getByRole('button', { name: 'Write “Put each card where it belongs.”' }).press('Enter')
  await expect(page.getByRole('textbox', { name: 'Instructions' })).toHaveValue('Put each card where it belongs.')
  await somewhere(page)
  await page.getByRole('button', { name: 'Try it as a student' }).press('Enter')
  await page.getByRole('button', { name: 'Back to the workbench' }).press('Enter')
  await expect(station(page, 'Check')).toBeVisible()
  await somewhere(page)
  await station(page, 'Pieces').press('Enter')
  await page.getByRole('button', { name: /^Remove limpet/ }).press('Enter')
  await somewhere(page)
  await page.getByRole('button', { name: 'Add a page' }).press('Enter')
  await page.getByRole('button', { name: 'Remove this page' }).press('Enter')
  await somewhere(page)
})

test('a class that is put away lets nobody in, keeps its work, and is taken back', async ({
  page,
  browser,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/classes/${lesson.classId}`)
  await page.getByLabel('Name of the class').fill('Year 5 of last year')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Year 5 of last year' })).toBeVisible()
  const student = await (await browser.newContext()).newPage()
  await comeIn(student, application.address, lesson, 'Ada Fern')
  await press(page, 'Put the class away')
  await expect(page.getByRole('status')).toContainText('is put away')
  await student.goto(`${application.address}/join?class=${lesson.code}`)
  await expect(student.getByRole('alert')).toBeVisible()
  await page.goto(`${application.address}/handout/${lesson.handout}`)
  await expect(page.locator('[data-slate]')).toHaveCount(1)
  await page.goto(`${application.address}/classes`)
  await page.getByText('Put away: 1 class').click()
  await page.getByRole('button', { name: 'Take the class back: Year 5 of last year' }).click()
  await expect(page.getByRole('status')).toContainText('is back')
  await comeIn(student, application.address, lesson, 'Ada Fern')
  await student.context().close()
})
