import { AxeBuilder } from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** Axe finds nothing on the screen as it is now. */
export async function expectAccessible(page: Page): Promise<void> {
  // A page that is still on its way has nothing to find.
  await page.locator('h1').first().waitFor({ state: 'attached' })
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join(' | ')}`)).toEqual([])
}
