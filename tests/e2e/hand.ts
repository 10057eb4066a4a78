import type { Locator, Page } from '@playwright/test'
import { expect } from './class'
import { station } from './making'

/**
 * A hand with a mouse, that counts what it does: each click and each drag is one, a list is opened and chosen from with
 * two, and so is a file. Typing where the focus stands already costs nothing.
 */
export class Hand {
  clicks = 0
  constructor(readonly page: Page) {}

  async click(target: Locator): Promise<void> {
    await target.click()
    this.clicks++
  }
  press = (name: string) => this.click(this.page.getByRole('button', { name, exact: true }))
  go = (name: string) => this.click(station(this.page, name))
  /** Types into the field; clicks it first if the focus isn't there. */
  async write(field: Locator, text: string): Promise<void> {
    await expect(field).toBeVisible()
    if (!(await field.evaluate(element => element === document.activeElement))) await this.click(field)
    await field.fill(text)
  }
  /** Types where the focus stands, which must be a field. */
  async type(text: string): Promise<void> {
    await expect(this.page.locator('input:focus, textarea:focus')).toHaveCount(1)
    await this.page.keyboard.type(text)
  }
  async choose(list: Locator, value: string): Promise<void> {
    await list.selectOption(value)
    this.clicks += 2
  }
  async give(input: Locator, file: { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
    await input.setInputFiles(file)
    this.clicks += 2
  }
  /** From one point of the screen to another. */
  async drag(from: Locator | { x: number; y: number }, to: Locator | { x: number; y: number }): Promise<void> {
    const [a, b] = [await pointOf(from), await pointOf(to)]
    await this.page.mouse.move(a.x, a.y)
    await this.page.mouse.down()
    await this.page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 })
    await this.page.mouse.move(b.x, b.y)
    await this.page.mouse.up()
    this.clicks++
  }
  /** Where a share of the page's width and height is on the screen. */
  async onPage(across: number, down: number): Promise<{ x: number; y: number }> {
    const box = (await this.page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!
    return { x: box.x + across * box.width, y: box.y + down * box.height }
  }
}

async function pointOf(thing: Locator | { x: number; y: number }): Promise<{ x: number; y: number }> {
  if ('x' in thing) return thing
  const box = (await thing.boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}
