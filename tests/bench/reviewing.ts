import { chromium } from '@playwright/test'
import type { Application } from '../application'
import { keyedShore } from '../boards'
import { makeLesson } from '../e2e/lesson'
import { workOn } from '../e2e/working'
import { signInTeacher } from '../e2e/class'
import { ms, quantile, type Line } from './measure'
import { CHROMIUM } from '../browser'

const STUDENTS = 12
const STEPS = 11
const PROMISED_MS = 100

/** At the review: from the key that goes on until the next slate stands there. */
export async function reviewing(application: Application): Promise<Line[]> {
  const board = keyedShore()
  const names = Array.from({ length: STUDENTS }, (_, i) => `Student ${String.fromCharCode(65 + i)}`)
  const lesson = await makeLesson(application.address, names, board)
  for (const name of names) await workOn(lesson, name, { board, cards: { c0: 'z1', c1: 'z0', c3: 'z1', c4: 'z1' } })
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
  await page.locator('[data-item]').first().waitFor()
  // From the first in the line.
  const first = page.getByRole('navigation', { name: 'All students' }).getByRole('link').first()
  await first.click()
  await page.locator('nav [aria-current=page]').and(first).waitFor()
  const times: number[] = []
  for (let i = 0; i < STEPS; i++) {
    // A teacher looks at each for a while; meanwhile the next is read.
    await page.waitForTimeout(700)
    const before = await page.locator('h1').textContent()
    await page.evaluate(name => {
      const at = performance.now()
      Object.assign(window, {
        next: new Promise<number>(resolve => {
          const seen = new MutationObserver(() => {
            if (document.querySelector('h1')?.textContent === name || !document.querySelector('[data-item]')) return
            seen.disconnect()
            resolve(performance.now() - at)
          })
          seen.observe(document, { subtree: true, childList: true, characterData: true })
        }),
      })
      const key = { key: 'PageDown', altKey: true, bubbles: true }
      document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', key))
    }, before)
    times.push(await page.evaluate(() => (window as unknown as { next: Promise<number> }).next))
  }
  await browser.close()
  return [
    ['until the next slate stands there to be reviewed, median', 0.5] as const,
    ['the same, 95th percentile', 0.95] as const,
  ].map(([what, share]) => {
    const time = quantile(times, share)
    return { what, measured: ms(time), floor: `promised ${ms(PROMISED_MS)}`, ratio: time / PROMISED_MS }
  })
}
