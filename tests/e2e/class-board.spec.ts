import type { Browser, Page } from '@playwright/test'
import { placeId } from '../boards'
import { boardOf, box, card } from '../keyBoards'
import { expectAccessible } from './axe'
import { expect, giveOutTo, makeLesson, piece, signInTeacher, test, type Lesson } from './class'
import { student } from './frames'
import { kept, on, tool } from './making'
import { middleOf, Pointing } from './pointing'
import type { Piece } from '../../core/board/piece'

test.use({ testIdAttribute: 'data-test' })
const NAMES = ['Ada Fern', 'Bo Kelp']

const wall = () => ({
  ...boardOf(
    [
      { kind: 'zone' as const, id: placeId('z'), heading: 'What we know', shape: box(20, 40, 600, 400) },
      { kind: 'drawing' as const, id: placeId('d'), heading: 'Draw one', shape: box(640, 40, 300, 400) },
    ],
    [card('limpet'), { ...card('why', { text: 'I know …' }), kind: 'note', bin: true } as Piece],
    null,
  ),
  tools: ['pen' as const],
})
async function classBoard(address: string): Promise<Lesson> {
  const lesson = await makeLesson(address, NAMES, wall())
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId }],
    mode: 'one-for-everyone',
  })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { ...lesson, handout, slates }
}
const pile = (page: Page) => page.getByRole('button', { name: /^I know …, as many/ })
async function writeNote(page: Page, words: string, x: number): Promise<void> {
  const hand = await Pointing.of(page, 'mouse')
  await hand.drag(middleOf((await pile(page).boundingBox())!), await on(page, x, 150))
  await page.keyboard.type(words)
  await page.keyboard.press('Escape')
  await kept(page)
}
const come = (browser: Browser, address: string, lesson: Lesson, name: string) =>
  student({ browser, address, lesson, name })

test('on a class board one child takes back what is theirs alone, after it was said; notes of others stay whose they are', async ({
  browser,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await classBoard(address)
  const [ada, bo] = [await come(browser, address, lesson, 'Ada Fern'), await come(browser, address, lesson, 'Bo Kelp')]
  await writeNote(ada, 'They hold on', 120)
  await writeNote(bo, 'They are round', 300)
  await expect(piece(bo, 'They hold on')).toBeVisible()

  await test.step('starting again asks, spares what others made, and is taken back', async () => {
    await bo.getByRole('button', { name: 'Start again' }).click()
    await expect(bo.getByText('2 things that only you have touched go back.')).toBeVisible()
    await expectAccessible(bo)
    await bo.getByRole('button', { name: 'Take it back' }).click()
    await expect(piece(ada, 'They are round')).toHaveCount(0)
    await expect(piece(ada, 'They hold on')).toBeVisible()
    await expect(piece(bo, 'They hold on')).toBeVisible()
    await bo.getByRole('button', { name: 'Undo' }).click()
    await expect(piece(ada, 'They are round')).toBeVisible()
  })

  await test.step('nobody moves, rewrites or throws away what another wrote', async () => {
    const hand = await Pointing.of(bo, 'mouse')
    const seen = async (page: Page) => middleOf((await piece(page, 'They hold on').boundingBox())!)
    const there = await seen(ada)
    await hand.drag(await seen(bo), await on(bo, 500, 350))
    await kept(bo)
    expect(await seen(ada)).toEqual(there)
    await hand.tap(await seen(bo))
    await bo.keyboard.type(' not')
    await bo.keyboard.press('Escape')
    await kept(bo)
    await expect(piece(ada, 'They hold on')).toBeVisible()
    await ada.reload()
    await expect(piece(ada, 'They hold on')).toBeVisible()
  })

  await test.step('until the teacher lets them', async () => {
    const teacher = await (await browser.newContext()).newPage()
    await signInTeacher(teacher, address, lesson.email, lesson.password)
    await teacher.goto(`${address}/handout/${lesson.handout}`)
    await lesson.teacher.must('PUT', `/api/handouts/${lesson.handout}`, { rules: { changeOthers: 'everybody' } })
    const hand = await Pointing.of(bo, 'mouse')
    const to = await on(bo, 500, 350)
    await expect
      .poll(async () => {
        await hand.drag(middleOf((await piece(bo, 'They hold on').boundingBox())!), to)
        await kept(bo)
        const { x, y } = middleOf((await piece(ada, 'They hold on').boundingBox())!)
        return Math.hypot(x - to.x, y - to.y) < 30
      })
      .toBe(true)
  })

  await test.step('ink by the pen of the tools fills the space that was made for drawing', async () => {
    await expect(ada.getByText(/· \d of 3$/)).toHaveText(/· 1 of 3$/)
    await tool(ada, 'Pen').click()
    const hand = await Pointing.of(ada, 'mouse')
    await hand.drag(await on(ada, 700, 100), await on(ada, 800, 300))
    await expect(ada.getByText(/· \d of 3$/)).toHaveText(/· 2 of 3$/)
    // Taking up a card puts the pen down.
    await hand.drag(middleOf((await piece(ada, 'limpet').boundingBox())!), await on(ada, 60, 400))
    await expect(tool(ada, 'Pen')).toHaveAttribute('aria-pressed', 'false')
  })
})
