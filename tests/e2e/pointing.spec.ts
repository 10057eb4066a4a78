import type { Locator, Page } from '@playwright/test'
import type { Figure } from '../../core/board/backdrop'
import type { KeyMark } from '../../core/keys/outcome'
import { placeId, shore } from '../boards'
import { boardOf, box, card } from '../keyBoards'
import { comeIn, expect, makeLesson, piece, test, zonePoint } from './class'
import { kept, on, ownOf, tool } from './making'
import { middleOf, Pointing, WAYS, type At } from './pointing'

test.use({ testIdAttribute: 'data-test', viewport: { width: 1024, height: 768 }, hasTouch: true })

const NAMES = ['Ada Fern']
const middle = async (thing: Locator): Promise<At> => middleOf((await thing.boundingBox())!)
const by = ({ x, y }: At, dx: number, dy: number): At => ({ x: x + dx, y: y + dy })
const away = (a: At, b: At) => Math.hypot(a.x - b.x, a.y - b.y)
/** A board with room to draw, zones, and tools. */
const drawn = () => ({
  ...boardOf(
    [
      { kind: 'zone' as const, id: placeId('z0'), heading: 'Clings', shape: box(20, 40, 280, 400) },
      { kind: 'zone' as const, id: placeId('z1'), heading: 'Swims', shape: box(320, 40, 280, 400) },
      { kind: 'drawing' as const, id: placeId('d'), heading: 'Draw it', shape: box(620, 40, 320, 400) },
    ],
    [card('limpet'), card('goby')],
    null,
  ),
  tools: ['pen' as const, 'note' as const, 'shape' as const, 'sign' as const],
})
const frameOf = (page: Page) => page.locator('[data-frame]')
const widthOf = async (page: Page) =>
  (await page.getByRole('group', { name: 'Page', exact: true }).boundingBox())!.width

for (const way of WAYS) {
  test(`with a ${way} pieces are dragged from the ledge, on the page, between places and back`, async ({
    page,
    application,
  }) => {
    const lesson = await makeLesson(application.address, NAMES)
    await comeIn(page, application.address, lesson, 'Ada Fern')
    const hand = await Pointing.of(page, way)
    const limpet = piece(page, 'limpet')
    await hand.drag(await middle(limpet), await zonePoint(page, 0))
    await expect(limpet).toHaveAccessibleName('limpet, in Clings')
    expect(away(await middle(limpet), await zonePoint(page, 0))).toBeLessThan(4)
    const lower = by(await middle(limpet), 0, 60)
    await hand.drag(await middle(limpet), lower)
    expect(away(await middle(limpet), lower)).toBeLessThan(4)
    await hand.drag(await middle(limpet), await zonePoint(page, 2))
    await expect(limpet).toHaveAccessibleName('limpet, in Swims')
    await hand.drag(await middle(limpet), await middle(page.getByRole('group', { name: 'Ledge' })))
    await expect(limpet).toHaveAccessibleName('limpet, on the ledge')
    await hand.tap(await middle(limpet))
    await expect(limpet).toHaveAttribute('aria-pressed', 'true')
    await hand.tap(await zonePoint(page, 1))
    await expect(limpet).toHaveAccessibleName('limpet, in Crawls')
    // What lies on the page is picked and given to another spot in the same way, and let be by a second tap.
    await hand.tap(await middle(limpet))
    await hand.tap(await middle(limpet))
    await expect(limpet).toHaveAttribute('aria-pressed', 'false')
    await hand.tap(await middle(limpet))
    await hand.tap(await zonePoint(page, 0))
    await expect(limpet).toHaveAccessibleName('limpet, in Clings')
  })

  test(`with a ${way} a whole line is drawn, things are made and moved, and a page that is looked at closely is pushed`, async ({
    page,
    application,
  }) => {
    const lesson = await makeLesson(application.address, NAMES, drawn())
    await comeIn(page, application.address, lesson, 'Ada Fern')
    const hand = await Pointing.of(page, way)
    await hand.drag(await on(page, 660, 100), await on(page, 760, 300), await on(page, 900, 120))
    await kept(page)
    await tool(page, 'Pen').click()
    await hand.drag(await on(page, 60, 100), await on(page, 260, 100), await on(page, 260, 300))
    await tool(page, 'Shape').click()
    await hand.drag(await on(page, 360, 100), await on(page, 460, 180))
    await tool(page, 'Sign').click()
    await hand.tap(await on(page, 400, 300))
    await tool(page, 'Sign').click()
    await kept(page)
    const made = await ownOf(lesson, 'Ada Fern')
    expect(made.map(own => own.kind)).toEqual(['ink', 'shape', 'sign'])
    const ink = made.find(own => own.kind === 'ink')!
    const points = ink.kind === 'ink' ? ink.points : []
    expect(points[0]![0]).toBeCloseTo(60, -0.5)
    expect(points.at(-1)![0]).toBeCloseTo(260, -0.5)
    expect(points.at(-1)![1]).toBeCloseTo(300, -0.5)
    // Only a pen knows how hard it is pressed.
    expect(points.every(point => point.length === (way === 'pen' ? 3 : 2))).toBe(true)
    await hand.drag(await on(page, 400, 300), await on(page, 480, 380))
    await kept(page)
    const sign = (await ownOf(lesson, 'Ada Fern')).find(own => own.kind === 'sign')!
    expect(sign).toMatchObject({ x: expect.closeTo(480, -0.5), y: expect.closeTo(380, -0.5) })

    const width = await widthOf(page)
    await page.getByRole('button', { name: 'Closer' }).click()
    await page.getByRole('button', { name: 'Closer' }).click()
    await expect.poll(() => widthOf(page)).toBeGreaterThan(width * 1.2)
    const before = await frameOf(page).evaluate(frame => frame.scrollLeft)
    const from = await on(page, 310, 300)
    await hand.drag(from, by(from, -60, 0))
    expect(await frameOf(page).evaluate(frame => frame.scrollLeft)).toBe(before + 60)
  })
}

for (const way of WAYS)
  test(`with a ${way} a ring by the pen of the tools is round the answer, and a mark by the space’s own pen is, too`, async ({
    page,
    application,
  }) => {
    const rectangle = (id: string, x: number): Figure => ({
      id: id as Figure['id'],
      shape: box(x, 180, 120, 60),
      line: '#1d2526',
      fill: null,
      text: id,
      textSize: 18,
    })
    const figures = [rectangle('gull', 120), rectangle('crab', 420), rectangle('seal', 720)]
    const board = boardOf(
      [{ kind: 'drawing', id: placeId('d'), heading: 'What flies?', shape: box(20, 60, 920, 360) }],
      [],
      { kind: 'ink', place: 'd', task: { what: 'circle', figures: figures.map(f => f.id), answers: ['gull'] } },
      { figures },
    )
    const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'], { ...board, tools: ['pen'] })
    const verdictOf = async (name: string) => {
      const slate = lesson.slates.find(one => one.name === name)!.id
      const { keys } = await lesson.teacher.must<{ keys: KeyMark[] }>('GET', `/api/slates/${slate}/outcomes`)
      return keys[0]!.items.map(item => item.verdict)
    }
    const hand = await Pointing.of(page, way)
    const ring = async (x: number) => {
      const along = Array.from({ length: 24 }, (_, i) => (i / 23) * 2 * Math.PI)
      await hand.drag(...(await Promise.all(along.map(a => on(page, x + 85 * Math.cos(a), 210 + 55 * Math.sin(a))))))
    }
    await comeIn(page, application.address, lesson, 'Ada Fern')
    await tool(page, 'Pen').click()
    await ring(180)
    await kept(page)
    expect(await ownOf(lesson, 'Ada Fern')).toHaveLength(1)
    expect(await verdictOf('Ada Fern')).toEqual(['right'])
    await page.context().clearCookies()
    await comeIn(page, application.address, lesson, 'Bo Kelp')
    await ring(480)
    await kept(page)
    expect(await ownOf(lesson, 'Bo Kelp')).toHaveLength(0)
    expect(await verdictOf('Bo Kelp')).toEqual(['wrong'])
  })

test('two fingers look closer wherever they lie, a thumb that holds the tablet takes no part, and a palm draws nothing', async ({
  page,
  application,
}) => {
  const lesson = await makeLesson(application.address, NAMES, shore())
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const hand = await Pointing.of(page, 'touch')
  const limpet = piece(page, 'limpet')
  await hand.drag(await middle(limpet), await zonePoint(page, 1))
  const width = await widthOf(page)
  await test.step('one of them on a piece', async () => {
    const [a, b] = [await middle(limpet), by(await middle(limpet), 120, 0)]
    await hand.down(a, 1)
    await hand.down(b, 2)
    for (let i = 1; i <= 6; i++) {
      await hand.move(by(a, -8 * i, 0), 1)
      await hand.move(by(b, 8 * i, 0), 2)
    }
    await hand.up(a, 1)
    await hand.up(b, 2)
    await expect.poll(() => widthOf(page)).toBeGreaterThan(width * 1.3)
    await page.keyboard.press('Alt+0')
    await expect.poll(() => widthOf(page)).toBeCloseTo(width, 0)
    await expect(limpet).toHaveAccessibleName('limpet, in Crawls')
  })
  await test.step('a thumb rests on the page while the other hand drags', async () => {
    const thumb = await zonePoint(page, 0)
    const from = await middle(limpet)
    await hand.down(thumb, 1)
    await hand.down(from, 2)
    await hand.along(2, from, await zonePoint(page, 2))
    await hand.up(await zonePoint(page, 2), 2)
    await hand.up(thumb, 1)
    await expect(limpet).toHaveAccessibleName('limpet, in Swims')
  })
})

test('a palm beside a pen draws nothing and moves nothing', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, NAMES, drawn())
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const [pen, palm] = [await Pointing.of(page, 'pen'), await Pointing.of(page, 'touch')]
  await tool(page, 'Pen').click()
  const [a, b] = [await on(page, 100, 100), await on(page, 250, 250)]
  await pen.down(a)
  await pen.along(1, a, b)
  const rest = await on(page, 300, 330)
  await palm.down(rest)
  await palm.along(1, rest, by(rest, 30, 10))
  await pen.along(1, b, await on(page, 250, 120))
  await pen.up(await on(page, 250, 120))
  await palm.up(by(rest, 30, 10))
  await kept(page)
  const made = await ownOf(lesson, 'Ada Fern')
  expect(made).toHaveLength(1)
  expect(made[0]!.kind === 'ink' && made[0]!.points.at(-1)![1]).toBeCloseTo(120, -0.5)
})

test('a click alone, as assistive technology sends it, picks up and puts down', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, NAMES)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const limpet = piece(page, 'limpet')
  await limpet.dispatchEvent('click')
  await expect(limpet).toHaveAttribute('aria-pressed', 'true')
  await page.locator('[data-thing="z1"]').dispatchEvent('click')
  await expect(limpet).toHaveAccessibleName('limpet, in Crawls')
  await limpet.dispatchEvent('click')
  await page.getByRole('group', { name: 'Ledge' }).dispatchEvent('click')
  await expect(limpet).toHaveAccessibleName('limpet, on the ledge')
})
