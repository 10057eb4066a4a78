import { chromium, type Browser, type Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { setBoardTools } from '../../core/design/tools'
import type { Application } from '../application'
import { placeId, shore } from '../boards'
import { Client, type Socket } from '../../demo/client'
import { comeInByLink, makeLesson, toOneFrame, type Lesson } from '../e2e/lesson'
import { largeSort } from './largeSort'
import { ms, quantile, type Line } from './measure'
import { frameTimes, SLOWED } from './workbench'
import { CHROMIUM } from '../browser'
import { delay } from '../delay'

const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack', 'Eli Sand']
/** Milliseconds between what each of the others does. */
const OTHERS_EVERY = 100
const FRAME = 1000 / 60
/** A quick hand has a key down for about so long, and types ten letters a second (common practice, no source). */
const KEY_DOWN_MS = 90

/**
 * On a student's page: dragging in a frame while four others move and one of 300 pieces, typing beside three others,
 * from the pen to the line, and how soon it can be used.
 */
export async function atTheSlate(application: Application): Promise<Line[]> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const lines = [
    ...(await inFrame(browser, application)),
    ...(await ofMany(browser, application)),
    await typing(browser, application),
    await penToLine(browser, application),
    await usable(browser, application),
  ]
  await browser.close()
  return lines
}

const slow = async (page: Page, rate: number) =>
  (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate })
const middleOf = async (page: Page, piece: string) => {
  const box = (await page.locator(`[data-piece="${piece}"]`).boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}

/** Opened again, with nothing of the test library in the page that would hear of every step of the mouse. */
async function opened(page: Page): Promise<void> {
  await page.reload({ waitUntil: 'networkidle' })
  while (!(await page.evaluate('!!document.querySelector("[data-piece]")'))) await delay(50)
}

/** A group of five on one frame, with every card on the page. */
async function frameOfFive(address: string, board: Board = shore()): Promise<Lesson> {
  const staged: Board = {
    ...board,
    pages: board.pages.map(page => ({
      ...page,
      staged: Object.fromEntries(page.pieces.map((piece, i) => [piece.id, { x: 80 + i * 150, y: 420 }])),
    })),
  }
  const lesson = await makeLesson(address, NAMES, staged)
  return toOneFrame(lesson)
}

async function inFrame(browser: Browser, { address }: Application): Promise<Line[]> {
  const lesson = await frameOfFive(address)
  const slate = lesson.slates[0]!.id
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await comeInByLink(page, address, lesson, lesson.students[0]!)
  await page.waitForLoadState('networkidle')
  await slow(page, SLOWED)
  const alone = await frameTimes(browser, page, await middleOf(page, 'c0'))
  const sockets = await Promise.all(lesson.students.slice(1).map(student => onSlate(address, lesson, student, slate)))
  const stop = movingAbout(sockets, slate)
  await page.locator('[data-test=held-by-others] g').nth(3).waitFor()
  const together = await frameTimes(browser, page, await middleOf(page, 'c0'))
  stop()
  for (const socket of sockets) socket.close()
  await page.context().close()
  return [0.5, 0.95].map(q => ({
    what: `a frame while dragging beside four others who all move, processor slowed ${SLOWED} times, ${q === 0.5 ? 'median' : '95th percentile'}`,
    measured: ms(quantile(together, q)),
    floor: `alone ${ms(quantile(alone, q))}`,
    ratio: quantile(together, q) / quantile(alone, q),
  }))
}

/** One of 300 pieces that lie on the page, against the only one of a page. */
async function ofMany(browser: Browser, { address }: Application): Promise<Line[]> {
  const dragging = async (pieces: number) => {
    const { plain, page: laid } = largeSort(pieces, 6)
    const staged = Object.fromEntries(
      laid.pieces.map(({ id }, i) => [id, { x: 40 + (i % 20) * 45, y: 60 + Math.floor(i / 20) * 26 }]),
    )
    const lesson = await makeLesson(address, NAMES.slice(0, 1), { ...plain, pages: [{ ...laid, staged }] })
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await comeInByLink(page, address, lesson, lesson.students[0]!)
    await page.waitForLoadState('networkidle')
    await slow(page, SLOWED)
    const from = await middleOf(page, laid.pieces.at(-1)!.id)
    await opened(page)
    const times = await frameTimes(browser, page, from)
    await page.context().close()
    return times
  }
  const [alone, many] = [await dragging(1), await dragging(300)]
  return [0.5, 0.95].map(q => ({
    what: `a frame while a student drags one of 300 pieces, processor slowed ${SLOWED} times, ${q === 0.5 ? 'median' : '95th percentile'}`,
    measured: ms(quantile(many, q)),
    floor: `the only piece of a page ${ms(quantile(alone, q))}`,
    ratio: quantile(many, q) / quantile(alone, q),
  }))
}

/**
 * From a key to the frame in which its letter stands, while three others write in the same text; against a bare field.
 */
async function typing(browser: Browser, { address }: Application): Promise<Line> {
  const text: Board = {
    ...shore(),
    pages: shore().pages.map(page => ({
      ...page,
      places: [
        {
          kind: 'writing',
          id: placeId('w'),
          heading: 'Together',
          lines: 'many',
          textSize: 18,
          shape: { kind: 'rectangle', x: 40, y: 60, width: 800, height: 300 },
        },
      ],
    })),
  }
  const lesson = await frameOfFive(address, text)
  const slate = lesson.slates[0]!.id
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await comeInByLink(page, address, lesson, lesson.students[0]!)
  await page.waitForLoadState('networkidle')
  await slow(page, SLOWED)
  const sockets = await Promise.all(
    lesson.students.slice(1, 4).map(student => onSlate(address, lesson, student, slate)),
  )
  let n = 0
  const timer = setInterval(() => {
    n++
    sockets.forEach((socket, i) => {
      const put = { run: `bench-run-${i}`, from: n - 1, after: n > 1 ? [`bench-run-${i}`, n - 2] : null, text: 'x' }
      socket.say({
        say: 'moves',
        slate,
        moves: [{ id: `write-${i}-${n}-xxxx`, move: { kind: 'edit', in: { of: 'text', name: 'w' }, put } }],
      })
      socket.heard.length = 0
    })
  }, OTHERS_EVERY)
  await page.getByLabel('Together').focus()
  const together = await lettersOf(page, 'textarea')
  clearInterval(timer)
  if (!(await page.getByLabel('Together').inputValue()).includes('x')) throw new Error('nobody else has written')
  await page.evaluate(() => {
    document.body.innerHTML = '<textarea class="bare"></textarea>'
  })
  await page.locator('.bare').focus()
  const bare = await lettersOf(page, '.bare')
  for (const socket of sockets) socket.close()
  await page.context().close()
  return {
    what: `from a key to its letter, three others writing in the same text, processor slowed ${SLOWED} times, 95th percentile`,
    measured: ms(quantile(together, 0.95)),
    floor: `in a bare field ${ms(quantile(bare, 0.95))}`,
    ratio: quantile(together, 0.95) / quantile(bare, 0.95),
  }
}

/** Milliseconds from each key to the frame after it, by the browser's own clock. */
async function lettersOf(page: Page, field: string): Promise<number[]> {
  await page.evaluate(selector => {
    const taken: number[] = []
    const element = document.querySelector(selector)!
    element.addEventListener('input', event =>
      requestAnimationFrame(() => setTimeout(() => taken.push(performance.now() - event.timeStamp))),
    )
    Object.assign(globalThis, { letters: taken })
  }, field)
  for (let i = 0; i < 60; i++) await page.keyboard.press('a', { delay: KEY_DOWN_MS })
  return page.evaluate(() => (globalThis as unknown as { letters: number[] }).letters)
}

async function onSlate(address: string, lesson: Lesson, student: Lesson['students'][number], slate: string) {
  const client = new Client(address)
  await client.enter(lesson.code, student.id, student.pictures)
  const socket = await client.socket()
  socket.say({ say: 'open', slate, since: 0 })
  await socket.hear(message => message.say === 'slate')
  return socket
}

/** Each holds a card of their own and carries it about; every fifth time it is put down. */
function movingAbout(sockets: readonly Socket[], slate: string): () => void {
  let n = 0
  const timer = setInterval(() => {
    n++
    sockets.forEach((socket, i) => {
      const [piece, x, y] = [`c${i + 1}`, 480 + 300 * Math.sin(n / 6 + i), 200 + 120 * Math.cos(n / 6 + i)]
      socket.say({ say: 'here', slate, here: { page: 'page', holds: { piece, x, y } } })
      if (n % 5 === 0)
        socket.say({ say: 'moves', slate, moves: [{ id: `bench-${i}-${n}-xxxx`, move: { kind: 'put', piece, x, y } }] })
      socket.heard.length = 0
    })
  }, OTHERS_EVERY)
  return () => clearInterval(timer)
}

/** From the moment of a pointer's event until the frame is begun in which its line stands. */
async function penToLine(browser: Browser, { address }: Application): Promise<Line> {
  const lesson = await makeLesson(address, NAMES.slice(0, 1), setBoardTools(shore(), ['pen']))
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await comeInByLink(page, address, lesson, lesson.students[0]!)
  await page.waitForLoadState('networkidle')
  await slow(page, SLOWED)
  await page.getByRole('toolbar').getByRole('button', { name: 'Pen', exact: true }).click()
  await page.locator('[data-test=drawing]').waitFor()
  await page.evaluate(() => {
    const taken: number[] = []
    let last = 0
    document.addEventListener('pointermove', event => (last = event.timeStamp), true)
    new MutationObserver(changes => {
      if (
        !last
        || !changes.some(({ target, attributeName }) => target instanceof SVGPathElement && attributeName === 'd')
      )
        return
      const from = last
      last = 0
      requestAnimationFrame(() => taken.push(performance.now() - from))
    }).observe(document.body, { subtree: true, attributes: true, attributeFilter: ['d'] })
    Object.assign(globalThis, { taken })
  })
  const box = (await page.locator('[data-test=drawing]').boundingBox())!
  await page.mouse.move(box.x + 60, box.y + 100)
  await page.mouse.down()
  for (let i = 1; i <= 120; i++) await page.mouse.move(box.x + 60 + i * 4, box.y + 100 + 60 * Math.sin(i / 9))
  await page.mouse.up()
  const taken = await page.evaluate(() => (globalThis as unknown as { taken: number[] }).taken)
  await page.context().close()
  if (taken.length < 40) throw new Error(`only ${taken.length} lines were seen`)
  return {
    what: `from the pen to its line, processor slowed ${SLOWED} times, 95th percentile of ${taken.length}`,
    measured: ms(quantile(taken, 0.95)),
    floor: `two frames, ${ms(2 * FRAME)}`,
    ratio: quantile(taken, 0.95) / (2 * FRAME),
  }
}

const LINE = { bits: 1.6e6, latency: 150 }
const SLOW_DEVICE = 6

/**
 * From following the link of a slate, with nothing kept on the device, until its first card can be picked up with the
 * keyboard.
 */
async function usable(browser: Browser, { address }: Application): Promise<Line> {
  const lesson = await makeLesson(address, NAMES.slice(0, 1))
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, serviceWorkers: 'block' })
  const first = await context.newPage()
  await comeInByLink(first, address, lesson, lesson.students[0]!)
  const slate = first.url()
  await first.close()
  const page = await context.newPage()
  const devtools = await context.newCDPSession(page)
  await devtools.send('Network.clearBrowserCache')
  await devtools.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: LINE.latency,
    downloadThroughput: LINE.bits / 8,
    uploadThroughput: LINE.bits / 8,
  })
  await slow(page, SLOW_DEVICE)
  const start = performance.now()
  await page.goto(slate, { waitUntil: 'commit' })
  const piece = page.locator('[data-piece="c0"]')
  await piece.waitFor()
  await piece.press('Enter')
  await page.locator('[data-piece="c0"][aria-pressed="true"]').waitFor()
  const taken = performance.now() - start
  await context.close()
  return {
    what: `a slate can be worked on, nothing kept on the device, 1.6 Mbit/s, ${LINE.latency} ms away, processor slowed ${SLOW_DEVICE} times`,
    measured: ms(taken),
    floor: 'promised 2000 ms',
    ratio: taken / 2000,
  }
}
