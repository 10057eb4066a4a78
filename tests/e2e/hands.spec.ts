import type { Page } from '@playwright/test'
import type { Place } from '../../core/board/place'
import { placeId } from '../boards'
import { boardOf, box, card } from '../keyBoards'
import { comeIn, expect, makeLesson, piece, test, zonePoint } from './class'

test.use({ testIdAttribute: 'data-test' })

test.describe('by touch on a tablet', () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true })

  /** A finger that goes down, moves and lifts, through the browser's own input. */
  async function swipe(page: Page, from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> {
    const session = await page.context().newCDPSession(page)
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: { x: number; y: number }) =>
      session.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] })
    await touch('touchStart', from)
    for (let i = 1; i <= 6; i++)
      await touch('touchMove', { x: from.x + ((to.x - from.x) * i) / 6, y: from.y + ((to.y - from.y) * i) / 6 })
    await touch('touchEnd')
    await session.detach()
  }

  test('a student does the whole task with taps and swipes', async ({ page, application }) => {
    const lesson = await makeLesson(application.address)
    await comeIn(page, application.address, lesson, 'Ada Fern')

    await piece(page, 'limpet').tap()
    await expect(piece(page, 'limpet')).toHaveAttribute('aria-pressed', 'true')
    const clings = await zonePoint(page, 0)
    await page.touchscreen.tap(clings.x, clings.y)
    await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, in Clings')

    // A tap on the very edge of a zone still means the zone, and a second card doesn't cover the first.
    await piece(page, 'barnacle').tap()
    await page.touchscreen.tap(clings.x + 4, clings.y + 3)
    await expect(piece(page, 'barnacle')).toHaveAccessibleName('barnacle, in Clings')
    const [a, b] = [(await piece(page, 'limpet').boundingBox())!, (await piece(page, 'barnacle').boundingBox())!]
    expect(Math.abs(a.x - b.x) >= a.width - 1 || Math.abs(a.y - b.y) >= a.height - 4).toBe(true)

    const goby = (await piece(page, 'goby').boundingBox())!
    await swipe(page, { x: goby.x + 20, y: goby.y + 20 }, await zonePoint(page, 2))
    await expect(piece(page, 'goby')).toHaveAccessibleName('goby, in Swims')

    // And back to the ledge with two taps.
    await piece(page, 'goby').tap()
    const ledge = (await page.getByRole('group', { name: 'Ledge' }).boundingBox())!
    await page.touchscreen.tap(ledge.x + ledge.width - 30, ledge.y + ledge.height - 30)
    await expect(piece(page, 'goby')).toHaveAccessibleName('goby, on the ledge')

    for (const [word, zone] of [
      ['shore crab', 1],
      ['sea star', 1],
      ['prawn', 2],
      ['goby', 2],
    ] as const) {
      await piece(page, word).tap()
      const at = await zonePoint(page, zone)
      await page.touchscreen.tap(at.x, at.y)
    }
    await expect(page.getByText('Ada Fern · 6 of 6')).toBeVisible()
    await page.getByRole('button', { name: 'Hand in' }).tap()
    await expect(page.getByText('Everything is done.')).toBeVisible()
    await page.getByRole('button', { name: 'Hand it in now' }).tap()
    await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
  })

  test('every card is large enough for a finger', async ({ page, application }) => {
    const lesson = await makeLesson(application.address)
    await comeIn(page, application.address, lesson, 'Bo Kelp')
    for (const word of ['limpet', 'goby']) {
      const box = (await piece(page, word).boundingBox())!
      expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(44)
    }
  })
})

test('by keyboard alone: comes in, does the whole task, hands in', async ({ page, application }) => {
  const lesson = await makeLesson(application.address)
  const student = lesson.students.find(s => s.name === 'Cy Gull')!
  const said = page.getByTestId('said')
  /** Tab until the element with this name has the focus; a thing that can't be reached fails the test. */
  const tabTo = async (name: RegExp) => {
    for (let i = 0; i < 60; i++) {
      await page.keyboard.press('Tab')
      const label = await page.evaluate(
        () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.textContent?.trim() ?? '',
      )
      if (name.test(label)) return
    }
    throw new Error(`${name} can't be reached with Tab`)
  }

  await page.goto(`${application.address}/join?class=${lesson.code}&handout=${lesson.handout}`)
  await expect(page.getByRole('button', { name: 'Cy Gull' })).toBeVisible()
  await tabTo(/^Cy Gull$/)
  await page.keyboard.press('Enter')
  const { PICTURE_WORDS } = await import('../pictureWords')
  for (const picture of student.pictures) {
    await page.getByRole('button', { name: PICTURE_WORDS[picture], exact: true }).waitFor()
    // The ring of Tab goes round: every picture can be reached from any other.
    await tabTo(new RegExp(`^${PICTURE_WORDS[picture]}$`))
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('group', { name: 'Page', exact: true })).toBeVisible()

  // The ledge is one stop of the Tab key; arrows lead along it.
  await tabTo(/, on the ledge$/)
  await page.keyboard.press('Home')
  const onLedge = await page.getByTestId('ledge').locator('[data-piece]').count()
  for (let i = 0; i < onLedge && !(await piece(page, 'limpet').evaluate(one => one === document.activeElement)); i++)
    await page.keyboard.press('ArrowRight')
  await expect(piece(page, 'limpet')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(said).toHaveText(/limpet picked up, over Clings/)
  await page.keyboard.press('ArrowRight')
  await expect(said).toHaveText('Over Crawls')
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('Enter')
  await expect(said).toHaveText('limpet, now in Clings, 1 of 6 placed')

  const homes: Record<string, number> = { limpet: 0, barnacle: 0, 'shore crab': 1, 'sea star': 1, prawn: 2, goby: 2 }
  for (let i = 2; i <= 6; i++) {
    // After a card is put down the focus is on the next one that waits.
    const name = (await page.evaluate(() => document.activeElement!.getAttribute('aria-label')!)).split(',')[0]!
    await page.keyboard.press('Enter')
    for (let step = 0; step < homes[name]!; step++) await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Enter')
    await expect(said).toHaveText(new RegExp(`^${name}, now in .*, ${i} of 6 placed$`))
  }

  await test.step('nudges, lets be, takes back to the ledge, undoes', async () => {
    const limpet = piece(page, 'limpet')
    await limpet.focus()
    const before = (await limpet.boundingBox())!
    await page.keyboard.press('Enter')
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowDown')
    await page.keyboard.press('Enter')
    expect((await limpet.boundingBox())!.y).toBeGreaterThan(before.y + 10)
    await page.keyboard.press('Enter')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Escape')
    await expect(said).toHaveText('limpet let go. Nothing has moved.')
    await expect(limpet).toHaveAccessibleName('limpet, in Clings')
    await page.keyboard.press('Enter')
    await page.keyboard.press('ArrowLeft')
    await expect(said).toHaveText('Over the ledge')
    await page.keyboard.press('ArrowLeft')
    await expect(said).toHaveText('Over the page, outside every place')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Enter')
    await expect(limpet).toHaveAccessibleName('limpet, on the ledge')
    await page.keyboard.press('Control+z')
    await expect(limpet).toHaveAccessibleName('limpet, in Clings')
  })

  await page.keyboard.press('F1')
  await expect(page.getByText('Choose a place, a cell or a step of a scale, the page or the ledge')).toBeVisible()
  await page.keyboard.press('Escape')
  await tabTo(/^Hand in$/)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Everything is done.')).toBeVisible()
  await tabTo(/^Hand it in now$/)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
})

test('by keyboard, cells, gaps, values and regions are places to go to, and are called by name', async ({
  page,
  application,
}) => {
  const ring = (id: string, heading: string, x: number): Place => ({
    kind: 'zone',
    id: placeId(id),
    heading,
    shape: { kind: 'ellipse', x, y: 20, width: 240, height: 180 },
  })
  const board = boardOf(
    [
      ring('flies', 'Flies', 20),
      ring('swims', 'Swims', 180),
      {
        kind: 'grid',
        id: placeId('grid'),
        heading: 'The shore',
        rows: 2,
        columns: 3,
        printed: ['', '', '', '', 'rock', ''],
        shape: box(480, 20, 440, 180),
      },
      {
        kind: 'scale',
        id: placeId('line'),
        heading: 'How long',
        least: '0',
        most: '10',
        step: '1',
        shape: box(40, 260, 880, 100),
      },
      {
        kind: 'gaps',
        id: placeId('text'),
        heading: 'The sentence',
        text: 'The __ eats the __.',
        textSize: 20,
        gap: { width: 100, height: 40 },
        typed: false,
        shape: box(40, 390, 600, 60),
      },
    ],
    [card('tern'), card('goby')],
    null,
  )
  const lesson = await makeLesson(application.address, ['Ada Fern'], board)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const said = page.getByTestId('said').last()
  const press = async (key: string, says: string | RegExp) => {
    await page.keyboard.press(key)
    await expect(said).toHaveText(says)
  }
  await piece(page, 'tern').focus()
  await press('Enter', /tern picked up, over Flies/)
  await press('ArrowRight', 'Over Flies and Swims')
  await press('ArrowRight', 'Over Swims')
  await press('ArrowRight', 'Over row 1, column 1 of The shore')
  await press('ArrowDown', 'Over row 2, column 1 of The shore')
  await press('ArrowRight', 'Over rock, row 2, column 2 of The shore')
  await press('Enter', /^tern, now in rock, row 2, column 2 of The shore, 1 of 2 placed$/)
  await expect(piece(page, 'tern')).toHaveAccessibleName('tern, in rock, row 2, column 2 of The shore')

  // The focus has gone on to the next card.
  await press('Enter', /goby picked up/)
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('ArrowLeft')
  await press('ArrowLeft', 'Over gap 2 of The sentence')
  await press('ArrowUp', 'Over 10 on How long')
  await press('ArrowLeft', 'Over 9 on How long')
  for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowLeft')
  await expect(said).toHaveText('Over 8.5 on How long')
  await press('Enter', /^goby, now at 8.5 on How long/)
})
