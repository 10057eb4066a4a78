import { chromium, type Browser, type Page } from '@playwright/test'
import * as v from 'valibot'
import { emptyBoard, type Board } from '../../core/board/board'
import { KeyIdSchema, MasterIdSchema, PageIdSchema, PieceIdSchema } from '../../core/board/ids'
import { duplicatePage } from '../../core/design/pages'
import { addCards } from '../../core/design/pieces'
import type { Application } from '../application'
import { Client } from '../../demo/client'
import { ms, quantile, type Line } from './measure'
import { CHROMIUM } from '../browser'

export const SLOWED = 4
const PIECES = 300
const MANY = 50
const STEPS = 90
/**
 * What the browser's own trace calls the page's part of a frame: input, script, style, layout, painting, handing over;
 * of the frames in which the hand moved. Not the gaps between frames: where things are pulled to a guide nothing
 * changes, and no frame is due.
 */
const FRAME = 'ProxyMain::BeginMainFrame'
const MOVED = 'EventHandler::handleMouseMoveEvent'
interface Traced {
  readonly name: string
  readonly ph: string
  readonly tid: number
  readonly pid: number
  readonly ts: number
  readonly dur?: number
}

const counting = () => {
  let n = 0
  return {
    piece: () => v.parse(PieceIdSchema, `c${++n}`),
    master: () => v.parse(MasterIdSchema, `m${++n}`),
    key: () => v.parse(KeyIdSchema, `k${++n}`),
  }
}
/** 300 cards that lie on the page from the start. */
function crowded(): Board {
  const page = v.parse(PageIdSchema, 'page')
  const board = addCards(
    emptyBoard('A crowded page', page, 1),
    page,
    Array.from({ length: PIECES }, (_, i) => `w${i}`),
    counting(),
  )
  const staged = Object.fromEntries(
    board.pages[0]!.pieces.map((p, i) => [p.id, { x: 40 + (i % 20) * 46, y: 30 + Math.floor(i / 20) * 29 }]),
  )
  return { ...board, pages: [{ ...board.pages[0]!, staged }] }
}

/**
 * Milliseconds that each frame takes while something is dragged about. The mouse is the browser's own: with the test
 * library's, a script of that library's runs at every step.
 */
export async function frameTimes(browser: Browser, page: Page, from: { x: number; y: number }): Promise<number[]> {
  const devtools = await page.context().newCDPSession(page)
  const mouse = (type: 'mouseMoved' | 'mousePressed' | 'mouseReleased', { x, y }: typeof from, buttons: 0 | 1) =>
    devtools.send('Input.dispatchMouseEvent', {
      type,
      x,
      y,
      button: type === 'mouseMoved' && !buttons ? 'none' : 'left',
      buttons,
      clickCount: type === 'mouseMoved' ? 0 : 1,
    })
  const step = (i: number) => ({ x: from.x + 2 * i, y: from.y + 60 * Math.sin(i / 8) })
  await mouse('mouseMoved', from, 0)
  await browser.startTracing(page, { categories: ['cc', 'blink'] })
  await mouse('mousePressed', from, 1)
  for (let i = 1; i <= STEPS; i++) await mouse('mouseMoved', step(i), 1)
  await mouse('mouseReleased', step(STEPS), 0)
  await devtools.detach()
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: Traced[] }
  const named = (name: string) => traceEvents.filter(e => e.name === name && e.ph === 'X')
  const moves = named(MOVED)
  const frames = named(FRAME).flatMap(({ pid, tid, ts, dur = 0 }) =>
    moves.some(m => m.pid === pid && m.tid === tid && m.ts >= ts && m.ts < ts + dur) ? [dur / 1000] : [],
  )
  if (frames.length < STEPS / 2) throw new Error(`the trace holds only ${frames.length} frames`)
  return frames
}

/**
 * At the workbench, with the processor slowed four times: dragging, opening a board of ten pages, a list of 200 words.
 */
export async function atTheWorkbench(application: Application): Promise<Line[]> {
  const teacher = new Client(application.address)
  const [email, password] = [`bench-${process.pid}@ternhaven.example`, 'ten letters or more']
  await teacher.signUp(email, password)
  const keep = async (board: Board) =>
    (await teacher.must<{ id: string }>('POST', '/api/boards', { title: board.title, board })).id
  const empty = emptyBoard('An empty page', v.parse(PageIdSchema, 'page'), 1)
  let next = 0
  let ten = crowded()
  for (let i = 1; i < 10; i++) ten = duplicatePage(ten, ten.pages.at(-1)!.id, () => `d${++next}`)
  const [full, bare, long] = [await keep(crowded()), await keep(empty), await keep(ten)]

  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${application.address}/sign-in`)
  await page.getByLabel('E-mail address').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.waitForURL('**/shelf')
  const slow = async (rate: number) =>
    (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate })
  await slow(SLOWED)

  /** From asking for the board to its first page being drawn. */
  async function opened(id: string): Promise<number> {
    const start = performance.now()
    await page.goto(`${application.address}/board/${id}`)
    await page.getByRole('group', { name: 'Page', exact: true }).waitFor()
    await page.evaluate(() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done))))
    return performance.now() - start
  }
  const pieces = () =>
    page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'Pieces' }).click()
  const middle = async (selector: string) => {
    const box = (await page.locator(selector).first().boundingBox())!
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  }

  await opened(bare)
  const openBare = await opened(bare)
  const places = page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'Places' })
  await places.click()
  await page.getByRole('button', { name: 'Pin', exact: true }).click()
  const floor = await frameTimes(browser, page, await middle('[data-item]'))
  await pieces()
  const list = page.getByLabel('Words, one on each line')
  async function listed(count: number): Promise<number> {
    await list.fill(Array.from({ length: count }, (_, i) => `word ${i}`).join('\n'))
    const start = performance.now()
    await page.getByRole('button', { name: /^Make \d+ card/ }).click()
    await page.getByText(new RegExp(`^${count + (count > 1 ? 1 : 0)} pieces?$`)).waitFor()
    return performance.now() - start
  }
  const [one, words] = [await listed(1), await listed(200)]

  await opened(full)
  await pieces()
  await page
    .locator('[data-item]')
    .nth(PIECES - 1)
    .waitFor()
  const single = await frameTimes(browser, page, await middle(`[data-item="c${PIECES + 1}"]`))
  await opened(full)
  await pieces()
  await page
    .locator('[data-item]')
    .nth(PIECES - 1)
    .waitFor()
  for (let i = 0; i < MANY; i++)
    await page
      .locator('[data-item]')
      .nth(PIECES - 1 - i)
      .click({ modifiers: ['Shift'], force: true })
  const many = await frameTimes(browser, page, await middle(`[data-item="c${PIECES + 1}"]`))
  await places.click()
  await page.getByRole('button', { name: 'Zone', exact: true }).click()
  const sized = await frameTimes(browser, page, await middle('[data-corner="11"]'))
  const openTen = await opened(long)
  await browser.close()

  const frames = (what: string, times: readonly number[]): Line[] =>
    [0.5, 0.95].map(q => ({
      what: `a frame while dragging ${what} (the display shows one each 17 ms), processor slowed ${SLOWED} times, ${q === 0.5 ? 'median' : '95th percentile'}`,
      measured: ms(quantile(times, q)),
      floor: `one pin on an empty page ${ms(quantile(floor, q))}`,
      ratio: quantile(times, q) / quantile(floor, q),
    }))
  return [
    ...frames(`one of ${PIECES} pieces`, single),
    ...frames(`${MANY} of ${PIECES} pieces`, many),
    ...frames(`the corner of a zone among ${PIECES} pieces`, sized),
    {
      what: 'opening a board of 10 pages with 300 pieces each',
      measured: ms(openTen),
      floor: `an empty board ${ms(openBare)}`,
      ratio: openTen / openBare,
    },
    {
      what: 'cards from a list of 200 words',
      measured: ms(words),
      floor: `from one word ${ms(one)}`,
      ratio: words / one,
    },
  ]
}
