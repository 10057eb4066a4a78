import { comeIn, expect, giveOutTo, makeLesson, piece, signInTeacher, test, type Lesson } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })

test('who is away is set aside until they come, and a late student is on a frame by one press', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp', 'Cy Gull'])
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  const tiles = page.locator('[data-slate]')
  await expect(tiles).toHaveCount(3)
  await page.getByRole('button', { name: 'Choose some' }).press('Enter')
  await page.locator('[data-slate="Bo Kelp"]').press('Space')
  await page.locator('[data-slate="Cy Gull"]').press('Space')
  await page.getByRole('button', { name: 'Away today (2)' }).press('Enter')
  await expect(tiles).toHaveCount(1)
  await expect(page.getByTestId('absent')).toContainText('Away today: 2')
  await press(page, 'Done choosing')
  await page.getByRole('button', { name: 'Bo Kelp is here' }).press('Enter')
  await expect(tiles).toHaveCount(2)
  // Who works all the same is back without a word.
  const cy = await (await browser.newContext()).newPage()
  await comeIn(cy, address, lesson, 'Cy Gull')
  await piece(cy, 'limpet').press('Enter')
  await cy.keyboard.press('ArrowRight')
  await cy.keyboard.press('Enter')
  const tile = page.locator('[data-slate="Cy Gull"]')
  await expect(tile).toBeVisible()
  await expect(page.getByTestId('absent')).toHaveCount(0)
  // Who has it before them, and when it was last moved on.
  await expect(tile).toContainText('Here')
  await expect(tile).toContainText('Last move just now')
  await expect(page.locator('[data-slate="Ada Fern"]')).not.toContainText('Here')

  const [ada, bo] = lesson.students
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, {
    name: 'Two',
    groups: [
      { name: 'Oak', mark: 'oak', students: [ada!.id, lesson.students[2]!.id] },
      { name: 'Fern', mark: 'fern', students: [bo!.id] },
    ],
  })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId, set }],
    mode: 'frame-per-group',
  })
  await lesson.teacher.must('POST', `/api/classes/${lesson.classId}/list`, {
    students: [...lesson.students, { name: 'Late Lou' }].map(({ name }) => ({ name })),
    missing: 'stay',
  })
  await page.goto(`${address}/handout/${handout}`)
  await page.getByRole('button', { name: 'Late Lou to Fern' }).press('Enter')
  await expect(page.getByText('Late Lou: Fern')).toBeVisible()
  await expect(page.locator('[data-slate="Fern"]')).toContainText('Late L.')
  await expect(page.locator('[data-slate="Oak"]')).not.toContainText('Here')
  await comeIn(cy, address, { ...lesson, handout }, 'Cy Gull')
  await expect(page.locator('[data-slate="Oak"]')).toContainText('Here: Cy G.')
  await cy.context().close()
  await expect(page.locator('[data-slate="Oak"]')).not.toContainText('Here', { timeout: 20_000 })
})

test('of many slates those in sight are drawn, and every name is there', async ({ page, application }) => {
  test.slow()
  const { address } = application
  const names = Array.from({ length: 120 }, (_, i) => `Student ${i + 1}`)
  const lesson: Lesson = await makeLesson(address, names)
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await expect(page.locator('[data-slate]')).toHaveCount(120)
  const drawn = page.locator('[data-slate] svg.isolate')
  await expect(page.locator('[data-slate]').first().locator('svg.isolate')).toHaveCount(1)
  expect(await drawn.count()).toBeLessThan(80)
  await expect(page.locator('[data-slate="Student 99"] svg.isolate')).toHaveCount(0)
  await page.locator('[data-slate="Student 99"]').scrollIntoViewIfNeeded()
  await expect(page.locator('[data-slate="Student 99"] svg.isolate')).toHaveCount(1)
  await expect(page.locator('[data-slate="Student 1"] svg.isolate')).toHaveCount(0)
})
