import { readFileSync } from 'node:fs'
import { unzipSync } from 'fflate'
import { keyedShore } from '../boards'
import { infoOf, textOf } from '../poppler'
import { expectAccessible } from './axe'
import { expect, makeLesson, signInTeacher, test } from './class'
import { workOn } from './working'

test.use({ testIdAttribute: 'data-test' })

test('a board goes onto paper from the shelf: its pages, a poster, pieces to cut out, a picture', async ({
  page,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern'], keyedShore())
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/shelf`)
  await page.getByRole('button', { name: /^More about/ }).click()
  await page.getByRole('menuitem', { name: 'Print or export' }).click()
  const dialog = page.getByRole('dialog')
  await expectAccessible(page)
  const get = async () => {
    const link = dialog.getByRole('link', { name: /Open the PDF|Save it/ })
    const answer = await page.request.get(`${address}${await link.getAttribute('href')}`)
    expect(answer.status()).toBe(200)
    return answer.body()
  }
  expect(infoOf(await get())).toMatchObject({ Pages: '1', Tagged: 'yes' })
  await dialog.getByLabel('Pieces to cut out').check()
  await dialog.getByLabel('Sets, one for each group').fill('2')
  await dialog.getByLabel('With numbers on the back').check()
  const pieces = await get()
  expect(infoOf(pieces)['Pages']).toBe('4')
  expect(textOf(pieces).match(/limpet/g)).toHaveLength(2)
  await dialog.getByLabel('A poster over several sheets').check()
  await dialog.getByLabel('Size in per cent').fill('200')
  expect(Number(infoOf(await get())['Pages'])).toBeGreaterThan(3)
  await dialog.getByLabel('A drawing (SVG)').check()
  expect((await get()).toString('utf8')).toContain('<title>Clings</title>')
  await dialog.getByLabel('A picture (PNG)').check()
  expect((await get()).subarray(1, 4).toString('latin1')).toBe('PNG')
  await dialog.getByLabel(/Questions for other programs/).check()
  await expect(dialog.getByTestId('carried')).toContainText('One question.')
  expect((await get()).subarray(0, 2).toString('latin1')).toBe('PK')
  await dialog.getByLabel('A picture (PNG)').check()
  // Nonsense is brought into bounds before it is asked for, and refused where it is asked for all the same.
  await dialog.getByLabel('Dots to the inch').fill('99999')
  expect((await get()).length).toBeGreaterThan(1000)
  const bad = await page.request.get(`${address}/api/boards/${lesson.board}/paper?what=cut-out&sets=1000`)
  expect(bad.status()).toBe(400)
})

test('what a class has made becomes one PDF while one goes on, and tables', async ({ page, application }) => {
  test.setTimeout(120_000)
  const { address } = application
  const board = keyedShore()
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp', 'Cy Gull'], board)
  for (const name of ['Ada Fern', 'Bo Kelp']) await workOn(lesson, name, { board, cards: { c0: 'z0', c1: 'z1' } })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page.getByRole('button', { name: 'Print or export' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Make the PDF' }).click()
  const open = dialog.getByTestId('papers').getByRole('link', { name: 'Open: 2 sheets' })
  await expect(open).toBeVisible({ timeout: 30_000 })
  await expectAccessible(page)
  const pdf = await (await page.request.get(`${address}${await open.getAttribute('href')}`)).body()
  expect(textOf(pdf)).toContain('Ada Fern')
  expect(textOf(pdf)).toContain('Bo Kelp')
  expect(textOf(pdf)).not.toContain('Cy Gull')
  const table = dialog.getByRole('link', { name: 'One row each' })
  const csv = await (await page.request.get(`${address}${await table.getAttribute('href')}`)).text()
  expect(csv.trim().split('\r\n')).toHaveLength(4)
  // After a reload it is still there.
  await page.reload()
  await page.getByRole('button', { name: 'Print or export' }).click()
  await expect(open).toBeVisible()
})

test('a class’s year is packed to keep, one slate goes out by itself, and all that a teacher has goes along and comes in again', async ({
  page,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern'], keyedShore())
  const { id } = lesson.slates[0]!
  await workOn(lesson, 'Ada Fern', { board: keyedShore(), cards: { c0: 'z1' } })
  await signInTeacher(page, address, lesson.email, lesson.password)
  test.setTimeout(120_000)
  const fetched = async () => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByTestId('papers').getByRole('link', { name: 'Fetch it' }).first().click(),
    ])
    return readFileSync(await download.path())
  }
  await page.goto(`${address}/classes/${lesson.classId}/year`)
  await page.getByRole('button', { name: 'The year, to keep' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Pack it' }).click()
  await expect(page.getByTestId('papers').getByRole('link', { name: 'Fetch it' })).toBeVisible({ timeout: 30_000 })
  await expectAccessible(page)
  const year = unzipSync(await fetched())
  const index = new TextDecoder().decode(year['index.html'])
  expect(index).toContain('Ada Fern')
  expect(Object.keys(year).filter(one => one.endsWith('slates.pdf'))).toHaveLength(1)

  await page.goto(`${address}/handout/${lesson.handout}/review/${id}`)
  await page.getByRole('button', { name: 'This slate on paper' }).click()
  const dialog = page.getByRole('dialog', { name: 'This slate on paper' })
  const get = async (name: string) => {
    const href = await dialog.getByRole('link', { name }).getAttribute('href')
    const answer = await page.request.get(`${address}${href}`)
    expect(answer.status(), name).toBe(200)
    return answer.body()
  }
  expect(infoOf(await get('PDF with what the key and you said'))['Title']).toContain('Ada Fern')
  expect((await get('This page as a picture (PNG)')).subarray(1, 4).toString('latin1')).toBe('PNG')
  expect((await get('The margin for other programs')).toString('utf8')).toContain('AnnotationPage')

  await page.goto(`${address}/mine`)
  await page.getByRole('button', { name: 'Pack all of it' }).click()
  await expect(page.getByTestId('papers').getByRole('link', { name: 'Fetch it' })).toBeVisible({ timeout: 30_000 })
  await expectAccessible(page)
  const bytes = await fetched()
  await page
    .getByTestId('everything-file')
    .setInputFiles({ name: 'everything.zip', mimeType: 'application/zip', buffer: bytes })
  await expect(page.getByTestId('coming')).toContainText('1 board came in. 1 class came in. 1 slate came in.', {
    timeout: 30_000,
  })
  await expectAccessible(page)
  await page.reload()
  await expect(page.getByTestId('coming').getByRole('listitem')).toHaveCount(1)
  const classes = await lesson.teacher.must<{ name: string }[]>('GET', '/api/classes')
  expect(classes.map(one => one.name).some(name => name.endsWith('(2)'))).toBe(true)
  await page
    .getByTestId('everything-file')
    .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('PK and no more') })
  await expect(page.getByRole('alert')).toContainText('This file can’t be read')
})
