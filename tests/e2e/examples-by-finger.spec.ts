import { readFileSync } from 'node:fs'
import type { Locator, Page } from '@playwright/test'
import type { PieceId } from '../../core/board/ids'
import { readBoardFile } from '../../core/format/boardFile'
import type { KeyMark } from '../../core/keys/outcome'
import type { SlateState } from '../../core/slate/state'
import { examples } from '../examples'
import { comeIn, expect, makeLesson, test } from './class'
import { kept } from './making'
import { middleOf, Pointing, type At } from './pointing'

test.use({ testIdAttribute: 'data-test', viewport: { width: 1024, height: 768 }, hasTouch: true })
// Each test has a lesson of its own: the workers share this long file between them.
test.describe.configure({ mode: 'parallel' })

interface Work {
  readonly pieces: Readonly<Record<string, { x: number; y: number; turn?: number; flipped?: true }>>
  readonly texts?: Readonly<Record<string, string>>
  readonly strokes?: readonly { place: string; points: [number, number][] }[]
  readonly arrows?: readonly [string, string][]
}
interface Expected {
  readonly points: number
  readonly of: number
  readonly verdicts: Readonly<Record<string, string>>
}
const read = <T>(file: string) => JSON.parse(readFileSync(`docs/formats/examples/${file}`, 'utf8')) as T
const middle = async (thing: Locator): Promise<At> => middleOf((await thing.boundingBox())!)

/** A finger of a student before a page, who has nothing else. */
class Finger {
  private constructor(
    private readonly page: Page,
    private readonly hand: Pointing,
  ) {}
  static async of(page: Page): Promise<Finger> {
    return new Finger(page, await Pointing.of(page, 'touch'))
  }

  sheet = () => this.page.getByRole('group', { name: 'Page', exact: true })
  /** Where a spot of the page is on the screen. */
  async at([x, y]: readonly [number, number], width: number): Promise<At> {
    const box = (await this.sheet().boundingBox())!
    return { x: box.x + (x * box.width) / width, y: box.y + (y * box.width) / width }
  }
  async tap(thing: Locator): Promise<void> {
    await thing.scrollIntoViewIfNeeded()
    await this.hand.tap(await middle(thing))
  }
  async drag(from: Locator, to: At): Promise<void> {
    await from.scrollIntoViewIfNeeded()
    await this.hand.drag(await middle(from), to)
  }
  line = (along: readonly At[]) => this.hand.drag(...along)
  /** The page stands where it stood: nothing pushed it under the finger. */
  async still(doing: () => Promise<void>): Promise<void> {
    const before = (await this.sheet().boundingBox())!
    await doing()
    expect(await this.sheet().boundingBox()).toEqual(before)
  }
}

for (const { file } of examples) {
  const name = file.replace('.board.json', '')
  test(`with one finger the whole ${name} board is worked through, and is marked as it is by hand`, async ({
    page,
    application: { address },
  }) => {
    test.setTimeout(120_000)
    const board = readBoardFile(read(file))
    if (!board.ok) throw new Error(file)
    const work = read<Work>(`${name}.work.json`)
    const expected = read<Expected>(`${name}.expected.json`)
    const lesson = await makeLesson(address, ['Ada Fern'], board.value.board)
    await comeIn(page, address, lesson, 'Ada Fern')
    const { width, staged } = board.value.board.pages[0]!
    const finger = await Finger.of(page)
    const whole = page.getByRole('button', { name: /See the whole page/ })
    if (await whole.isVisible()) await finger.tap(whole)

    // What lay there from the start, and doesn't any more.
    for (const id of Object.keys(staged ?? {}).filter(one => !work.pieces[one]))
      await finger.drag(page.locator(`[data-piece="${id}"]`), await middle(page.getByRole('group', { name: 'Ledge' })))
    for (const [id, { x, y, turn, flipped }] of Object.entries(work.pieces)) {
      const there = staged?.[id as PieceId]
      if (there && there.x === x && there.y === y) continue
      const source = page.locator(`[data-piece="${id.split('~')[0]}"]`).first()
      await finger.still(async () => finger.drag(source, await finger.at([x, y], width)))
      if (!flipped && !turn) continue
      // What was just put down lies uppermost.
      await finger.tap(page.getByRole('group', { name: 'Page', exact: true }).locator('.piece').last())
      await finger.tap(page.getByRole('button', { name: flipped ? 'Flip' : 'Quarter turn' }))
      await page.keyboard.press('Escape')
    }
    for (const [spot, words] of Object.entries(work.texts ?? {})) {
      await finger.tap(page.locator(`[data-space="${spot}"], [data-piece="${spot}"]`).first())
      await page.keyboard.type(words)
    }
    for (const { points } of work.strokes ?? [])
      await finger.line(await Promise.all(points.map(point => finger.at(point, width))))
    for (const ends of work.arrows ?? []) {
      const arrow = page.getByRole('button', { name: 'Arrow', exact: true })
      if ((await arrow.getAttribute('aria-pressed')) === 'false') await finger.tap(arrow)
      for (const end of ends) await finger.tap(page.locator(`[data-piece="${end}"]`))
    }
    await page.mouse.click(2, 2)
    await kept(page)

    const slate = lesson.slates[0]!.id
    const { state } = await lesson.teacher.must<{ state: SlateState }>('GET', `/api/slates/${slate}`)
    expect(Object.keys(state.pieces)).toHaveLength(Object.keys(work.pieces).length)
    for (const [id, { x, y }] of Object.entries(work.pieces)) {
      if (id.includes('~')) continue
      const lies = state.pieces[id as PieceId]!
      // A pixel or two of the finger, and what a tile is laid to.
      expect(Math.hypot(lies.x - x, lies.y - y), `${id} lies at ${lies.x}, ${lies.y}`).toBeLessThan(9)
    }
    const { keys } = await lesson.teacher.must<{ keys: KeyMark[] }>('GET', `/api/slates/${slate}/outcomes`)
    expect(keys.reduce((sum, key) => sum + key.points, 0)).toBe(expected.points)
    expect(Object.fromEntries(keys.flatMap(key => key.items.map(item => [item.item, item.verdict])))).toEqual(
      expected.verdicts,
    )
  })
}

test('lines drawn with the pen of the tools count in the space in which they lie, as those of its own pen do', async ({
  page,
  application: { address },
}) => {
  const board = readBoardFile(read('ink.board.json'))
  if (!board.ok) throw new Error('ink.board.json')
  const work = read<Work>('ink.work.json')
  const expected = read<Expected>('ink.expected.json')
  const lesson = await makeLesson(address, ['Ada Fern'], { ...board.value.board, tools: ['pen', 'highlighter'] })
  await comeIn(page, address, lesson, 'Ada Fern')
  const { width } = board.value.board.pages[0]!
  const finger = await Finger.of(page)
  for (const [i, { points }] of (work.strokes ?? []).entries()) {
    const tool = page.getByRole('toolbar').getByRole('button', { name: i % 2 ? 'Highlighter' : 'Pen', exact: true })
    if ((await tool.getAttribute('aria-pressed')) !== 'true') await finger.tap(tool)
    await finger.line(await Promise.all(points.map(point => finger.at(point, width))))
  }
  await kept(page)
  const slate = lesson.slates[0]!.id
  const { state } = await lesson.teacher.must<{ state: SlateState }>('GET', `/api/slates/${slate}`)
  expect([Object.keys(state.own).length, Object.keys(state.strokes).length]).toEqual([work.strokes!.length, 0])
  const { keys } = await lesson.teacher.must<{ keys: KeyMark[] }>('GET', `/api/slates/${slate}/outcomes`)
  expect(Object.fromEntries(keys.flatMap(key => key.items.map(item => [item.item, item.verdict])))).toEqual(
    expected.verdicts,
  )
  await page.getByRole('button', { name: 'Hand in' }).click()
  await expect(page.getByRole('dialog')).not.toContainText('empty')
})
