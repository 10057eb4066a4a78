import { AxeBuilder } from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** Axe finds nothing on the screen as it is now. */
export async function expectAccessible(page: Page): Promise<void> {
  // A page that is still on its way has nothing to find.
  await page.locator('h1').first().waitFor({ state: 'attached' })
  await atRest(page)
  const { violations } = await new AxeBuilder({ page }).analyze()
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
