import type { Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { setExplain, setHints, setNotes } from '../../core/design/around'
import { setBoardTools } from '../../core/design/tools'
import { pageId, shore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, piece, test } from './class'

test.use({ testIdAttribute: 'data-test' })

const PAGE = pageId('page')
const around = (board: Board) =>
  setHints(setNotes(setExplain(board, PAGE, 'places'), PAGE, true), PAGE, null, 'Think of high waves.\nWho has feet?')

/** The page on the screen, and how much of it is in sight in its frame. */
const pageIn = (page: Page) =>
  page.locator('[data-frame]').evaluate(frame => {
    const { height, width } = frame.getBoundingClientRect()
    return { height, width, across: document.documentElement.scrollWidth - document.documentElement.clientWidth }
  })

// A laptop of 1280 × 800 at 200 % (WCAG 2.2, 1.4.4), a small phone both ways, and 1280 × 1024 at 400 % (1.4.10).
for (const [name, viewport] of [
  ['200 %', { width: 640, height: 400 }],
  ['a phone', { width: 360, height: 640 }],
  ['a phone on its side', { width: 740, height: 360 }],
  ['400 %', { width: 320, height: 256 }],
] as const) {
  test(`at ${name} the page keeps a height to work at, with what stands beside it too`, async ({
    browser,
    application,
  }) => {
    const lesson = await makeLesson(
      application.address,
      ['Ada Fern'],
      setBoardTools(around(shore()), ['write', 'note', 'pen', 'sign']),
    )
    const page = await (await browser.newContext({ viewport })).newPage()
    await comeIn(page, application.address, lesson, 'Ada Fern')
    for (const beside of [null, 'Hint', 'Reasons and notes'] as const) {
      if (beside) await page.getByRole('button', { name: beside, exact: true }).click()
      const { height, width, across } = await pageIn(page)
      // Room for a zone and what is put into it.
      expect(height, `${beside}`).toBeGreaterThan(90)
      expect(width, `${beside}`).toBeGreaterThan(viewport.width * 0.8)
      // Only the page itself may be pushed about in two directions.
      expect(across).toBeLessThanOrEqual(0)
      // A phone that is pushed up shows page and ledge together: a piece and where it goes are in one sight.
      const stage = await page
        .locator('[data-frame]')
        .evaluate(frame => frame.parentElement!.getBoundingClientRect().height)
      expect(stage).toBeLessThanOrEqual(viewport.height)
    }
    await piece(page, 'limpet').focus()
    await page.keyboard.press('Enter')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Enter')
    await expect(piece(page, 'limpet')).toHaveAccessibleName(/limpet, in/)
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    await expectAccessible(page)
    await page.context().close()
  })
}

// WCAG 2.2, 1.4.12: lines 1.5 times the letters' size apart, letters 0.12 and words 0.16 times of it.
test('with more room between letters, words and lines nothing that is pressed is cut off', async ({
  browser,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], around(shore()))
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 360, height: 740 },
  ]) {
    const page = await (await browser.newContext({ viewport })).newPage()
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await page.addStyleTag({
      content: '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }',
    })
    await page.getByRole('button', { name: 'Reasons and notes' }).click()
    const cut = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button, a, label, summary, p, h1, h2')]
        .filter(
          element =>
            element.offsetParent !== null
            && !element.closest('.sr-only, [data-frame]')
            && getComputedStyle(element).overflow !== 'visible'
            && getComputedStyle(element).textOverflow !== 'ellipsis',
        )
        .filter(
          element => element.scrollWidth > element.clientWidth + 1 || element.scrollHeight > element.clientHeight + 1,
        )
        .map(element => element.textContent.trim()),
    )
    expect(cut).toEqual([])
    const off = await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button, a')]
        .filter(element => element.offsetParent !== null && !element.closest('[data-frame]'))
        .filter(element => element.getBoundingClientRect().right > innerWidth + 1)
        .map(element => element.textContent.trim()),
    )
    expect(off).toEqual([])
    await page.context().close()
  }
})
