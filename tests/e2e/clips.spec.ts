import { request as ask } from 'node:http'
import { chromium, type Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { film } from '../film'
import { wav } from '../sounds'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, giveOutTo, makeLesson, signInTeacher, test, zonePoint, type Lesson } from './class'
import { CHROMIUM } from '../browser'

test.use({ testIdAttribute: 'data-test' })

const NAMES = ['Ada Fern', 'Bo Kelp']
const boardOf = async (lesson: Lesson) =>
  (await lesson.teacher.must<{ board: Board }>('GET', `/api/boards/${lesson.board}`)).board
const atTheWorkbench = async (page: Page, lesson: Lesson, address: string) => {
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/board/${lesson.board}`)
  await page.getByRole('button', { name: 'Backdrop' }).click()
}
const panel = (page: Page) => page.getByRole('complementary', { name: 'Backdrop' })
const kept = (page: Page) => expect(page.getByTestId('keeping')).toHaveText('Kept')
/** Where a sound or a film is, in seconds. */
const at = (page: Page) =>
  page.locator('[data-test=player] :is(audio, video)').evaluate(media => (media as HTMLMediaElement).currentTime)

test('a sound from a file is played where it stands, with its words, by hand and by keys, and a link says where it leads', async ({
  page,
  application,
  browser,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(application.address, NAMES)
  await atTheWorkbench(page, lesson, application.address)
  // What is no sound says so, and nothing is added.
  await page
    .getByTestId('clip-file')
    .setInputFiles({
      name: 'film.mp4',
      mimeType: 'video/mp4',
      buffer: Buffer.from('No film at all, whatever its name says'),
    })
  await expect(panel(page).getByRole('alert')).toContainText('neither a sound nor a film')
  await page
    .getByTestId('clip-file')
    .setInputFiles({ name: 'gulls-calling.wav', mimeType: 'audio/wav', buffer: wav(6, 'Recorded at 54.1, -1.1') })
  await expect(panel(page).getByLabel('Name')).toHaveValue('gulls calling')
  await panel(page).getByLabel('What is said in it').fill('Gulls call over the harbour.')
  await page
    .getByTestId('captions-file')
    .setInputFiles({ name: 'none.vtt', mimeType: 'text/vtt', buffer: Buffer.from('no captions here') })
  await expect(panel(page).getByRole('alert')).toContainText('no captions in this file')
  await page
    .getByTestId('captions-file')
    .setInputFiles({
      name: 'gulls.vtt',
      mimeType: 'text/vtt',
      buffer: Buffer.from(
        'WEBVTT\n\nNOTE made by hand\n\n1\n00:00.000 --> 00:02.000 line:0\n<v Ada>First <b>gull</b>\n\n00:02.000 --> 00:06.000\nSecond gull\n',
      ),
    })
  await expect(panel(page)).toContainText('2 captions')
  await panel(page).getByLabel('Address of a link').fill('not an address')
  await panel(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(panel(page).getByRole('alert')).toContainText('no address of the web')
  await panel(page).getByLabel('Address of a link').fill('example.org/rock-pools')
  await panel(page).getByRole('button', { name: 'Add', exact: true }).click()
  await expect(panel(page).getByText('Students see that it leads to example.org')).toBeVisible()
  await panel(page).getByLabel('Words on the card').fill('Rock pools')
  await page.keyboard.press('Escape')
  await expectAccessible(page)
  await kept(page)
  // What stands in the corner is moved apart, so that both are in sight.
  const made = await boardOf(lesson)
  const { clips, links } = made.pages[0]!.backdrop
  expect(clips).toMatchObject([
    {
      kind: 'sound',
      seconds: 6,
      words: 'Gulls call over the harbour.',
      captions: [
        { from: 0, to: 2, text: 'First gull' },
        { from: 2, to: 6, text: 'Second gull' },
      ],
    },
  ])
  expect(links).toMatchObject([{ address: 'https://example.org/rock-pools', name: 'Rock pools' }])
  links![0]!.x = 600
  const { version } = await lesson.teacher.must<{ version: number }>('GET', `/api/boards/${lesson.board}`)
  await lesson.teacher.must('PUT', `/api/boards/${lesson.board}`, { version, board: made })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })

  const student = await (await browser.newContext()).newPage()
  await comeIn(student, application.address, { ...lesson, handout }, 'Ada Fern')
  await expectAccessible(student)
  const link = student.getByRole('link', { name: /Rock pools: leads to example.org/ })
  await expect(link).toHaveAttribute('href', 'https://example.org/rock-pools')
  await expect(link).toHaveAttribute('rel', 'noopener noreferrer')
  const play = student.getByRole('button', { name: 'Play the sound: gulls calling' })
  await play.focus()
  await student.keyboard.press('Enter')
  const player = student.getByTestId('player')
  await expect.poll(() => at(student)).toBeGreaterThan(0.3)
  await expect(student.getByTestId('caption')).toHaveText('First gull')
  await expectAccessible(student)
  await player.getByText('In words').click()
  await expect(player).toContainText('Gulls call over the harbour.')
  // Any part of it can be had without the rest.
  await player.locator('audio').evaluate((audio: HTMLAudioElement) => (audio.currentTime = 4))
  await expect(student.getByTestId('caption')).toHaveText('Second gull')
  await player.locator('audio').focus()
  await student.keyboard.press('Escape')
  await expect(player).toHaveCount(0)
  await expect(play).toBeFocused()
  // A piece that lies on the card is still a piece, and a tap on the rest of the card plays.
  const card = (await student
    .locator('[data-thing]')
    .filter({ has: student.locator('text', { hasText: 'gulls' }) })
    .boundingBox())!
  await dragTo(student, 'limpet', { x: card.x + card.width * 0.7, y: card.y + card.height / 2 })
  await expect(student.getByTestId('player')).toHaveCount(0)
  await dragTo(student, 'limpet', await zonePoint(student, 0))
  await expect(student.getByTestId('kept')).toContainText('Every move is kept')
  await student.mouse.click(card.x + card.width * 0.7, card.y + card.height / 2)
  await expect(student.getByTestId('player')).toHaveCount(1)
  await student.context().close()
})

test("instructions are spoken at the workbench, and heard on the slate instead of the device's voice", async ({
  application,
}) => {
  test.setTimeout(120_000)
  // Chromium's own microphone that beeps; nobody is asked whether it may.
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  })
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  const lesson = await makeLesson(application.address, NAMES)
  await atTheWorkbench(page, lesson, application.address)
  await page.getByRole('button', { name: 'Speak what is to be done' }).click()
  await page.getByRole('button', { name: 'Start recording' }).click()
  await expect(page.locator('[data-test=recorded]')).toContainText('0:01 of 3:00')
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.locator('[data-test=recorded]')).toContainText('Recorded: 0:0')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByRole('button', { name: 'Hear it' })).toBeVisible()
  await expect(page.locator('[data-test=keeping]')).toHaveText('Kept')
  const { spoken } = await boardOf(lesson)
  // It is packed anew: a recording of a browser doesn't know how long it is.
  expect(spoken!.seconds).toBeGreaterThan(0.5)
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
  const student = await (await browser.newContext()).newPage()
  await comeIn(student, application.address, { ...lesson, handout }, 'Ada Fern')
  const asked = student.waitForResponse(response => response.url().includes(`/api/clips/${spoken!.file}`))
  await student.getByRole('button', { name: 'Hear it' }).click()
  expect([200, 206]).toContain((await asked).status())
  await expect(student.getByRole('button', { name: 'Stop', exact: true })).toHaveAttribute('aria-pressed', 'true')
  await expect(student.getByRole('button', { name: 'Hear it' })).toHaveAttribute('aria-pressed', 'false')
  await browser.close()
})

test('a film keeps its proportions, has a picture of itself, and is played large enough on a phone', async ({
  application,
  browser,
}) => {
  test.setTimeout(120_000)
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  const lesson = await makeLesson(application.address, NAMES)
  await atTheWorkbench(page, lesson, application.address)
  await page
    .locator('[data-test=clip-file]')
    .setInputFiles({ name: 'Low tide.webm', mimeType: 'video/webm', buffer: await film() })
  await expect(panel(page).getByLabel('Name')).toHaveValue('Low tide')
  await expect(page.locator('[data-test=keeping]')).toHaveText('Kept')
  const [clip] = (await boardOf(lesson)).pages[0]!.backdrop.clips!
  expect(clip!.kind).toBe('film')
  expect(clip!.width / clip!.height).toBeCloseTo(640 / 360, 2)
  expect(clip!.seconds).toBeGreaterThan(1.5)
  expect(clip!.poster).toMatch(/^[0-9a-f]{64}$/)
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
  const student = await (await browser.newContext({ viewport: { width: 360, height: 740 }, hasTouch: true })).newPage()
  await comeIn(student, application.address, { ...lesson, handout }, 'Bo Kelp')
  await student.getByRole('button', { name: 'Play the film: Low tide' }).tap()
  await expect.poll(() => at(student)).toBeGreaterThan(0.2)
  const box = (await student.locator('[data-test=player] video').boundingBox())!
  expect(box.width).toBeGreaterThanOrEqual(295)
  expect(box.x + box.width).toBeLessThanOrEqual(360)
})

test('clips are bounded before work is done on them, and had in parts', async ({ application }) => {
  const lesson = await makeLesson(application.address, NAMES)
  // A film of 2 GB: refused by what it says of itself, with not one of its bytes read.
  const { port } = new URL(application.address)
  const status = await new Promise<number>((resolve, reject) => {
    const request = ask(
      {
        port,
        host: '127.0.0.1',
        path: '/api/clips',
        method: 'POST',
        headers: { cookie: lesson.teacher.cookies, 'content-length': 2 * 1024 ** 3 },
      },
      response => resolve(response.statusCode!),
    )
    request.on('error', reject)
    request.flushHeaders()
  })
  expect(status).toBe(413)
  const bytes = wav(3)
  const { hash } = await lesson.teacher.must<{ hash: string }>('POST', '/api/clips', new Blob([new Uint8Array(bytes)]))
  const part = async (range: string) => {
    const response = await fetch(`${application.address}/api/clips/${hash}`, {
      headers: { cookie: lesson.teacher.cookies, range },
    })
    return {
      status: response.status,
      range: response.headers.get('content-range'),
      type: response.headers.get('content-type'),
      bytes: Buffer.from(await response.arrayBuffer()),
    }
  }
  const whole = await part('')
  expect(whole).toMatchObject({ status: 200, type: 'audio/wav', range: null })
  const middle = await part('bytes=100-199')
  expect(middle).toMatchObject({ status: 206, range: `bytes 100-199/${whole.bytes.length}` })
  expect(middle.bytes.equals(whole.bytes.subarray(100, 200))).toBe(true)
  expect(await part(`bytes=${whole.bytes.length}-`)).toMatchObject({
    status: 416,
    range: `bytes */${whole.bytes.length}`,
  })
})
