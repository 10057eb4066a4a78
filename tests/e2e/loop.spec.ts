import sharp from 'sharp'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, piece, test, zonePoint, type Student } from './class'
import type { Page } from '@playwright/test'

const WORDS = ['limpet', 'barnacle', 'mussel', 'shore crab', 'sea star', 'prawn', 'goby']
const HOMES: Record<string, number> = {
  limpet: 0,
  barnacle: 0,
  mussel: 0,
  'shore crab': 1,
  'sea star': 1,
  prawn: 2,
  goby: 2,
}
const kept = (page: Page) => expect(page.getByTestId('keeping')).toHaveText('Kept')

test.use({ testIdAttribute: 'data-test' })

test('a teacher designs, gives out, walks round, writes in the margin and hands back; a student works with the mouse', async ({
  browser,
  application,
}) => {
  test.setTimeout(240_000)
  const { address } = application
  const teacher = await (await browser.newContext()).newPage()
  await teacher.goto(address)
  await expect(teacher.getByRole('link', { name: 'I am a teacher' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'I am a teacher' }).click()
  await expect(teacher.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await expectAccessible(teacher)
  await teacher.getByRole('link', { name: 'Make a teacher account' }).click()
  await teacher.getByLabel('Your name').fill('Maren Holt')
  await teacher.getByLabel('E-mail address').fill('loop@ternhaven.example')
  await teacher.getByLabel('Password').fill('short')
  await teacher.getByRole('button', { name: 'Make the account' }).click()
  await expect(teacher.getByRole('heading', { name: 'Make a teacher account' })).toBeVisible()
  await teacher.getByLabel('Password').fill('low tide at noon')
  await teacher.getByRole('button', { name: 'Make the account' }).click()

  await test.step('names a board first', async () => {
    await expect(teacher.getByText('No boards yet')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('link', { name: 'New board' }).click()
    await teacher.getByRole('button', { name: 'From nothing' }).click()
    await expect(teacher.getByRole('alert')).toHaveText('Give it a name first.')
    await teacher.getByLabel('What is the new board called?').fill('How do they hold on?')
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'From nothing' }).click()
    await expect(teacher.getByLabel('Name of the board')).toHaveValue('How do they hold on?')
  })

  await test.step('Backdrop: a colour, a ruling, a picture locked in place; what is no picture is refused', async () => {
    await teacher.getByRole('button', { name: 'Sand' }).click()
    await teacher.getByRole('button', { name: 'Squares' }).click()
    await teacher
      .getByTestId('backdrop-file')
      .setInputFiles({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('no picture at all') })
    await expect(teacher.getByRole('alert')).toContainText('not a picture')
    const picture = await sharp({ create: { width: 1600, height: 400, channels: 3, background: '#9bc' } })
      .png()
      .toBuffer()
    await teacher
      .getByTestId('backdrop-file')
      .setInputFiles({ name: 'low-tide.png', mimeType: 'image/png', buffer: picture })
    await expect(teacher.getByLabel('What it shows')).toHaveValue('low tide')
    await kept(teacher)
    await expectAccessible(teacher)
  })

  await test.step('Places: three zones of one size; undo and redo', async () => {
    await teacher.getByRole('button', { name: 'Places' }).click()
    for (const heading of ['Clings', 'Crawls', 'Swims']) {
      await teacher.getByRole('button', { name: 'Zone', exact: true }).click()
      await teacher.getByRole('textbox', { name: 'Heading' }).fill(heading)
    }
    const zones = teacher.getByRole('button', { name: /^Zone:/ })
    await expect(zones).toHaveCount(3)
    const widths = await zones.evaluateAll(all => all.map(z => z.getBoundingClientRect().width))
    expect(Math.max(...widths) - Math.min(...widths)).toBeLessThan(0.5)
    const before = (await zones.nth(1).boundingBox())!
    await teacher.mouse.move(before.x + 40, before.y + 40)
    await teacher.mouse.down()
    await teacher.mouse.move(before.x + 60, before.y + 90, { steps: 3 })
    await teacher.mouse.up()
    expect((await zones.nth(1).boundingBox())!.x).toBeGreaterThan(before.x + 10)
    await teacher.getByRole('button', { name: 'Undo' }).click()
    expect((await zones.nth(1).boundingBox())!.x).toBeCloseTo(before.x, 0)
    await teacher.getByRole('button', { name: 'Redo' }).click()
    expect((await zones.nth(1).boundingBox())!.x).toBeGreaterThan(before.x + 10)
    await teacher.getByRole('button', { name: 'Side by side' }).click()
    await kept(teacher)
    await expectAccessible(teacher)
  })

  await test.step('Pieces: a pasted list becomes cards of one size, scrambled', async () => {
    await teacher.getByRole('button', { name: 'Pieces' }).click()
    await teacher.getByLabel('Words, one on each line').fill(WORDS.join('\n'))
    await teacher.getByRole('button', { name: 'Make 7 cards' }).click()
    const cards = teacher.getByRole('group', { name: 'Ledge' }).getByRole('button')
    await expect(cards).toHaveCount(7)
    const names = await cards.evaluateAll(all => all.map(c => c.getAttribute('aria-label')!.split(',')[0]))
    expect(names.toSorted()).toEqual(WORDS.toSorted())
    expect(names).not.toEqual(WORDS)
    const sizes = await cards.evaluateAll(all => all.map(c => c.getBoundingClientRect().width.toFixed(2)))
    expect(new Set(sizes).size).toBe(1)
    const clear = await sharp({
      create: { width: 200, height: 150, channels: 4, background: { r: 0, g: 90, b: 120, alpha: 0 } },
    })
      .png()
      .toBuffer()
    await teacher.getByRole('button', { name: 'Pictures', exact: true }).click()
    await teacher.getByTestId('piece-files').setInputFiles([
      { name: 'hermit-crab.png', mimeType: 'image/png', buffer: clear },
      { name: 'kelp.png', mimeType: 'image/png', buffer: await sharp(clear).negate().toBuffer() },
    ])
    await expect(cards).toHaveCount(9)
    await expect(teacher.getByRole('button', { name: 'hermit crab, on the ledge' })).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Undo' }).click()
    await expect(cards).toHaveCount(7)
  })

  await test.step('Check finds what is missing; the fix writes instructions', async () => {
    await teacher.getByRole('button', { name: 'Check' }).click()
    await expect(teacher.getByText('There are no instructions')).toBeVisible()
    await expect(teacher.getByText('There is no key')).toBeVisible()
    await teacher.getByRole('button', { name: 'Write “Put each card where it belongs.”' }).click()
    await expect(teacher.getByLabel('Instructions')).toHaveValue('Put each card where it belongs.')
    await expectAccessible(teacher)
  })

  await test.step('Answers: the pieces are dragged home and kept as the key, which is read back', async () => {
    await teacher.getByRole('button', { name: 'Answers' }).click()
    for (const [i, word] of WORDS.slice(0, 6).entries())
      await dragTo(teacher, word, await zonePoint(teacher, HOMES[word]!, 3, 0.15 + 0.13 * i))
    await teacher.getByRole('button', { name: 'Keep this as the key' }).click()
    await expect(teacher.getByTestId('key')).toContainText('Clings: limpet, barnacle, mussel')
    await expect(teacher.getByTestId('key')).toContainText('goby belongs nowhere')
    await dragTo(teacher, 'goby', await zonePoint(teacher, 2, 3, 0.3))
    await teacher.getByRole('button', { name: 'Keep this as the key' }).click()
    await expect(teacher.getByTestId('key')).toContainText('Swims: prawn, goby')
    await expectAccessible(teacher)
    await test.step('a rule fills the key as well, and says what fits no rule', async () => {
      await teacher.getByRole('button', { name: 'Fill by a rule' }).click()
      await teacher.getByLabel('Rule for Clings').selectOption('Words that contain')
      await expect(teacher.getByRole('button', { name: 'Fill the key' })).toBeDisabled()
      await teacher.getByLabel('Words that contain:').fill('m')
      await teacher.getByRole('button', { name: 'Fill the key' }).click()
      await expect(teacher.getByTestId('key')).toContainText('Clings: limpet, mussel')
      await expect(teacher.getByText('fits no rule and belongs nowhere')).toHaveText(/^barnacle/)
      await expect(teacher.getByTestId('key')).toContainText('Crawls: shore crab, sea star')
      await expectAccessible(teacher)
      await teacher.getByRole('button', { name: 'Undo' }).click()
      await expect(teacher.getByTestId('key')).toContainText('Clings: limpet, barnacle, mussel')
    })
    await teacher.getByRole('button', { name: 'Check' }).click()
    await expect(teacher.getByTestId('all-good')).toBeVisible()
    await teacher.getByRole('button', { name: 'Try it as a student' }).click()
    await dragTo(teacher, 'limpet', await zonePoint(teacher, 0))
    await teacher.getByRole('button', { name: 'What does the key say?' }).click()
    await expect(teacher.getByText('1 of 7 right, 0 on the line')).toBeVisible()
    await teacher.getByRole('button', { name: 'Back to the workbench' }).click()
    await kept(teacher)
  })

  await test.step('everything is there after a reload', async () => {
    await teacher.reload()
    await expect(teacher.getByLabel('Instructions')).toHaveValue('Put each card where it belongs.')
    await expect(teacher.getByRole('group', { name: 'Ledge' }).getByRole('img')).toHaveCount(7)
  })

  await test.step('makes a class from pasted names: doubles are shown, nobody is half-imported', async () => {
    await teacher.goto(`${address}/classes`)
    await expectAccessible(teacher)
    await teacher.getByLabel('New class').fill('Year 5/6')
    await teacher.getByRole('button', { name: 'Make the class' }).click()
    await teacher.getByRole('button', { name: 'Add or update names' }).click()
    await teacher.getByTestId('names').fill('Marlo Tern\n\nInka Petrel\nmarlo tern\nنور\n')
    await expect(teacher.getByText('One row needs a look')).toBeVisible()
    await expect(teacher.getByText('Row 4 marlo tern')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Leave out: Row 4' }).click()
    await teacher.getByRole('button', { name: 'Make 3 changes' }).click()
    await expect(teacher.getByRole('heading', { name: '3 students' })).toBeVisible()
  })

  const lesson = await test.step('gives out a copy each, and gets a code, a link and a QR code', async () => {
    await teacher.goto(`${address}/shelf`)
    await teacher.getByRole('link', { name: 'Open How do they hold on?' }).click()
    await teacher.getByRole('button', { name: 'Give out', exact: true }).click()
    await expect(teacher.getByText('Each of the 3 students in Year 5/6 gets a copy of their own.')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Give out 3 copies' }).click()
    const code = (await teacher.getByTestId('code').textContent())!
    expect(code).toMatch(/^[A-Z0-9]{3} [A-Z0-9]{3}$/)
    const link = new URL(await teacher.getByTestId('link').inputValue())
    expect(link.searchParams.get('class')).toBe(code.replace(' ', ''))
    await expect(teacher.getByAltText('QR code')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('link', { name: 'Walk round' }).click()
    await expect(teacher.locator('[data-slate]')).toHaveCount(3)
    await expectAccessible(teacher)
    const classes = (await (await teacher.request.get(`${address}/api/classes`)).json()) as { id: string }[]
    const { students } = (await (await teacher.request.get(`${address}/api/classes/${classes[0]!.id}`)).json()) as {
      students: Student[]
    }
    return { code, handout: link.searchParams.get('handout')!, students }
  })
  const marlo = teacher.locator('[data-slate="Marlo Tern"]')
  await expect(marlo).toContainText('not opened')

  const context = await browser.newContext()
  let student = await context.newPage()
  await test.step('a wrong picture password is refused in words', async () => {
    await student.goto(`${address}/join`)
    await expectAccessible(student)
    await student.getByLabel('Class code').fill(lesson.code.toLowerCase())
    await student.getByRole('button', { name: 'Next' }).click()
    await expect(student.getByRole('button', { name: 'Marlo Tern' })).toBeVisible()
    await expectAccessible(student)
    await student.getByRole('button', { name: 'Marlo Tern' }).click()
    for (let i = 0; i < 3; i++) await student.getByRole('button', { name: 'bell', exact: true }).click()
    await expect(student.getByRole('alert')).toContainText('not your three pictures')
    await expectAccessible(student)
  })

  await test.step('a student comes in by the link and moves cards; the teacher sees each move as it happens', async () => {
    await comeIn(student, address, lesson, 'Marlo Tern')
    await expect(marlo).toContainText('0 of 7')
    await expectAccessible(student)
    await dragTo(student, 'limpet', await zonePoint(student, 0, 3, 0.2))
    await expect(piece(student, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await expect(marlo).toContainText('1 of 7')
    await dragTo(student, 'prawn', await zonePoint(student, 1, 3, 0.2))
    await dragTo(student, 'goby', await zonePoint(student, 2, 3, 0.2))
    await expect(marlo).toContainText('3 of 7')
    await student.getByRole('button', { name: 'Undo' }).click()
    await expect(marlo).toContainText('2 of 7')
  })

  await test.step("the backdrop and the zones can't be moved by any means", async () => {
    const page = student.getByRole('group', { name: 'Page', exact: true })
    const furniture = () =>
      page.evaluate(svg =>
        [...svg.querySelectorAll('image, rect[stroke-dasharray], text[font-weight]')].map(e => e.outerHTML).join('\n'),
      )
    const before = await furniture()
    expect(before).toContain('Clings')
    const at = await zonePoint(student, 2, 3, 0.9)
    await student.mouse.move(at.x, at.y)
    await student.mouse.down()
    await student.mouse.move(at.x - 300, at.y - 200, { steps: 5 })
    await student.mouse.up()
    await student.mouse.dblclick(at.x, at.y)
    await student.keyboard.press('Control+A')
    await student.keyboard.press('Delete')
    await student.keyboard.press('Backspace')
    expect(await furniture()).toBe(before)
    await student.getByRole('button', { name: 'Start again' }).click()
    await expect(marlo).toContainText('0 of 7')
    expect(await furniture()).toBe(before)
    await student.getByRole('button', { name: 'Undo' }).click()
    await expect(marlo).toContainText('2 of 7')
  })

  await test.step('closes the tablet half-way, opens it again, and everything is there; undo too', async () => {
    await student.close()
    student = await context.newPage()
    await student.goto(`${address}/desk`)
    await expect(student.getByText('Go on with it')).toBeVisible()
    await expectAccessible(student)
    await student.getByRole('link', { name: 'How do they hold on?' }).click()
    await expect(piece(student, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await expect(piece(student, 'prawn')).toHaveAccessibleName('prawn, in Crawls')
    await dragTo(student, 'mussel', { ...(await zonePoint(student, 0)), x: (await zonePoint(student, 0.5)).x })
    await expect(marlo).toContainText('3 of 7')
  })

  await test.step('hands in: what is empty is said first, and then nothing moves', async () => {
    await student.getByRole('button', { name: 'Hand in' }).click()
    await expect(student.getByText('4 cards are still on the ledge or in no place')).toBeVisible()
    await expectAccessible(student)
    await student.getByRole('button', { name: 'Hand it in now' }).click()
    await expect(student.getByText('Handed in', { exact: true })).toBeVisible()
    await expect(marlo).toContainText('handed in')
    await expect(student.getByRole('button', { name: 'limpet' })).toHaveCount(0)
    await expectAccessible(student)
  })

  await test.step('the teacher sees what the key says of every card, decides what is on the line, and writes in the margin', async () => {
    await marlo.click()
    await expect(teacher.getByTestId('score')).toHaveText('1 of 7')
    await expect(teacher.getByText('In Crawls, belongs in Swims')).toBeVisible()
    await expect(teacher.getByText('1 on the line')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Call mussel right' }).click()
    await expect(teacher.getByTestId('score')).toHaveText('2 of 7')
    await teacher.getByRole('button', { name: 'Pen' }).click()
    const box = (await teacher.getByTestId('pen').boundingBox())!
    await teacher.mouse.move(box.x + 100, box.y + 100)
    await teacher.mouse.down()
    await teacher.mouse.move(box.x + 220, box.y + 160, { steps: 8 })
    await teacher.mouse.up()
    await expect(teacher.locator('[data-margin=ink] path')).toHaveCount(1)
    await teacher.getByRole('button', { name: 'Note', exact: true }).click()
    await teacher.getByRole('button', { name: 'Note on prawn' }).click()
    await teacher.getByLabel('What do you want to say?').fill('Does a prawn walk?')
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Pin it' }).click()
    await expect(teacher.getByText('Does a prawn walk?')).toBeVisible()
    await teacher.getByLabel('A word to the student').fill('Good start.')
    await expect(student.getByText('Does a prawn walk?')).toHaveCount(0)
    await teacher.getByRole('button', { name: 'Hand back to Marlo Tern' }).click()
    await expect(teacher.getByText('The student sees your margin now.')).toBeVisible()
  })

  await test.step("the student sees the margin without a reload, and can't change it", async () => {
    await expect(student.getByText('Does a prawn walk?')).toBeVisible()
    await expect(student.getByText('Good start.')).toBeVisible()
    await expect(student.locator('[data-margin=ink] path').first()).toBeVisible()
    await expectAccessible(student)
    const slate = student.url().split('/').at(-1)!
    const item = (
      (await (await student.request.get(`${address}/api/slates/${slate}`)).json()) as { margin: { id: string }[] }
    ).margin[0]!.id
    const refused = await student.request.put(`${address}/api/slates/${slate}/margin/${item}`, {
      data: { removed: true },
    })
    expect(refused.status()).toBe(403)
    await student.reload()
    await expect(student.getByText('Does a prawn walk?')).toBeVisible()
  })
})
