import { comeIn, expect, makeLesson, signInTeacher, test } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })

test('a student asks for help: the walk-round says so at once, puts them first, and what is seen is quiet again', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page.getByRole('radio', { name: 'Who needs you' }).click()
  await expect(page.locator('[data-slate]')).toHaveCount(2)
  const student = await (await browser.newContext()).newPage()
  await comeIn(student, address, lesson, 'Bo Kelp')
  const hand = student.getByRole('button', { name: 'Ask for help' })
  await hand.press('Enter')
  await expect(student.getByRole('button', { name: 'I have asked for help' })).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('[data-slate]').first()).toHaveAttribute('data-slate', 'Bo Kelp')
  await expect(page.locator('[data-slate="Bo Kelp"]')).toContainText('asks for help')
  // It is still up after the window was loaded anew, and taken down by the student.
  await student.reload()
  await student.getByRole('button', { name: 'I have asked for help' }).click()
  await expect(page.getByText('asks for help')).toHaveCount(0)
  await press(student, 'Ask for help')
  await page.getByRole('button', { name: 'Seen: Bo Kelp' }).click()
  await expect(page.getByText('asks for help')).toHaveCount(0)
  await expect(student.getByRole('button', { name: 'Ask for help' })).toHaveAttribute('aria-pressed', 'false')
  await student.context().close()
})
