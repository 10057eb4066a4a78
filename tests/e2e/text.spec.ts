import { breakLines } from '../../core/text/lines'
import { textWidth } from '../../core/text/measure'
import { unicodeBreaks } from '../../core/text/unicodeBreaks'
import { setReading } from '../../core/design/around'
import { shore, sortBoard } from '../boards'
import { comeIn, dragTo, expect, makeLesson, piece, test, zonePoint } from './class'

test.use({ testIdAttribute: 'data-test' })

const SAMPLES = [
  'limpet',
  'How do they hold on?',
  'first office fish flow',
  'AV To Ta we',
  'éàüñçßø ŵŷ',
  '1 234 × 5 ÷ ½ − 7',
  'three well-known sea-side words in a row',
  'Zoë said: “quite so” … and left',
]

test('lines are as wide in the browser as the core measures them', async ({ page, application }) => {
  const lesson = await makeLesson(application.address)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const measured = await page.evaluate(async samples => {
    await document.fonts.load('20px Andika', samples.join(''))
    await document.fonts.load('bold 20px Andika', samples.join(''))
    const svg = document.body.appendChild(document.createElementNS('http://www.w3.org/2000/svg', 'svg'))
    const width = (text: string, weight: string) => {
      const element = svg.appendChild(document.createElementNS('http://www.w3.org/2000/svg', 'text'))
      element.setAttribute('class', 'board-text')
      element.setAttribute('font-size', '20')
      element.setAttribute('font-weight', weight)
      element.textContent = text
      return element.getComputedTextLength()
    }
    return samples.map(s => ({ regular: width(s, '400'), bold: width(s, '700') }))
  }, SAMPLES)
  for (const [i, text] of SAMPLES.entries()) {
    expect.soft(measured[i]!.regular, text).toBeCloseTo(textWidth(text, 20), 0)
    expect.soft(measured[i]!.bold, text).toBeCloseTo(textWidth(text, 20, 'bold'), 0)
  }
  // A width at which the browser's own measure and the core's agree on where the line ends.
  const lines = breakLines(SAMPLES[6]!, 160, 20)
  expect(lines.length).toBeGreaterThan(2)
})

test('emoji, Arabic and Chinese ship with the application, for devices that have no letters for them', async ({
  page,
  application,
}) => {
  await page.goto(`${application.address}/sign-in`)
  await expect(page.getByLabel('Password')).toBeVisible()
  const listed = () => page.evaluate(() => [...document.fonts].some(font => font.family.includes('Noto Sans SC')))
  await page.waitForLoadState('networkidle')
  // The list of Chinese letters lays a page out anew: it comes when there is one to show.
  expect(await listed()).toBe(false)
  await page.getByLabel('E-mail address').fill('螃')
  await expect.poll(listed).toBe(true)
  const loaded = (family: string, text: string) =>
    page.evaluate(
      async ([family, text]) => (await document.fonts.load(`20px "${family}"`, text)).map(font => font.status),
      [family, text] as const,
    )
  for (const [family, text] of [
    ['Noto Emoji', '🦀'],
    ['Noto Sans Arabic', 'سرطان'],
    ['Noto Sans SC', '螃蟹'],
  ] as const) {
    const faces = await loaded(family, text)
    expect.soft(faces.length, family).toBeGreaterThan(0)
    expect
      .soft(
        faces.every(status => status === 'loaded'),
        family,
      )
      .toBe(true)
  }
})

test('a page with Chinese words on it fetches their letters', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], sortBoard(['Clings'], ['螃蟹']))
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await expect
    .poll(() => page.evaluate(() => document.fonts.check('20px "Noto Sans SC"', '螃蟹') && document.fonts.size > 100))
    .toBe(true)
})

test('a card in a script without spaces is drawn with the lines of all scripts, which a plain board never fetches', async ({
  browser,
  application,
}) => {
  // Tibetan: lines end after a tsheg, which the short rules don't know.
  const text = 'བོད་སྐད་ཡིག་ཆ་མཚོ་ཁ་བྱ་དཀར་པོ་ཉ་ཆུང་ཆུང'
  const board = shore()
  const [first, ...others] = board.pages[0]!.pieces
  const named = { ...board, pages: [{ ...board.pages[0]!, pieces: [{ ...first!, text }, ...others] }] } as typeof board
  const scripts = async (made: typeof board) => {
    const lesson = await makeLesson(application.address, undefined, made)
    const page = await (await browser.newContext()).newPage()
    const fetched: Promise<string>[] = []
    page.on('response', response => {
      if (response.url().endsWith('.js')) fetched.push(response.text().catch(() => ''))
    })
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await page.waitForLoadState('networkidle')
    const rules = (await Promise.all(fetched)).some(script => script.includes('nextBreak'))
    const lines = await page.locator(`[data-piece="${first!.id}"] text`).allTextContents()
    await page.context().close()
    return { rules, lines }
  }
  expect((await scripts(board)).rules).toBe(false)
  const tibetan = await scripts(named)
  expect(tibetan.rules).toBe(true)
  expect(tibetan.lines.join('')).toBe(text)
  expect(tibetan.lines.length).toBeGreaterThan(1)
  const may = new Set(unicodeBreaks(text))
  let at = 0
  for (const line of tibetan.lines) expect(may.has((at += line.length)), line).toBe(true)
})

test('a word that is wider than its card is divided in the language of the board', async ({ page, application }) => {
  const german = setReading(sortBoard(['Küste'], ['Gezeitenkraftwerk', 'Donaudampfschifffahrtsgesellschaft', 'Ebbe']), {
    language: 'de-DE',
  })
  const narrow = {
    ...german,
    masters: german.masters.map(master => ({ ...master, fixed: true, width: 130, height: 110 })),
  }
  const lesson = await makeLesson(application.address, ['Ada Fern'], narrow)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await expect(page.getByRole('group', { name: 'Page', exact: true })).toHaveAttribute('lang', 'de-DE')
  await expect
    .poll(() => piece(page, 'Gezeitenkraftwerk').locator('text').allTextContents())
    .toEqual(['Gezeiten-', 'kraftwerk'])
  await expect(piece(page, 'Ebbe').locator('text')).toHaveText(['Ebbe'])
})

test('words of a board in another language are marked as such in what is said, in feedback, and in how it was before', async ({
  page,
  application,
}) => {
  const [clings, swims, limpet] = ['يلتصق', 'يسبح', 'بلح البحر']
  const arabic = setReading(sortBoard([clings, swims], [limpet, 'سمكة']), { language: 'ar-SA' })
  const lesson = await makeLesson(application.address, ['Ada Fern'], {
    ...arabic,
    feedback: 'asked',
    keys: [{ kind: 'sort', id: 'k', page: 'page', homes: { c0: ['z0'] } }] as unknown as typeof arabic.keys,
  })
  await lesson.teacher.must('PUT', `/api/handouts/${lesson.handout}`, { rules: { secondTry: true } })
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await page.evaluate(() => {
    const heard: string[] = []
    Object.assign(globalThis, { heard })
    new MutationObserver(() => {
      for (const said of document.querySelectorAll('[aria-live] bdi[lang=ar-SA]')) heard.push(said.textContent!)
    }).observe(document.body, { subtree: true, childList: true, characterData: true })
  })
  await dragTo(page, limpet, await zonePoint(page, 1, 2))
  await expect
    .poll(() => page.evaluate(() => (globalThis as unknown as { heard: string[] }).heard))
    .toEqual(expect.arrayContaining([limpet, swims]))
  await expect(page.getByTestId('kept')).toHaveText('Every move is kept')

  await page.getByRole('button', { name: 'How am I doing?' }).click()
  const feedback = page.getByTestId('feedback')
  await expect(feedback.locator('[lang=ar-SA]', { hasText: limpet })).toHaveCount(1)
  await expect(feedback.locator('[lang=ar-SA]', { hasText: swims })).not.toHaveCount(0)
  // The application's own words are none of the board's.
  await expect(feedback.getByRole('heading')).not.toHaveAttribute('lang')

  await page.getByRole('button', { name: 'Hand in' }).click()
  await page.getByRole('button', { name: 'Hand it in now' }).click()
  await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
  await lesson.teacher.must(
    'POST',
    `/api/slates/${lesson.slates.find(one => one.name === 'Ada Fern')!.id}/hand-back`,
    {},
  )
  await page.getByRole('button', { name: 'Try again' }).click()
  await dragTo(page, limpet, await zonePoint(page, 0, 2))
  await page.getByRole('button', { name: 'See it before' }).click()
  const moved = page.getByTestId('before').getByRole('listitem')
  await expect(moved).toHaveText([`${limpet}: in ${swims}, now in ${clings}`])
  expect(await moved.locator('bdi[lang=ar-SA]').allTextContents()).toEqual([limpet, swims, clings])
})
