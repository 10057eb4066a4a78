import puppeteer, { type KeyInput } from 'puppeteer-core'
import type { Driven, Engine, Spot, Way } from './window'

/** Firefox of Debian's packages, over WebDriver BiDi. */
export async function firefox(): Promise<Engine> {
  const browser = await puppeteer.launch({
    browser: 'firefox',
    protocol: 'webDriverBiDi',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    extraPrefsFirefox: {
      'media.navigator.streams.fake': true,
      'media.navigator.permission.disabled': true,
      'dom.w3c_touch_events.enabled': 1,
    },
  })
  return {
    name: 'Firefox',
    async open(size): Promise<Driven> {
      const context = await browser.createBrowserContext()
      const page = await context.newPage()
      await page.setViewport(size)
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
    close: () => browser.close(),
  }
}
export type { Way }
