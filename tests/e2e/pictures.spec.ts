import { chromium, type Page } from '@playwright/test'
import sharp from 'sharp'
import { setBoardTools } from '../../core/design/tools'
import type { Own } from '../../core/slate/own'
import { shore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, giveOutTo, makeLesson, signInTeacher, test, zonePoint, type Lesson } from './class'
import { CHROMIUM } from '../browser'
import { middleOf, Pointing } from './pointing'

test.use({ testIdAttribute: 'data-test' })

const NAMES = ['Ada Fern', 'Bo Kelp']
const board = () => setBoardTools(shore(), ['picture', 'photo'])
type Picture = Extract<Own, { kind: 'picture' }>
const tool = (page: Page, name: string) => page.getByRole('toolbar').getByRole('button', { name, exact: true })
const slateOf = (lesson: Lesson, name: string) => lesson.slates.find(s => s.name === name)!.id
async function picturesOn(lesson: Lesson, slate: string): Promise<Picture[]> {
  const { state } = await lesson.teacher.must<{ state: { own: Record<string, Picture & { gone?: true }> } }>(
    'GET',
    `/api/slates/${slate}`,
  )
  return Object.values(state.own).filter(own => own.kind === 'picture' && !own.gone)
}
async function bytesOf(lesson: Lesson, slate: string, id: string): Promise<Buffer> {
  const response = await fetch(`${lesson.teacher.address}/api/slates/${slate}/pictures/${id}`, {
    headers: { cookie: lesson.teacher.cookies },
  })
  expect(response.status).toBe(200)
  return Buffer.from(await response.arrayBuffer())
}
/** A photo as a phone makes it: lying on its side, with the place where it was taken. */
const photo = () =>
  sharp({ create: { width: 1200, height: 800, channels: 3, background: '#c33' } })
    .withExif({
      IFD0: { Make: 'Ternhaven', Orientation: '6' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 10/1 0/1', GPSLongitudeRef: 'W', GPSLongitude: '1/1 10/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .jpeg()
    .toBuffer()
const onPage = (page: Page) => page.locator('[data-own] image')

test('a picture from the device is put upright, cut by keys, made smaller, and nothing of where it was taken is left', async ({
  page,
  application,
  browser,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(application.address, NAMES, board())
  const slate = slateOf(lesson, 'Ada Fern')
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await tool(page, 'Picture').click()
  await expectAccessible(page)
  await page
    .getByTestId('picture-file')
    .setInputFiles({
      name: 'sheet.heic',
      mimeType: 'image/heic',
      buffer: Buffer.from('ftypheic, and no picture at all'),
    })
  await expect(page.getByRole('alert')).toContainText("can't be read as a picture")
  await page
    .getByTestId('picture-file')
    .setInputFiles({ name: 'sheet.jpg', mimeType: 'image/jpeg', buffer: await photo() })
  const left = page.getByRole('slider', { name: 'Left edge' })
  await left.focus()
  for (let i = 0; i < 10; i++) await page.keyboard.press('ArrowRight')
  await expect(left).toHaveAttribute('aria-valuenow', '20')
  // An edge is pushed with a finger, too, and goes back by keys.
  const right = page.getByRole('slider', { name: 'Right edge' })
  const finger = await Pointing.of(page, 'touch')
  const from = middleOf((await right.boundingBox())!)
  const sheet = (await page.locator('canvas').boundingBox())!
  await finger.drag(from, { x: from.x - sheet.width / 4, y: from.y })
  await expect(right).toHaveAttribute('aria-valuenow', '75')
  await right.focus()
  for (let i = 0; i < 13; i++) await page.keyboard.press('ArrowRight')
  await expect(right).toHaveAttribute('aria-valuenow', '100')
  await expectAccessible(page)
  await page.getByLabel(/What is on it/).fill('my sheet')
  await page.getByRole('button', { name: 'Put it on the page' }).click()
  await expect(onPage(page)).toHaveCount(1)
  await expect.poll(async () => (await picturesOn(lesson, slate)).length).toBe(1)
  await expect(page.getByTestId('on-way')).toHaveCount(0)
  const [own] = await picturesOn(lesson, slate)
  const bytes = await bytesOf(lesson, slate, own!.picture)
  const meta = await sharp(bytes).metadata()
  // 1200 by 800 on its side is 800 by 1200; a fifth of its width was cut off.
  expect([meta.width, meta.height, meta.exif, own!.alt]).toEqual([640, 1200, undefined, 'my sheet'])
  expect(Math.abs(own!.width / own!.height - 640 / 1200)).toBeLessThan(0.02)

  // With the keyboard it is moved, made larger, taken away and had back.
  const picture = page.getByRole('button', { name: 'Picture: my sheet' })
  await expect(picture).toBeFocused()
  await page.keyboard.press('ArrowLeft')
  await page.getByRole('button', { name: 'Larger' }).click()
  await expect.poll(async () => (await picturesOn(lesson, slate))[0]!.width > own!.width).toBe(true)
  await picture.focus()
  await page.keyboard.press('Delete')
  await expect(onPage(page)).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(onPage(page)).toHaveCount(1)
  await page.reload()
  await expect(onPage(page)).toHaveCount(1)

  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, application.address, lesson.email, lesson.password)
  await teacher.goto(`${application.address}/handout/${lesson.handout}/review/${slate}`)
  await expect(teacher.getByRole('img', { name: 'Picture: my sheet' }).locator('image')).toHaveCount(1)
})

test('one of 60 megapixels is made smaller before it is sent; a picture of the library, and one that is pasted', async ({
  page,
  application,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(application.address, NAMES, board())
  const slate = slateOf(lesson, 'Ada Fern')
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await tool(page, 'Picture').click()
  await page.getByTestId('picture-file').setInputFiles({
    name: 'huge.jpg',
    mimeType: 'image/jpeg',
    buffer: await sharp({ create: { width: 9000, height: 6700, channels: 3, background: '#284' } })
      .jpeg()
      .toBuffer(),
  })
  await page.getByRole('button', { name: 'Put it on the page' }).click({ timeout: 60_000 })
  await expect.poll(async () => (await picturesOn(lesson, slate)).length).toBe(1)
  await expect(page.getByTestId('on-way')).toHaveCount(0)
  expect(
    (await sharp(await bytesOf(lesson, slate, (await picturesOn(lesson, slate))[0]!.picture)).metadata()).width,
  ).toBeLessThanOrEqual(1600)

  await tool(page, 'Picture').click()
  await page.getByLabel('Or look for one').fill('crab')
  await page.getByTestId('library').getByRole('button', { name: /crab/ }).first().click()
  await expect.poll(async () => (await picturesOn(lesson, slate)).map(own => own.from)).toEqual(['device', 'library'])

  const png = (
    await sharp({ create: { width: 60, height: 40, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } })
      .png()
      .toBuffer()
  ).toString('base64')
  await page.evaluate(data => {
    const bytes = Uint8Array.from(atob(data), letter => letter.charCodeAt(0))
    const clipboardData = new DataTransfer()
    clipboardData.items.add(new File([bytes], 'pasted.png', { type: 'image/png' }))
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }))
  }, png)
  await page.getByRole('button', { name: 'Put it on the page' }).click()
  await expect.poll(async () => (await picturesOn(lesson, slate)).length).toBe(3)
  await expect(page.getByTestId('on-way')).toHaveCount(0)
  expect(
    (await sharp(await bytesOf(lesson, slate, (await picturesOn(lesson, slate))[2]!.picture)).metadata()).hasAlpha,
  ).toBe(true)
})

test('a photo from the camera, made while there is no connection, arrives when there is one', async ({
  application,
}) => {
  test.setTimeout(120_000)
  // Chromium's own camera that shows a test picture; nobody is asked whether it may.
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  })
  const context = await browser.newContext({ viewport: { width: 820, height: 1180 } })
  const page = await context.newPage()
  const lesson = await makeLesson(application.address, NAMES, board())
  const slate = slateOf(lesson, 'Ada Fern')
  await comeIn(page, application.address, lesson, 'Ada Fern')
  // All that is needed for it is there before it is asked for.
  await page.waitForLoadState('networkidle')
  await context.setOffline(true)
  await tool(page, 'Photo').click()
  await page.getByRole('button', { name: 'Take the photo' }).click()
  await page.getByRole('button', { name: 'Turn', exact: true }).click()
  await page.getByRole('button', { name: 'Put it on the page' }).click()
  await expect(onPage(page)).toHaveCount(1)
  await expect(page.locator('[data-test=on-way]')).toContainText('One picture is on its way')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  // The camera is let go as soon as it isn't looked through.
  await expect(page.locator('video')).toHaveCount(0)
  await context.setOffline(false)
  await expect(page.locator('[data-test=on-way]')).toHaveCount(0, { timeout: 30_000 })
  await expect.poll(async () => (await picturesOn(lesson, slate)).map(own => own.from)).toEqual(['camera'])
  const [own] = await picturesOn(lesson, slate)
  expect((await sharp(await bytesOf(lesson, slate, own!.picture)).metadata()).format).toBe('jpeg')
  expect(own!.height).toBeGreaterThan(own!.width)
  await browser.close()
})

test("on a board for everyone pictures wait for the teacher where that is set; what doesn't belong is hidden, and it is known who put it there", async ({
  browser,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES, setBoardTools(shore(), ['picture', 'note']))
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId }],
    mode: 'one-for-everyone',
    rules: { approve: true },
  })
  const open = async (name: string) => {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await comeIn(page, address, { ...lesson, handout }, name)
    return page
  }
  const [ada, bo] = [await open('Ada Fern'), await open('Bo Kelp')]
  await tool(ada, 'Picture').click()
  await ada.getByTestId('picture-file').setInputFiles({
    name: 'a.png',
    mimeType: 'image/png',
    buffer: await sharp({ create: { width: 90, height: 60, channels: 3, background: '#83a' } })
      .png()
      .toBuffer(),
  })
  await ada.getByLabel(/What is on it/).fill('a storm')
  await ada.getByRole('button', { name: 'Put it on the page' }).click()
  await expect(onPage(ada)).toHaveCount(1)
  // The others see that there is something, and not what.
  const storm = bo.getByRole('img', { name: 'Picture: a storm' })
  await expect(storm).toBeVisible()
  await expect(storm.locator('image')).toHaveCount(0)

  const teacher = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  await teacher.goto(`${address}/handout/${handout}`)
  await teacher.getByText('1 picture waits for you').click()
  await expect(teacher.getByTestId('made').getByRole('listitem')).toContainText('Ada Fern')
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Let others see it' }).click()
  await expect(storm.locator('image')).toHaveCount(1)
  await teacher.getByTestId('made').getByRole('button', { name: 'Hide', exact: true }).click()
  await expect(storm).toHaveCount(0)
  await expect(onPage(ada)).toHaveCount(0)
  await teacher.getByRole('button', { name: 'Show again' }).click()
  await expect(storm.locator('image')).toHaveCount(1)
  await expect(onPage(ada)).toHaveCount(1)

  // All of it in one queue beside the walk-round, with who and when; what comes meanwhile comes to it.
  await teacher.getByRole('link', { name: 'Walk-round' }).click()
  await teacher.getByRole('button', { name: 'What they put up' }).click()
  const queue = teacher.getByTestId('put-up')
  await expect(queue.getByRole('listitem')).toHaveCount(1)
  await expect(queue).toContainText('Ada Fern')
  await queue.getByRole('button', { name: 'Hold it back' }).click()
  await expect(storm.locator('image')).toHaveCount(0)
  await expect(queue).toContainText('1 picture waits for you')
  await queue.getByRole('button', { name: 'Let others see it' }).click()
  await expect(storm.locator('image')).toHaveCount(1)
  await tool(bo, 'Note').click()
  await bo.getByRole('group', { name: 'Page', exact: true }).click({ position: { x: 60, y: 300 } })
  await bo.keyboard.type('Silly words')
  await bo.keyboard.press('Escape')
  await queue.getByRole('button', { name: 'Hide: Silly words, by Bo Kelp' }).click()
  await expect(ada.getByText('Silly words')).toHaveCount(0)
  await expect(queue).toContainText('hidden from the class')
})
