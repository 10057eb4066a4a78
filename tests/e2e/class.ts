import { test as base, expect, type Page } from '@playwright/test'
import { startApplication, type Application } from '../application'
import { createDatabase } from '../database'
import { comeInByLink, type Lesson } from './lesson'

export { giveOutTo, makeLesson, toOneFrame, type Lesson, type Student } from './lesson'

interface Fixtures {
  database: { url: string }
  application: Application
}

/** Each worker has an application and a database of its own. */
export const test = base.extend<object, Fixtures>({
  database: [
    async ({ browserName: _browserName }, use) => {
      const { url, drop } = await createDatabase()
      await use({ url })
      await drop()
    },
    { scope: 'worker' },
  ],
  application: [
    async ({ database }, use) => {
      const application = await startApplication(database.url)
      await use(application)
      await application.stop()
    },
    { scope: 'worker' },
  ],
})
export { expect }

export async function signInTeacher(page: Page, address: string, email: string, password: string): Promise<void> {
  await page.goto(`${address}/sign-in`)
  await page.getByLabel('E-mail address').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible()
}

/** A student comes in by the link of the handout and stands before the own slate. */
export async function comeIn(
  page: Page,
  address: string,
  lesson: Pick<Lesson, 'code' | 'students' | 'handout'>,
  name: string,
): Promise<void> {
  await comeInByLink(
    page,
    address,
    lesson,
    lesson.students.find(s => s.name === name)!,
  )
}

export const piece = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}, `) })

/** The middle of a zone on the screen; the core lays three zones in a row on the test board. */
export async function zonePoint(page: Page, index: number, of = 3, down = 0.5): Promise<{ x: number; y: number }> {
  const box = (await page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!
  return { x: box.x + (box.width * (index + 0.5)) / of, y: box.y + box.height * (0.15 + 0.75 * down) }
}

/** Where it stands once it stands still: a ledge closes its gap a moment after a piece has left it. */
async function boxOf(page: Page, name: string) {
  for (let before = ''; ;) {
    const box = (await piece(page, name).boundingBox())!
    const now = JSON.stringify(box)
    if (now === before) return box
    before = now
    await page.evaluate(() => new Promise(done => requestAnimationFrame(done)))
  }
}

export async function dragTo(page: Page, name: string, to: { x: number; y: number }): Promise<void> {
  const box = await boxOf(page, name)
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(to.x - 30, to.y - 20, { steps: 4 })
  await page.mouse.move(to.x, to.y)
  await page.mouse.up()
}
