import { readdirSync, readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { pieceName } from '../../core/board/pieceName'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, makeLesson, piece, signInTeacher, test, zonePoint } from './class'
import { middleOf, Pointing, WAYS } from './pointing'

test.use({ testIdAttribute: 'data-test', hasTouch: true })
// Each test has a lesson of its own: the workers share this long file between them.
test.describe.configure({ mode: 'parallel' })

const folder = 'docs/formats/examples/'
const names = readdirSync(folder)
  .filter(f => f.endsWith('.board.json'))
  .map(f => f.replace('.board.json', ''))
const boardOf = (name: string) => JSON.parse(readFileSync(`${folder}${name}.board.json`, 'utf8')) as Board

/**
 * What a student does first on a board, with nothing but the keyboard, and what is said then. Boards that aren't named:
 * the first piece into the first place.
 */
const FIRST_DEED: Record<string, (page: Page) => Promise<void>> = {
  arrows: async page => {
    await page.getByRole('button', { name: 'Arrow' }).press('Enter')
    await piece(page, 'seaweed').press('Enter')
    await expect(page.getByTestId('said')).toHaveText('Arrow from seaweed. Now choose where it goes.')
    await piece(page, 'limpet').press('Enter')
    await expect(page.getByTestId('said')).toHaveText('Arrow from seaweed to limpet')
  },
  write: async page => {
    await page.getByRole('textbox', { name: 'Length' }).pressSequentially('1/4 m')
    await page.keyboard.press('Tab')
    await expect(page.getByRole('banner').getByText('1 of 3')).toBeVisible()
  },
  ink: async page => {
    await page.getByTestId('drawing').press('Enter')
    await expect(page.getByTestId('said')).toHaveText('Pen down')
    for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowDown')
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('said')).toHaveText('Line drawn')
  },
}

for (const name of names) {
  test(`the ${name} board works for a student with the keyboard, and is marked in review`, async ({
    page,
    browser,
    application,
  }) => {
    const board = boardOf(name)
    const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'], board)
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await expectAccessible(page)
    if (FIRST_DEED[name]) await FIRST_DEED[name](page)
    else {
      const first = pieceName(board.pages[0]!.pieces[0]!)
      await piece(page, first).first().focus()
      await page.keyboard.press('Enter')
      await page.keyboard.press('Enter')
      await expect(page.getByTestId('said')).toHaveText(
        new RegExp(`^${first}(, \\d+ [a-z]+)?, now (in|at|on the edge of) .*, \\d+ of `),
      )
    }
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    // What places and pieces there are, and what lies where, for whoever doesn't see it.
    const told = await page.getByRole('group', { name: 'Page', exact: true }).ariaSnapshot()
    expect(told).toMatchSnapshot(`board-${name}.txt`)
    await page.getByRole('button', { name: 'Hand in' }).click()
    await page.getByRole('button', { name: 'Hand it in now' }).click()
    await expect(page.getByText('Handed in', { exact: true })).toBeVisible()

    const teacher = await (await browser.newContext()).newPage()
    await signInTeacher(teacher, application.address, lesson.email, lesson.password)
    await teacher.goto(
      `${application.address}/handout/${lesson.handout}/review/${lesson.slates.find(s => s.name === 'Ada Fern')!.id}`,
    )
    await expect(teacher.getByTestId('score')).toHaveText(/^\d+ of \d+$|^Nothing here is marked/)
    // Every reason has words of its own in the catalogue.
    await expect(teacher.getByText('See the page')).toHaveCount(0)
    await expectAccessible(teacher)
    if (board.keys.some(key => key.kind === 'vote' || key.kind === 'spectrum')) {
      await teacher.goto(`${application.address}/handout/${lesson.handout}`)
      const stands = board.keys.some(key => key.kind === 'spectrum')
      await expect(teacher.getByTestId('counts')).toContainText(stands ? /: one student, at \d+ %/ : /: 1(?!\d)/)
      await expectAccessible(teacher)
    }
    await teacher.goto(`${application.address}/board/${lesson.board}`)
    await teacher.getByRole('button', { name: 'Answers' }).click()
    await expect(teacher.getByRole('heading', { name: 'The key' })).toBeVisible()
    await expectAccessible(teacher)
    await teacher.context().close()
  })
}

for (const way of WAYS)
  test(`with a ${way} tiles come out of a bin as often as they are wanted, turn, and go back; all of it is there after a reload`, async ({
    page,
    application,
  }) => {
    const lesson = await makeLesson(application.address, ['Ada Fern'], boardOf('expression'))
    await comeIn(page, application.address, lesson, 'Ada Fern')
    const hand = await Pointing.of(page, way)
    const bin = page.getByRole('button', { name: 'x, as many as you need' })
    const mat = page.getByRole('group', { name: 'Page', exact: true })
    for (const [x, y] of [
      [0.4, 0.4],
      [0.4, 0.6],
      [0.5, 0.8],
    ] as const) {
      const [from, to] = [(await bin.boundingBox())!, (await mat.boundingBox())!]
      await hand.drag(middleOf(from), { x: to.x + to.width * x, y: to.y + to.height * y })
    }
    const copies = mat.getByRole('button', { name: /^x, in Mat/ })
    await expect(copies).toHaveCount(3)
    await expect(bin).toBeVisible()
    await hand.tap(middleOf((await copies.first().boundingBox())!))
    const upright = async () => {
      const { width, height } = (await copies.first().boundingBox())!
      return height > width
    }
    expect(await upright()).toBe(false)
    await page.getByRole('button', { name: 'Quarter turn' }).click()
    await expect.poll(upright).toBe(true)
    await expect(page.getByTestId('said')).toHaveText('x turned to 90 degrees')
    await page.keyboard.press('Escape')
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    await page.reload()
    await expect(copies).toHaveCount(3)
    await expect.poll(upright).toBe(true)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect.poll(upright).toBe(false)
    await page.getByRole('button', { name: 'Start again' }).click()
    await expect(copies).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(copies).toHaveCount(3)
  })

test('a note is written on, a counter is flipped, and both stay so', async ({ page, application }) => {
  const spectrum = await makeLesson(application.address, ['Ada Fern'], boardOf('spectrum'))
  await comeIn(page, application.address, spectrum, 'Ada Fern')
  await dragTo(page, 'Because …', await zonePoint(page, 1, 3, 0.85))
  await page.getByLabel('Write on the note: Because …').fill('I have tied many')
  await page.keyboard.press('Tab')
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
  await page.reload()
  await expect(piece(page, 'I have tied many')).toBeVisible()

  const counters = await makeLesson(application.address, ['Bo Kelp'], boardOf('counters'))
  await page.context().clearCookies()
  await comeIn(page, application.address, counters, 'Bo Kelp')
  await dragTo(page, '1', await zonePoint(page, 1))
  await page
    .getByRole('group', { name: 'Page', exact: true })
    .getByRole('button', { name: /^1, in Steps/ })
    .click()
  await page.getByRole('button', { name: 'Flip' }).click()
  await expect(page.getByTestId('said')).toHaveText('1 turned to 0 degrees, flipped')
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
  await page.reload()
  await expect(page.getByText('−1')).toBeVisible()
})

for (const way of WAYS)
  test(`ink is drawn with a ${way}, rubbed out, and comes back by undo`, async ({ page, application }) => {
    const lesson = await makeLesson(application.address, ['Ada Fern'], boardOf('ink'))
    await comeIn(page, application.address, lesson, 'Ada Fern')
    const space = (await page.getByTestId('drawing').boundingBox())!
    const strokes = page.getByRole('group', { name: 'Page', exact: true }).locator('path[fill="#1d2526"]')
    const hand = await Pointing.of(page, way)
    const within = ([across, down]: [number, number]) => ({
      x: space.x + space.width * across,
      y: space.y + space.height * down,
    })
    const drag = (from: [number, number], to: [number, number]) => hand.drag(within(from), within(to))
    await drag([0.17, 0.1], [0.17, 0.8])
    await expect(strokes).toHaveCount(1)
    await page.getByRole('button', { name: 'Rubber' }).click()
    await drag([0.1, 0.4], [0.3, 0.4])
    await expect(strokes).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(strokes).toHaveCount(1)
    await page.reload()
    await expect(strokes).toHaveCount(1)
  })

test('a line keeps the end where a quick hand lifts, and by keys the corners where it turns', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], boardOf('ink'))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const strokes = async () => {
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    const { state } = await lesson.teacher.must<{ state: { strokes: Record<string, { points: number[][] }> } }>(
      'GET',
      `/api/slates/${lesson.slates[0]!.id}`,
    )
    return Object.values(state.strokes).map(stroke => stroke.points.map(([x, y]) => ({ x: x!, y: y! })))
  }
  const drawing = page.getByTestId('drawing')
  const space = (await drawing.boundingBox())!
  // The hand is seen to go down and to lift, and nowhere in between.
  const browser = await page.context().newCDPSession(page)
  const mouse = (type: 'mousePressed' | 'mouseReleased', x: number) =>
    browser.send('Input.dispatchMouseEvent', { type, x, y: space.y + 60, button: 'left', clickCount: 1 })
  await mouse('mousePressed', space.x + 60)
  await mouse('mouseReleased', space.x + 120)
  const [quick] = await strokes()
  expect(quick!.at(-1)!.x).toBeGreaterThan(quick![0]!.x + 20)

  await drawing.press('Enter')
  for (const arrow of ['ArrowRight', 'ArrowRight', 'ArrowDown', 'ArrowDown', 'ArrowLeft'])
    await page.keyboard.press(arrow)
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('said')).toHaveText('Line drawn')
  const [x, y] = [(await strokes())[1]![0]!.x, (await strokes())[1]![0]!.y]
  expect((await strokes())[1]).toEqual([
    { x, y },
    { x: x + 20, y },
    { x: x + 20, y: y + 20 },
    { x: x + 10, y: y + 20 },
  ])
})
