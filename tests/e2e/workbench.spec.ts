import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { expectAccessible } from './axe'
import { expect, makeLesson, signInTeacher, test } from './class'
import { boardKept, boardOf, openEmpty, press, station, tryIt } from './making'

test.use({ testIdAttribute: 'data-test' })

test('a sort from groups of words, in one dialog, is ready to give out', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/start`)
  await page.getByLabel('What is the new board called?').fill('How do they live?')
  await press(page, 'From words')
  await page.getByTestId('word-groups').fill('Clings: limpet, barnacle\nSwims: goby, prawn\nblenny')
  await expectAccessible(page)
  await press(page, 'Make the sort')
  await expect(page.getByLabel('Name of the board')).toHaveValue('How do they live?')
  await station(page, 'Answers').click()
  await expect(page.getByTestId('key')).toContainText('Clings: limpet, barnacle')
  await expect(page.getByTestId('key')).toContainText('One piece has no answer yet.')
  await tryIt(page, 2)
})

test('two rings by hand are compared: each region is its own answer', async ({ page, application }) => {
  const lesson = await openEmpty(page, application.address)
  await station(page, 'Places').click()
  // A place is found by what it is for, in the words of the trade.
  await page.getByLabel('What are students to do there?').fill('compare contrast')
  await page.keyboard.press('Enter')
  await page.getByRole('textbox', { name: 'Heading' }).fill('Has a shell')
  await page.getByRole('button', { name: 'Zone 2' }).press('Enter')
  await page.getByRole('textbox', { name: 'Heading' }).fill('Swims')
  await expectAccessible(page)
  // What is printed over a place belongs to it: pressed twice, its words are written.
  const printed = (await page.locator('svg text', { hasText: 'Has a shell' }).first().boundingBox())!
  await page.mouse.dblclick(printed.x + printed.width / 2, printed.y + printed.height / 2)
  await expect(page.getByRole('textbox', { name: 'Heading' })).toBeFocused()
  await expect(page.getByRole('textbox', { name: 'Heading' })).toHaveValue('Has a shell')
  await station(page, 'Pieces').click()
  await page.getByLabel('Words, one on each line').fill('limpet\ngoby\nscallop')
  await press(page, 'Make 3 cards')
  await boardKept(page)
  const { places } = (await boardOf(lesson)).pages[0]!
  expect(places.map(p => [p.heading, p.shape.kind])).toEqual([
    ['Has a shell', 'ellipse'],
    ['Swims', 'ellipse'],
  ])
  await tryIt(page, 3)
})

test('a page of ones, tens and hundreds counts what lies on it', async ({ page, application }) => {
  const lesson = await openEmpty(page, application.address)
  await station(page, 'Places').click()
  await press(page, 'Zone')
  await page.getByRole('textbox', { name: 'Heading' }).fill('Make 342')
  await station(page, 'Pieces').click()
  await press(page, 'Tiles')
  await press(page, 'Add 3 kinds of tile')
  await expectAccessible(page)
  await boardKept(page)
  const board = await boardOf(lesson)
  expect(board.pages[0]!.pieces.map(p => [p.kind === 'tile' && p.value, p.bin])).toEqual([
    ['1', true],
    ['10', true],
    ['100', true],
  ])
  await tryIt(page, 3)
  await expect(page.getByRole('group', { name: 'Ledge' }).getByRole('button')).toHaveCount(3)
})

test('a sentence becomes a text with gaps, with its bank, an extra word and its key', async ({ page, application }) => {
  await openEmpty(page, application.address)
  await station(page, 'Places').click()
  await press(page, 'Text with gaps')
  await page.getByLabel('Sentences').fill('The limpet clings to the rock.')
  await press(page, 'Make the text')
  await expect(page.getByRole('alert')).toContainText('Press at least one word first')
  await page.getByTestId('gap-words').getByRole('button', { name: 'limpet' }).click()
  await page.getByTestId('gap-words').getByRole('button', { name: 'rock' }).click()
  await page.getByLabel('Extra words for the bank, one on each line').fill('goby')
  await expectAccessible(page)
  await press(page, 'Make the text with 2 gaps')
  await station(page, 'Answers').click()
  await expect(page.getByTestId('key')).toContainText('Each slot takes its own')
  await tryIt(page, 2)
  await press(page, 'What does the key say?')
  await expect(page.getByText(/of 2 right/)).toBeVisible()
})

test('a picture gets pins and labels from the library and from words', async ({ page, application }) => {
  const lesson = await openEmpty(page, application.address)
  const boat = await sharp({ create: { width: 1200, height: 600, channels: 3, background: '#9bc' } })
    .png()
    .toBuffer()
  await page.getByTestId('backdrop-file').setInputFiles({ name: 'small-boat.png', mimeType: 'image/png', buffer: boat })
  await expect(page.getByLabel('What it shows')).toHaveValue('small boat')
  await page.getByRole('slider', { name: /^Left/ }).fill('25')
  await station(page, 'Places').click()
  for (const name of ['mast', 'keel']) {
    await press(page, 'Pin')
    await page.getByLabel('What is there').fill(name)
  }
  await station(page, 'Pieces').click()
  await press(page, 'More')
  await page.getByLabel('Words, one on each line').fill('mast\nkeel')
  await press(page, 'Add 2')
  await press(page, 'Pictures')
  await page.getByLabel('Picture library').fill('crab')
  await page.getByTestId('library').getByRole('button', { name: 'Take crab', exact: true }).click()
  await expect(page.getByRole('button', { name: 'crab, on the ledge' })).toBeVisible()
  await expectAccessible(page)
  await boardKept(page)
  const [made] = (await boardOf(lesson)).pages
  expect(made!.backdrop.pictures[0]).toMatchObject({ crop: { left: 0.25 } })
  expect(made!.pieces.map(p => p.kind)).toEqual(['label', 'label', 'picture-card'])
  await tryIt(page, 2, /^(mast|keel), /)
})

test('six numbered activities on one page are done one after the other, and move with what stands in them', async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  await station(page, 'Places').click()
  for (let i = 1; i <= 6; i++) {
    await press(page, 'An activity with a number')
    await page.getByLabel('What to do').fill(`Step ${i}: look closely`)
  }
  await press(page, 'Slots')
  await page.getByRole('button', { name: 'Activity 1', exact: true }).focus()
  const steps = async () => (await boardKept(page), (await boardOf(lesson)).pages[0]!.steps!)
  const before = await steps()
  expect(before).toHaveLength(6)
  await page.keyboard.press('ArrowDown')
  expect((await steps())[0]!.y).toBeGreaterThan(before[0]!.y)
  await expectAccessible(page)
  await station(page, 'Check').click()
  await press(page, 'Try it as a student')
  await expect(page.getByTestId('step')).toHaveText('Step 1: look closely')
  await page.getByRole('button', { name: 'Activity 2', exact: true }).click()
  await expect(page.getByTestId('step')).toHaveText('Step 2: look closely')
  await page.getByLabel('Screen').selectOption('phone')
  await expect(page.locator('[data-device=phone]')).toHaveCSS('width', '390px')
})

test('many things are chosen, put in line, tidied, kept together, repeated, copied to another page and removed', async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  await station(page, 'Places').click()
  await press(page, 'Slots')
  await press(page, 'Number')
  await page.keyboard.press('Escape')
  await page.getByTestId('hands-page').click({ position: { x: 5, y: 5 } })
  await page.keyboard.press('Control+a')
  await expect(page.getByTestId('arrange')).toContainText('4 things are selected')
  await press(page, 'Set out in rows')
  await press(page, 'Upper edges in line')
  await press(page, 'Keep together')
  await boardKept(page)
  const tidied = (await boardOf(lesson)).pages[0]!
  expect(new Set(tidied.places.map(p => p.shape.kind === 'rectangle' && p.shape.y)).size).toBe(1)
  expect(tidied.groups).toHaveLength(1)
  await page.getByTestId('hands-page').click({ position: { x: 5, y: 5 } })
  await page.getByRole('button', { name: 'Slot 1' }).first().click()
  await expect(page.getByTestId('arrange')).toContainText('4 things are selected')
  await page.keyboard.press('Control+c')
  await press(page, 'Add a page')
  await page.keyboard.press('Control+v')
  await expect(page.getByTestId('arrange')).toContainText('4 things are selected')
  await press(page, 'Take apart')
  await page.keyboard.press('Delete')
  await boardKept(page)
  expect((await boardOf(lesson)).pages.map(p => p.places.length)).toEqual([4, 0])
  await page.keyboard.press('Control+z')
  await boardKept(page)
  expect((await boardOf(lesson)).pages.map(p => p.places.length)).toEqual([4, 4])
})

test('a zone is sized by its corner and a line by its end: what it becomes shows with its size, and is one step to undo', async ({
  page,
  application,
}) => {
  const lesson = await openEmpty(page, application.address)
  const dragBy = async (selector: string, dx: number, dy: number, meanwhile?: () => Promise<void>) => {
    const box = (await page.locator(selector).first().boundingBox())!
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x + dx, y + dy, { steps: 4 })
    await meanwhile?.()
    await page.mouse.up()
  }
  await station(page, 'Places').click()
  await press(page, 'Zone')
  await boardKept(page)
  const zone = async () =>
    (await boardOf(lesson)).pages[0]!.places[0]!.shape as { width: number; height: number; x: number; y: number }
  const before = await zone()
  await dragBy('[data-corner="11"]', -200, -100, async () => {
    await expect(page.locator('[data-size]')).toHaveText(/^\d+(\.\d)? × \d+(\.\d)? mm$/)
    // Nothing of it is in the board before the hand lets go.
    expect(await zone()).toEqual(before)
  })
  await expect(page.locator('[data-size]')).toHaveCount(0)
  await boardKept(page)
  const after = await zone()
  expect([after.x, after.y]).toEqual([before.x, before.y])
  expect(before.width - after.width).toBeGreaterThan(100)
  expect(before.height - after.height).toBeGreaterThan(50)
  await page.keyboard.press('Control+z')
  await expect.poll(zone).toEqual(before)

  // Near the middle of the page it is pulled there, and a line says so.
  const sheet = (await page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!
  const lies = (await page.locator('[data-item]').boundingBox())!
  const aside = sheet.x + sheet.width / 2 - lies.x - lies.width / 2
  await dragBy('[data-item]', aside + 3, 30, async () => {
    const line = (await page.locator('[data-guide]').first().boundingBox())!
    expect(Math.abs(line.x + line.width / 2 - sheet.x - sheet.width / 2)).toBeLessThan(1.5)
    expect(line.height).toBeGreaterThan(lies.height)
  })
  await expect
    .poll(async () =>
      Math.abs((await zone()).x + (await zone()).width / 2 - (await boardOf(lesson)).pages[0]!.width / 2),
    )
    .toBeLessThan(0.01)
  await expect(page.locator('[data-guide]')).toHaveCount(0)

  await station(page, 'Backdrop').click()
  await press(page, 'Line')
  await dragBy('[data-end] >> nth=1', 0, 60)
  await expect
    .poll(async () => (await boardOf(lesson)).pages[0]!.backdrop.lines?.map(({ from, to }) => to.y - from.y > 40))
    .toEqual([true])
})

test('a page looked at closely is pushed about in a frame with a name, and a whole one has none', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  const frame = page.getByRole('group', { name: 'The page, to be pushed about' })
  await station(page, 'Answers').click()
  await expect(page.getByRole('group', { name: 'Page', exact: true })).toBeVisible()
  await expect(frame).toHaveCount(0)
  for (let i = 0; i < 3; i++) await press(page, 'Closer')
  await frame.focus()
  await page.keyboard.press('ArrowRight')
  await expect.poll(() => frame.evaluate(element => element.scrollLeft)).toBeGreaterThan(0)
  await page.keyboard.press('Alt+Digit0')
  await expect(frame).toHaveCount(0)
})

test('what the hands hold on a page looked at closely is cut off at its frame, and never shows over the panels', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/board/${lesson.board}`)
  const frame = page.getByRole('group', { name: 'The page, to be pushed about' })
  await station(page, 'Places').click()
  for (let i = 0; i < 3; i++) await press(page, 'Closer')
  await frame.evaluate(element => (element.scrollLeft = 0))
  await page.locator('[data-item]').first().hover()
  const shown = (await frame.boundingBox())!
  const beside = { x: shown.x + shown.width + 1, y: shown.y, width: 100, height: shown.height }
  const pixels = async () =>
    sharp(await page.screenshot({ clip: beside }))
      .greyscale()
      .raw()
      .toBuffer()
  await page.mouse.down()
  await expect(page.getByText('One thing is selected')).toBeVisible()
  const before = await pixels()
  await page.mouse.move(shown.x + shown.width - 4, shown.y + shown.height / 2, { steps: 4 })
  await expect(page.locator('[data-hand-sheet] svg')).not.toHaveCount(0)
  // Edges may be drawn a shade lighter or darker in another picture; a zone there would change thousands of pixels.
  const after = await pixels()
  expect(before.filter((grey, i) => Math.abs(grey - after[i]!) > 12).length).toBeLessThan(50)
  await page.mouse.up()
})

test('a board is copied, kept as an organizer, put away and taken back, and goes out and in as a file', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  const title = (await boardOf(lesson)).title
  const menu = (name: string) => page.getByRole('button', { name: `More about ${name}`, exact: true })
  await menu(title).click()
  await page.getByRole('menuitem', { name: 'Make a copy' }).click()
  await expect(menu(`${title} (copy)`)).toBeVisible()
  await menu(`${title} (copy)`).click()
  await page.getByRole('menuitem', { name: 'Keep as an organizer' }).click()
  await expect(page.getByRole('status')).toContainText('is kept as an organizer')
  await press(page, 'Show own organizers')
  await expect(menu(`${title} (copy)`)).toBeVisible()
  await expect(menu(title)).toBeHidden()
  await press(page, 'Boards')
  // The board that it was kept from is still one.
  await expect(menu(`${title} (copy)`)).toBeVisible()
  await menu(title).click()
  await page.getByRole('menuitem', { name: 'Put away' }).click()
  await expect(page.getByRole('status')).toContainText('is put away')
  await press(page, 'Put away')
  await expectAccessible(page)
  await menu(title).click()
  await page.getByRole('menuitem', { name: 'Back to the shelf' }).click()
  await press(page, 'Boards')
  await menu(title).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Save as a file' }).click(),
  ])
  const file = readFileSync(await download.path())
  await page.goto(`${application.address}/start`)
  await page
    .getByTestId('board-file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('not a board') })
  await expect(page.getByRole('alert')).toContainText('This file can’t be read')
  await page.getByTestId('board-file').setInputFiles({ name: 'board.json', mimeType: 'application/json', buffer: file })
  await expect(page.getByLabel('Name of the board')).toHaveValue(title)
})

test('an organizer is found by a trade word, opens with its places, and using it leaves it as it was', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/start`)
  await page.getByLabel('Find an organizer').fill('KWL')
  await expect(page.getByTestId('organizers').getByRole('button')).toHaveCount(1)
  await page.getByRole('img', { name: 'Start from Know, wonder, learned' }).click()
  await expect(page.getByLabel('Name of the board')).toHaveValue('Know, wonder, learned')
  await station(page, 'Places').click()
  await expect(page.getByRole('button', { name: /^Writing space: What I/ })).toHaveCount(3)
})
