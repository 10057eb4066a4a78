import type { Page } from '@playwright/test'
import { TOOLS, type Tool } from '../../core/board/tools'
import type { Own } from '../../core/slate/own'
import { setBoardTools } from '../../core/design/tools'
import { shore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'
import { kept, on, ownOf, tool } from './making'
import { Pointing, WAYS } from './pointing'

test.use({ testIdAttribute: 'data-test', hasTouch: true })

const withTools = (...tools: Tool[]) => setBoardTools(shore(), tools)
const NAMES = ['Ada Fern', 'Bo Kelp']
async function drag(hand: Pointing, page: Page, ...points: [number, number][]) {
  await hand.drag(...(await Promise.all(points.map(([x, y]) => on(page, x, y)))))
}
async function choose(page: Page, setting: string, value: string) {
  await page.getByRole('button', { name: new RegExp(`^${setting}:`) }).click()
  await page
    .getByRole('group', { name: setting, exact: true })
    .getByRole('button', { name: value, exact: true })
    .click()
}

test('only the tools that the teacher chose are there; none where none was chosen', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, NAMES, withTools('pen', 'note'))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await expect(page.getByRole('toolbar').getByRole('button')).toHaveText(['Note', 'Pen', 'Rubber'])
  const plain = await makeLesson(application.address, NAMES)
  await comeIn(page, application.address, plain, 'Ada Fern')
  await expect(page.getByRole('toolbar')).toHaveCount(0)
})

for (const way of WAYS)
  test(`with a ${way} everything can be made, moved, changed and taken back; the teacher sees it, and it is there after a reload`, async ({
    page,
    application,
    browser,
  }) => {
    test.setTimeout(120_000)
    const lesson = await makeLesson(application.address, NAMES, withTools(...TOOLS))
    await comeIn(page, application.address, lesson, 'Ada Fern')
    const hand = await Pointing.of(page, way)
    await tool(page, 'Colour in').click()
    await choose(page, 'Colour', 'Mint')
    const zone = await on(page, 200, 100)
    await hand.tap(zone)
    await tool(page, 'Pen').click()
    await choose(page, 'Ink', 'Sea blue')
    await drag(hand, page, [60, 300], [120, 350], [180, 300])
    await tool(page, 'Highlighter').click()
    await drag(hand, page, [60, 400], [200, 400])
    await tool(page, 'Straight arrow').click()
    await drag(hand, page, [300, 300], [420, 360])
    await tool(page, 'Shape').click()
    await choose(page, 'Which shape', 'Oval')
    await drag(hand, page, [500, 200], [620, 300])
    await tool(page, 'Sign').click()
    await choose(page, 'Which sign', 'Star')
    const star = await on(page, 700, 100)
    await hand.tap(star)
    await expectAccessible(page)
    await test.step('words stand where they are typed', async () => {
      await tool(page, 'Write').click()
      const at = await on(page, 360, 120)
      await hand.tap(at)
      await expect(page.getByLabel('Words on the page')).toBeFocused()
      await page.keyboard.type('walks sideways')
      await page.keyboard.press('Escape')
      await expect(page.getByRole('button', { name: 'Words: walks sideways' })).toBeVisible()
      await tool(page, 'Note').click()
      const note = await on(page, 800, 300)
      await hand.tap(note)
      await expect(page.getByLabel('Words on the note')).toBeFocused()
      await page.keyboard.press('Escape')
    })
    await kept(page)
    // A note on which nothing was written was never made.
    await expect
      .poll(async () => (await ownOf(lesson, 'Ada Fern')).map(own => own.kind).toSorted())
      .toEqual(['colour', 'ink', 'ink', 'line', 'shape', 'sign', 'text'])
    expect((await ownOf(lesson, 'Ada Fern')).every(own => own.by === 'student:1')).toBe(true)

    await test.step('moved by the hand, made larger, and taken away; undone one by one', async () => {
      await drag(hand, page, [700, 100], [800, 150])
      const rim = await on(page, 500, 250)
      await hand.tap(rim)
      await page.getByRole('button', { name: 'Larger' }).click()
      await page.getByRole('button', { name: 'Take away' }).click()
      await expect(page.getByRole('button', { name: 'Shape: Oval' })).toHaveCount(0)
      await page.getByRole('button', { name: 'Undo' }).click()
      await expect(page.getByRole('button', { name: 'Shape: Oval' })).toBeVisible()
      await page.getByRole('button', { name: 'Undo' }).click()
      await kept(page)
      const [shape, sign] = ['shape', 'sign'].map(kind =>
        ownOf(lesson, 'Ada Fern').then(all => all.find(own => own.kind === kind)),
      ) as [Promise<Own>, Promise<Own>]
      expect(await shape).toMatchObject({ x: 560, width: 120 })
      expect(((await sign) as Extract<Own, { kind: 'sign' }>).x).toBeGreaterThan(790)
    })
    await test.step('ink is rubbed out where it is', async () => {
      await tool(page, 'Rubber').click()
      await drag(hand, page, [100, 390], [100, 410])
      await kept(page)
      await expect.poll(async () => (await ownOf(lesson, 'Ada Fern')).filter(own => own.kind === 'ink').length).toBe(1)
    })
    await page.reload()
    await expect(page.getByRole('button', { name: 'Words: walks sideways' })).toBeVisible()
    await expect(page.getByRole('img', { name: 'Coloured in: Mint' })).toHaveCount(1)
    const teacher = await (await browser.newContext()).newPage()
    await signInTeacher(teacher, application.address, lesson.email, lesson.password)
    await teacher.goto(
      `${application.address}/handout/${lesson.handout}/review/${lesson.slates.find(s => s.name === 'Ada Fern')!.id}`,
    )
    await expect(teacher.getByRole('img', { name: 'Words: walks sideways' })).toBeVisible()
  })

test('a note has the keyboard from the moment it is put down, however late its script came: no letter is lost', async ({
  page,
  application,
}) => {
  await page.route(/_nuxt\/.*\.js/, async route => {
    await new Promise(done => setTimeout(done, 300))
    await route.continue()
  })
  const lesson = await makeLesson(application.address, NAMES, withTools('note'))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await tool(page, 'Note').click()
  await page.evaluate(() => {
    const look = () => (document.documentElement.dataset['had'] = document.activeElement?.tagName ?? '')
    addEventListener('pointerup', () => setTimeout(look, 0), { capture: true })
  })
  const { x, y } = await on(page, 100, 300)
  await page.mouse.click(x, y)
  await page.keyboard.type('Silly words')
  expect(await page.evaluate(() => document.documentElement.dataset['had'])).toBe('TEXTAREA')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Note: Silly words' })).toBeVisible()
})

test('with the keyboard alone a student draws, writes, points and takes back', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, NAMES, withTools('write', 'arrow', 'sign'))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await tool(page, 'Sign').press('Enter')
  await expect(page.getByRole('application')).toBeFocused()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await tool(page, 'Straight arrow').press('Enter')
  await expect(page.getByRole('application')).toBeFocused()
  await page.keyboard.press('Enter')
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await tool(page, 'Write').press('Enter')
  await expect(page.getByRole('application')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Words on the page')).toBeFocused()
  await page.keyboard.type('by keys')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Words: by keys' })).toBeFocused()
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('ArrowUp')
  await kept(page)
  expect((await ownOf(lesson, 'Ada Fern')).map(own => own.kind)).toEqual(['sign', 'line', 'text'])
  expect(await ownOf(lesson, 'Ada Fern')).toMatchObject([
    { x: 490, y: 240 },
    { from: { x: 480, y: 240 }, to: { x: 480, y: 300 } },
    { y: 224 },
  ])
  await page.getByRole('button', { name: 'Sign: Tick' }).press('Delete')
  await kept(page)
  expect((await ownOf(lesson, 'Ada Fern')).map(own => own.kind)).toEqual(['line', 'text'])
})

test.describe('on a tablet', () => {
  test.use({ hasTouch: true, viewport: { width: 1024, height: 768 } })
  test('tools are chosen and used with a finger, and large enough for one', async ({ page, application }) => {
    const lesson = await makeLesson(application.address, NAMES, withTools(...TOOLS))
    await comeIn(page, application.address, lesson, 'Ada Fern')
    for (const button of await page.getByRole('toolbar').getByRole('button').all()) {
      const box = (await button.boundingBox())!
      expect(box.width >= 44 && box.height >= 44).toBe(true)
    }
    await tool(page, 'Sign').tap()
    const at = await on(page, 300, 200)
    await page.touchscreen.tap(at.x, at.y)
    await tool(page, 'Sign').tap()
    await page.getByRole('button', { name: 'Sign: Tick' }).tap()
    await expect(page.getByRole('button', { name: 'Take away' })).toBeVisible()
    await kept(page)
    expect(await ownOf(lesson, 'Ada Fern')).toMatchObject([{ kind: 'sign' }])
  })
})

test('a teacher chooses the tools at the workbench, for the board and for a page', async ({ page, application }) => {
  const lesson = await makeLesson(application.address)
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'Pieces' }).click()
  await page.getByRole('group', { name: 'Tools that students get' }).getByLabel('Pen', { exact: true }).check()
  await page.getByRole('button', { name: 'Add a page' }).click()
  await page.getByLabel('Those of the whole board').uncheck()
  await page.getByRole('group', { name: 'Tools on this page' }).getByLabel('Note', { exact: true }).check()
  await expect
    .poll(async () => {
      const { board } = await lesson.teacher.must<{ board: { tools?: string[]; pages: { tools?: string[] }[] } }>(
        'GET',
        `/api/boards/${lesson.board}`,
      )
      return [board.tools, ...board.pages.map(one => one.tools)]
    })
    .toEqual([['pen'], undefined, ['note', 'pen']])
})
