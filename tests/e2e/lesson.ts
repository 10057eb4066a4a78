import type { Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import type { PasswordPicture } from '../../core/roster/picturePassword'
import { shore } from '../boards'
import { Client } from '../../demo/client'
import { PICTURE_WORDS } from '../pictureWords'

export interface Student {
  id: string
  name: string
  pictures: PasswordPicture[]
}
export interface Lesson {
  teacher: Client
  email: string
  password: string
  classId: string
  code: string
  students: Student[]
  board: string
  handout: string
  slates: { id: string; name: string }[]
}

let lessons = 0

/**
 * A teacher with a class of four and a handout, made through the application's own routes. A board that has sounds on
 * it is made once they are kept.
 */
export async function makeLesson(
  address: string,
  names: readonly string[] = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack'],
  made: Board | ((teacher: Client) => Promise<Board>) = shore(),
): Promise<Lesson> {
  const teacher = new Client(address)
  const email = `teacher-${process.pid}-${++lessons}@ternhaven.example`
  const password = 'ten letters or more'
  await teacher.signUp(email, password)
  const board = typeof made === 'function' ? await made(teacher) : made
  const { id: classId } = await teacher.must<{ id: string }>('POST', '/api/classes', { name: 'Test class' })
  await teacher.must('POST', `/api/classes/${classId}/list`, {
    students: names.map(name => ({ name })),
    missing: 'stay',
  })
  const { code, students } = await teacher.must<{ code: string; students: Student[] }>('GET', `/api/classes/${classId}`)
  const { id } = await teacher.must<{ id: string }>('POST', '/api/boards', { title: board.title })
  await teacher.must('PUT', `/api/boards/${id}`, { version: 1, board })
  const { id: handout } = await giveOutTo(teacher, id, { to: [{ classId }] })
  const { slates } = await teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { teacher, email, password, classId, code, students, board: id, handout, slates }
}

/** Gives a board out to one class. */
export async function giveOutTo(teacher: Client, board: string, body: object): Promise<{ id: string; slates: number }> {
  const {
    handouts: [given],
  } = await teacher.must<{ handouts: { id: string; slates: number }[] }>('POST', `/api/boards/${board}/handouts`, body)
  return given!
}

/** The whole class as one group, on one frame; `more` is what else the handout has. */
export async function toOneFrame(lesson: Lesson, more: object = {}): Promise<Lesson> {
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, {
    name: 'All',
    groups: [{ name: 'Oak', mark: 'oak', students: lesson.students.map(s => s.id) }],
  })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId, set }],
    mode: 'frame-per-group',
    ...more,
  })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { ...lesson, handout, slates }
}

/** A student comes in by the link of the handout. */
export async function comeInByLink(
  page: Page,
  address: string,
  lesson: Pick<Lesson, 'code' | 'handout'>,
  student: Student,
): Promise<void> {
  await page.goto(`${address}/join?class=${lesson.code}&handout=${lesson.handout}`)
  await page.getByRole('button', { name: student.name }).click()
  for (const picture of student.pictures)
    await page.getByRole('button', { name: PICTURE_WORDS[picture], exact: true }).click()
  await page.getByRole('group', { name: 'Page', exact: true }).waitFor()
}
