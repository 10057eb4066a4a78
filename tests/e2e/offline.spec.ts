import { join } from 'node:path'
import type { Page } from '@playwright/test'
import type { FileHash } from '../../core/board/ids'
import { addClip } from '../../core/design/clips'
import { withFolder } from '../../server/files/folder'
import { anotherBuild } from '../anotherBuild'
import { startApplication, type Application } from '../application'
import { pageId, shore } from '../boards'
import { createDatabase } from '../database'
import { wav } from '../sounds'
import { comeIn, dragTo, expect, makeLesson, piece, test as base, zonePoint } from './class'

/** An application of its own for each test, which can be gone for a while: with it the whole network is. */
const test = base.extend<{
  school: { address: string; gone: () => Promise<void>; back: (build?: string) => Promise<void> }
}>({
  school: async ({ browserName: _browserName }, use) => {
    const { url, drop } = await createDatabase()
    let application: Application = await startApplication(url)
    const { address } = application
    await use({
      address,
      gone: () => application.stop('SIGKILL'),
      back: async build =>
        void (application = await startApplication(url, Number(new URL(address).port), undefined, build)),
    })
    await application.stop()
    await drop()
  },
})
test.use({ testIdAttribute: 'data-test' })

/** The worker has all it needs, and serves this page. */
const isKept = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready
    while (!navigator.serviceWorker.controller) await new Promise(done => setTimeout(done, 20))
  })
const onDevice = (page: Page) =>
  page.evaluate(async () => {
    const opened = await new Promise<IDBDatabase>((done, failed) => {
      const request = indexedDB.open('dappled-slate')
      request.onsuccess = () => done(request.result)
      request.onerror = () => failed(request.error)
    })
    const names = await new Promise<string[]>(done => {
      const request = opened.transaction('views').objectStore('views').getAllKeys()
      request.onsuccess = () => done(request.result.map(String))
    })
    opened.close()
    return { names, pictures: await caches.has('pictures') }
  })

test('after the first visit desk and slate open without a network; what is made there arrives when it is back', async ({
  page,
  context,
  school,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(school.address)
  const slate = lesson.slates.find(s => s.name === 'Ada Fern')!.id
  await comeIn(page, school.address, lesson, 'Ada Fern')
  await isKept(page)
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')

  await school.gone()
  await dragTo(page, 'prawn', await zonePoint(page, 2))
  await expect(page.getByTestId('kept')).toContainText('One move is kept on this device')
  await page.close()
  // The tablet is opened again, and there is no network at all.
  const again = await context.newPage()
  await again.goto(`${school.address}/desk`)
  await expect(again.getByRole('heading', { name: 'My desk' })).toBeVisible()
  await again.getByRole('link', { name: /Test board/ }).click()
  await expect(piece(again, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  await expect(piece(again, 'prawn')).toHaveAccessibleName('prawn, in Swims')
  await dragTo(again, 'goby', await zonePoint(again, 2, 3, 0.8))
  await expect(again.getByTestId('kept')).toContainText('2 moves are kept on this device')
  // What wasn't opened before opens too: the dialogs are kept with the rest.
  await again.getByRole('button', { name: 'Hand in' }).click()
  await expect(again.getByRole('button', { name: 'Hand it in now' })).toBeVisible()
  await again.keyboard.press('Escape')

  await school.back()
  await expect(again.getByTestId('kept')).toHaveText('Every move is kept', { timeout: 30_000 })
  const view = await lesson.teacher.must<{ number: number; state: { pieces: object } }>('GET', `/api/slates/${slate}`)
  expect([view.number, Object.keys(view.state.pieces).toSorted().length]).toEqual([3, 3])
})

test("on a shared tablet signing out leaves nothing behind but what hasn't been sent, which only its owner sends", async ({
  page,
  school,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(school.address)
  await comeIn(page, school.address, lesson, 'Ada Fern')
  await isKept(page)
  await page.goto(`${school.address}/desk`)
  await page.getByRole('link', { name: /Test board/ }).click()
  await expect.poll(async () => (await onDevice(page)).names.length).toBeGreaterThan(1)
  await school.gone()
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await expect(page.getByTestId('kept')).toContainText('One move is kept on this device')
  await page.getByRole('link', { name: 'To my desk' }).click()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await expect(page.getByLabel('Class code')).toBeVisible()
  expect(await onDevice(page)).toEqual({ names: ['who'], pictures: false })
  // Nobody is shown her desk, not even without a network.
  await page.goto(`${school.address}/desk`)
  await expect(page.getByLabel('Class code')).toBeVisible()

  await school.back()
  await page.goto(`${school.address}/desk`)
  await expect(page.getByLabel('Class code')).toBeVisible()
  await comeIn(page, school.address, lesson, 'Bo Kelp')
  await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, on the ledge')
  const slates = async () =>
    (
      await lesson.teacher.must<{ slates: { name: string; number: number }[] }>(
        'GET',
        `/api/handouts/${lesson.handout}`,
      )
    ).slates
  expect((await slates()).map(s => s.number)).toEqual([0, 0, 0, 0])
  await page.goto(`${school.address}/desk`)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await comeIn(page, school.address, lesson, 'Ada Fern')
  await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  await expect.poll(async () => (await slates()).find(s => s.name === 'Ada Fern')!.number).toBe(1)
})

test('what is spoken and heard on a board is heard without a network too, from any moment of it', async ({
  page,
  school,
}) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(school.address, undefined, async teacher => {
    const { hash: file } = await teacher.must<{ hash: FileHash }>(
      'POST',
      '/api/clips',
      new Blob([new Uint8Array(wav(20))]),
    )
    return addClip(shore(), pageId('page'), {
      id: 'gulls',
      kind: 'sound',
      file,
      seconds: 20,
      name: 'Gulls',
      pixels: { width: 0, height: 0 },
    })
  })
  await comeIn(page, school.address, lesson, 'Ada Fern')
  await isKept(page)
  await expect
    .poll(() =>
      page.evaluate(
        async () =>
          (await (await caches.open('pictures')).keys()).filter(({ url }) => url.includes('/api/clips/')).length,
      ),
    )
    .toBe(1)
  await school.gone()
  await page.getByRole('button', { name: 'Play the sound: Gulls' }).click()
  const audio = page.getByTestId('player').locator('audio')
  await audio.evaluate((player: HTMLAudioElement) => (player.currentTime = 15))
  await expect.poll(() => audio.evaluate((player: HTMLAudioElement) => player.currentTime)).toBeGreaterThan(15.2)
  await expect(page.getByRole('alert')).toHaveCount(0)
  await school.back()
})

test('a new build takes nothing from a page that is open, loses no move, and is there without a network once it was opened', async ({
  page,
  context,
  school,
}) => {
  test.setTimeout(180_000)
  await withFolder(async folder => {
    const build = join(folder, 'build')
    await anotherBuild(build)
    const lesson = await makeLesson(school.address)
    await comeIn(page, school.address, lesson, 'Ada Fern')
    await isKept(page)
    await dragTo(page, 'limpet', await zonePoint(page, 0))
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    const scripts = (one: Page) =>
      one.evaluate(() => [...document.querySelectorAll<HTMLScriptElement>('script[src]')].map(script => script.src))
    const before = await scripts(page)

    await school.gone()
    await dragTo(page, 'prawn', await zonePoint(page, 2))
    await school.back(build)
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept', { timeout: 30_000 })
    // The new worker is there, and waits: what the open page needs later still comes from the build that it was made
    // from.
    await page.evaluate(async () => void (await (await navigator.serviceWorker.ready).update()))
    await page.getByRole('button', { name: 'Hand in' }).click()
    await expect(page.getByRole('button', { name: 'Hand it in now' })).toBeVisible()
    await page.keyboard.press('Escape')
    await dragTo(page, 'goby', await zonePoint(page, 2, 3, 0.8))
    await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
    await page.close()

    const again = await context.newPage()
    await again.goto(`${school.address}/desk`)
    await again.getByRole('link', { name: /Test board/ }).click()
    for (const name of ['limpet, in Clings', 'prawn, in Swims', 'goby, in Swims'])
      await expect(again.getByRole('button', { name })).toBeVisible()
    expect((await scripts(again)).every(script => !before.includes(script))).toBe(true)
    await isKept(again)
    await expect
      .poll(() => again.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.waiting === null))
      .toBe(true)
    await again.waitForLoadState('networkidle')
    await school.gone()
    await again.reload()
    await expect(piece(again, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await again.getByRole('button', { name: 'Hand in' }).click()
    await expect(again.getByRole('button', { name: 'Hand it in now' })).toBeVisible()
    await school.back()
  })
})

test('two devices of one student meet without losing a move of either', async ({ browser, school }) => {
  test.setTimeout(120_000)
  const lesson = await makeLesson(school.address)
  const slate = lesson.slates.find(s => s.name === 'Ada Fern')!.id
  const device = async () => {
    const page = await (await browser.newContext()).newPage()
    await comeIn(page, school.address, lesson, 'Ada Fern')
    await isKept(page)
    return page
  }
  const [tablet, laptop] = [await device(), await device()]
  // The tablet is without a network for a while; both go on, and both move the same card.
  await tablet.context().setOffline(true)
  await dragTo(tablet, 'limpet', await zonePoint(tablet, 0))
  await dragTo(tablet, 'prawn', await zonePoint(tablet, 2))
  await expect(tablet.getByTestId('kept')).toContainText('2 moves are kept on this device')
  await dragTo(laptop, 'limpet', await zonePoint(laptop, 1))
  await dragTo(laptop, 'goby', await zonePoint(laptop, 2, 3, 0.8))
  await expect(laptop.getByTestId('kept')).toHaveText('Every move is kept')
  await tablet.context().setOffline(false)
  await expect(tablet.getByTestId('kept')).toHaveText('Every move is kept', { timeout: 30_000 })
  // The server's order holds on both: of the card that both moved, the move that came last.
  for (const page of [tablet, laptop]) {
    for (const name of ['limpet, in Clings', 'prawn, in Swims', 'goby, in Swims'])
      await expect(page.getByRole('button', { name })).toBeVisible()
  }
  expect((await lesson.teacher.must<{ number: number }>('GET', `/api/slates/${slate}`)).number).toBe(4)
  await tablet.context().close()
  await laptop.context().close()
})
