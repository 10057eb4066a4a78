import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { strToU8, zipSync } from 'fflate'
import { makeEdition } from '../../core/board/edition'
import { qtiPackage } from '../../core/format/qti/package'
import { keyedShore } from '../boards'
import { rockPoolSlides } from '../slideFiles'
import { expectAccessible } from './axe'
import { expect, makeLesson, signInTeacher, test } from './class'
import { boardKept, boardOf, openEmpty, press, station } from './making'
import type { Board } from '../../core/board/board'

test.use({ testIdAttribute: 'data-test' })

const give = (page: Page, name: string, buffer: Buffer) => {
  const mimeType = name.endsWith('.svg') ? 'image/svg+xml' : 'application/octet-stream'
  return page.getByTestId('board-file').setInputFiles({ name, mimeType, buffer })
}

/** The board that is open at the workbench, as it is kept. */
async function kept(page: Page): Promise<Board> {
  await page.waitForURL(/\/board\//)
  const id = /board\/([\w-]+)/.exec(page.url())![1]!
  const answer = await page.request.get(new URL(`/api/boards/${id}`, page.url()).href)
  return ((await answer.json()) as { board: Board }).board
}

test.beforeEach(async ({ page, application }) => {
  const lesson = await makeLesson(application.address)
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/start`)
})

test('slides are chosen page by page with a preview; what a board can’t keep is said, and no key but the keyboard is needed', async ({
  page,
}) => {
  await give(page, 'rock_pools.pptx', await rockPoolSlides({ title: 'Rock pools' }))
  const dialog = page.getByRole('dialog', { name: 'From a file: Rock pools' })
  await expect(dialog.getByTestId('read-pages')).toBeVisible()
  await expectAccessible(page)
  // What was hidden in the file stays out until it is wanted.
  await expect(dialog.getByLabel(/^Page 2/)).toHaveValue('left-out')
  await expect(dialog.getByTestId('lost')).toContainText('Notes for the speaker (page 1)')
  await expect(dialog.getByTestId('lost')).toContainText('Printed words that stood aslant')
  await expect(dialog.locator('[data-piece]')).toHaveCount(0)
  await dialog.getByLabel(/^Page 1/).focus()
  await page.keyboard.press('ArrowDown')
  await expect(dialog.getByLabel(/^Page 1/)).toHaveValue('lying')
  await expect(dialog.getByTestId('read-pages').getByText('limpet')).toBeVisible()
  await expect(dialog.getByTestId('lost')).not.toContainText('aslant')
  await dialog.getByRole('button', { name: 'Make a board of 1 page' }).press('Enter')
  const board = await kept(page)
  expect(board).toMatchObject({ title: 'Rock pools', keys: [] })
  const [only] = board.pages
  expect(only!.pieces.map(piece => piece.text).toSorted()).toEqual(['', 'limpet', 'shanny'])
  expect(Object.keys(only!.staged!)).toHaveLength(3)
  expect(only!.backdrop.figures!.map(figure => figure.text)).toContain('Who clings, who swims?')
  await expect(page.getByRole('group', { name: 'Page', exact: true }).getByText('shanny')).toBeVisible()
})

test('one choice does for all pages of slides, and a name that was typed stands over the file’s', async ({ page }) => {
  await page.getByLabel('What is the new board called?').fill('On the shore')
  await give(page, 'libreoffice.odp', readFileSync('tests/files/libreoffice.odp'))
  const dialog = page.getByRole('dialog', { name: 'From a file: On the shore' })
  await dialog.getByLabel('All pages').selectOption('ledge')
  await dialog.getByRole('button', { name: 'Make a board of 2 pages' }).click()
  const board = await kept(page)
  expect(board.title).toBe('On the shore')
  expect(board.pages.map(one => one.ledge.length)).toEqual([3, 6])
})

test('a drawing is taken as shapes or as one picture', async ({ page, application }) => {
  const svg = Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 800 400"><title>Ponds</title><circle cx="200" cy="200" r="100" fill="#7fb2c9"/><text x="500" y="200" font-size="40">pond</text></svg>',
  )
  await give(page, 'ponds.svg', svg)
  await page.getByRole('dialog').getByRole('button', { name: 'Make a board of 1 page' }).click()
  const [shapes] = (await kept(page)).pages
  expect(shapes!.backdrop.figures!.map(figure => figure.shape.kind)).toEqual(['ellipse', 'rectangle'])
  await page.goto(`${application.address}/start`)
  await give(page, 'ponds.svg', svg)
  await page.getByRole('dialog').getByRole('button', { name: 'Take it as one picture' }).click()
  await page.waitForURL(/\/board\//)
  await expect.poll(async () => (await kept(page)).pages[0]!.backdrop.pictures.length).toBe(1)
})

test('a spreadsheet becomes a sort; a file that is none of these adds nothing', async ({ page }) => {
  await give(page, 'tide words.xlsx', readFileSync('tests/files/libreoffice.xlsx'))
  await expect(page.getByTestId('word-groups')).toHaveValue(/^clingers\tswimmers\nlimpet\tshanny/)
  await press(page, 'Cancel')
  // As an older spreadsheet program of western Europe writes its tables.
  await give(page, 'wörter.csv', Buffer.from('Küste;Straße\nDüne;Café\n', 'latin1'))
  await expect(page.getByTestId('word-groups')).toHaveValue(/^Küste\tStraße\nDüne\tCafé/)
  await press(page, 'Cancel')
  await give(page, 'broken.pptx', Buffer.from('PK and nothing more'))
  await expect(page.getByRole('alert')).toContainText('This file can’t be read. Nothing was added')
  await give(page, 'words.txt', Buffer.from('Clings: limpet, mussel\nSwims: goby'))
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.getByRole('status')).toHaveText(/2 groups · 3 pieces/)
  await press(page, 'Make the sort')
  const board = await kept(page)
  expect(board.keys.map(key => key.kind)).toEqual(['sort'])
})

test('questions of another program become a board with its answers', async ({ page }) => {
  const { files } = qtiPackage(makeEdition(keyedShore()))
  const zip = zipSync(Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])))
  await give(page, 'questions.zip', Buffer.from(zip))
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('1 question becomes a page. 1 comes with its answer.')
  await expect(dialog.getByTestId('lost')).toHaveText('All that is in the file can be on the board.')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Make a board of 1 page' }).click()
  const board = await kept(page)
  const words = new Map(board.pages[0]!.pieces.map(piece => [piece.id, piece.text]))
  const [key] = board.keys
  expect(key?.kind === 'sort' && Object.keys(key.homes).map(id => words.get(id as never))).toEqual(
    expect.arrayContaining(['limpet']),
  )
})

test('at the workbench words come from a spreadsheet too', async ({ page, application }) => {
  const lesson = await openEmpty(page, application.address)
  await station(page, 'Pieces').click()
  await page.getByTestId('word-file').setInputFiles('tests/files/libreoffice.ods')
  await press(page, 'Make 8 cards')
  await boardKept(page)
  expect((await boardOf(lesson)).pages[0]!.pieces).toHaveLength(8)
})
