import { chromium, type Browser, type Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { setBoardTools } from '../../core/design/tools'
import type { Application } from '../application'
import { shore } from '../boards'
import { Client, type Socket } from '../../demo/client'
import { comeInByLink, giveOutTo, makeLesson, type Lesson } from '../e2e/lesson'
import { ms, quantile, type Line } from './measure'
import { frameTimes, SLOWED } from './workbench'
import { CHROMIUM } from '../browser'

const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack', 'Eli Sand']
/** Milliseconds between what each of the others does. */
const OTHERS_EVERY = 100
const FRAME = 1000 / 60

/**
 * On a student's page: dragging in a frame while four others move, from the pen to the line, and how soon it can be
 * used.
 */
export async function atTheSlate(application: Application): Promise<Line[]> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const lines = [
    ...(await inFrame(browser, application)),
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

/** A group of five on one frame, with every card on the page. */
async function frameOfFive(address: string): Promise<Lesson> {
  const board = shore()
  const staged: Board = {
    ...board,
    pages: board.pages.map(page => ({
      ...page,
      staged: Object.fromEntries(page.pieces.map((piece, i) => [piece.id, { x: 80 + i * 150, y: 420 }])),
    })),
  }
  const lesson = await makeLesson(address, NAMES, staged)
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, {
    name: 'All',
    groups: [{ name: 'Oak', mark: 'oak', students: lesson.students.map(s => s.id) }],
  })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId, set }],
    mode: 'frame-per-group',
  })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { ...lesson, handout, slates }
}

async function inFrame(browser: Browser, { address }: Application): Promise<Line[]> {
  const lesson = await frameOfFive(address)
  const slate = lesson.slates[0]!.id
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await comeInByLink(page, address, lesson, lesson.students[0]!)
  await page.waitForLoadState('networkidle')
  await slow(page, SLOWED)
  const alone = await frameTimes(browser, page, await middleOf(page, 'c0'))
  const sockets = await Promise.all(
    lesson.students.slice(1).map(async student => {
      const client = new Client(address)
      await client.enter(lesson.code, student.id, student.pictures)
      const socket = await client.socket()
      socket.say({ say: 'open', slate, since: 0 })
      await socket.hear(message => message.say === 'slate')
      return socket
    }),
  )
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
