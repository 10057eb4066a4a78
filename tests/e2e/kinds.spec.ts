import { readdirSync, readFileSync } from 'node:fs'
import type { Board } from '../../core/board/board'
import { pieceName } from '../../core/board/piece'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'

test.use({ testIdAttribute: 'data-test' })

const folder = 'docs/formats/examples/'
const names = readdirSync(folder).filter(f => f.endsWith('.board.json')).map(f => f.replace('.board.json', ''))

for (const name of names) {
  test(`the ${name} board works for a student with the keyboard, and is marked in review`, async ({ page, browser, application }) => {
    const board = JSON.parse(readFileSync(`${folder}${name}.board.json`, 'utf8')) as Board
    const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'], board)
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await expectAccessible(page)
    const first = pieceName(board.pages[0]!.pieces[0]!)
    await piece(page, first).first().focus()
    await page.keyboard.press('Enter')
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('said')).toHaveText(new RegExp(`^${first}, now (in|on the edge of) .*, 1 of `))
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    await page.getByRole('button', { name: 'Hand in' }).click()
    await page.getByRole('button', { name: 'Hand it in now' }).click()
    await expect(page.getByText('Handed in', { exact: true })).toBeVisible()

    const teacher = await (await browser.newContext()).newPage()
    await signInTeacher(teacher, application.address, lesson.email, lesson.password)
    await teacher.goto(`${application.address}/handout/${lesson.handout}/review/${lesson.slates.find(s => s.name === 'Ada Fern')!.id}`)
    await expect(teacher.getByTestId('score')).toHaveText(/^\d+ of \d+$/)
    // Every reason has words of its own in the catalogue.
    await expect(teacher.getByText('See the page')).toHaveCount(0)
    await teacher.goto(`${application.address}/board/${lesson.board}`)
    await teacher.getByRole('button', { name: 'Answers' }).click()
    await expect(teacher.getByRole('heading', { name: 'The key' })).toBeVisible()
    await expectAccessible(teacher)
    await teacher.context().close()
  })
}
