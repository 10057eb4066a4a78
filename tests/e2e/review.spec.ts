import { keyedShore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'
import { workOn } from './working'

test.use({ testIdAttribute: 'data-test' })

const NAMES = Array.from({ length: 12 }, (_, i) => `Student ${String.fromCharCode(65 + i)}`)
const board = keyedShore()
const RIGHT = { c0: 'z0', c1: 'z0', c2: 'z0', c3: 'z1', c4: 'z1' }

test('twelve slates are reviewed by keys alone: from one to the next that waits, with a word, and handed back', async ({
  page,
  application,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES, board)
  for (const [i, name] of NAMES.entries())
    await workOn(lesson, name, { board, cards: i % 3 === 0 ? { ...RIGHT, c0: 'z1' } : RIGHT })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
  const list = page.getByRole('list', { name: 'Each piece' })
  const score = page.getByTestId('score')
  const slateOf = (name: string) => lesson.slates.find(slate => slate.name === name)!.id
  for (const [i, name] of NAMES.entries()) {
    await expect(page).toHaveURL(new RegExp(slateOf(name)))
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
    // The keyboard stands at what needs a look.
    const current = list.getByRole('listitem').first()
    await expect(current).toBeFocused()
    if (i === 0) {
      await expect(score).toHaveText('5 of 6')
      await expect(current).toContainText('limpet')
      await page.keyboard.press('+')
      await expect(score).toHaveText('6 of 6')
      await expect(list.getByRole('listitem', { name: /limpet/ }).or(list.locator('[data-item="k/c0"]'))).toContainText(
        'Your word',
      )
      await page.keyboard.press('Delete')
      await expect(score).toHaveText('5 of 6')
      await page.keyboard.press('F2')
      await page.keyboard.type('Look at the foot of the limpet')
      await page.keyboard.press('F4')
    }
    if (i === 1) {
      await expect(score).toHaveText('6 of 6')
      await page.keyboard.press('ArrowDown')
      await page.keyboard.press('-')
      await expect(score).toHaveText('5 of 6')
    }
    await page.keyboard.press('Control+Enter')
  }
  await expect(page.getByText('Handed back. The student sees your margin now.')).toBeVisible()
  await expect(page.getByText('Nothing else waits')).toBeVisible()
  const { slates } = await lesson.teacher.must<{ slates: { status: string }[] }>(
    'GET',
    `/api/handouts/${lesson.handout}`,
  )
  expect(slates.map(slate => slate.status)).toEqual(NAMES.map(() => 'handed-back'))
  await page.keyboard.press('F1')
  await expect(page.getByRole('dialog', { name: 'Keys of reviewing' })).toBeVisible()
  await page.keyboard.press('Escape')
  // Back and forth in the line.
  const before = page.url()
  await page.keyboard.press('Alt+PageUp')
  await expect(page).not.toHaveURL(before)
  await page.keyboard.press('Alt+PageDown')
  await expect(page).toHaveURL(before)

  const ada = await page.context().browser()!.newContext()
  const student = await ada.newPage()
  await comeIn(student, address, lesson, NAMES[0]!)
  await expect(student.getByText('Look at the foot of the limpet')).toBeVisible()
  await ada.close()
})

test('one item across all students: alike answers together, decided with one key, and right for all after it was said who changes', async ({
  page,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const names = NAMES.slice(0, 6)
  const lesson = await makeLesson(address, names, board)
  for (const [i, name] of names.entries())
    await workOn(lesson, name, { board, cards: { ...RIGHT, c0: i < 3 ? 'z1' : i < 5 ? 'z0' : 'z2' } })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
  const list = page.getByRole('list', { name: 'Each piece' })
  await expect(list.getByRole('listitem').first()).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'limpet' })).toBeVisible()
  const heaps = page.getByTestId('alike')
  await expect(heaps).toHaveCount(3)
  await expect(heaps.nth(0)).toContainText('In Crawls, belongs in Clings')
  await expect(heaps.nth(0)).toContainText('3 students')
  await expect(heaps.nth(0)).toBeFocused()
  await expectAccessible(page)
  // The other wrong one by keys: taken as right for its one student, and taken back.
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('+')
  await expect(heaps.nth(1)).toContainText('Your word: right')
  const decided = () =>
    lesson.teacher.must<{ review: { decisions: object } }>('GET', `/api/slates/${lesson.slates[5]!.id}`)
  expect((await decided()).review.decisions).toEqual({ 'k/c0': 'right' })
  await heaps.nth(1).focus()
  await page.keyboard.press('Delete')
  await expect(heaps.nth(1)).not.toContainText('Your word')

  await heaps.nth(0).getByRole('button', { name: 'Right for all' }).click()
  const dialog = page.getByRole('dialog', { name: 'Is this right as well?' })
  await expect(dialog).toContainText('3 students get another number of points')
  await expect(dialog.getByRole('listitem').first()).toContainText('5 → 6')
  await dialog.getByRole('button', { name: 'Keep it as right' }).click()
  await expect(page.getByText('The key takes it as right now.')).toBeVisible()
  await expect(heaps).toHaveCount(3)
  await expect(heaps.nth(0)).toContainText('In Swims')
  await page.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
  await expect(page.getByTestId('score')).toHaveText('6 of 6')
})
