import { startApplication } from '../application'
import { createDatabase } from '../database'
import { comeIn, dragTo, expect, makeLesson, piece, signInTeacher, test, zonePoint } from './class'

test.use({ testIdAttribute: 'data-test' })

test('with the connection cut in the middle work goes on, survives closing the page, and arrives once', async ({
  page,
  context,
  application,
}) => {
  const lesson = await makeLesson(application.address)
  const slate = lesson.slates.find(s => s.name === 'Ada Fern')!.id
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')

  await context.setOffline(true)
  await expect(page.getByTestId('kept')).toContainText('Looking for the connection')
  await dragTo(page, 'prawn', await zonePoint(page, 2))
  await dragTo(page, 'goby', await zonePoint(page, 2, 3, 0.8))
  await expect(page.getByTestId('kept')).toHaveText('No connection. 2 moves are kept on this device.')
  await page.getByRole('button', { name: 'Hand in' }).click()
  await page.getByRole('button', { name: 'Hand it in now' }).click()
  await expect(page.getByRole('alert')).toContainText('still on their way')
  await page.keyboard.press('Escape')

  // The tablet is closed before the connection is back: only what the device keeps is left.
  await page.close()
  await context.setOffline(false)
  const again = await context.newPage()
  await again.goto(`${application.address}/slate/${slate}`)
  await expect(piece(again, 'goby')).toHaveAccessibleName('goby, in Swims')
  await expect(again.getByTestId('kept')).toHaveText('Every move is kept')
  const view = await lesson.teacher.must<{ number: number; state: { pieces: object } }>('GET', `/api/slates/${slate}`)
  expect(view.number).toBe(3)
  expect(Object.keys(view.state.pieces)).toHaveLength(3)
  // What was made offline can be undone after the reload, in order.
  await again.getByRole('button', { name: 'Undo' }).click()
  await expect(piece(again, 'goby')).toHaveAccessibleName('goby, on the ledge')
  await again.getByRole('button', { name: 'Undo' }).click()
  await expect(piece(again, 'prawn')).toHaveAccessibleName('prawn, on the ledge')
  await expect(piece(again, 'limpet')).toHaveAccessibleName('limpet, in Clings')
})

test('who hands in while a move is on its way waits for it, and is not sent back', async ({ page, application }) => {
  const lesson = await makeLesson(application.address)
  /** What the server says about moves, held back until it is let through. */
  const held: (() => void)[] = []
  let holding = true
  await page.routeWebSocket(/\/socket$/, socket => {
    const server = socket.connectToServer()
    server.onMessage(message => {
      if (holding && String(message).includes('"say":"moves"')) held.push(() => socket.send(message))
      else socket.send(message)
    })
  })
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await expect.poll(() => held.length).toBe(1)
  await page.getByRole('button', { name: 'Hand in' }).click()
  const now = page.getByRole('button', { name: 'Hand it in now' })
  await now.click()
  await expect(now).toBeDisabled()
  await expect(page.getByRole('alert')).toHaveCount(0)
  holding = false
  held.forEach(letThrough => letThrough())
  await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
})

test('with the server killed and started again no acknowledged move is lost and none is doubled', async ({
  page,
  browser,
}) => {
  const { url, drop } = await createDatabase()
  let application = await startApplication(url)
  const { address } = application
  const port = Number(new URL(address).port)
  const lesson = await makeLesson(address)
  const slate = lesson.slates.find(s => s.name === 'Bo Kelp')!.id
  await comeIn(page, address, lesson, 'Bo Kelp')
  const walk = await (await browser.newContext()).newPage()
  await signInTeacher(walk, address, lesson.email, lesson.password)
  await walk.goto(`${address}/handout/${lesson.handout}`)
  const tile = walk.locator('[data-slate="Bo Kelp"]')

  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await dragTo(page, 'barnacle', await zonePoint(page, 0, 3, 0.8))
  await expect(tile).toContainText('2 of 6')
  await application.stop('SIGKILL')
  await dragTo(page, 'prawn', await zonePoint(page, 2))
  await expect(page.getByTestId('kept')).toContainText('One move is kept on this device')
  application = await startApplication(url, port)
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')
  await expect(tile).toContainText('3 of 6')
  await dragTo(page, 'goby', await zonePoint(page, 2, 3, 0.8))
  await expect(tile).toContainText('4 of 6')
  const view = await lesson.teacher.must<{ number: number }>('GET', `/api/slates/${slate}`)
  expect(view.number).toBe(4)
  await walk.context().close()
  await application.stop()
  await drop()
})

test('of two server processes on one database each sees what is done on the other', async ({
  page,
  browser,
  application,
  database,
}) => {
  const other = await startApplication(database.url)
  const lesson = await makeLesson(application.address)
  await comeIn(page, application.address, lesson, 'Cy Gull')
  const walk = await (await browser.newContext()).newPage()
  await signInTeacher(walk, other.address, lesson.email, lesson.password)
  await walk.goto(`${other.address}/handout/${lesson.handout}`)
  const tile = walk.locator('[data-slate="Cy Gull"]')
  await expect(tile).toContainText('0 of 6')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await expect(tile).toContainText('1 of 6')
  await tile.click()
  await walk.getByRole('button', { name: 'Hand back to Cy Gull' }).click()
  await expect(page.getByText('Handed back', { exact: true })).toBeVisible()
  await walk.context().close()
  await other.stop()
})

test('two devices of one student stay the same', async ({ page, browser, application }) => {
  const lesson = await makeLesson(application.address)
  await comeIn(page, application.address, lesson, 'Dee Wrack')
  const second = await (await browser.newContext()).newPage()
  await comeIn(second, application.address, lesson, 'Dee Wrack')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await expect(piece(second, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  await dragTo(second, 'limpet', await zonePoint(second, 1))
  await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, in Crawls')
  await second.context().close()
})
