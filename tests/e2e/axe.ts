import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect, type Page } from '@playwright/test'
import type axe from 'axe-core'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Axe finds nothing on the screen as it is now. A document has it brought once; there are no frames to look into. */
export async function expectAccessible(page: Page): Promise<void> {
  // A page that is still on its way has nothing to find.
  await page.locator('h1').first().waitFor({ state: 'attached' })
  await atRest(page)
  expect(page.frames()).toHaveLength(1)
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE)
  const { violations } = await page.evaluate(() =>
    (globalThis as unknown as { axe: typeof axe }).axe.run(document, {
      resultTypes: ['violations'],
      // It takes lines of a card for one word, so that no name has it.
      rules: { 'label-content-name-mismatch': { enabled: false } },
    }),
  )
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(' | ')}`)).toEqual([])
}

/**
 * Colours on their way from one state to the next are not the screen's: a button that was just pressed
 * passes through pairs that nobody reads. What runs for ever is left to run.
 */
async function atRest(page: Page): Promise<void> {
  await page.evaluate(async () => {
    const ending = document
      .getAnimations()
      .filter(one => one.playState === 'running' && one.effect?.getComputedTiming().endTime !== Infinity)
    await Promise.allSettled(ending.map(one => one.finished))
  })
}
