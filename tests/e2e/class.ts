import { test as base, expect, type Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import type { PasswordPicture } from '../../core/roster/picturePassword'
import { startApplication, type Application } from '../application'
import { shore } from '../boards'
import { Client } from '../client'
import { createDatabase } from '../database'
import { PICTURE_WORDS } from '../pictureWords'

export interface Student { id: string, name: string, pictures: PasswordPicture[] }
export interface Lesson { teacher: Client, email: string, password: string, classId: string, code: string, students: Student[], board: string, handout: string, slates: { id: string, name: string }[] }

interface Fixtures { database: { url: string }, application: Application }

/** Each worker has an application and a database of its own. */
export const test = base.extend<object, Fixtures>({
  database: [async ({}, use) => { // eslint-disable-line no-empty-pattern
    const { url, drop } = await createDatabase()
    await use({ url })
    await drop()
  }, { scope: 'worker' }],
  application: [async ({ database }, use) => {
    const application = await startApplication(database.url)
    await use(application)
    await application.stop()
  }, { scope: 'worker' }],
})
export { expect }

let lessons = 0

/** A teacher with a class of four and a handout, made through the application's own routes. */
export async function makeLesson(address: string, names: readonly string[] = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack'], board: Board = shore()): Promise<Lesson> {
  const teacher = new Client(address)
  const email = `teacher-${process.pid}-${++lessons}@ternhaven.example`
  const password = 'ten letters or more'
  await teacher.signUp(email, password)
  const { id: classId } = await teacher.must<{ id: string }>('POST', '/api/classes', { name: 'Test class' })
  await teacher.must('POST', `/api/classes/${classId}/students`, { list: names.join('\n') })
  const { code, students } = await teacher.must<{ code: string, students: Student[] }>('GET', `/api/classes/${classId}`)
  const { id } = await teacher.must<{ id: string }>('POST', '/api/boards', { title: board.title })
  await teacher.must('PUT', `/api/boards/${id}`, { version: 1, board })
  const { id: handout } = await teacher.must<{ id: string }>('POST', `/api/boards/${id}/handouts`, { classId })
  const { slates } = await teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { teacher, email, password, classId, code, students, board: id, handout, slates }
}

export async function signInTeacher(page: Page, address: string, email: string, password: string): Promise<void> {
  await page.goto(`${address}/sign-in`)
  await page.getByLabel('E-mail address').fill(email)
  await page.getByLabel('Password').fill(password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('heading', { name: 'Shelf' })).toBeVisible()
}

/** A student comes in by the link of the handout and stands before the own slate. */
export async function comeIn(page: Page, address: string, lesson: Pick<Lesson, 'code' | 'students' | 'handout'>, name: string): Promise<void> {
  await page.goto(`${address}/join?class=${lesson.code}&handout=${lesson.handout}`)
  await page.getByRole('button', { name }).click()
  for (const picture of lesson.students.find(s => s.name === name)!.pictures) await page.getByRole('button', { name: PICTURE_WORDS[picture], exact: true }).click()
  await expect(page.getByRole('group', { name: 'Page' })).toBeVisible()
}

export const piece = (page: Page, name: string) => page.getByRole('button', { name: new RegExp(`^${name}, `) })

/** The middle of a zone on the screen; the core lays three zones in a row on the test board. */
export async function zonePoint(page: Page, index: number, of = 3, down = 0.5): Promise<{ x: number, y: number }> {
  const box = (await page.getByRole('group', { name: 'Page' }).boundingBox())!
  return { x: box.x + box.width * (index + 0.5) / of, y: box.y + box.height * (0.15 + 0.75 * down) }
}

export async function dragTo(page: Page, name: string, to: { x: number, y: number }): Promise<void> {
  const box = (await piece(page, name).boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(to.x - 30, to.y - 20, { steps: 4 })
  await page.mouse.move(to.x, to.y)
  await page.mouse.up()
}
