import type { Page } from '@playwright/test'
import type { Own } from '../../core/slate/own'
import { expect, type Lesson } from './class'

/** Where a point of the test board's page is on the screen. */
export async function on(page: Page, x: number, y: number) {
  const box = (await page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!
  return { x: box.x + x * box.width / 960, y: box.y + y * box.height / 480 }
}
export const tool = (page: Page, name: string) => page.getByRole('toolbar').getByRole('button', { name, exact: true })

/** What lies on a student's slate of their own, as the server has it. */
export async function ownOf(lesson: Lesson, name: string): Promise<(Own & { by: string })[]> {
  const slate = lesson.slates.find(s => s.name === name)!.id
  const { state } = await lesson.teacher.must<{ state: { own: Record<string, Own & { by: string, gone?: true }> } }>('GET', `/api/slates/${slate}`)
  return Object.values(state.own).filter(own => !own.gone)
}
export const kept = (page: Page) => expect(page.getByTestId('kept')).toHaveText('Every move is kept')
