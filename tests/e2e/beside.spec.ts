import { setHints, setReading } from '../../core/design/around'
import { pageId, shore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, makeLesson, toOneFrame, piece, signInTeacher, zonePoint } from './class'
import { NAMES, student, test } from './frames'

test.use({ testIdAttribute: 'data-test' })

test('a second try keeps the first beside it, hints come one by one and are seen by the teacher, notes are answered', async ({
  browser,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const page = pageId('page')
  const lesson = await makeLesson(
    address,
    NAMES,
    setHints(shore(), page, null, 'Look at the feet.\nThe limpet never lets go.'),
  )
  const slate = lesson.slates.find(s => s.name === 'Ada Fern')!.id
  await lesson.teacher.must('PUT', `/api/handouts/${lesson.handout}`, { rules: { secondTry: true, takeBack: true } })
  const ada = await student({ browser, address, lesson, name: 'Ada Fern' })
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
  await lesson.teacher.must('POST', `/api/slates/${slate}/margin`, {
    item: { kind: 'note', page, at: { to: 'piece', piece: 'c0' }, text: 'Does it crawl?' },
  })
  await teacher.getByRole('button', { name: 'Hand back to Ada Fern' }).click()
  await expect(ada.getByText('Does it crawl?')).toBeVisible()
  await ada.getByRole('button', { name: 'Answer' }).click()
  await ada.getByLabel('Your answer').fill('A little, at night.')
  await ada.keyboard.press('Enter')
  // It stands there once it has arrived.
  await expect(ada.getByText('A little, at night.')).toBeVisible()
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

test("what to do, and what stands on cards, is read aloud word by word where there is a voice; the ledge's buttons stand where the hand is", async ({
  browser,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES, setReading(shore(), { readPieces: true }))
  // Without a voice there is nothing to press.
  const silent = await student({ browser, address, lesson, name: 'Bo Kelp' })
  await expect(silent.getByRole('button', { name: 'Read aloud' })).toHaveCount(0)

  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  // A stand-in for the device's voice: it says where it is only when it is told to.
  await page.addInitScript(() => {
    const voices = [
      { lang: 'de-DE', localService: true, name: 'D' },
      { lang: 'en-GB', localService: true, name: 'E' },
    ]
    const said: { text: string; lang: string; onboundary: (event: object) => void; onend: () => void }[] = []
    const synthesis = Object.assign(new EventTarget(), {
      getVoices: () => voices,
      speak: (one: (typeof said)[number]) => said.push(one),
      cancel: () => {},
    })
    Object.defineProperty(window, 'speechSynthesis', { value: synthesis })
    Object.assign(window, {
      said,
      SpeechSynthesisUtterance: class {
        constructor(readonly text: string) {}
      },
    })
  })
  await comeIn(page, address, lesson, 'Ada Fern')
  await page.getByRole('button', { name: 'Read aloud' }).click()
  const at = (charIndex: number) =>
    page.evaluate(
      index =>
        (window as unknown as { said: { onboundary: (event: object) => void }[] }).said
          .at(-1)!
          .onboundary({ name: 'word', charIndex: index }),
      charIndex,
    )
  await at(5)
  await expect(page.getByTestId('spoken')).toHaveText('the')
  await at(9)
  await expect(page.getByTestId('spoken')).toHaveText('cards.')
  await expectAccessible(page)
  await page.evaluate(() => (window as unknown as { said: { onend: () => void }[] }).said.at(-1)!.onend())
  await expect(page.getByTestId('spoken')).toHaveCount(0)
  await piece(page, 'limpet').click()
  await page.getByRole('toolbar').getByRole('button', { name: 'Read aloud' }).click()
  expect(
    await page.evaluate(() => (window as unknown as { said: { text: string; lang: string }[] }).said.at(-1)!.text),
  ).toBe('limpet')

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

test("one's own part of a frame stands in the light, and another's refuses what is put into it", async ({
  browser,
  school,
}) => {
  test.setTimeout(120_000)
  const board = shore()
  const parted = {
    ...board,
    pages: board.pages.map(page => ({
      ...page,
      places: page.places.map((place, i) => (i < 2 ? { ...place, part: i + 1 } : place)),
    })),
  }
  const lesson = await makeLesson(school.address, NAMES.slice(0, 2), parted)
  const { handout } = await toOneFrame(lesson)
  const ada = await student({ browser, address: school.address, lesson: { ...lesson, handout }, name: 'Ada Fern' })
  await expect(ada.locator('[data-part=mine]')).toHaveText('Your part')
  await expect(ada.locator('[data-part=other]')).toHaveText('Bo')
  await dragTo(ada, 'limpet', await zonePoint(ada, 1))
  await expect(ada.getByRole('alert')).toContainText('belongs to somebody else in your group')
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, on the ledge')
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  const bo = await student({ browser, address: school.address, lesson: { ...lesson, handout }, name: 'Bo Kelp' })
  await expect(bo.locator('[data-part=mine]')).toHaveText('Your part')
  await dragTo(bo, 'limpet', await zonePoint(bo, 2))
  await expect(bo.getByRole('alert')).toContainText('belongs to somebody else in your group')
  await expectAccessible(bo)
  // On a phone the page is larger than its frame: it opens at one's own part.
  const phone = await student({
    browser,
    address: school.address,
    lesson: { ...lesson, handout },
    name: 'Bo Kelp',
    options: { viewport: { width: 360, height: 740 }, hasTouch: true },
  })
  await expect
    .poll(() =>
      phone.locator('[data-part=mine]').evaluate(mine => {
        const [part, frame] = [mine.getBoundingClientRect(), mine.closest('[data-frame]')!.getBoundingClientRect()]
        return part.left >= frame.left && part.right <= frame.right
      }),
    )
    .toBe(true)
  for (const page of [ada, bo, phone]) await page.context().close()
})
