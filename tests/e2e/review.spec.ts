import { keyedShore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, signInTeacher, test, type Lesson } from './class'
import { workOn } from './working'

test.use({ testIdAttribute: 'data-test' })

const NAMES = Array.from({ length: 12 }, (_, i) => `Student ${String.fromCharCode(65 + i)}`)
const board = keyedShore()
const RIGHT = { c0: 'z0', c1: 'z0', c2: 'z0', c3: 'z1', c4: 'z1' }

/** A class that has handed in: all is right but for the limpet, which lies where it is said for each. */
async function handedIn(address: string, names: readonly string[], limpetAt: (i: number) => string): Promise<Lesson> {
  const lesson = await makeLesson(address, names, board)
  for (const [i, name] of names.entries()) await workOn(lesson, name, { board, cards: { ...RIGHT, c0: limpetAt(i) } })
  return lesson
}

test('twelve slates are reviewed by keys alone: from one to the next that waits, with a word, and handed back', async ({
  page,
  application,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await handedIn(address, NAMES, i => (i % 3 === 0 ? 'z1' : 'z0'))
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
  await expect(page.getByRole('heading', { name: 'Keys of reviewing' })).toBeVisible()
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
  const lesson = await handedIn(address, NAMES.slice(0, 6), i => (i < 3 ? 'z1' : i < 5 ? 'z0' : 'z2'))
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

test('findings say in words where the class went wrong, with a table that goes out as CSV', async ({
  page,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES.slice(0, 8), board)
  for (const [i, name] of NAMES.slice(0, 6).entries())
    await workOn(lesson, name, { board, cards: { ...RIGHT, c0: i < 4 ? 'z1' : 'z0' } })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page.getByRole('link', { name: 'Findings' }).press('Enter')
  const homes = page.getByTestId('finding-homes')
  await expect(homes).toContainText('The commonest wrong home: limpet with Crawls, 4 of 6.')
  // Drawn on the board, and in numbers for whoever asks.
  await expect(homes.getByRole('img', { name: 'limpet in Crawls, where it doesn’t belong: 4' })).toBeVisible()
  await homes.getByText('The numbers').click()
  await expect(homes.getByRole('row', { name: /^limpet/ })).toHaveText(/limpet\s*2\s*4\s*0/)
  await expect(page.getByTestId('finding-items')).toContainText('The hardest: limpet, with 33 % of its points.')
  await expect(page.getByTestId('finding-whole')).toContainText('So few slates')
  await expectAccessible(page)
  const download = page.waitForEvent('download')
  await homes.getByRole('button', { name: 'Table as CSV' }).press('Enter')
  expect((await download).suggestedFilename()).toMatch(/\.csv$/)
  // Of some states alone, and of what is made meanwhile without being asked for.
  const from = page.getByText(/From .* on which something was done/)
  await expect(from).toContainText('From 6 slates')
  await page.getByLabel(/handed in \(6\)/).uncheck()
  await expect(from).toContainText('From 0 slates')
  await page.getByLabel(/handed in \(6\)/).check()
  await workOn(lesson, NAMES[6]!, { board, cards: { ...RIGHT, c0: 'z1' }, handIn: false })
  await expect(homes).toContainText('limpet with Crawls, 5 of 7.', { timeout: 20_000 })
  await expect(page.getByText(`Nothing was done by ${NAMES[7]!}.`)).toBeVisible()
  // All of it goes back at once, after it was said that nobody has looked at it.
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page.getByRole('button', { name: 'Hand back' }).press('Enter')
  const dialog = page.getByRole('dialog', { name: 'Hand back to them?' })
  await expect(dialog).toContainText('6 of them you haven’t looked at')
  await dialog.getByRole('button', { name: 'Hand back 6' }).press('Enter')
  await expect(page.getByText('6 slates handed back.')).toBeVisible()
  await expect(page.locator('[data-slate]').filter({ hasText: 'handed back' })).toHaveCount(6)
  // A board on which nobody has done anything says so.
  const nobody = await makeLesson(address, ['Ada Fern'], board)
  await signInTeacher(page, address, nobody.email, nobody.password)
  await page.goto(`${address}/handout/${nobody.handout}/findings`)
  await expect(page.getByText('Nobody has done anything yet.')).toBeVisible()
})

test('how a slate came about is looked at move by move by keys, and from the moments worth going to', async ({
  page,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern'], board)
  await workOn(lesson, 'Ada Fern', { board, cards: { c1: 'z0', c0: 'z1' }, handIn: false })
  await workOn(lesson, 'Ada Fern', { board, cards: { c2: 'z0' }, handIn: false })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
  await page.getByRole('button', { name: 'How it came about' }).press('Enter')
  const replay = page.getByTestId('replay')
  await expect(replay).toContainText('3 of 3')
  await replay.getByRole('slider', { name: 'Moves' }).press('Home')
  await expect(replay).toContainText('As it was given out')
  await replay.getByRole('slider', { name: 'Moves' }).press('ArrowRight')
  await expect(replay).toContainText('barnacle put down')
  await replay.getByLabel('Go to').selectOption({ label: '2: limpet finds its place' })
  await expect(replay).toContainText('2 of 3')
  await expect(replay).toContainText('limpet put down · Ada Fern')
  await replay.getByRole('button', { name: 'Back to now' }).press('Enter')
  await expect(replay).toHaveCount(0)
})

test('what was decided a moment before one goes on is there when one comes back, and what is decided then joins it', async ({
  page,
  application,
}) => {
  const { address } = application
  const lesson = await handedIn(address, NAMES.slice(0, 3), () => 'z1')
  await signInTeacher(page, address, lesson.email, lesson.password)
  const first = lesson.slates.find(slate => slate.name === NAMES[0])!.id
  const there = `${address}/handout/${lesson.handout}/review/${first}`
  await page.goto(there)
  const current = page.getByRole('list', { name: 'Each piece' }).locator(':focus')
  await expect(current).toContainText('limpet')
  await page.keyboard.press('+')
  await page.keyboard.press('Alt+PageDown')
  await expect(page).not.toHaveURL(there)
  await page.keyboard.press('Alt+PageUp')
  await expect(page).toHaveURL(there)
  await expect(page.getByRole('heading', { level: 1, name: NAMES[0]! })).toBeVisible()
  const row = (item: string) => page.locator(`[data-item="k/${item}"]`)
  await expect(row('c0')).toContainText('Your word')
  await row('c1').focus()
  await page.keyboard.press('-')
  await expect(row('c1')).toContainText('Your word')
  await expect(row('c1')).toBeFocused()
  await expect
    .poll(async () => {
      const { review } = await lesson.teacher.must<{ review: { decisions: object } }>('GET', `/api/slates/${first}`)
      return review.decisions
    })
    .toEqual({ 'k/c0': 'right', 'k/c1': 'wrong' })
})

test('who goes on and is back before the next one was there has never left: what is decided meanwhile stays', async ({
  page,
  application,
}) => {
  const { address } = application
  const lesson = await handedIn(address, NAMES.slice(0, 2), () => 'z1')
  await signInTeacher(page, address, lesson.email, lesson.password)
  const [first, second] = [0, 1].map(i => lesson.slates.find(slate => slate.name === NAMES[i])!.id) as [string, string]
  let reads = 0
  const isOf = (id: string) => (url: URL) => url.pathname === `/api/slates/${id}`
  page.on('request', request => void (isOf(first)(new URL(request.url())) && reads++))
  let release = () => {}
  const gate = new Promise<void>(done => (release = done))
  await page.route(isOf(second), async route => {
    await gate
    await route.continue()
  })
  const there = `${address}/handout/${lesson.handout}/review/${first}`
  await page.goto(there)
  const row = page.locator('[data-item="k/c1"]')
  await expect(row).toBeVisible()
  const before = reads
  await page.keyboard.press('Alt+PageDown')
  await expect(page).not.toHaveURL(there)
  await page.keyboard.press('Alt+PageUp')
  await expect(page).toHaveURL(there)
  await row.focus()
  await page.keyboard.press('-')
  await expect(row).toContainText('Your word')
  release()
  await expect
    .poll(async () => {
      const { review } = await lesson.teacher.must<{ review: { decisions: object } | null }>(
        'GET',
        `/api/slates/${first}`,
      )
      return review?.decisions
    })
    .toEqual({ 'k/c1': 'wrong' })
  await expect(row).toContainText('Your word')
  expect(reads).toBe(before)
})
