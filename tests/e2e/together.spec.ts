import type { Browser, Page } from '@playwright/test'
import { setExplain, setHints, setNotes, setReading } from '../../core/design/around'
import { duplicatePage } from '../../core/design/pages'
import { startApplication, type Application } from '../application'
import { counting, pageId, shore } from '../boards'
import { createDatabase } from '../database'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, giveOutTo, makeLesson, piece, signInTeacher, test as base, zonePoint, type Lesson } from './class'

/** An application that can be killed and started again at the same address. */
const test = base.extend<{ school: { address: string, gone: () => Promise<void>, back: () => Promise<void> } }>({
  school: async ({ browserName: _browserName }, use) => {
    const { url, drop } = await createDatabase()
    let application: Application = await startApplication(url)
    const { address } = application
    await use({ address, gone: () => application.stop('SIGKILL'), back: async () => void (application = await startApplication(url, Number(new URL(address).port))) })
    await application.stop()
    await drop()
  },
})
test.use({ testIdAttribute: 'data-test' })

const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack']

/** Two pages, a reason asked for and room for notes, given to one frame of all. */
async function frameOfFour(address: string, rules: object): Promise<Lesson> {
  const page = pageId('page')
  const board = setHints(setNotes(setExplain(shore(), page, 'page'), page, true), page, null, 'Look at the feet.\nThe limpet never lets go.')
  const lesson = await makeLesson(address, NAMES, duplicatePage(board, page, counting('second')))
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, { name: 'All', groups: [{ name: 'Oak', mark: 'oak', students: lesson.students.map(s => s.id) }] })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId, set }], mode: 'frame-per-group', rules })
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { ...lesson, handout, slates }
}
async function student(browser: Browser, address: string, lesson: Lesson, name: string, options = {}): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, ...options })).newPage()
  await comeIn(page, address, lesson, name)
  return page
}

test('four work in one frame by mouse, finger and keys: each sees who is here and what they hold, and nothing is lost', async ({ browser, school }) => {
  test.setTimeout(240_000)
  const { address } = school
  const lesson = await frameOfFour(address, { talk: true, handInBy: 'all-done' })
  const [ada, bo, cy, dee] = await Promise.all([student(browser, address, lesson, 'Ada Fern'), student(browser, address, lesson, 'Bo Kelp', { hasTouch: true }), student(browser, address, lesson, 'Cy Gull'), student(browser, address, lesson, 'Dee Wrack')]) as [Page, Page, Page, Page]
  const all = [ada, bo, cy, dee]

  await test.step('who is here is seen by all', async () => {
    for (const page of all) await expect(page.getByTestId('together').getByRole('listitem')).toHaveText([/Ada F\. (here|you)/, /Bo K\. (here|you)/, /Cy G\. (here|you)/, /Dee W\. (here|you)/])
    await expectAccessible(ada)
  })

  await test.step('what one holds is seen by the others with whose hand it is, until it lies', async () => {
    const box = (await piece(ada, 'limpet').boundingBox())!
    const to = await zonePoint(ada, 0)
    await ada.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await ada.mouse.down()
    await ada.mouse.move(to.x - 40, to.y, { steps: 5 })
    for (const page of [bo, cy, dee]) await expect(page.getByTestId('held-by-others')).toContainText('Ada F.')
    await ada.mouse.move(to.x, to.y)
    await ada.mouse.up()
    for (const page of all) {
      await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, in Clings')
      await expect(page.getByTestId('held-by-others')).not.toContainText('Ada F.')
    }
  })

  await test.step('by finger and by keys too', async () => {
    await piece(bo, 'prawn').tap()
    const swims = await zonePoint(bo, 2)
    await bo.touchscreen.tap(swims.x, swims.y)
    await piece(cy, 'sea star').focus()
    await cy.keyboard.press('Enter')
    await cy.keyboard.press('ArrowRight')
    await cy.keyboard.press('Enter')
    for (const page of all) {
      await expect(piece(page, 'prawn')).toHaveAccessibleName('prawn, in Swims')
      await expect(piece(page, 'sea star')).toHaveAccessibleName(/in (Clings|Crawls)/)
    }
  })

  await test.step('one is offline for a while, and the server dies in the middle: all of it arrives', async () => {
    await dee.context().setOffline(true)
    await expect(ada.getByTestId('together')).toContainText('Dee W. away')
    await dragTo(dee, 'goby', await zonePoint(dee, 2, 3, 0.8))
    await expect(dee.getByTestId('kept')).toContainText('One move is kept on this device')
    await school.gone()
    await dragTo(ada, 'barnacle', await zonePoint(ada, 0, 3, 0.8))
    await school.back()
    await dee.context().setOffline(false)
    for (const page of all) {
      await expect(piece(page, 'goby')).toHaveAccessibleName('goby, in Swims', { timeout: 30_000 })
      await expect(piece(page, 'barnacle')).toHaveAccessibleName('barnacle, in Clings', { timeout: 30_000 })
      await expect(page.getByTestId('together').getByRole('listitem').filter({ hasText: 'away' })).toHaveCount(0, { timeout: 30_000 })
    }
  })

  await test.step('undo takes back what I did, never what another has done since, and says so', async () => {
    await dragTo(bo, 'limpet', await zonePoint(bo, 1))
    await expect(piece(dee, 'limpet')).toHaveAccessibleName('limpet, in Crawls')
    await dragTo(dee, 'limpet', await zonePoint(dee, 0, 3, 0.4))
    await expect(piece(bo, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await bo.getByRole('button', { name: 'Undo' }).click()
    await expect(bo.getByRole('alert')).toContainText('Somebody else has changed that since')
    await expect(piece(bo, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await bo.getByRole('button', { name: 'Undo' }).click()
    await expect(piece(bo, 'prawn')).toHaveAccessibleName('prawn, on the ledge')
  })

  await test.step('they talk beside the page, write notes together, and look along with who shows a page', async () => {
    await cy.getByRole('button', { name: 'Side talk' }).click()
    await cy.getByLabel('Say something to your group').fill('Is a sea star a crawler?')
    await cy.keyboard.press('Enter')
    await expect(ada.getByRole('button', { name: 'Side talk' })).toContainText('1 new')
    await ada.getByRole('button', { name: 'Side talk' }).click()
    await expect(ada.getByTestId('talk').getByRole('listitem')).toHaveText([/Cy G\.\s*Is a sea star a crawler\?/])
    await expectAccessible(ada)
    await ada.getByRole('button', { name: 'Reasons and notes' }).click()
    await ada.getByLabel('Notes to this page').fill('Tube feet, hundreds of them.')
    await ada.getByLabel('Notes to this page').blur()
    await dee.getByRole('button', { name: 'Reasons and notes' }).click()
    await expect(dee.getByLabel('Notes to this page')).toHaveValue('Tube feet, hundreds of them.')
    await dee.getByRole('button', { name: 'Show my page' }).click()
    await bo.getByRole('button', { name: 'Look along' }).click()
    await dee.getByRole('button', { name: 'Next page' }).click()
    await expect(bo.getByTestId('page-of')).toHaveText('Page 2 of 2')
    // Who looks around alone isn't led any more.
    await bo.getByRole('button', { name: 'Page before' }).click()
    await expect(bo.getByRole('button', { name: 'Look along' })).toBeVisible()
    await expect(bo.getByTestId('page-of')).toHaveText('Page 1 of 2')
  })

  await test.step('each says to be done, the reason is asked for, and one hands in for all', async () => {
    await ada.getByRole('button', { name: 'Hand in' }).click()
    await expect(ada.getByText('Still at work: Bo K., Cy G., Dee W.')).toBeVisible()
    await expect(ada.getByRole('button', { name: 'Hand it in now' })).toBeDisabled()
    for (const page of [bo, cy, dee]) await page.getByRole('button', { name: 'I am done' }).click()
    await ada.getByTestId('asked').getByLabel('Page 1: Why did you sort it like this?').fill('By how they hold on.')
    await ada.getByRole('button', { name: 'Hand it in now' }).click()
    for (const page of all) await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
  })

  await test.step('the teacher reads what was said and why, and hides a line', async () => {
    const teacher = await (await browser.newContext()).newPage()
    await signInTeacher(teacher, address, lesson.email, lesson.password)
    await teacher.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
    await expect(teacher.getByTestId('reasons')).toContainText('By how they hold on.')
    await expect(teacher.getByTestId('reasons')).toContainText('Tube feet, hundreds of them.')
    await expect(teacher.getByTestId('talk')).toContainText('Cy G.: Is a sea star a crawler?')
    await expectAccessible(teacher)
    await teacher.getByTestId('talk').getByRole('button', { name: 'Hide' }).click()
    await expect(ada.getByTestId('talk').getByRole('listitem').filter({ hasText: 'sea star' })).toHaveCount(0)
  })
  for (const page of all) await page.context().close()
})

test('who is moved to another frame while offline goes on there; what was made meanwhile stays on the device until it can go where it belongs', async ({ browser, application }) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES)
  const groups = [['Oak', 'oak', 0, 1], ['Ash', 'ash', 2, 3]].map(([name, mark, ...who]) => ({ name, mark, students: who.map(i => lesson.students[i as number]!.id) }))
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, { name: 'Two', groups })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId, set }], mode: 'frame-per-group' })
  const frames = async () => (await lesson.teacher.must<{ slates: { id: string, name: string, number: number }[] }>('GET', `/api/handouts/${handout}`)).slates
  const frame = async (name: string) => (await frames()).find(one => one.name === name)!
  const move = (to: string) => lesson.teacher.must('PUT', `/api/handouts/${handout}/members`, { student: lesson.students[0]!.id, to })
  const ada = await student(browser, address, { ...lesson, handout }, 'Ada Fern')
  await expect(ada.getByTestId('together')).toContainText('Bo K.')
  await ada.context().setOffline(true)
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await expect(ada.getByTestId('kept')).toContainText('One move is kept on this device')
  await move((await frame('Ash')).id)
  await ada.context().setOffline(false)
  await expect(ada.getByTestId('together')).toContainText('Cy G.', { timeout: 30_000 })
  await dragTo(ada, 'prawn', await zonePoint(ada, 2))
  await expect.poll(async () => [(await frame('Oak')).number, (await frame('Ash')).number]).toEqual([0, 1])
  // Back on the first frame, what was made for it goes there.
  await move((await frame('Oak')).id)
  await expect(ada.getByTestId('together')).toContainText('Bo K.', { timeout: 30_000 })
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  await expect.poll(async () => [(await frame('Oak')).number, (await frame('Ash')).number]).toEqual([1, 1])
})

test('a second try keeps the first beside it, hints come one by one and are seen by the teacher, notes are answered', async ({ browser, application }) => {
  test.setTimeout(120_000)
  const { address } = application
  const page = pageId('page')
  const lesson = await makeLesson(address, NAMES, setHints(shore(), page, null, 'Look at the feet.\nThe limpet never lets go.'))
  const slate = lesson.slates.find(s => s.name === 'Ada Fern')!.id
  await lesson.teacher.must('PUT', `/api/handouts/${lesson.handout}`, { rules: { secondTry: true, takeBack: true } })
  const ada = await student(browser, address, lesson, 'Ada Fern')
  await dragTo(ada, 'limpet', await zonePoint(ada, 1))
  await ada.getByRole('button', { name: 'Hint', exact: true }).click()
  await ada.getByRole('button', { name: 'Show a hint' }).click()
  await expect(ada.getByTestId('hints')).toContainText('Look at the feet.')
  await expect(ada.getByTestId('hints')).not.toContainText('never lets go')
  await expectAccessible(ada)
  const handIn = async () => {
    await ada.getByRole('button', { name: 'Hand in' }).click()
    await ada.getByRole('button', { name: 'Hand it in now' }).click()
    await expect(ada.getByText('Handed in', { exact: true })).toBeVisible()
  }
  await handIn()
  await ada.getByRole('button', { name: 'Take it back' }).click()
  await expect(ada.getByRole('button', { name: 'Hand in' })).toBeVisible()
  await expect(ada.getByRole('dialog')).toHaveCount(0)
  await handIn()

  const teacher = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  await teacher.goto(`${address}/handout/${lesson.handout}/review/${slate}`)
  await expect(teacher.getByTestId('reasons')).toContainText('1 of 2')
  await lesson.teacher.must('POST', `/api/slates/${slate}/margin`, { kind: 'note', page, piece: 'c0', text: 'Does it crawl?' })
  await teacher.getByRole('button', { name: 'Hand back to Ada Fern' }).click()
  await expect(ada.getByText('Does it crawl?')).toBeVisible()
  await ada.getByRole('button', { name: 'Answer' }).click()
  await ada.getByLabel('Your answer').fill('A little, at night.')
  await ada.keyboard.press('Enter')
  await expect(teacher.getByText('A little, at night.')).toHaveCount(0)
  await teacher.reload()
  await expect(teacher.getByText('A little, at night.')).toBeVisible()

  await ada.getByRole('button', { name: 'Try again' }).click()
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await ada.getByRole('button', { name: 'See it before' }).click()
  await expect(ada.getByTestId('before').getByRole('img', { name: 'limpet, in Crawls' })).toBeVisible()
  await expect(ada.getByTestId('before').getByRole('listitem')).toHaveText(['limpet: in Crawls, now in Clings'])
  await ada.getByRole('button', { name: 'Reasons and notes' }).click()
  await ada.getByLabel('What do you see differently now?').fill('It holds on by day.')
  await ada.getByLabel('What do you see differently now?').blur()
  await expectAccessible(ada)
  await ada.reload()
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  // What the teacher said of the first try stays to be read.
  await expect(ada.getByText('Does it crawl?')).toBeVisible()
  await expect(teacher.getByTestId('reasons')).toContainText('It holds on by day.')
  await teacher.getByRole('button', { name: 'See it before' }).click()
  await expect(teacher.getByTestId('before').getByRole('listitem')).toHaveText(['limpet: in Crawls, now in Clings'])
  await expectAccessible(teacher)
})

test('what to do, and what stands on cards, is read aloud word by word where there is a voice; the ledge\'s buttons stand where the hand is', async ({ browser, application }) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES, setReading(shore(), { readPieces: true }))
  // Without a voice there is nothing to press.
  const silent = await student(browser, address, lesson, 'Bo Kelp')
  await expect(silent.getByRole('button', { name: 'Read aloud' })).toHaveCount(0)

  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  // A stand-in for the device's voice: it says where it is only when it is told to.
  await page.addInitScript(() => {
    const voices = [{ lang: 'de-DE', localService: true, name: 'D' }, { lang: 'en-GB', localService: true, name: 'E' }]
    const said: { text: string, lang: string, onboundary: (event: object) => void, onend: () => void }[] = []
    const synthesis = Object.assign(new EventTarget(), { getVoices: () => voices, speak: (one: typeof said[number]) => said.push(one), cancel: () => {} })
    Object.defineProperty(window, 'speechSynthesis', { value: synthesis })
    Object.assign(window, { said, SpeechSynthesisUtterance: class { constructor(readonly text: string) {} } })
  })
  await comeIn(page, address, lesson, 'Ada Fern')
  await page.getByRole('button', { name: 'Read aloud' }).click()
  const at = (charIndex: number) => page.evaluate(index => (window as unknown as { said: { onboundary: (event: object) => void }[] }).said.at(-1)!.onboundary({ name: 'word', charIndex: index }), charIndex)
  await at(5)
  await expect(page.getByTestId('spoken')).toHaveText('the')
  await at(9)
  await expect(page.getByTestId('spoken')).toHaveText('cards.')
  await expectAccessible(page)
  await page.evaluate(() => (window as unknown as { said: { onend: () => void }[] }).said.at(-1)!.onend())
  await expect(page.getByTestId('spoken')).toHaveCount(0)
  await piece(page, 'limpet').click()
  await page.getByRole('toolbar').getByRole('button', { name: 'Read aloud' }).click()
  expect(await page.evaluate(() => (window as unknown as { said: { text: string, lang: string }[] }).said.at(-1)!.text)).toBe('limpet')

  const undo = page.getByRole('button', { name: 'Undo' })
  const [before, ledge] = [(await undo.boundingBox())!, (await page.getByTestId('ledge').boundingBox())!]
  expect(before.x).toBeGreaterThan(ledge.x + ledge.width / 2)
  await page.getByRole('button', { name: 'Keys', exact: true }).click()
  await page.getByLabel('Buttons of the ledge on the left, for left hands').check()
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await expect.poll(async () => (await undo.boundingBox())!.x).toBeLessThan(ledge.x + ledge.width / 2)
  await page.reload()
  await expect.poll(async () => (await undo.boundingBox())!.x).toBeLessThan(ledge.x + ledge.width / 2)
})

test('one\'s own part of a frame stands in the light, and another\'s refuses what is put into it', async ({ browser, school }) => {
  test.setTimeout(120_000)
  const board = shore()
  const parted = { ...board, pages: board.pages.map(page => ({ ...page, places: page.places.map((place, i) => i < 2 ? { ...place, part: i + 1 } : place) })) }
  const lesson = await makeLesson(school.address, NAMES.slice(0, 2), parted)
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, { name: 'All', groups: [{ name: 'Oak', mark: 'oak', students: lesson.students.map(s => s.id) }] })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId, set }], mode: 'frame-per-group' })
  const ada = await student(browser, school.address, { ...lesson, handout }, 'Ada Fern')
  await expect(ada.locator('[data-part=mine]')).toHaveText('Your part')
  await expect(ada.locator('[data-part=other]')).toHaveText('Bo')
  await dragTo(ada, 'limpet', await zonePoint(ada, 1))
  await expect(ada.getByRole('alert')).toContainText('belongs to somebody else in your group')
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, on the ledge')
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  const bo = await student(browser, school.address, { ...lesson, handout }, 'Bo Kelp')
  await expect(bo.locator('[data-part=mine]')).toHaveText('Your part')
  await dragTo(bo, 'limpet', await zonePoint(bo, 2))
  await expect(bo.getByRole('alert')).toContainText('belongs to somebody else in your group')
  await expectAccessible(bo)
  // On a phone the page is larger than its frame: it opens at one's own part.
  const phone = await student(browser, school.address, { ...lesson, handout }, 'Bo Kelp', { viewport: { width: 360, height: 740 }, hasTouch: true })
  await expect.poll(() => phone.locator('[data-part=mine]').evaluate((mine) => {
    const [part, frame] = [mine.getBoundingClientRect(), mine.closest('[data-frame]')!.getBoundingClientRect()]
    return part.left >= frame.left && part.right <= frame.right
  })).toBe(true)
  for (const page of [ada, bo, phone]) await page.context().close()
})
