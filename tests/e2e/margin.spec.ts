import { chromium } from '@playwright/test'
import { keyedShore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, toOneFrame, piece, signInTeacher, test } from './class'
import { workOn } from './working'
import { CHROMIUM } from '../browser'

test.use({ testIdAttribute: 'data-test' })

const board = keyedShore()
const WRONG = { c0: 'z1', c1: 'z0', c2: 'z0', c3: 'z1', c4: 'z1' }

test('a margin is ticked, highlighted, written and spoken on cards, places and the page; its student reads and hears it', async ({
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], board)
  await workOn(lesson, 'Ada Fern', { board, cards: WRONG })
  const slate = lesson.slates.find(one => one.name === 'Ada Fern')!.id
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  })
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await signInTeacher(page, address, lesson.email, lesson.password)
    await page.goto(`${address}/handout/${lesson.handout}/review/${slate}`)
    const tool = (name: string) =>
      page.getByRole('toolbar', { name: 'Margin' }).getByRole('button', { name, exact: true })
    const margin = page.locator('[data-test=margin]')

    // By keys: the tick is set on a card, taken away by the same, and set again.
    await tool('Tick').click()
    for (const pressed of ['Tick', 'no tick', 'Tick again']) {
      await page.getByRole('button', { name: 'Tick barnacle' }).press('Enter')
      const there = margin.getByRole('button', { name: 'Take the tick on barnacle away' })
      if (pressed === 'no tick') await expect(there).toHaveCount(0)
      else await expect(there).toBeVisible()
    }
    await tool('Highlight').click()
    const box = (await page.locator('[data-test=pen]').boundingBox())!
    await page.mouse.move(box.x + 60, box.y + 60)
    await page.mouse.down()
    await page.mouse.move(box.x + 240, box.y + 64, { steps: 6 })
    await page.mouse.up()
    await expect(margin.getByText('One stroke on page 1')).toBeVisible()

    const note = async (about: string, words: string) => {
      await tool('Note').click()
      await page.getByRole('button', { name: about, exact: true }).press('Enter')
      await page.getByLabel('What do you want to say?').fill(words)
      await page.getByRole('button', { name: 'Pin it' }).click()
    }
    await note('Note on Crawls', 'One of these moves when nobody looks')
    await note('The page itself', 'A tidy page')
    await tool('Speak').click()
    await page.getByRole('button', { name: 'Speak about limpet' }).press('Enter')
    await page.getByRole('button', { name: 'Start recording' }).click()
    await expect(page.locator('[data-test=recorded]')).toContainText('0:01')
    await page.getByRole('button', { name: 'Stop' }).click()
    await page.getByRole('button', { name: 'Take it' }).click()
    await expect(margin.getByRole('button', { name: /Hear the note on limpet/ })).toBeVisible()
    // What was said of this place before is offered there first.
    await tool('Note').click()
    await page.getByRole('button', { name: 'Note on Crawls', exact: true }).press('Enter')
    await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText('One of these moves')
    await page.getByRole('button', { name: 'Cancel' }).click()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Hand back to Ada Fern' }).click()
    await expect(page.getByText('Handed back. The student sees your margin now.')).toBeVisible()

    const ada = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await comeIn(ada, address, lesson, 'Ada Fern')
    const told = ada.getByRole('complementary', { name: 'From your teacher' })
    await expect(told).toContainText('One of these moves when nobody looks')
    await expect(told).toContainText('A tidy page')
    await expect(told).toContainText('Ticked: barnacle')
    const heard = ada.waitForResponse(reply => reply.url().includes('/api/clips/'))
    await told.getByRole('button', { name: /Hear the note on limpet/ }).click()
    expect((await heard).status()).toBeLessThan(300)
    await expect(ada.getByRole('img', { name: 'Ticked: barnacle' })).toBeVisible()
    await expectAccessible(ada)
  } finally {
    await browser.close()
  }
})

test('part points add up by keys, a word and a time go with handing back, and what a second try gained is said', async ({
  page,
  application,
  browser,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], board)
  for (const name of ['Ada Fern', 'Bo Kelp']) await workOn(lesson, name, { board, cards: WRONG })
  const slate = lesson.slates.find(one => one.name === 'Ada Fern')!.id
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}/review/${slate}`)
  const list = page.getByRole('list', { name: 'Each piece' })
  await expect(list.getByRole('listitem').first()).toBeFocused()
  const score = page.getByTestId('score')
  await expect(score).toHaveText('5 of 6')
  await page.keyboard.press('.')
  await expect(score).toHaveText('5.5 of 6')
  await page.keyboard.press('1')
  await expect(score).toHaveText('6 of 6')
  await page.keyboard.press('0')
  await expect(score).toHaveText('5 of 6')
  await page.keyboard.press('.')
  // More than there is can't be given.
  await page.keyboard.press('9')
  await expect(score).toHaveText('5.5 of 6')

  await page.getByRole('link', { name: 'Walk-round' }).click()
  // The page that is left has a button that hands back at once.
  await page.waitForURL(`${address}/handout/${lesson.handout}`)
  await page.getByRole('button', { name: 'Hand back', exact: true }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('A word to all of them').fill('We look at feet on Friday.')
  await dialog.getByLabel('At a time').check()
  await dialog.getByLabel('On', { exact: true }).fill('2099-01-05')
  await dialog.getByRole('button', { name: 'Hand back then' }).click()
  await expect(page.getByText(/They go back on Monday.* 5 January 2099/)).toBeVisible()
  await page.getByRole('button', { name: 'Hand back' }).click()
  await expect(dialog.getByTestId('planned')).toContainText('5 January 2099')
  await dialog.getByRole('button', { name: 'Don’t' }).click()
  await expect(dialog.getByTestId('planned')).toHaveCount(0)
  await dialog.getByLabel('A word to all of them').fill('We look at feet on Friday.')
  await dialog.getByLabel(/They go on with it/).check()
  await dialog.getByRole('button', { name: 'Hand back 2' }).click()
  await expect(page.getByText('2 slates handed back.')).toBeVisible()

  await workOn(lesson, 'Ada Fern', { board, cards: { c0: 'z0', c1: 'z2' }, handIn: true, round: 'two' })
  await page.goto(`${address}/handout/${lesson.handout}/review/${slate}`)
  await page.getByRole('button', { name: 'See it before' }).click()
  const gains = page.getByTestId('gains')
  await expect(gains).toContainText('1 gained')
  await expect(gains).toContainText('limpet')
  await expect(gains).toContainText('1 lost')
  await expect(page.getByTestId('before')).toContainText('limpet')
  await expectAccessible(page)

  // What that was, the student knows once it is handed back; and what either writes to the other, only these two read.
  await page.getByRole('button', { name: 'Hand back to Ada Fern' }).click()
  await expect(page.getByText('Handed back. The student sees your margin now.')).toBeVisible()
  await page.goto(`${address}/handout/${lesson.handout}/review/${slate}`)
  await page.getByLabel('Write to this student').fill('How did you tell?')
  await page.getByTestId('talk').getByRole('button', { name: 'Send' }).click()
  const ada = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await comeIn(ada, address, lesson, 'Ada Fern')
  await ada.getByRole('button', { name: /Write to your teacher.*1 new/ }).click()
  const line = ada.getByTestId('talk')
  await expect(line).toContainText('How did you tell?')
  await line.getByRole('textbox', { name: 'Write to your teacher' }).fill('By its foot')
  await ada.keyboard.press('Enter')
  await expect(page.getByTestId('talk')).toContainText('By its foot')
  await expectAccessible(ada)
  await ada.getByRole('button', { name: 'See it before' }).click()
  await expect(ada.getByTestId('gains')).toContainText('1 gained')
  await expect(ada.getByTestId('gains')).toContainText('1 lost')
  await expectAccessible(ada)
  await ada.reload()
  await expect(ada.getByRole('button', { name: 'Write to your teacher', exact: true })).toBeVisible()
  const bo = await (await browser.newContext()).newPage()
  await comeIn(bo, address, lesson, 'Bo Kelp')
  await expect(bo.getByRole('button', { name: /Write to your teacher/ })).toHaveCount(0)
})

test('of a frame one gets points and a word alone, beside what all get together; the others don’t see them', async ({
  page,
  application,
  browser,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], board)
  const { handout } = await toOneFrame(lesson, { counting: { counts: 'points', points: 10 } })
  const { slates } = await lesson.teacher.must<{ slates: { id: string }[] }>('GET', `/api/handouts/${handout}`)
  const student = async (name: string) => {
    const own = await (await browser.newContext()).newPage()
    await comeIn(own, address, { ...lesson, handout }, name)
    return own
  }
  const [ada, bo] = [await student('Ada Fern'), await student('Bo Kelp')]
  await piece(ada, 'limpet').press('Enter')
  await ada.keyboard.press('Enter')
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${handout}/review/${slates[0]!.id}`)
  const alone = page.getByTestId('alone')
  await expect(alone).toContainText(/Ada Fern: [1-9] of [1-9] moves/)
  await expect(alone).toContainText(/Bo Kelp: 0 of/)
  await page.getByLabel('Points, of 10').fill('7')
  await alone.getByLabel('Points for Ada Fern alone, of 10').fill('8.5')
  await alone.getByLabel('A word to Ada Fern alone').fill('You led it')
  await alone.getByLabel('A word to Bo Kelp alone').fill('Say what you think')
  await page.getByRole('button', { name: 'Hand back to Oak' }).click()
  const told = (of: typeof ada) => of.getByRole('complementary', { name: 'From your teacher' })
  await expect(told(ada)).toContainText('Together: 7 of 10 points')
  await expect(told(ada)).toContainText('You alone: 8.5 of 10 points')
  await expect(told(ada)).toContainText('You led it')
  await expect(told(bo)).toContainText('7 of 10 points')
  await expect(told(bo)).toContainText('Say what you think')
  await expect(told(bo)).not.toContainText('You led it')
  await expect(told(bo)).not.toContainText('8.5')
})
