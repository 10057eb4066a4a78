import { delay } from '../delay'

export interface Spot {
  readonly x: number
  readonly y: number
}
export type Way = 'mouse' | 'touch'

/** What a driver of an engine can do with one window of a person of their own. Spots are CSS pixels of the window. */
export interface Driven {
  goto(url: string): Promise<void>
  /** The value of an expression, as JSON; a promise is awaited. */
  evaluate<T>(expression: string): Promise<T>
  /** Down at the first spot, along the others, and up at the last. */
  stroke(along: readonly Spot[], way: Way): Promise<void>
  /** Letters, one after the other, into what has the keyboard. */
  type(text: string): Promise<void>
  key(name: 'Enter' | 'Tab' | 'Escape' | 'ArrowRight' | 'ArrowLeft' | 'Backspace'): Promise<void>
  close(): Promise<void>
}

/** How a school, or whoever owns the device, has set up a browser. */
export type Manner = 'usual' | 'private' | 'no-cookies' | 'no-store'

/** An engine with its windows. */
export interface Engine {
  readonly name: string
  open(size: { readonly width: number; readonly height: number }, manner?: Manner): Promise<Driven>
  close(): Promise<void>
}

const WAIT_MS = 20_000
const LOOK_EVERY_MS = 100

/**
 * What is looked for by role and name, as assistive technology has it: the tests of the other engine do so, too. In the
 * page: \`find(role, name)\` gives what is seen of it, the first one first.
 */
const FINDING = `
window.find = (role, name, exact = true) => {
  const roles = {
    button: 'button, [role=button]', link: 'a[href]', group: '[role=group]', heading: 'h1, h2, h3', dialog: '[role=dialog]',
    field: 'input, textarea, select', tool: '[role=toolbar] button', any: 'body *',
  }
  const called = e =>
    e.getAttribute('aria-label')
    ?? (e.labels?.[0]?.textContent || e.closest('label')?.textContent || e.textContent || '').replace(/\\s+/g, ' ').trim()
  return [...document.querySelectorAll(roles[role])].filter(e => {
    const { width, height } = e.getBoundingClientRect()
    const words = called(e)
    return width && height && (exact ? words === name : words.includes(name))
  })
}
window.middle = e => {
  if (!e) return null
  e.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  const { x, y, width, height } = e.getBoundingClientRect()
  return { x: x + width / 2, y: y + height / 2 }
}
`

/** A person at one window: whatever is done waits until it can be done, and says what didn't come. */
export class Person {
  constructor(readonly window: Driven) {}

  async goto(url: string): Promise<void> {
    await this.window.goto(url)
  }

  evaluate<T>(expression: string): Promise<T> {
    // Of an element it is enough that it is there: it can't be told as JSON.
    const told = '(value => (value instanceof Element ? true : value ?? null))'
    return this.window.evaluate<T>(`(() => { ${FINDING}; return ${told}(${expression}) })()`)
  }

  /** Until it is something that holds; what that was. */
  async until<T>(expression: string, what: string = expression): Promise<T> {
    const end = Date.now() + WAIT_MS
    for (;;) {
      const value = await this.evaluate<T>(expression).catch(() => null)
      if (value) return value
      if (Date.now() > end) {
        const screen = await this.evaluate<string>('document.body.innerText.slice(0, 1500)').catch(() => '(nothing)')
        throw new Error(`waited for ${what}\nthe screen says:\n${screen}`)
      }
      await delay(LOOK_EVERY_MS)
    }
  }

  where(role: string, name: string, exact = true): Promise<Spot> {
    return this.until<Spot>(`middle(find('${role}', ${JSON.stringify(name)}, ${exact})[0])`, `${role} "${name}"`)
  }

  async press(role: string, name: string, { exact = true, way = 'mouse' as Way } = {}): Promise<void> {
    await this.window.stroke([await this.where(role, name, exact)], way)
  }

  async write(name: string, text: string): Promise<void> {
    await this.press('field', name, { exact: false })
    await this.until(`document.activeElement.matches('input, textarea')`, `the caret in "${name}"`)
    await this.window.type(text)
  }

  async says(words: string): Promise<void> {
    await this.until(`document.body.innerText.includes(${JSON.stringify(words)})`, `"${words}"`)
  }

  drag(from: Spot, to: Spot, way: Way): Promise<void> {
    const between = [0.2, 0.4, 0.6, 0.8].map(part => ({
      x: from.x + (to.x - from.x) * part,
      y: from.y + (to.y - from.y) * part,
    }))
    return this.window.stroke([from, ...between, to], way)
  }
}
