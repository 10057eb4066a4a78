import type { Locator, Page } from '@playwright/test'
import { expect } from './class'
import { station } from './making'

/** A spot on the page, with the name that the keyboard finds it by: shares of its width and height. */
export interface Spot {
  readonly named: RegExp
  readonly at: readonly [across: number, down: number]
}

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
  /** Puts a piece somewhere on the page. */
  async put(piece: Locator, { at: [across, down] }: Spot): Promise<void> {
    await this.drag(piece, await this.onPage(across, down))
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

const FURTHEST = 250
const TRIES = 40

/** The same without a mouse: everything is reached by Tab, and pressed, opened and carried by keys. */
export class KeyHand extends Hand {
  override async click(target: Locator): Promise<void> {
    await this.reach(target)
    const spaced = await target.evaluate(element => element.matches('input[type=checkbox], input[type=radio]'))
    const typed = await target.evaluate(element =>
      element.matches('input:not([type=checkbox], [type=radio]), textarea'),
    )
    if (!typed) await this.page.keyboard.press(spaced ? 'Space' : 'Enter')
    this.clicks++
  }
  override async choose(list: Locator, value: string): Promise<void> {
    await this.reach(list)
    await super.choose(list, value)
  }
  override async give(input: Locator, file: { name: string; mimeType: string; buffer: Buffer }): Promise<void> {
    await this.reach(input)
    await super.give(input, file)
  }
  override async put(piece: Locator, { named }: Spot): Promise<void> {
    await this.reach(piece)
    await this.page.keyboard.press('Enter')
    const said = this.page.getByTestId('said').last()
    await expect(said).toHaveText(/picked up/)
    for (let i = 0; i < TRIES && !named.test((await said.textContent()) ?? ''); i++) {
      const before = (await said.textContent()) ?? ''
      await this.page.keyboard.press('ArrowRight')
      await expect(said).not.toHaveText(before)
    }
    await expect(said).toHaveText(named)
    await this.page.keyboard.press('Enter')
    this.clicks++
  }
  /** Tab by Tab, forwards or back, whichever way it stands; within a row that is one stop arrow by arrow. */
  private async reach(target: Locator): Promise<void> {
    await expect(target).toBeAttached()
    const there = () => target.evaluate(element => element === document.activeElement)
    for (let i = 0; i < FURTHEST; i++) {
      if (await there()) return
      const way = await target.evaluate(element => {
        const now = document.activeElement!
        const back =
          now !== document.body && (element.compareDocumentPosition(now) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0
        const inRow = element.closest('[data-test=ledge] [role=group], [role=toolbar]')?.contains(now)
        return inRow ? (back ? 'ArrowLeft' : 'ArrowRight') : back ? 'Shift+Tab' : 'Tab'
      })
      await this.page.keyboard.press(way)
    }
    throw new Error(`the keyboard doesn't get to ${target}`)
  }
}
