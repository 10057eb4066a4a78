import puppeteer, { type Browser, type KeyInput } from 'puppeteer-core'
import type { Driven, Engine, Manner, Spot, Way } from './window'

const MANNERS: { readonly [M in Manner]: Record<string, unknown> } = {
  usual: {},
  private: { 'browser.privatebrowsing.autostart': true },
  // Whoever refuses them refuses the device's own store, too.
  'no-cookies': { 'network.cookie.cookieBehavior': 2 },
  'no-store': {},
}
/** Before any script of the page: the store throws, as where a rule of the school forbids it. */
const NO_STORE = () => {
  const refused = {
    get: () => {
      throw new DOMException('The operation is insecure.', 'SecurityError')
    },
  }
  Object.defineProperty(globalThis, 'indexedDB', refused)
  Object.defineProperty(globalThis, 'localStorage', refused)
}

const launch = (manner: Manner) =>
  puppeteer.launch({
    browser: 'firefox',
    protocol: 'webDriverBiDi',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    extraPrefsFirefox: {
      'media.navigator.streams.fake': true,
      'media.navigator.permission.disabled': true,
      'dom.w3c_touch_events.enabled': 1,
      ...MANNERS[manner],
    },
  })

/** Firefox of Debian's packages, over WebDriver BiDi; a browser of its own for each manner that is asked for. */
export async function firefox(): Promise<Engine> {
  const browsers = new Map<Manner, Promise<Browser>>()
  function browserOf(manner: Manner): Promise<Browser> {
    const there = browsers.get(manner) ?? launch(manner)
    browsers.set(manner, there)
    return there
  }
  await browserOf('usual')
  return {
    name: 'Firefox',
    async open(size, manner = 'usual'): Promise<Driven> {
      const context = await (await browserOf(manner)).createBrowserContext()
      const page = await context.newPage()
      await page.setViewport(size)
      if (manner === 'no-store') await page.evaluateOnNewDocument(NO_STORE)
      return {
        goto: async url => void (await page.goto(url, { waitUntil: 'domcontentloaded' })),
        evaluate: <T>(expression: string) => page.evaluate(expression) as Promise<T>,
        stroke: (along, way) => (way === 'touch' ? touch(along) : mouse(along)),
        type: text => page.keyboard.type(text),
        key: name => page.keyboard.press(name as KeyInput),
        close: () => context.close(),
      }
      async function mouse([first, ...more]: readonly Spot[]) {
        await page.mouse.move(first!.x, first!.y)
        await page.mouse.down()
        for (const { x, y } of more) await page.mouse.move(x, y)
        await page.mouse.up()
      }
      async function touch([first, ...more]: readonly Spot[]) {
        await page.touchscreen.touchStart(first!.x, first!.y)
        for (const { x, y } of more) await page.touchscreen.touchMove(x, y)
        await page.touchscreen.touchEnd()
      }
    },
    async close() {
      for (const browser of browsers.values()) await (await browser).close()
    },
  }
}
export type { Way }
