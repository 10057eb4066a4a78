import { setBoardTools } from '../../core/design/tools'
import { shore } from '../boards'
import { comeIn, expect, giveOutTo, makeLesson, signInTeacher, test } from './class'

test.use({ testIdAttribute: 'data-test' })

test('on a board for everyone the teacher gathers what students wrote under headings; it stays known who wrote and who moved each', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], setBoardTools(shore(), ['note']))
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId }],
    mode: 'one-for-everyone',
  })
  const open = async (name: string) => {
    const student = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await comeIn(student, address, { ...lesson, handout }, name)
    return student
  }
  const [ada, bo] = [await open('Ada Fern'), await open('Bo Kelp')]
  for (const [student, words, x] of [
    [ada, 'It has a foot', 60],
    [bo, 'it has a foot.', 260],
    [bo, 'It swims', 460],
  ] as const) {
    await student.getByRole('toolbar').getByRole('button', { name: 'Note', exact: true }).click()
    await student.getByRole('group', { name: 'Page', exact: true }).click({ position: { x, y: 260 } })
    await expect(student.getByLabel('Words on the note')).toBeFocused()
    await student.keyboard.type(words)
    await student.keyboard.press('Escape')
  }
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${handout}`)
  await page.locator('[data-slate]').first().click()
  await page.getByRole('link', { name: 'Sort with them' }).click()
  // With pencils down it is the teacher's to sort.
  await lesson.teacher.must('PUT', `/api/handouts/${handout}/pencils`, { down: true })
  await expect(ada.getByText(/Pencils down/).first()).toBeVisible()
  const list = page.getByRole('complementary', { name: 'What is written here' })
  await expect(list.getByRole('listitem')).toHaveCount(3)
  await expect(list.getByRole('listitem').filter({ hasText: 'It swims' })).toContainText('by Bo Kelp')

  // With keys alone: two are chosen, a heading is written, Enter.
  await list.getByLabel(/^It has a foot/).press('Space')
  await list.getByLabel(/^it has a foot\./).press('Space')
  await list.getByLabel('Heading').fill('Feet')
  await page.keyboard.press('Enter')
  await expect(list).toContainText('2 are gathered; what reads the same lies in one pile.')
  await expect(ada.getByText('Feet', { exact: true })).toBeVisible()
  const moved = list.getByRole('listitem').filter({ hasText: 'it has a foot.' })
  await expect(moved).toContainText('by Bo Kelp · moved by you')
  await expect(list.getByRole('listitem').filter({ hasText: 'Feet' })).toContainText('by you')
  // A student's is still theirs to change, with pencils up.
  await lesson.teacher.must('PUT', `/api/handouts/${handout}/pencils`, { down: false })
  await expect(bo.getByRole('button', { name: /it has a foot\./ })).toBeVisible()

  // One that is in the wrong place is moved by hand, and by keys; all of a gathering is one step to undo.
  await page.getByRole('button', { name: /It swims/ }).press('ArrowRight')
  await expect(list.getByRole('listitem').filter({ hasText: 'It swims' })).toContainText('moved by you')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(list.getByRole('listitem').filter({ hasText: 'Feet' })).toHaveCount(1)
  await list.getByLabel(/^It swims/).press('Space')
  await list.getByLabel('Heading').fill('Fins')
  await page.keyboard.press('Enter')
  await expect(ada.getByText('Fins', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(ada.getByText('Fins', { exact: true })).toHaveCount(0)
  await expect(list.getByRole('listitem')).toHaveCount(4)
  for (const student of [ada, bo]) await student.context().close()
})
