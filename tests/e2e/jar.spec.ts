import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })

test('the question jar: asked nameless, voted for, shown one at a time, hidden in one click', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  const [ada, bo] = await Promise.all([1, 2].map(async () => (await browser.newContext()).newPage()))
  await comeIn(ada!, address, lesson, 'Ada Fern')
  await comeIn(bo!, address, lesson, 'Bo Kelp')
  await expect(ada!.getByRole('button', { name: 'Questions' })).toHaveCount(0)

  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await press(page, 'Questions')
  const desk = page.getByTestId('jar-panel')
  await desk.getByRole('button', { name: 'Open the jar' }).click()
  await expect(desk).toContainText('Everybody at work can ask')

  // By keys alone.
  await ada!.getByRole('button', { name: 'Questions' }).press('Enter')
  const asking = ada!.getByRole('dialog')
  await expect(asking).toContainText('The class does not see who asked. Your teacher can see it.')
  await asking.getByLabel('Ask a question').fill('Why does the limpet not fall off?')
  await asking.getByRole('button', { name: 'Put it in the jar' }).press('Enter')
  await expect(asking).toContainText('yours')
  await expectAccessible(ada!)

  await bo!.getByRole('button', { name: 'Questions' }).click()
  const other = bo!.getByRole('dialog')
  await expect(other).toContainText('Why does the limpet not fall off?')
  await expect(other).not.toContainText('Ada')
  const pro = other.getByRole('button', { name: 'For: Why does the limpet not fall off?' })
  await pro.click()
  await expect(pro).toHaveAttribute('aria-pressed', 'true')
  await expect(desk).toContainText('1 for · 0 against')
  await expect(asking).toContainText('1 for · 0 against')
  // Changed their mind: still one vote.
  await other.getByRole('button', { name: 'Against: Why does the limpet not fall off?' }).click()
  await expect(desk).toContainText('0 for · 1 against')

  await expect(desk).not.toContainText('Ada Fern')
  await desk.getByLabel('Show me who asked').check()
  await expect(desk).toContainText('Ada Fern')
  const opened = page.waitForEvent('popup')
  await press(page, 'Class screen')
  await page.getByRole('button', { name: 'Open its window' }).click()
  const wall = await opened
  await desk.getByRole('button', { name: 'On the class screen' }).click()
  await expect(wall.getByTestId('question')).toContainText('Why does the limpet not fall off?')
  await expect(wall.getByTestId('question')).not.toContainText('Ada')
  await expectAccessible(wall)
  await expectAccessible(page)
  await desk.getByRole('button', { name: 'Hide', exact: true }).click()
  await expect(wall.getByTestId('question')).toHaveCount(0)
  await expect(other).not.toContainText('limpet')
  await desk.getByRole('button', { name: 'Close the jar' }).click()
  await expect(other).toContainText('The jar is closed just now.')
  for (const student of [ada!, bo!]) await student.context().close()
})
