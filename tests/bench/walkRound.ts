import { once } from 'node:events'
import { chromium } from '@playwright/test'
import type { Application } from '../application'
import { ms, quantile, type Line } from './measure'
import { echo, insert } from './roundTrip'
import { allAtWork, lessonsOf, moves, stored, type Working } from './students'
import { CHROMIUM } from '../browser'

const CLASS = 36
const TEACHERS = 10
/** How long a class is watched at work, and how often each student moves something meanwhile. */
const WATCHED_MS = 8000
const MOVE_EVERY_MS = 1500
/** What was promised of the walk-round. */
const FRAME_MS = 16.7
const SEEN_MS = 100

/** As text: what runs in the page must not lean on the runner. */
const WATCH_FRAMES = `
  window.spans = [];
  let last = performance.now();
  requestAnimationFrame(function look(now) {
    window.spans.push(now - last);
    last = now;
    requestAnimationFrame(look);
  })`
const pause = (milliseconds: number) => new Promise(resolve => setTimeout(resolve, milliseconds))

/** Everybody moves something now and then, not all at one moment. Ends when the time is over. */
async function atWork(working: readonly Working[], milliseconds: number): Promise<number> {
  const end = performance.now() + milliseconds
  let made = 0
  await Promise.all(
    working.map(async (one, i) => {
      await pause((MOVE_EVERY_MS * i) / working.length)
      while (performance.now() < end) {
        await stored(one)
        made++
        await pause(MOVE_EVERY_MS)
      }
    }),
  )
  return made
}

/** A teacher walks round a class at work, in a browser: how smoothly it is drawn, how soon a move is seen. */
export async function walkRound({ address }: Application): Promise<Line[]> {
  const lessons = await lessonsOf(address, CLASS)
  const lesson = lessons[0]!
  const working = await allAtWork(lessons, [address])
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  let bytes = 0
  page.on('websocket', socket => socket.on('framereceived', ({ payload }) => (bytes += payload.length)))
  await page.goto(`${address}/sign-in`)
  await page.getByLabel(/mail/i).fill(lesson.email)
  await page.getByLabel(/password/i).fill(lesson.password)
  await page.keyboard.press('Enter')
  await page.waitForURL(/shelf|start/)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page
    .locator('[data-slate]')
    .nth(CLASS - 1)
    .waitFor()
  /** The spans between frames while something goes on. */
  const frames = async (work: () => Promise<number>) => {
    await page.evaluate(WATCH_FRAMES)
    const made = await work()
    const spans = await page.evaluate(() => (window as unknown as { spans: number[] }).spans.slice(1))
    return { made, spans }
  }
  const still = await frames(async () => (await pause(2000), 0))
  bytes = 0
  const busy = await frames(() => atWork(working, WATCHED_MS))
  const bytesAMove = bytes / busy.made

  // From the moment a student says a move until the teacher's page has drawn it.
  const seen: number[] = []
  const shown = await page
    .locator('[data-slate]:has(svg.isolate)')
    .evaluateAll(tiles => tiles.map(tile => (tile as HTMLElement).dataset.slate!))
  for (const name of shown) {
    const { id } = lesson.slates.find(slate => slate.name === name)!
    const one = working.find(student => student.slate === id)!
    const { message } = moves(one.slate)
    await page.evaluate(of => {
      const svg = document.querySelector(`[data-slate="${of}"] svg.isolate`)!
      const drawn = new Promise<number>(resolve => {
        new MutationObserver((_, observer) => {
          observer.disconnect()
          requestAnimationFrame(() => resolve(Date.now()))
        }).observe(svg, { subtree: true, childList: true, attributes: true })
      })
      Object.assign(window, { drawn })
    }, name)
    const start = Date.now()
    one.say(message)
    seen.push((await page.evaluate<number>('window.drawn')) - start)
  }
  await browser.close()
  for (const { close } of working) close()
  return [
    {
      what: `the walk-round of ${CLASS} slates at work, a frame, median`,
      measured: ms(quantile(busy.spans, 0.5)),
      floor: `promised ${FRAME_MS} ms; at rest ${ms(quantile(still.spans, 0.5))}`,
      ratio: quantile(busy.spans, 0.5) / FRAME_MS,
    },
    {
      what: 'the same, 95th percentile',
      measured: ms(quantile(busy.spans, 0.95)),
      floor: `at rest ${ms(quantile(still.spans, 0.95))}`,
      ratio: quantile(busy.spans, 0.95) / quantile(still.spans, 0.95),
    },
    {
      what: "until a student's move is drawn on it, median",
      measured: ms(quantile(seen, 0.5)),
      floor: `promised ${SEEN_MS} ms`,
      ratio: quantile(seen, 0.5) / SEEN_MS,
    },
    {
      what: 'bytes over the connection for a move, compressed or not as it comes',
      measured: `${Math.round(bytesAMove)} bytes`,
      floor: 'the move itself, 100 bytes',
      ratio: bytesAMove / 100,
    },
  ]
}

/** Ten teachers at once, each with a class at work: until a move is heard by its teacher. */
export async function tenTeachers({ address }: Application, url: string): Promise<Line[]> {
  const taken: number[] = []
  const said = new Map<string, number>()
  const classes = await Promise.all(Array.from({ length: TEACHERS }, () => lessonsOf(address, CLASS)))
  const sockets = await Promise.all(
    classes.map(async ([lesson]) => {
      const socket = lesson!.teacher.bareSocket()
      await once(socket, 'open')
      socket.on('message', data => {
        for (const [id] of String(data).matchAll(/bench-move-\d+/g)) {
          const at = said.get(id)
          if (at !== undefined) taken.push(performance.now() - at)
          said.delete(id)
        }
      })
      socket.send(JSON.stringify({ say: 'walk', handout: lesson!.handout }))
      return socket
    }),
  )
  const working = (await Promise.all(classes.map(lessons => allAtWork(lessons, [address])))).flat()
  const end = performance.now() + WATCHED_MS
  await Promise.all(
    working.map(async (one, i) => {
      await pause((MOVE_EVERY_MS * i) / working.length)
      while (performance.now() < end) {
        const { message, last } = moves(one.slate)
        said.set(last, performance.now())
        await one.ask(message, last)
        await pause(MOVE_EVERY_MS)
      }
    }),
  )
  for (const { close } of working) close()
  for (const socket of sockets) socket.close()
  const floor = quantile(await echo(TEACHERS), 0.5) + quantile(await insert(url, TEACHERS), 0.5)
  return ([0.5, 0.95] as const).map(share => ({
    what: `${TEACHERS} teachers, ${CLASS} students each at work: until a move is heard, ${share === 0.5 ? 'median' : '95th percentile'}`,
    measured: ms(quantile(taken, share)),
    floor: `socket echo + insert ${ms(floor)}`,
    ratio: quantile(taken, share) / floor,
  }))
}
