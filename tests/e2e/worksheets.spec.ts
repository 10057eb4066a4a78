import sharp from 'sharp'
import { makeMaskedPdf, makePdf, makeTornPdf } from '../pdf'
import { expectAccessible } from './axe'
import { comeIn, expect, giveOutTo, test } from './class'
import { boardKept, boardOf, openEmpty, press, station } from './making'

test.use({ testIdAttribute: 'data-test' })

test('a PDF worksheet becomes pages of its own size, with room to draw; one that is locked or broken says so', async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  const sizes = [
    [595.28, 841.89],
    [841.89, 595.28],
  ] as const
  await page
    .getByTestId('backdrop-file')
    .setInputFiles({
      name: 'broken.pdf',
      mimeType: 'application/pdf',
      buffer: Buffer.from('%PDF-1.7 and nothing more'),
    })
  await expect(page.getByRole('alert')).toContainText("can't be read. Nothing was added")
  await press(page, 'Cancel')
  await page
    .getByTestId('backdrop-file')
    .setInputFiles({ name: 'locked.pdf', mimeType: 'application/pdf', buffer: await makePdf(sizes, 'spring tide') })
  await expect(page.getByRole('alert')).toContainText('locked with a password')
  await press(page, 'Cancel')
  await page
    .getByTestId('backdrop-file')
    .setInputFiles({ name: 'tide-tables.pdf', mimeType: 'application/pdf', buffer: await makePdf(sizes) })
  await press(page, 'Make 2 pages')
  await expect(page.getByRole('button', { name: 'Page 2', exact: true })).toBeVisible()
  await expectAccessible(page)
  await station(page, 'Places').click()
  await press(page, 'Drawing space')
  await boardKept(page)
  const { pages } = await boardOf(lesson)
  expect(pages.map(p => [Math.round(p.width), Math.round(p.height)])).toEqual([
    [595, 842],
    [842, 595],
  ])
  expect(pages[0]!.backdrop.pictures[0]).toMatchObject({ pixelHeight: 2400, alt: 'tide-tables, page 1' })
  expect(pages[0]!.places).toMatchObject([{ kind: 'drawing' }])
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
  const student = await page.context().browser()!.newPage()
  await comeIn(student, application.address, { ...lesson, handout }, 'Ada Fern')
  await expect(student.getByTestId('page-of')).toHaveText('Page 1 of 2')
  await student.getByRole('button', { name: 'Next page' }).click()
  await expect(student.getByRole('img', { name: 'tide-tables, page 2' })).toHaveCount(1)
  await student.close()
})

test("a PDF of which one page can't be drawn gives the others, and says which is missing", async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  await page
    .getByTestId('backdrop-file')
    .setInputFiles({ name: 'torn.pdf', mimeType: 'application/pdf', buffer: makeTornPdf() })
  await press(page, 'Make 2 pages')
  await expect(page.getByRole('alert')).toHaveText("Page 2 can't be drawn and was left out.")
  await press(page, 'Close')
  await boardKept(page)
  expect((await boardOf(lesson)).pages.map(p => p.backdrop.pictures.length)).toEqual([1])
})

test('pages of a PDF that were refused stay ticked, and are made when they are tried again', async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  let sent = 0
  await page.route('**/api/files', route => (++sent === 2 ? route.abort() : route.continue()))
  await page.getByTestId('backdrop-file').setInputFiles({
    name: 'tides.pdf',
    mimeType: 'application/pdf',
    buffer: await makePdf([
      [400, 500],
      [500, 400],
    ]),
  })
  await press(page, 'Make 2 pages')
  await expect(page.getByRole('alert')).toBeVisible()
  await press(page, 'Make 1 page')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await boardKept(page)
  expect(
    (await boardOf(lesson)).pages.map(({ width, height, backdrop }) => [width, height, backdrop.pictures.length]),
  ).toEqual([
    [400, 500, 1],
    [500, 400, 1],
  ])
})

test('a page of a PDF looks the same whether a worker can draw it or only the page itself', async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  /** How bright a part of the picture on the first page is, from 0 to 255; parts are shares of the width. */
  async function brightness(from: number, to: number) {
    const { pages } = await boardOf(lesson)
    const response = await page
      .context()
      .request.get(`${application.address}/api/files/${pages[0]!.backdrop.pictures[0]!.file}`)
    const picture = sharp(await response.body())
    const { width, height } = await picture.metadata()
    const part = await picture
      .extract({ left: Math.round(width! * from), top: 0, width: Math.round(width! * (to - from)), height: height! })
      .flatten({ background: '#ffffff' })
      .greyscale()
      .raw()
      .toBuffer()
    return part.reduce((sum, pixel) => sum + pixel, 0) / part.length
  }
  const workers: string[] = []
  page.on('worker', worker => workers.push(worker.url()))
  await page
    .getByTestId('backdrop-file')
    .setInputFiles({ name: 'tides.pdf', mimeType: 'application/pdf', buffer: await makePdf([[300, 400]]) })
  await press(page, 'Make 1 page')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await boardKept(page)
  expect(workers.filter(url => url.includes('pdf'))).toHaveLength(1)
  // "Tide tables" at 30 points from 60 points on: ink there, and none beside it.
  expect(await brightness(0.2, 0.7)).toBeLessThan(254)
  expect(await brightness(0, 0.18)).toBe(255)

  await page.keyboard.press('Control+z')
  await page
    .getByTestId('backdrop-file')
    .setInputFiles({ name: 'masked.pdf', mimeType: 'application/pdf', buffer: makeMaskedPdf() })
  await press(page, 'Make 1 page')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await boardKept(page)
  expect(await brightness(0, 0.48)).toBeGreaterThan(250)
  expect(await brightness(0.52, 1)).toBeLessThan(5)
})
