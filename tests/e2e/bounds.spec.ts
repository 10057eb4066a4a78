import type { Page } from '@playwright/test'
import { setBoardTools } from '../../core/design/tools'
import { LONGEST_OWN_TEXT, MOST_OWN, MOST_OWN_POINTS } from '../../core/slate/own'
import { shore } from '../boards'
import { Client } from '../../demo/client'
import { comeIn, expect, makeLesson, toOneFrame, test } from './class'
import { kept, on, ownOf, tool } from './making'

test.use({ testIdAttribute: 'data-test' })

test('pasted pages become plain words, in any script; what is too long is cut and said', async ({
  browser,
  application,
}) => {
  const context = await browser.newContext({ permissions: ['clipboard-read', 'clipboard-write'] })
  const page = await context.newPage()
  const lesson = await makeLesson(application.address, ['Ada Fern'], setBoardTools(shore(), ['note', 'write']))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const copy = (html: string, plain: string) =>
    page.evaluate(
      ([rich, bare]) =>
        navigator.clipboard.write([
          new ClipboardItem({
            'text/html': new Blob([rich!], { type: 'text/html' }),
            'text/plain': new Blob([bare!], { type: 'text/plain' }),
          }),
        ]),
      [html, plain],
    )

  const mixed = 'Crabs 🦀 الجزر and שרקן, 海星'
  await copy(`<h1 onclick="alert(1)">Crabs</h1><img src=x onerror="document.title='taken'"><b>${mixed}</b>`, mixed)
  await tool(page, 'Note').click()
  const spot = await on(page, 500, 240)
  await page.mouse.click(spot.x, spot.y)
  await expect(page.getByLabel('Words on the note')).toBeFocused()
  await page.keyboard.press('Control+V')
  await page.keyboard.press('Escape')
  await kept(page)
  await expect(page.getByRole('button', { name: `Note: ${mixed}` })).toBeVisible()
  await expect(page).not.toHaveTitle(/taken/)
  await expect
    .poll(async () => (await ownOf(lesson, 'Ada Fern')).map(own => own.kind === 'note' && own.text))
    .toEqual([mixed])

  const long = 'All the words of a very long book. '.repeat(1200)
  await copy(`<p>${long}</p>`, long)
  await tool(page, 'Write').click()
  const other = await on(page, 200, 120)
  await page.mouse.click(other.x, other.y)
  await expect(page.getByLabel('Words on the page')).toBeFocused()
  await page.keyboard.press('Control+V')
  await expect(page.getByTestId('full')).toHaveText(`No more than ${LONGEST_OWN_TEXT} letters fit here.`)
  await page.keyboard.press('Escape')
  await expect(page.getByTestId('full')).toHaveText('')
  await kept(page)
  await expect
    .poll(async () => (await ownOf(lesson, 'Ada Fern')).map(own => own.kind === 'text' && own.text))
    .toContain(long.slice(0, LONGEST_OWN_TEXT))
  await context.close()
})

test('a stroke of ten thousand points keeps its shape, however long the hand goes on', async ({
  page,
  application,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(application.address, ['Ada Fern'], setBoardTools(shore(), ['pen']))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await tool(page, 'Pen').click()
  const from = await on(page, 100, 100)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  // A spiral, told to the page as a device with a fast pen would tell it.
  const sheet = (await page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!
  await page.evaluate(
    ([left, top, width, height]) => {
      const target = document.querySelector('[data-test=drawing]')!
      for (let i = 0; i < 10_000; i++) {
        const [turn, far] = [i / 160, 0.05 + (0.4 * i) / 10_000]
        target.dispatchEvent(
          new PointerEvent('pointermove', {
            bubbles: true,
            pointerId: 1,
            pointerType: 'mouse',
            buttons: 1,
            clientX: left! + width! * (0.5 + far * Math.cos(turn)),
            clientY: top! + height! * (0.5 + far * Math.sin(turn)),
          }),
        )
      }
    },
    [sheet.x, sheet.y, sheet.width, sheet.height],
  )
  const end = await on(page, 60, 420)
  await page.mouse.move(end.x, end.y)
  await page.mouse.up()
  await kept(page)
  const [stroke] = await ownOf(lesson, 'Ada Fern')
  if (stroke?.kind !== 'ink') throw new Error('there is no stroke')
  expect(stroke.points.length).toBeLessThanOrEqual(MOST_OWN_POINTS)
  expect(stroke.points.length).toBeGreaterThan(MOST_OWN_POINTS / 2)
  // It begins and ends where the hand did, and went round in between.
  expect(Math.hypot(stroke.points[0]![0] - 100, stroke.points[0]![1] - 100)).toBeLessThan(3)
  expect(Math.hypot(stroke.points.at(-1)![0] - 60, stroke.points.at(-1)![1] - 420)).toBeLessThan(3)
  const angles = stroke.points.slice(1, -1).map(([x, y]) => Math.atan2(y - 240, x - 480))
  expect(
    angles.filter((angle, i) => i > 0 && Math.abs(angle - angles[i - 1]!) > Math.PI).length,
  ).toBeGreaterThanOrEqual(8)
})

test('a slate that is full refuses the next note with words, keeps all that is there, and takes one again when one is taken away', async ({
  page,
  application,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(application.address, ['Ada Fern'], setBoardTools(shore(), ['note', 'sign']))
  const [student] = lesson.students
  const hand = new Client(application.address)
  await hand.enter(lesson.code, student!.id, student!.pictures)
  const socket = await hand.socket()
  const slate = lesson.slates[0]!.id
  socket.say({ say: 'open', slate, since: 0 })
  await socket.hear(message => message.say === 'slate')
  for (let n = 0; n < 2000; n += 50) {
    socket.say({
      say: 'moves',
      slate,
      moves: Array.from({ length: 50 }, (_, i) => ({
        id: `note-${n + i}-of-2000`,
        move: {
          kind: 'own',
          thing: `note-${1000 + n + i}`,
          by: 'student:1',
          as: {
            kind: 'sign',
            page: 'page',
            x: 20 + ((n + i) % 900),
            y: 60 + ((n + i) % 300),
            ink: 'graphite',
            sign: 'tick',
          },
        },
      })),
    })
    await socket.hear(
      message =>
        (message.say === 'moves' && JSON.stringify(message).includes(`note-${n + 49}-of-2000`))
        || (message.say === 'refused' && JSON.stringify(message).includes(`note-${n + 49}-of-2000`)),
    )
  }
  socket.close()
  expect(await ownOf(lesson, 'Ada Fern')).toHaveLength(MOST_OWN)

  await comeIn(page, application.address, lesson, 'Ada Fern')
  await tool(page, 'Sign').click()
  const spot = await on(page, 930, 460)
  await page.mouse.click(spot.x, spot.y)
  await expect(page.getByRole('alert')).toHaveText(
    'This slate is full, so that was not kept. Take something away first.',
  )
  expect(await ownOf(lesson, 'Ada Fern')).toHaveLength(MOST_OWN)
  // Put aside, the tool gives the hands back what lies there.
  await tool(page, 'Sign').click()
  await page.locator('[data-own="note-1001"]').focus()
  await page.keyboard.press('Delete')
  await kept(page)
  await expect.poll(async () => (await ownOf(lesson, 'Ada Fern')).length).toBe(MOST_OWN - 1)
  await tool(page, 'Sign').click()
  // The words that it was full have gone, so the page lies elsewhere in the window.
  const again = await on(page, 930, 460)
  await page.mouse.click(again.x, again.y)
  await expect.poll(async () => (await ownOf(lesson, 'Ada Fern')).length).toBe(MOST_OWN)
  await expect(page.getByRole('alert')).toHaveCount(0)
})

test('whoever floods the talk line is told to wait, keeps the words, and nobody else is held up', async ({
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  const { handout } = await toOneFrame(lesson, { rules: { talk: true } })
  const [ada, bo] = (await Promise.all(
    ['Ada Fern', 'Bo Kelp'].map(async name => {
      const page = await (await browser.newContext()).newPage()
      await comeIn(page, address, { ...lesson, handout }, name)
      await page.getByRole('button', { name: 'Talk' }).click()
      return page
    }),
  )) as [Page, Page]
  const field = (page: Page) => page.getByTestId('talk').getByRole('textbox')
  let said = 0
  for (; said < 60; said++) {
    await field(ada).fill(`again ${said}`)
    await field(ada).press('Enter')
    await expect(field(ada).and(ada.locator(':enabled'))).toBeVisible()
    const empty = await expect(field(ada))
      .toHaveValue('', { timeout: 3000 })
      .then(
        () => true,
        () => false,
      )
    if (!empty) break
  }
  expect(said).toBeLessThan(60)
  await expect(ada.getByTestId('talk').getByRole('alert')).toHaveText(
    'That was tried too often. Wait a minute, then try again.',
  )
  await expect(field(ada)).toHaveValue(`again ${said}`)
  await expect(bo.getByTestId('talk').getByText(`again ${said - 1}`)).toBeVisible()
  await field(bo).fill('Let us sort them.')
  await field(bo).press('Enter')
  await expect(ada.getByTestId('talk').getByText('Let us sort them.')).toBeVisible()
  for (const page of [ada, bo]) await page.context().close()
})
