import { readFileSync } from 'node:fs'
import type { Board } from '../../core/board/board'
import type { Feedback } from '../../core/keys/feedback'
import { shore, sortBoard } from '../boards'
import { Client } from '../../demo/client'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, makeLesson, piece, signInTeacher, test, zonePoint } from './class'

test.use({ testIdAttribute: 'data-test' })

const example = (name: string) => JSON.parse(readFileSync(`docs/formats/examples/${name}.board.json`, 'utf8')) as Board
const keyless = (name: string): Board => ({ ...example(name), keys: [] })

test('a teacher sets typed answers and arrows by doing the task, adds a variant, and tries the key at once', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], keyless('write'))
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  await page.getByRole('button', { name: 'Answers' }).click()
  await page.getByRole('button', { name: 'Keep this as the key' }).click()
  await expect(page.getByRole('alert')).toHaveText('There is nothing to keep yet: do the task on the page first.')
  await page.getByRole('textbox', { name: 'Knot' }).fill('bowline')
  await page.getByRole('button', { name: 'Keep this as the key' }).click()
  await expect(page.getByTestId('key')).toContainText('Written: Knot: bowline.')
  await page.getByRole('textbox', { name: 'Knot' }).fill('a bowline')
  await page.getByRole('button', { name: 'This is right as well' }).click()
  await expect(page.getByTestId('key')).toContainText('Knot: bowline or a bowline')
  await page.getByLabel('Students see what is right').selectOption('asked')
  await expect(page.getByTestId('keeping')).toHaveText('Kept')
  await page.getByRole('button', { name: 'Check' }).click()
  await page.getByRole('button', { name: 'Try it as a student' }).click()
  await page.getByRole('textbox', { name: 'Knot' }).fill('A BOWLINE')
  await page.getByRole('textbox', { name: 'Length' }).click()
  await page.getByRole('button', { name: 'What does the key say?' }).click()
  await expect(page.getByText('1 of 1 right, 0 on the line')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Answers' }).click()
  await expect(page.getByTestId('key')).toContainText('Knot: bowline or a bowline')
  await expect(page.getByLabel('Students see what is right')).toHaveValue('asked')
})

test('a teacher says of a typed answer what is accepted, what is told apart and how far off still counts', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], example('write'))
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  await page.getByRole('button', { name: 'Answers' }).click()
  const card = page.getByTestId('key')
  await card.getByText('Knot', { exact: true }).click()
  await card.getByLabel('Right is, one on each line').first().fill('Bowline\n\nking of knots')
  await card.getByLabel('Capitals and small letters').first().check()
  await card.getByText('Length', { exact: true }).click()
  const tolerance = card.getByLabel('Give or take').first()
  await tolerance.fill('2 hours')
  await tolerance.press('Tab')
  await expect(tolerance).not.toHaveValue('2 hours')
  await tolerance.fill('5 cm')
  await tolerance.press('Tab')
  await expect(page.getByTestId('keeping')).toHaveText('Kept')
  const key = (await lesson.teacher.must<{ board: Board }>('GET', `/api/boards/${lesson.board}`)).board.keys[0]!
  if (key.kind !== 'write') throw new Error('the key changed its kind')
  expect(Object.values(key.answers)).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ accepts: ['Bowline', 'king of knots'], capitals: true }),
      expect.objectContaining({ tolerance: '5 cm' }),
    ]),
  )
  await expectAccessible(page)
})

test('a teacher sets an order by doing, says how it earns points, and takes the key away again', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], keyless('order'))
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  await page.getByRole('button', { name: 'Answers' }).click()
  const first = page.getByRole('group', { name: 'Ledge' }).getByRole('button').first()
  for (let i = 0; i < 3; i++) {
    await first.press('Enter')
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('said')).toHaveText(/, now in /)
  }
  await page.getByRole('button', { name: 'Keep this as the key' }).click()
  await expect(page.getByTestId('key')).toContainText(/stand, in order: .+, .+, .+\./)
  await page.getByRole('button', { name: 'In either order with the next' }).first().click()
  await expect(page.getByTestId('key')).toContainText('All other orders are right.')
  await page.getByRole('button', { name: /^One after the other/ }).click()
  await expect(page.getByTestId('key')).toContainText(/stand, in order: .+, .+, .+\./)
  await page.getByLabel('Points').selectOption('pairs')
  await expect(page.getByTestId('keeping')).toHaveText('Kept')
  const { board } = await lesson.teacher.must<{ board: Board }>('GET', `/api/boards/${lesson.board}`)
  expect(board.keys).toMatchObject([{ kind: 'order', credit: 'pairs' }])
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take this key away' }).click()
  await expect(page.getByText('No key is kept yet.')).toBeVisible()
})

test('what is done while the key is made is undone with what is changed of the board, the last first', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], sortBoard(['Clings', 'Swims'], ['limpet', 'goby']))
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  await page.getByRole('button', { name: 'Answers' }).click()
  const onLedge = page.getByRole('group', { name: 'Ledge' }).getByRole('button')
  const undo = page.getByRole('button', { name: 'Undo', exact: true })
  for (const left of [1, 0]) {
    await onLedge.first().press('Enter')
    await page.keyboard.press('Enter')
    await expect(onLedge).toHaveCount(left)
  }
  await page.getByRole('button', { name: 'Keep this as the key' }).click()
  await expect(page.getByTestId('key')).toBeVisible()
  await undo.click()
  await expect(page.getByText('No key is kept yet.')).toBeVisible()
  await expect(onLedge).toHaveCount(0)
  await undo.click()
  await expect(onLedge).toHaveCount(1)
  await undo.click()
  await expect(onLedge).toHaveCount(2)
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(onLedge).toHaveCount(1)
})

test("a sort is filled by the number of syllables, and says which words the dictionary doesn't know", async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(
    application.address,
    ['Ada Fern'],
    sortBoard(['One beat', 'Three beats'], ['boat', 'octopus', 'limpet', 'harbour']),
  )
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  await page.getByRole('button', { name: 'Answers' }).click()
  await page.getByRole('button', { name: 'Fill by a rule' }).click()
  for (const [zone, count] of [
    ['One beat', '1'],
    ['Three beats', '3'],
  ] as const) {
    await page.getByLabel(`Rule for ${zone}`).selectOption('syllables')
    await page.getByRole('group', { name: zone }).getByLabel('Words with this many syllables:').fill(count)
  }
  await page.getByRole('button', { name: 'Fill the key' }).click()
  await expect(page.getByTestId('key')).toContainText('One beat: boat')
  await expect(page.getByTestId('key')).toContainText('Three beats: octopus')
  await expect(page.getByText('harbour fits no rule and belongs nowhere.')).toBeVisible()
  await expect(page.getByText("The rules can't say where limpet belongs. Put it by hand.")).toBeVisible()
})

test.describe('feedback', () => {
  const asking = (feedback: Board['feedback']): Board => ({
    ...shore(),
    feedback,
    keys: [
      { kind: 'sort', id: 'k', page: 'page', homes: { c0: ['z0'], c1: ['z0'], c2: ['z1'] } },
    ] as unknown as Board['keys'],
  })

  test('comes when a student asks, in kind words, without the answer, and goes with the next move', async ({
    page,
    application,
  }) => {
    const lesson = await makeLesson(application.address, ['Ada Fern'], asking('asked'))
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await dragTo(page, 'limpet', await zonePoint(page, 1))
    await dragTo(page, 'shore crab', await zonePoint(page, 1, 3, 0.8))
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    await page.getByRole('button', { name: 'How am I doing?' }).click()
    const panel = page.getByTestId('feedback')
    await expect(panel).toContainText('Would it be happier somewhere else than in Crawls?')
    await expect(panel).not.toContainText('Clings')
    await expect(panel).toContainText('That is right.')
    await expectAccessible(page)
    await dragTo(page, 'limpet', await zonePoint(page, 0))
    await expect(panel).toHaveCount(0)
    await expect(piece(page, 'limpet')).toBeVisible()
  })

  test('waits for the hand-in, or for the hand-back, where the board says so; nothing that goes to the student names a right home', async ({
    application,
  }) => {
    for (const [when, beforeHandIn, afterHandIn] of [
      ['asked', 200, 200],
      ['handed-in', 409, 200],
      [undefined, 409, 409],
    ] as const) {
      const lesson = await makeLesson(application.address, ['Ada Fern'], asking(when))
      const student = new Client(application.address)
      await student.enter(lesson.code, lesson.students[0]!.id, lesson.students[0]!.pictures)
      const slate = `/api/slates/${lesson.slates[0]!.id}`
      expect((await student.ask('GET', `${slate}/feedback`)).status, `${when} before`).toBe(beforeHandIn)
      await student.must('POST', `${slate}/hand-in`, {})
      const after = await student.ask('GET', `${slate}/feedback`)
      expect(after.status, `${when} after`).toBe(afterHandIn)
      await lesson.teacher.must('POST', `${slate}/hand-back`, {})
      const { items } = await student.must<{ items: Feedback[] }>('GET', `${slate}/feedback`)
      expect(items.map(i => i.verdict)).toEqual(['not-placed', 'not-placed', 'not-placed'])
      expect(JSON.stringify(items)).not.toContain('Clings')
    }
  })
})
