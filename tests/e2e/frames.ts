import type { Browser, BrowserContextOptions, Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { setExplain, setHints, setNotes } from '../../core/design/around'
import { duplicatePage } from '../../core/design/pages'
import { startApplication, type Application } from '../application'
import { counting, pageId, shore } from '../boards'
import { createDatabase } from '../database'
import { comeIn, makeLesson, toOneFrame, test as base, type Lesson } from './class'

/** An application that can be killed and started again at the same address. */
export const test = base.extend<{ school: { address: string; gone: () => Promise<void>; back: () => Promise<void> } }>({
  school: async ({ browserName: _browserName }, use) => {
    const { url, drop } = await createDatabase()
    let application: Application = await startApplication(url)
    const { address } = application
    await use({
      address,
      gone: () => application.stop('SIGKILL'),
      back: async () => void (application = await startApplication(url, Number(new URL(address).port))),
    })
    await application.stop()
    await drop()
  },
})

export const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack']

/** Two pages, a reason asked for and room for notes; or another board. Given to one frame of all. */
export async function frameOfFour(address: string, rules: object, other?: Board): Promise<Lesson> {
  const page = pageId('page')
  const board = setHints(
    setNotes(setExplain(shore(), page, 'page'), page, true),
    page,
    null,
    'Look at the feet.\nThe limpet never lets go.',
  )
  const lesson = await makeLesson(address, NAMES, other ?? duplicatePage(board, page, counting('second')))
  return toOneFrame(lesson, { rules })
}
export async function student({
  browser,
  address,
  lesson,
  name,
  options = {},
}: {
  readonly browser: Browser
  readonly address: string
  readonly lesson: Lesson
  readonly name: string
  readonly options?: BrowserContextOptions | undefined
}): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options })).newPage()
  await comeIn(page, address, lesson, name)
  return page
}
