import type { Page } from '@playwright/test'
import type { Board } from '../../core/board/board'
import { makePdf } from '../pdf'
import { expect, makeLesson, signInTeacher, test, type Lesson } from './class'
import { Hand, KeyHand } from './hand'
import { boardKept, boardOf, openEmpty } from './making'

test.use({ testIdAttribute: 'data-test' })

/** What boards of the trade cost a hand that knows its way, from the open board on; the counts are printed. */
async function within(hand: Hand, most: number, what: string): Promise<void> {
  if (hand instanceof KeyHand) return
  console.log(`${what}: ${hand.clicks} clicks, at most ${most}`)
  expect(hand.clicks, what).toBeLessThanOrEqual(most)
}
/** Each is built twice: with a mouse, and by keys alone. */
const HANDS = { 'with a mouse': Hand, 'by keys alone': KeyHand } as const
type Making = (its: { page: Page; address: string; Makes: typeof Hand }) => Promise<void>
function built(what: string, make: Making): void {
  for (const [how, Makes] of Object.entries(HANDS))
    test(`${what}, ${how}`, ({ page, application }) => {
      // Key by key is many presses.
      test.setTimeout(180_000)
      return make({ page, address: application.address, Makes })
    })
}
const keyOf = async (page: Page, lesson: Lesson): Promise<Board['keys']> => {
  await boardKept(page)
  return (await boardOf(lesson)).keys
}
const ready = (page: Page) => expect(page.getByText('Ready to give out.')).toBeVisible()

built('a word sort', async ({ page, address, Makes }) => {
  const lesson = await makeLesson(address, ['Ada Fern'])
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/start`)
  const hand = new Makes(page)
  await hand.write(page.getByLabel('What is the new board called?'), 'How do they live?')
  await hand.press('From words')
  await hand.write(page.getByTestId('word-groups'), 'Clings: limpet, barnacle\nSwims: goby, prawn')
  await hand.press('Make the sort')
  await hand.write(page.getByRole('textbox', { name: 'Instructions' }), 'Put each animal where it belongs.')
  await hand.go('Check')
  await ready(page)
  await within(hand, 8, 'a word sort')
})

built('pictures in two rings', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  await hand.press('Two rings')
  await hand.type('Has legs')
  await page.keyboard.press('Enter')
  await hand.type('Swims')
  await hand.go('Pieces')
  await hand.press('Pictures')
  await hand.click(page.getByLabel('Picture library'))
  const names = ['ant', 'crab', 'dolphin', 'snail']
  for (const [i, name] of names.entries()) {
    await hand.type(name)
    await page.keyboard.press('Enter')
    await expect(
      page
        .getByTestId('ledge')
        .or(page.getByRole('group', { name: 'Ledge' }))
        .getByRole('button'),
    ).toHaveCount(i + 1)
  }
  await hand.go('Answers')
  const spots = {
    ant: { named: /ver Has legs(\.|$)/, at: [0.3, 0.5] },
    crab: { named: /ver Has legs and Swims/, at: [0.5, 0.5] },
    dolphin: { named: /ver Swims(\.|$)/, at: [0.7, 0.5] },
  } as const
  for (const [name, spot] of Object.entries(spots))
    await hand.put(page.getByRole('button', { name: new RegExp(`^${name}, `) }), spot)
  await hand.press('Keep this as the key')
  await within(hand, 15, 'pictures in two rings')
  const [key] = await keyOf(page, lesson)
  const { pieces } = (await boardOf(lesson)).pages[0]!
  const homes = pieces.map(p => [p.kind === 'picture-card' && p.alt, key?.kind === 'sort' && key.homes[p.id]?.length])
  expect(Object.fromEntries(homes)).toEqual({ ant: 1, crab: 2, dolphin: 1, snail: 0 })
})

built('342 with an exact total', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  await hand.press('Zone')
  await hand.type('Make 342')
  await hand.go('Pieces')
  await hand.press('Tiles')
  await hand.press('Add 3 kinds of tile')
  await hand.go('Answers')
  await hand.write(page.getByLabel('Make 342 comes to'), '342')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('key')).toContainText('The tiles in Make 342 make exactly 342.')
  await hand.go('Check')
  await ready(page)
  await within(hand, 15, '342 with an exact total')
  expect(await keyOf(page, lesson)).toMatchObject([{ kind: 'total', target: '342' }])
})

built('a hundred chart by sevens', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  await hand.press('Grid')
  await hand.write(page.getByLabel('Rows'), '10')
  await page.keyboard.press('Tab')
  await hand.write(page.getByLabel('Columns'), '10')
  await page.keyboard.press('Tab')
  await hand.press('Print 1 to 100')
  await hand.go('Pieces')
  await hand.press('More')
  await hand.choose(page.getByRole('combobox', { name: 'Piece' }), 'token')
  await hand.press('Add 1')
  await hand.go('Answers')
  await hand.write(page.getByLabel('Multiples of:'), '7')
  await page.keyboard.press('Enter')
  await within(hand, 15, 'a hundred chart by sevens')
  const [key] = await keyOf(page, lesson)
  expect(key?.kind === 'cover' && key.cells).toHaveLength(14)
})

built('a proof whose steps may stand in several orders', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  await hand.press('Lane')
  await hand.type('Proof')
  await hand.go('Pieces')
  const steps = ['AB = AC is given', 'AD = AD', 'D halves BC', 'BD = DC', 'ABD = ACD by SSS', 'angle B = angle C']
  await hand.write(page.getByLabel('Words, one on each line'), steps.join('\n'))
  await hand.press('Make 6 cards')
  await hand.go('Answers')
  await hand.press('In the order of your list')
  const onLedge = page.getByRole('group', { name: 'Ledge' }).getByRole('button')
  await expect(onLedge).toHaveCount(0)
  // Undone, and done again, the page shows what the key says; neither belongs to the count.
  await page.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(onLedge).toHaveCount(6)
  await page.getByRole('button', { name: 'Redo', exact: true }).click()
  await expect(onLedge).toHaveCount(0)
  // Three facts may come in any order; what follows from them stands behind them.
  await hand.press('In either order with the next: AB = AC is given')
  await hand.click(page.getByText('This before that'))
  await hand.press('Either order: AD = AD, D halves BC')
  await hand.press('Either order: AB = AC is given, D halves BC')
  await within(hand, 25, 'a proof in several orders')
  const [key] = await keyOf(page, lesson)
  const names = new Map((await boardOf(lesson)).pages[0]!.pieces.map(p => [p.id, 'text' in p ? p.text : '']))
  const said = key?.kind === 'order' ? key.before.map(pair => pair.map(id => names.get(id)).join(' < ')) : []
  expect(said).toContain('D halves BC < BD = DC')
  expect(said.some(pair => /^A.* < D halves BC$/.test(pair))).toBe(false)
  await page.getByRole('combobox', { name: 'First', exact: true }).selectOption({ label: 'angle B = angle C' })
  await page.getByRole('combobox', { name: 'Somewhere after it' }).selectOption({ label: 'AD = AD' })
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('goes against the order above')
})

built('a PDF of three pages with a drawing space, a number and a circled choice', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  const size = [595.28, 841.89] as const
  const file = { name: 'tides.pdf', mimeType: 'application/pdf', buffer: await makePdf([size, size, size]) }
  await hand.give(page.getByTestId('backdrop-file'), file)
  await hand.press('Make 3 pages')
  await expect(page.getByRole('button', { name: 'Page 3', exact: true })).toBeVisible()
  await hand.go('Places')
  await hand.press('Drawing space')
  await hand.press('Page 2')
  await hand.press('Number')
  await hand.press('Page 3')
  await hand.press('Choices to ring')
  for (const across of [0.2, 0.5, 0.8]) {
    if (hand instanceof KeyHand) await hand.press('Put one in the middle of the page')
    else await hand.drag(await hand.onPage(across - 0.07, 0.4), await hand.onPage(across + 0.07, 0.45))
  }
  await hand.press('Done')
  await hand.go('Answers')
  await hand.click(page.getByRole('checkbox', { name: 'shape 2 is right' }))
  await hand.press('Page 2')
  await hand.click(page.getByRole('textbox', { name: 'Write here' }))
  await hand.type('12')
  await hand.press('Keep this as the key')
  await within(hand, 25, 'a PDF of three pages')
  const keys = await keyOf(page, lesson)
  expect(keys.map(key => key.kind).toSorted()).toEqual(['ink', 'write'])
  const { pages } = await boardOf(lesson)
  const ink = keys.find(key => key.kind === 'ink')
  expect(ink?.task.what === 'circle' && ink.task.answers).toEqual([pages[2]!.backdrop.figures![1]!.id])
  expect(pages[2]!.places).toMatchObject([{ kind: 'drawing' }])
})

built('six activities on one page', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  const activities: readonly (readonly [string, string, ...string[]])[] = [
    ['Who clings, who swims?', 'Zone', 'Clings'],
    ['Put the tide in order.', 'Lane', 'Tide'],
    ['How long is the rope?', 'Number line'],
    ['How many limpets are there?', 'Number'],
    ['Draw a crab.', 'Drawing space'],
    ['Say what you saw.', 'Writing lines'],
  ]
  for (const [todo, form, heading] of activities) {
    await hand.press('An activity with a number')
    await hand.type(todo)
    await hand.press(form)
    if (heading) await hand.type(heading)
  }
  await hand.go('Pieces')
  await hand.write(page.getByLabel('Words, one on each line'), 'limpet\ngoby\nlow\nhigh\n4')
  await hand.press('Make 5 cards')
  await hand.go('Answers')
  const card = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}, `) })
  const { places } = (await boardKept(page), (await boardOf(lesson)).pages[0]!)
  const spot = (kind: string, named: RegExp, across = 0.5) => {
    const { shape } = places.find(place => place.kind === kind)!
    if (shape.kind !== 'rectangle') throw new Error('not a rectangle')
    const [width, height] = [960, 480]
    return { named, at: [(shape.x + across * shape.width) / width, (shape.y + shape.height / 2) / height] } as const
  }
  await hand.put(card('limpet'), spot('zone', /ver Clings(\.|$)/))
  await hand.choose(page.getByRole('combobox', { name: 'What counts as right?' }), 'sort')
  await hand.press('Keep this as the key')
  await hand.put(card('low'), spot('lane', /ver Tide, place 1(\.|$)/, 0.2))
  await hand.put(card('high'), spot('lane', /ver Tide, place 2(\.|$)/, 0.8))
  await hand.choose(page.getByRole('combobox', { name: 'What counts as right?' }), 'order')
  await hand.press('Keep this as the key')
  await hand.write(page.getByRole('textbox', { name: 'Write here' }).first(), '12')
  await hand.choose(page.getByRole('combobox', { name: 'What counts as right?' }), 'write')
  await hand.press('Keep this as the key')
  await within(hand, 90, 'six activities on one page')
  expect((await boardOf(lesson)).pages[0]!.steps).toHaveLength(6)
  expect((await keyOf(page, lesson)).map(key => key.kind).toSorted()).toEqual(['order', 'sort', 'write'])
})

built('a sentence with gaps and a bank', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  await hand.press('Text with gaps')
  await hand.write(page.getByLabel('Sentences'), 'The limpet clings to the rock.')
  for (const word of ['limpet', 'rock'])
    await hand.click(page.getByTestId('gap-words').getByRole('button', { name: word }))
  await hand.press('Make the text with 2 gaps')
  await hand.go('Check')
  await ready(page)
  await within(hand, 10, 'a sentence with gaps')
  expect((await keyOf(page, lesson)).map(key => key.kind)).toEqual(['slots'])
})

built('labels for the parts of a boat', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Pieces')
  await hand.press('More')
  await hand.write(page.getByLabel('Words, one on each line'), 'mast\nkeel')
  await hand.press('Add 2')
  await hand.go('Places')
  await hand.click(page.getByRole('button', { name: /^A pin for each/ }))
  await hand.go('Answers')
  await expect(page.getByTestId('key')).toContainText('mast')
  await within(hand, 10, 'labels for the parts of a boat')
  expect((await keyOf(page, lesson)).map(key => key.kind)).toEqual(['label'])
})

built('numbers on a number line', async ({ page, address, Makes }) => {
  const lesson = await openEmpty(page, address)
  const hand = new Makes(page)
  await hand.go('Places')
  await hand.press('Number line')
  await hand.go('Pieces')
  await hand.write(page.getByLabel('Words, one on each line'), '3\n7')
  await hand.press('Make 2 cards')
  await hand.go('Answers')
  const [scale] = (await boardKept(page), (await boardOf(lesson)).pages[0]!.places)
  if (scale?.shape.kind !== 'rectangle') throw new Error('a number line is a rectangle')
  const { x, y, width, height } = scale.shape
  for (const value of [3, 7])
    await hand.put(page.getByRole('button', { name: new RegExp(`^${value}, `) }), {
      named: new RegExp(`ver ${value} on `),
      at: [(x + (value / 10) * width) / 960, (y + height / 2) / 480],
    })
  await hand.press('Keep this as the key')
  await within(hand, 12, 'numbers on a number line')
  const [key] = await keyOf(page, lesson)
  expect(key?.kind).toBe('scale')
})
