import type { Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { emptyBoard } from '../../core/board/board'
import { pageId } from '../boards'
import { expect, makeLesson, signInTeacher, type Lesson } from './class'
import type { Own } from '../../core/slate/own'

/** Where a point of the test board's page is on the screen. */
export async function on(page: Page, x: number, y: number) {
  const box = (await page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!
  return { x: box.x + (x * box.width) / 960, y: box.y + (y * box.height) / 480 }
}
export const tool = (page: Page, name: string) => page.getByRole('toolbar').getByRole('button', { name, exact: true })

/** What lies on a student's slate of their own, as the server has it. */
export async function ownOf(lesson: Lesson, name: string): Promise<(Own & { by: string })[]> {
  const slate = lesson.slates.find(s => s.name === name)!.id
  const { state } = await lesson.teacher.must<{ state: { own: Record<string, Own & { by: string; gone?: true }> } }>(
    'GET',
    `/api/slates/${slate}`,
  )
  return Object.values(state.own).filter(own => !own.gone)
}
export const kept = (page: Page) => expect(page.getByTestId('kept')).toHaveText('Every move is kept')

export const station = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name })
export const press = (page: Page, name: string) => page.getByRole('button', { name, exact: true }).click()
export const boardKept = (page: Page) => expect(page.getByTestId('keeping')).toHaveText('Kept')
export const boardOf = async (lesson: Lesson) =>
  (await lesson.teacher.must<{ board: Board }>('GET', `/api/boards/${lesson.board}`)).board

/** A lesson whose board is empty, open at the workbench. */
export async function openEmpty(page: Page, address: string): Promise<Lesson> {
  const lesson = await makeLesson(address, ['Ada Fern'], {
    ...emptyBoard('Made by hand', pageId('page'), 3),
    instructions: 'Do it.',
  })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/board/${lesson.board}`)
  return lesson
}

/**
 * Tries it as a student with the keyboard: each of so many pieces on the ledge goes into the first place that is
 * offered.
 */
export async function tryIt(page: Page, pieces: number, named = /./) {
  await station(page, 'Check').click()
  await press(page, 'Try it as a student')
  for (let i = 0; i < pieces; i++) {
    await page.getByRole('group', { name: 'Ledge' }).getByRole('button', { name: named }).first().press('Enter')
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('said').last()).toHaveText(/, now /)
  }
}
