import { keyedShore, placeId } from '../boards'
import { boardOf, box, card } from '../keyBoards'
import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'
import { press } from './making'
import { middleOf, Pointing, WAYS } from './pointing'

test.use({ testIdAttribute: 'data-test' })

test('the class screen shows what the teacher puts there, live and nameless, and nothing by accident', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], keyedShore())
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await press(page, 'Class screen')
  const panel = page.getByTestId('show-panel')
  const opened = page.waitForEvent('popup')
  await panel.getByRole('button', { name: 'Open its window' }).click()
  const wall = await opened
  /** All that came over the wire for the window on the wall. */
  const heard: string[] = []
  wall.on(
    'response',
    answer =>
      void answer.text().then(
        text => heard.push(text),
        () => {},
      ),
  )
  await expect(wall.getByTestId('nothing')).toHaveText('Test board')

  await panel.getByRole('button', { name: 'The way in' }).click()
  await expect(wall.getByTestId('way-in')).toBeVisible()
  await expect(wall.getByAltText('QR code that leads to this handout')).toBeVisible()

  // Answers come one by one.
  await panel.getByRole('button', { name: 'The board' }).click()
  await expect(wall.getByRole('img', { name: 'The page that is shown' })).toBeVisible()
  const lying = wall.getByTestId('lying')
  await expect(lying).toHaveCount(0)
  await panel.getByRole('button', { name: 'Next answer' }).click()
  await expect(panel).toContainText('One answer of 5 is shown.')
  await expect(lying).toHaveCount(1)
  await panel.getByRole('button', { name: 'Next answer' }).press('Enter')
  await expect(lying).toHaveCount(2)
  // Quick hands lose none.
  for (let i = 0; i < 3; i++) await panel.getByRole('button', { name: 'Next answer' }).click()
  await expect(lying).toHaveCount(5)
  for (let i = 0; i < 4; i++) await panel.getByRole('button', { name: 'Hide the last' }).click()
  await expect(lying).toHaveCount(1)

  // A slate, live; its name is nowhere until it is wanted.
  await panel.getByRole('button', { name: 'A slate' }).click()
  await panel.getByLabel('Whose slate').selectOption({ label: 'Bo Kelp' })
  await expect(lying).toHaveCount(0)
  const bo = await (await browser.newContext()).newPage()
  await comeIn(bo, address, lesson, 'Bo Kelp')
  await piece(bo, 'limpet').press('Enter')
  await bo.keyboard.press('ArrowRight')
  await bo.keyboard.press('Enter')
  await expect(lying).toHaveCount(1)
  await panel.getByLabel('Beside it').selectOption({ label: 'Ada Fern' })
  await expect(wall.getByRole('img', { name: 'The page that is shown' })).toHaveCount(2)
  expect(heard.filter(text => text.includes('"boards"')).length).toBeGreaterThan(2)
  expect(heard.filter(text => /Ada|Bo Kelp|Fern/.test(text))).toEqual([])
  await panel.getByLabel('With names').check()
  await expect(wall.getByText('Bo Kelp', { exact: true })).toBeVisible()
  await panel.getByLabel('With names').uncheck()
  await expect(wall.getByText('Bo Kelp', { exact: true })).toHaveCount(0)

  // A pointer that leaves no trace, and a pen that does.
  await panel.getByLabel('Beside it').selectOption({ label: 'nobody' })
  const small = panel.getByRole('img', { name: 'The page that is shown' })
  await expect(small).toHaveCount(1)
  const far = await (await browser.newContext()).newPage()
  await signInTeacher(far, address, lesson.email, lesson.password)
  await far.goto(`${address}/screen/${lesson.handout}`)
  await expect(far.getByTestId('lying')).toHaveCount(1)
  await small.hover()
  await expect(wall.getByTestId('pointer')).toBeVisible()
  // On another device too; there it goes when the hand goes, or the desk is closed.
  await expect(far.getByTestId('pointer')).toBeVisible()
  await panel.getByRole('heading').hover()
  await expect(wall.getByTestId('pointer')).toHaveCount(0)
  await expect(far.getByTestId('pointer')).toHaveCount(0)
  await far.context().close()
  await panel.getByRole('button', { name: 'Pen', exact: true }).click()
  // Also over words that are printed there, one line after the other.
  const word = middleOf((await small.getByText('Clings').boundingBox())!)
  for (const [i, way] of WAYS.entries()) {
    const hand = await Pointing.of(page, way)
    await hand.drag(word, { x: word.x + 60, y: word.y + 10 * i })
    await expect(wall.locator('path.fill-bilberry-700')).toHaveCount(i + 1)
  }
  await wall.reload()
  await expect(wall.locator('path.fill-bilberry-700')).toHaveCount(WAYS.length)
  for (const left of [2, 1, 0]) {
    await panel.getByRole('button', { name: 'Take back the pen' }).click()
    await expect(wall.locator('path.fill-bilberry-700')).toHaveCount(left)
  }

  // Whatever is opened at the desk, the wall stays as it is.
  await page.locator('[data-slate="Ada Fern"]').click()
  await expect(page).toHaveURL(/review/)
  await expect(lying).toHaveCount(1)
  await page.goBack()
  await press(page, 'Class screen')
  await panel.getByRole('button', { name: 'Nothing', exact: true }).click()
  await expect(wall.getByTestId('nothing')).toBeVisible()
  await bo.context().close()
})

test('an end check is summed up at once on the class screen, in numbers and words, and nameless', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const zone = (id: string, heading: string, x: number) => ({
    kind: 'zone' as const,
    id: placeId(id),
    heading,
    shape: box(x, 20, 280, 300),
  })
  const board = boardOf([zone('got', 'Got it', 20), zone('not', 'Not yet', 320)], [card('me')], {
    kind: 'vote',
    places: ['got', 'not'],
  })
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp', 'Cy Gull'], board)
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await press(page, 'Class screen')
  const panel = page.getByTestId('show-panel')
  const opened = page.waitForEvent('popup')
  await panel.getByRole('button', { name: 'Open its window' }).click()
  const wall = await opened
  await panel.getByRole('button', { name: 'The class together' }).click()
  await expect(wall.getByTestId('class-picture').getByText('0')).toHaveCount(2)
  for (const [name, keys] of [
    ['Ada Fern', ['ArrowRight']],
    ['Bo Kelp', ['ArrowRight']],
    ['Cy Gull', ['ArrowRight', 'ArrowLeft']],
  ] as const) {
    const student = await (await browser.newContext()).newPage()
    await comeIn(student, address, lesson, name)
    await piece(student, 'me').press('Enter')
    for (const key of keys) await student.keyboard.press(key)
    await student.keyboard.press('Enter')
    await expect(student.getByTestId('kept')).toContainText('Every move is kept')
    await student.context().close()
  }
  await expect(wall.getByTestId('class-picture')).toHaveText('12')
  await expect(wall.getByText('Not yet: 2')).toBeVisible()
  await expect(wall.getByText('Ada')).toHaveCount(0)
})
