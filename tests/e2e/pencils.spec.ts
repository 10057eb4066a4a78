import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })
const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull']

test('pencils down holds everybody, one without a connection and one who comes late too, and nothing is lost', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, NAMES)
  const [ada, bo, cy] = await Promise.all(NAMES.map(async () => (await browser.newContext()).newPage()))
  await comeIn(ada!, address, lesson, 'Ada Fern')
  await comeIn(bo!, address, lesson, 'Bo Kelp')
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await expect(page.locator('[data-slate]')).toHaveCount(3)

  // Ada has a piece in her hand, Bo has lost the connection and goes on.
  await piece(ada!, 'limpet').press('Enter')
  await bo!.context().setOffline(true)
  await press(page, 'Pencils down')
  await expect(page.getByRole('button', { name: 'Pencils up' })).toBeVisible()
  await expect(ada!.getByTestId('pencils-down')).toContainText('Look up and listen')
  await expect(ada!.getByRole('button', { name: 'limpet, on the ledge' })).toHaveCount(0)
  await piece(bo!, 'barnacle').press('Enter')
  await bo!.keyboard.press('ArrowRight')
  await bo!.keyboard.press('Enter')
  await expect(bo!.getByTestId('kept')).toContainText('One move is kept on this device')
  await bo!.context().setOffline(false)
  await expect(bo!.getByTestId('pencils-down')).toBeVisible()
  await expect(page.locator('[data-slate="Bo Kelp"]')).toContainText('0 of')

  await ada!.reload()
  await expect(ada!.getByTestId('pencils-down')).toBeVisible()
  await comeIn(cy!, address, lesson, 'Cy Gull')
  await expect(cy!.getByTestId('pencils-down')).toBeVisible()
  // Help can be asked for while all listen.
  await press(cy!, 'Ask for help')
  await expect(page.locator('[data-slate="Cy Gull"]')).toContainText('asks for help')

  await press(page, 'Pencils up')
  await expect(page.locator('[data-slate="Bo Kelp"]')).toContainText('1 of')
  for (const student of [ada!, bo!, cy!]) await expect(student.getByTestId('pencils-down')).toHaveCount(0)
  await expect(bo!.getByText('Pencils are down')).toHaveCount(0)
  await piece(ada!, 'limpet').press('Enter')
  await ada!.keyboard.press('ArrowRight')
  await ada!.keyboard.press('Enter')
  await expect(page.locator('[data-slate="Ada Fern"]')).toContainText('1 of')

  // For one alone, chosen by keys.
  await page.getByRole('button', { name: 'Choose some' }).press('Enter')
  await page.locator('[data-slate="Ada Fern"]').press('Space')
  await page.getByRole('button', { name: 'Pencils down for 1' }).press('Enter')
  await expect(ada!.getByTestId('pencils-down')).toBeVisible()
  await expect(page.locator('[data-slate="Ada Fern"]')).toContainText('pencils down')
  await expect(bo!.getByTestId('pencils-down')).toHaveCount(0)
  await press(page, 'Pencils up for 1')
  await expect(ada!.getByTestId('pencils-down')).toHaveCount(0)

  // Handed in for her alone; she goes on when the teacher lets her.
  await press(page, 'Hand in for 1')
  const sure = page.getByRole('dialog')
  await expect(sure).toContainText('One slate under way is handed in')
  await sure.getByRole('button', { name: 'Hand in for 1' }).click()
  await expect(ada!.getByTestId('shut')).toHaveText('Handed in by your teacher')
  await expect(page.locator('[data-slate="Bo Kelp"]')).not.toContainText('handed in')
  await press(page, 'Let them go on')
  await expect(piece(ada!, 'limpet')).toBeVisible()
  await press(page, 'Done choosing')
  for (const student of [ada!, bo!, cy!]) await student.context().close()
})

test('a timer is seen where it is wanted, counts down, and puts pencils down at its end', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern'])
  // A clock that is wrong by an hour makes no difference.
  const ada = await (await browser.newContext()).newPage()
  await ada.clock.install({ time: new Date(Date.now() + 60 * 60 * 1000) })
  await comeIn(ada, address, lesson, 'Ada Fern')
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await press(page, 'Timer')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Minutes').fill('5')
  await dialog.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByTestId('time-left')).toContainText('5 minutes left')
  await expect(ada.getByTestId('time-left')).toContainText('5 minutes left')
  await press(page, 'Timer')
  await dialog.getByRole('button', { name: 'One more minute' }).click()
  await expect(ada.getByTestId('time-left')).toContainText('6 minutes left')
  await dialog.getByLabel('Minutes').fill('0.05')
  await expect(dialog.getByRole('button', { name: 'Start anew' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Take away' }).click()
  await expect(ada.getByTestId('time-left')).toHaveCount(0)
  await lesson.teacher.must('PUT', `/api/handouts/${lesson.handout}/timer`, {
    timer: { seconds: 4, countdown: 3, atEnd: 'pencils-down', onSlates: true },
  })
  await expect(ada.getByTestId('time-left')).toContainText('3 seconds left')
  await expect(ada.getByTestId('pencils-down')).toBeVisible()
  await expect(ada.getByTestId('time-left')).toContainText('Time is up')
  await expect(page.getByRole('button', { name: 'Pencils up' })).toBeVisible()
  await ada.context().close()
})
