import type { Page, WebSocketRoute } from '@playwright/test'
import { placeId } from '../boards'
import { boardOf, box, card, tile } from '../keyBoards'
import type { Piece } from '../../core/board/piece'
import { comeIn, expect, makeLesson, toOneFrame, piece, test, type Lesson } from './class'
import { student } from './frames'
import { kept, on, ownOf, tool } from './making'
import { middleOf, Pointing, WAYS } from './pointing'

test.use({ testIdAttribute: 'data-test' })
const NAMES = ['Ada Fern', 'Bo Kelp']

const spaces = () => ({
  ...boardOf(
    [
      {
        kind: 'writing' as const,
        id: placeId('w'),
        heading: 'The market',
        lines: 'many' as const,
        textSize: 20,
        shape: box(40, 60, 420, 200),
      },
      { kind: 'zone' as const, id: placeId('z'), heading: 'Notes', shape: box(500, 40, 420, 400) },
    ],
    [card('limpet'), { ...card('because', { text: 'Because …' }), kind: 'note' } as Piece, tile('one', '1')],
    null,
  ),
  tools: ['note' as const, 'write' as const],
})

async function frameOfTwo(address: string): Promise<Lesson> {
  const lesson = await makeLesson(address, NAMES, spaces())
  return toOneFrame(lesson)
}
/**
 * Everything that goes over the wire is so long under way, each way. After every so many messages that are sent the
 * connection breaks, and what is under way is lost; tells how often that was.
 */
async function slowWay(page: Page, ms: number, breaksAfter = Infinity): Promise<() => number> {
  let [sent, broken] = [0, 0]
  await page.routeWebSocket(/.*/, (here: WebSocketRoute) => {
    const there = here.connectToServer()
    let holds = true
    const later = (send: () => void) => void setTimeout(() => holds && send(), ms)
    here.onMessage(message => {
      later(() => there.send(message))
      if (++sent % breaksAfter !== 0) return
      holds = false
      broken++
      void here.close()
      void there.close()
    })
    there.onMessage(message => later(() => here.send(message)))
  })
  return () => broken
}
const field = (page: Page) => page.getByLabel('The market')

test('two write in one space at the same time, one of them over a slow way: both see both sentences, whole', async ({
  browser,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await frameOfTwo(address)
  const ada = await student({ browser, address, lesson, name: 'Ada Fern' })
  const bo = await (await browser.newContext({ viewport: { width: 1024, height: 768 } })).newPage()
  await slowWay(bo, 800)
  await comeIn(bo, address, lesson, 'Bo Kelp')

  await test.step('in an empty space', async () => {
    await Promise.all([field(ada).click(), field(bo).click()])
    await Promise.all([
      field(ada).pressSequentially('Market in the morning. Boats first.', { delay: 60 }),
      field(bo).pressSequentially('Children too.', { delay: 110 }),
    ])
    await Promise.all([kept(ada), kept(bo)])
    const [a, b] = ['Market in the morning. Boats first.', 'Children too.']
    await expect(field(ada)).toHaveValue(new RegExp(`^(?:${a}${b}|${b}${a})$`))
    await expect(field(bo)).toHaveValue(await field(ada).inputValue())
  })

  await test.step('one at the beginning, one at the end, and one deletes', async () => {
    await field(ada).press('Control+Home')
    await field(bo).press('Control+End')
    await Promise.all([
      field(ada).pressSequentially('On Friday: ', { delay: 70 }),
      field(bo).pressSequentially(' 🐚 And dogs.', { delay: 90 }),
    ])
    await kept(ada)
    await kept(bo)
    await expect(field(ada)).toHaveValue(/^On Friday: .* 🐚 And dogs\.$/)
    await expect(field(bo)).toHaveValue(await field(ada).inputValue())
  })

  await test.step('undo takes back one’s own words alone', async () => {
    await bo.getByRole('button', { name: 'Undo' }).click()
    await kept(bo)
    await expect(field(ada)).toHaveValue(/^On Friday: /)
    await expect(field(ada)).not.toHaveValue(/dogs\.$/)
    await expect(field(bo)).toHaveValue(await field(ada).inputValue())
  })

  await test.step('what was typed a moment before the page goes is there', async () => {
    await field(ada).press('Control+End')
    await field(ada).pressSequentially(' Last words')
    await ada.reload()
    await expect(field(ada)).toHaveValue(/ Last words$/)
    await expect(field(bo)).toHaveValue(/ Last words$/)
  })
})

test('two write in one space over ways of 80 and 800 milliseconds that break again and again: every letter is there once', async ({
  browser,
  application,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await frameOfTwo(address)
  const open = async (name: string, ms: number) => {
    const page = await (await browser.newContext({ viewport: { width: 1024, height: 768 } })).newPage()
    const breaks = await slowWay(page, ms, 7)
    await comeIn(page, address, lesson, name)
    return { page, breaks }
  }
  const [ada, bo] = [await open('Ada Fern', 80), await open('Bo Kelp', 800)]
  const [hers, his] = ['The boats come in at six and the gulls know it. ', 'Crabs, ropes, a dog asleep on the nets. ']
  await Promise.all([field(ada.page).click(), field(bo.page).click()])
  await Promise.all([
    field(ada.page).pressSequentially(hers, { delay: 120 }),
    field(bo.page).pressSequentially(his, { delay: 150 }),
  ])
  const letters = (text: string) => [...text].toSorted().join('')
  for (const { page } of [ada, bo]) {
    await kept(page)
    await expect.poll(async () => letters(await field(page).inputValue())).toBe(letters(hers + his))
  }
  await expect(field(bo.page)).toHaveValue(await field(ada.page).inputValue())
  expect(ada.breaks()).toBeGreaterThan(0)
  expect(bo.breaks()).toBeGreaterThan(0)
  // And as it is stored.
  await ada.page.unrouteAll()
  await ada.page.reload()
  await expect(field(ada.page)).toHaveValue(await field(bo.page).inputValue())
})

for (const way of WAYS)
  test(`a note is written on where it lies, with a ${way}: at once when it is put down, and by one tap; a tap elsewhere moves nothing`, async ({
    browser,
    application,
  }) => {
    const lesson = await makeLesson(application.address, NAMES, spaces())
    const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: way === 'touch' })
    const page = await context.newPage()
    await comeIn(page, application.address, lesson, 'Ada Fern')
    const hand = await Pointing.of(page, way)
    const centre = async (name: string) => middleOf((await piece(page, name).boundingBox())!)
    const words = page.getByLabel('Write on the note: Because …')

    await hand.drag(await centre('Because …'), await on(page, 700, 200))
    await expect(words).toBeFocused()
    await page.keyboard.type('they hold on')
    const lay = await centre('they hold on')
    await hand.tap(await on(page, 850, 400))
    await expect(words).toHaveCount(0)
    expect(await centre('they hold on')).toEqual(lay)
    await hand.tap(lay)
    await expect(words).toBeFocused()
    await page.keyboard.type(' tightly')
    await page.keyboard.press('Escape')
    await expect(piece(page, 'they hold on tightly')).toBeFocused()
    // Chosen with the keyboard, letters are letters.
    await page.keyboard.type('. Yes')
    await page.keyboard.press('Escape')
    await expect(piece(page, 'they hold on tightly. Yes')).toHaveAccessibleName('they hold on tightly. Yes, in Notes')
    await hand.drag(await centre('they hold on tightly. Yes'), await on(page, 650, 350))
    await expect(words).toHaveCount(0)

    await tool(page, 'Note').click()
    await hand.tap(await on(page, 200, 380))
    await expect(page.getByLabel('Words on the note')).toBeFocused()
    await page.keyboard.type('mine')
    await hand.tap(await on(page, 480, 20))
    const mine = page.getByRole('button', { name: 'Note: mine' })
    await hand.tap(middleOf((await mine.boundingBox())!))
    await expect(page.getByLabel('Words on the note')).toBeFocused()
    await page.keyboard.type(' now, and with many more words than there is room for at first on so small a note')
    await hand.tap(await on(page, 480, 20))
    await kept(page)
    expect(await ownOf(lesson, 'Ada Fern')).toMatchObject([
      { text: 'mine now, and with many more words than there is room for at first on so small a note' },
    ])
    await context.close()
  })
