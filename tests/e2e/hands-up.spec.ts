import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'
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

test('who goes in circles is seen with the figures, and quiet once a teacher has seen it', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  const student = await (await browser.newContext()).newPage()
  await comeIn(student, address, lesson, 'Bo Kelp')
  /** From zone to zone, and back again. */
  const backAndForth = async (times: number) => {
    for (let i = 0; i < times; i++) {
      await piece(student, 'limpet').press('Enter')
      await student.keyboard.press(i % 2 === 0 ? 'ArrowRight' : 'ArrowLeft')
      await student.keyboard.press('Enter')
    }
  }
  await backAndForth(3)
  // Half of it was done before the teacher came, half of it is seen live.
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page.getByRole('radio', { name: 'Who needs you' }).click()
  const slate = page.locator('[data-slate="Bo Kelp"]')
  await expect(slate).toContainText('1 of 6')
  await expect(slate).not.toContainText('back and forth')
  await backAndForth(4)
  await expect(slate).toContainText('limpet: back and forth')
  await expect(page.locator('[data-slate]').first()).toHaveAttribute('data-slate', 'Bo Kelp')
  await page.reload()
  await expect(slate).toContainText('limpet: back and forth')
  await page.getByRole('button', { name: 'Seen: Bo Kelp' }).click()
  await expect(slate).not.toContainText('back and forth')
  await page.reload()
  await expect(slate).toContainText('of 6')
  await expect(page.getByText('back and forth')).toHaveCount(0)
  await student.context().close()
})
