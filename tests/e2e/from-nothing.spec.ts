import type { Browser, Page } from '@playwright/test'
import { film } from '../film'
import { comeIn, expect, makeLesson, piece, signInTeacher, test, type Lesson } from './class'
import { boardKept, boardOf, kept, on, press, station, tool } from './making'
import { middleOf, Pointing, type At } from './pointing'
import { emptyBoard } from '../../core/board/board'
import { makeEdition } from '../../core/board/edition'
import type { PieceId } from '../../core/board/ids'
import type { SlateState } from '../../core/slate/state'
import { pageId } from '../boards'

/** Boards of the trade, from an empty page to what the class has made of them. */
test.use({ testIdAttribute: 'data-test' })
test.describe.configure({ timeout: 60_000 })

const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull']

/** A class with an empty board, open at the workbench. */
async function begin(page: Page, address: string, names: readonly string[]): Promise<Lesson> {
  const lesson = await makeLesson(address, [...names], {
    ...emptyBoard('Made by hand', pageId('page'), 3),
    instructions: 'Do it.',
  })
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/board/${lesson.board}`)
  return lesson
}
async function grouped(lesson: Lesson): Promise<void> {
  await lesson.teacher.must('POST', `/api/classes/${lesson.classId}/sets`, {
    name: 'Shore groups',
    groups: [{ name: 'Oak', mark: 'oak', students: lesson.students.map(s => s.id) }],
  })
}
/** Given out in the way that is suggested (how: null), or in another. */
async function giveOut(page: Page, lesson: Lesson, how: RegExp | null, button: RegExp | string): Promise<Lesson> {
  await boardKept(page)
  await press(page, 'Give out')
  if (how) await page.getByRole('radio', { name: how }).check()
  await page.getByRole('dialog').getByRole('button', { name: button }).click()
  const link = new URL(await page.getByTestId('link').inputValue())
  const handout = link.searchParams.get('handout')!
  const { slates } = await lesson.teacher.must<{ slates: Lesson['slates'] }>('GET', `/api/handouts/${handout}`)
  return { ...lesson, handout, slates }
}
async function student(browser: Browser, address: string, lesson: Lesson, name: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true })).newPage()
  await comeIn(page, address, lesson, name)
  return page
}
const named = async (page: Page, heading: string) => {
  await page.keyboard.type(heading)
  await page.keyboard.press('Enter')
}

test('a story map whose parts are shared out by role', async ({ page, browser, application: { address } }) => {
  const lesson = await begin(page, address, NAMES.slice(0, 2))
  await grouped(lesson)
  await station(page, 'Places').click()
  for (const [i, heading] of ['Who', 'What happens'].entries()) {
    await press(page, 'Writing lines')
    await named(page, heading)
    await page.getByRole('combobox', { name: 'For' }).selectOption({ label: `member ${i + 1} of the group` })
  }
  await press(page, 'Writing lines')
  await named(page, 'How it ends')
  // It is suggested for groups, for it has parts.
  const given = await giveOut(page, lesson, null, 'Give out 1 frame')
  const [ada, bo] = [
    await student(browser, address, given, 'Ada Fern'),
    await student(browser, address, given, 'Bo Kelp'),
  ]
  const field = (who: Page, name: string) => who.getByRole('textbox', { name, exact: true })
  await field(ada, 'Who').fill('A gull and a crab')
  await field(bo, 'What happens').fill('They share a shell')
  await field(bo, 'How it ends').fill('With the tide')
  await expect(field(ada, 'What happens')).toHaveCount(0)
  await expect(field(bo, 'Who')).toHaveCount(0)
  await expect(field(ada, 'How it ends')).toHaveValue('With the tide')
  await expect(ada.getByTestId('tree')).toContainText('They share a shell')
  // Roles change hands: what was written stays, and is the other's to go on with.
  await page.goto(`${address}/handout/${given.handout}`)
  await press(page, 'Who works where')
  for (const [name, part] of [
    ['Ada Fern', '2'],
    ['Bo Kelp', '1'],
  ] as const) {
    await page.getByLabel(`Part of ${name}`).selectOption(part)
    await expect(page.getByRole('dialog').getByRole('status')).toHaveText(`${name}: Part ${part}`)
  }
  await expect(field(ada, 'What happens')).toHaveValue('They share a shell')
  await field(ada, 'What happens').pressSequentially(' until dawn')
  await expect(bo.getByTestId('tree')).toContainText('They share a shell until dawn')
  await expect(field(bo, 'Who')).toHaveValue('A gull and a crab')
  await kept(ada)
  await ada.getByRole('button', { name: 'Hand in' }).click()
  await expect(ada.getByRole('dialog')).not.toContainText('is empty')
  await press(ada, 'Hand it in now')
  await expect(bo.getByTestId('shut')).toHaveText('Handed in')
})

test('coloured rods are laid against each other: edge to edge, level, and as many as are needed', async ({
  page,
  browser,
  application: { address },
}) => {
  const lesson = await begin(page, address, NAMES.slice(0, 1))
  await station(page, 'Pieces').click()
  await press(page, 'Tiles')
  await page.getByRole('combobox', { name: 'Tiles' }).selectOption({ label: 'Number rods' })
  await page.getByLabel('Lengths').fill('2 3 6')
  await page.getByRole('button', { name: 'Add 3 kinds of tile' }).click()
  const given = await giveOut(page, lesson, null, /^Give out/)
  const ada = await student(browser, address, given, 'Ada Fern')
  const finger = await Pointing.of(ada, 'touch')
  const ledge = ada.getByRole('group', { name: 'Ledge' })
  const lying = ada.locator('[data-frame] [data-piece]')
  /** Where the middles are, in points of the page, with the length of each. */
  const rods = async () => {
    await kept(ada)
    const { state } = await lesson.teacher.must<{ state: SlateState }>('GET', `/api/slates/${given.slates[0]!.id}`)
    const edition = makeEdition(await boardOf(lesson))
    return Object.entries(state.pieces).map(([id, { x, y }]) => {
      const { width, height } = edition.pieces.get(id as PieceId)!.master
      return { left: x - width / 2, top: y - height / 2, width, height }
    })
  }
  const lay = async (rod: number, at: At) => {
    const before = await lying.count()
    await finger.drag(middleOf((await ledge.getByRole('button').nth(rod).boundingBox())!), at)
    await expect(lying).toHaveCount(before + 1)
  }
  const order = await ledge.getByRole('button').evaluateAll(all => all.map(one => one.getAttribute('aria-label') ?? ''))
  const [two, six] = [2, 6].map(length => order.findIndex(name => new RegExp(`\\b${length}\\b`).test(name)))
  await lay(six!, await on(ada, 400, 150))
  const [long] = await rods()
  // Three twos under the six, crookedly let go: each is drawn to what lies beside it.
  const third = long!.width / 3
  for (let i = 0; i < 3; i++)
    await lay(two!, await on(ada, long!.left + third * (i + 0.5) + 3 - 2 * i, long!.top + long!.height * 1.5 + 3))
  const below = (await rods()).filter(rod => rod.width < long!.width).toSorted((a, b) => a.left - b.left)
  expect(below).toHaveLength(3)
  for (const [i, rod] of below.entries()) {
    expect(rod.left).toBeCloseTo(long!.left + third * i, 1)
    expect(rod.top).toBeCloseTo(long!.top + long!.height, 1)
  }
  await kept(ada)
  // Taken away again by the one way that there is: back to the ledge, where its bin stays.
  const last = below[2]!
  const from = await on(ada, last.left + last.width / 2, last.top + last.height / 2)
  await finger.drag(from, middleOf((await ledge.boundingBox())!))
  await expect(lying).toHaveCount(3)
  await expect(ledge.getByRole('button')).toHaveCount(order.length)
})

test('a film stands in the middle of a group’s page, and each plays it while others lay cards around it', async ({
  page,
  browser,
  application: { address },
}) => {
  const lesson = await begin(page, address, NAMES.slice(0, 2))
  await grouped(lesson)
  await page
    .getByTestId('clip-file')
    .setInputFiles({ name: 'Low tide.webm', mimeType: 'video/webm', buffer: await film() })
  await expect(page.getByRole('complementary').getByLabel('Name', { exact: true })).toHaveValue('Low tide')
  await page.getByLabel('From left in millimetres').fill('110')
  await page.getByLabel('From top in millimetres').fill('50')
  await page.keyboard.press('Tab')
  await station(page, 'Places').click()
  await press(page, 'Zone')
  await named(page, 'Seen')
  await station(page, 'Pieces').click()
  await page.getByLabel('Words, one on each line').fill('limpet\ngoby')
  await press(page, 'Make 2 cards')
  const given = await giveOut(page, lesson, /^A frame per group/, 'Give out 1 frame')
  const [ada, bo] = [
    await student(browser, address, given, 'Ada Fern'),
    await student(browser, address, given, 'Bo Kelp'),
  ]
  const time = (who: Page) =>
    who.locator('[data-test=player] video').evaluate(video => (video as HTMLVideoElement).currentTime)
  const play = ada.getByRole('button', { name: 'Play the film: Low tide' })
  const finger = await Pointing.of(ada, 'touch')
  await finger.tap(middleOf((await play.boundingBox())!))
  await expect.poll(() => time(ada)).toBeGreaterThan(0.2)
  await expect(bo.getByTestId('player')).toHaveCount(0)
  const seen = await on(bo, 100, 160)
  const hand = await Pointing.of(bo, 'touch')
  await hand.drag(middleOf((await piece(bo, 'limpet').boundingBox())!), seen)
  await expect(piece(bo, 'limpet')).toHaveAccessibleName('limpet, in Seen')
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Seen')
  // The film that plays is not broken off by what others do.
  await expect(ada.getByTestId('player')).toHaveCount(1)
})

test('a vote at the end: each has one token, and the class is counted', async ({
  page,
  browser,
  application: { address },
}) => {
  const lesson = await begin(page, address, NAMES)
  await station(page, 'Places').click()
  // Enter in a heading makes the next of its kind.
  await press(page, 'Zone')
  await named(page, 'Got it')
  await page.keyboard.type('Not yet')
  await page.keyboard.press('Tab')
  await station(page, 'Pieces').click()
  await press(page, 'More')
  await page.getByRole('combobox', { name: 'Piece' }).selectOption('token')
  await page.getByRole('checkbox', { name: /bin/i }).uncheck()
  await page.getByRole('button', { name: 'Add 1' }).click()
  await station(page, 'Answers').click()
  await page.getByRole('combobox', { name: 'What counts as right?' }).selectOption('vote')
  await press(page, 'Keep this as the key')
  // One token is one voice: a copy each is suggested.
  const given = await giveOut(page, lesson, null, 'Give out 3 copies')
  const zones = (await boardOf(lesson)).pages[0]!.places.map(({ shape }) =>
    shape.kind === 'rectangle' ? shape.x + shape.width / 2 : 0,
  )
  expect(zones).toHaveLength(2)
  for (const [i, name] of NAMES.entries()) {
    const who = await student(browser, address, given, name)
    const finger = await Pointing.of(who, 'touch')
    const token = who.getByRole('group', { name: 'Ledge' }).getByRole('button').first()
    await finger.tap(middleOf((await token.boundingBox())!))
    await finger.tap(await on(who, i === 1 ? zones[1]! : zones[0]!, 160))
    await kept(who)
    await who.context().close()
  }
  await page.goto(`${address}/handout/${given.handout}/findings`)
  await expect(page.getByRole('img', { name: /in Got it: 2$/ })).toBeVisible()
  await expect(page.getByRole('img', { name: /in Not yet: 1$/ })).toBeVisible()
  await expect(page.getByText('nothing of it is right or wrong')).toBeVisible()
  // Of one token there is no agreement to be reckoned.
  await expect(page.getByText('beyond chance')).toHaveCount(0)
})

test('a weekly prompt: it goes out three weeks running, is answered with notes, and is done without handing in', async ({
  page,
  browser,
  application: { address },
}) => {
  const lesson = await begin(page, address, NAMES.slice(0, 2))
  await page.getByRole('textbox', { name: 'Instructions' }).fill('What did you notice this week?')
  await station(page, 'Pieces').click()
  await page.getByRole('checkbox', { name: 'Note', exact: true }).first().check()
  await boardKept(page)
  await press(page, 'Give out')
  await page.getByRole('radio', { name: /^One for everyone/ }).check()
  await page.getByLabel('Students hand it in').uncheck()
  await page.getByLabel('Later').check()
  await page.getByLabel('On', { exact: true }).fill('2031-05-12')
  await page.getByLabel('Times').fill('3')
  await expect(page.getByTestId('sentence')).toContainText('Monday 26 May')
  await expect(page.getByTestId('sentence')).toContainText('being done is enough')
  await press(page, 'Give out later')
  await expect(page.getByText(/^Goes out/)).toHaveCount(3)
  // The first of them now.
  await page.getByRole('button', { name: 'Give out now' }).first().click()
  await expect(page.getByText(/^Goes out/)).toHaveCount(2)
  const handouts = await lesson.teacher.must<{ id: string; givenAt: string | null }[]>('GET', '/api/handouts')
  const given = { ...lesson, handout: handouts.find(one => one.givenAt)!.id }
  const [ada, bo] = [
    await student(browser, address, given, 'Ada Fern'),
    await student(browser, address, given, 'Bo Kelp'),
  ]
  await tool(ada, 'Note').click()
  const hand = await Pointing.of(ada, 'touch')
  await hand.tap(await on(ada, 300, 200))
  await ada.keyboard.type('The crab has moved house')
  await ada.keyboard.press('Escape')
  await kept(ada)
  await expect(bo.getByLabel(/The crab has moved house/)).toBeVisible()
  // It is theirs to add to, not to hand in.
  await expect(bo.getByRole('button', { name: 'Hand in' })).toHaveCount(0)
  await tool(bo, 'Note').click()
  const other = await Pointing.of(bo, 'touch')
  await other.tap(await on(bo, 600, 200))
  await bo.keyboard.type('So has the tide')
  await bo.keyboard.press('Escape')
  await expect(ada.getByLabel(/So has the tide/)).toBeVisible()
  for (const who of [ada, bo]) await who.context().close()
})
