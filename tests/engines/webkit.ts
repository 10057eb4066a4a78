import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, readdirSync } from 'node:fs'
import { Builder, Key, type WebDriver } from 'selenium-webdriver'
import { freePort } from '../application'
import { delay } from '../delay'
import type { Driven, Engine, Manner, Spot } from './window'

/** Where Debian has the browser of the engine's makers depends on the machine and on the engine's version. */
function miniBrowser(): string {
  const found = readdirSync('/usr/lib').flatMap(machine =>
    ['webkit2gtk-4.1', 'webkit2gtk-4.0']
      .map(version => `/usr/lib/${machine}/${version}/MiniBrowser`)
      .filter(file => existsSync(file)),
  )
  if (!found[0]) throw new Error('WebKitGTK has no MiniBrowser here')
  return found[0]
}
const KEYS = {
  Enter: Key.ENTER,
  Tab: Key.TAB,
  Escape: Key.ESCAPE,
  ArrowRight: Key.ARROW_RIGHT,
  ArrowLeft: Key.ARROW_LEFT,
  Backspace: Key.BACK_SPACE,
}
/** Under a driver its windows are private in any case: nothing of them outlives the window. */
const MANNERS: { readonly [M in Manner]: readonly string[] } = {
  usual: [],
  private: ['--private'],
  'no-cookies': ['--cookies-policy=never'],
  'no-store': ['--enable-html5-local-storage=false', '--enable-html5-database=false'],
}
const STARTS_WITHIN_MS = 15_000

/** WebKitGTK of Debian's packages, by its driver; a window each, for a driver has one person at a time. */
export async function webkit(): Promise<Engine> {
  const display = `:${90 + (process.pid % 400)}`
  const screen = spawn('Xvfb', [display, '-screen', '0', '1600x1200x24', '-nolisten', 'tcp'], { stdio: 'ignore' })
  const started: ChildProcess[] = [screen]
  await delay(500)
  return {
    name: 'WebKit',
    async open({ width, height }, manner = 'usual'): Promise<Driven> {
      const port = await freePort()
      const driver = spawn('WebKitWebDriver', [`--port=${port}`], {
        env: { ...process.env, DISPLAY: display, WEBKIT_DISABLE_COMPOSITING_MODE: '1' },
        stdio: 'ignore',
      })
      started.push(driver)
      const page = await session(`http://127.0.0.1:${port}`, manner)
      await page.manage().setTimeouts({ script: 20_000, pageLoad: 60_000 })
      await page
        .manage()
        .window()
        .setRect({ x: 0, y: 0, width, height: height + 40 })
      return {
        goto: url => page.get(url),
        evaluate: <T>(expression: string) =>
          page.executeAsyncScript<T>(
            `const done = arguments[arguments.length - 1]; Promise.resolve(${expression}).then(done, () => done(null))`,
          ),
        stroke: (along, way) => stroke(page, along, way),
        type: text => page.actions().sendKeys(text).perform(),
        key: name => page.actions().sendKeys(KEYS[name]).perform(),
        async close() {
          await page.quit()
          driver.kill()
        },
      }
    },
    async close() {
      for (const one of started.toReversed()) one.kill()
    },
  }
}

/** The driver takes a moment until it listens. */
async function session(server: string, manner: Manner): Promise<WebDriver> {
  const end = Date.now() + STARTS_WITHIN_MS
  for (;;) {
    const up = await fetch(`${server}/status`).then(
      answer => answer.ok,
      () => false,
    )
    if (up) break
    if (Date.now() > end) throw new Error('the driver of WebKit did not start')
    await delay(100)
  }
  return new Builder()
    .usingServer(server)
    .withCapabilities({
      browserName: 'MiniBrowser',
      'webkitgtk:browserOptions': { binary: miniBrowser(), args: ['--automation', ...MANNERS[manner]] },
    })
    .build()
}

/** By the standard's own actions: selenium's builder knows no finger. */
async function stroke(page: WebDriver, along: readonly Spot[], way: 'mouse' | 'touch'): Promise<void> {
  const at = ({ x, y }: Spot, duration: number) => ({
    type: 'pointerMove',
    duration,
    x: Math.round(x),
    y: Math.round(y),
    origin: 'viewport',
  })
  const [first, ...more] = along
  const { Command, Name } = await import('selenium-webdriver/lib/command.js')
  await page.execute(
    new Command(Name.ACTIONS).setParameter('actions', [
      {
        type: 'pointer',
        id: way === 'touch' ? 'finger' : 'hand',
        parameters: { pointerType: way },
        actions: [
          at(first!, 0),
          { type: 'pointerDown', button: 0 },
          ...more.map(spot => at(spot, 40)),
          { type: 'pointerUp', button: 0 },
        ],
      },
    ]),
  )
}
