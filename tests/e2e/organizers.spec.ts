import { emptyPage, emptyBoard } from '../../core/board/board'
import { PAGE_SIZES } from '../../core/design/pages'
import { ORGANIZERS } from '../../core/organizers/organizers'
import { boardOf } from '../../core/organizers/plan'
import { pageId } from '../boards'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'

test.use({ testIdAttribute: 'data-test' })
test.describe.configure({ mode: 'parallel', timeout: 180_000 })

const HALF = Math.ceil(ORGANIZERS.length / 2)
for (const [name, organizers] of [
  ['first', ORGANIZERS.slice(0, HALF)],
  ['second', ORGANIZERS.slice(HALF)],
] as const) {
  test(`the ${name} half of the organizers open at the workbench, and Check finds nothing wrong with them`, async ({
    page,
    application,
  }) => {
    const { teacher, email, password } = await makeLesson(application.address, ['Ada Fern'])
    await signInTeacher(page, application.address, email, password)
    const errors: string[] = []
    page.on('pageerror', error => errors.push(error.message))
    for (const organizer of organizers) {
      const { id } = await teacher.must<{ id: string }>('POST', '/api/boards', {
        title: organizer.title,
        board: boardOf(organizer),
      })
      await page.goto(`${application.address}/board/${id}`)
      await expect(page.getByLabel('Name of the board')).toHaveValue(organizer.title)
      await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'Check' }).click()
      await expect(page.getByText('Looking through the board…')).toHaveCount(0)
      await expect(
        page.getByTestId('all-good').or(page.locator('[data-severity]')).first(),
        organizer.title,
      ).toBeVisible()
      await expect(page.locator('[data-severity="stops"], [data-severity="warning"]'), organizer.title).toHaveCount(0)
      await expect(page.getByRole('group', { name: 'Page', exact: true })).toBeVisible()
    }
    expect(errors).toEqual([])
  })
}

test('rulings are true to size on the page as it is seen', async ({ page, application }) => {
  const MM = 72 / 25.4
  const A4 = PAGE_SIZES['a4-wide']
  /**
   * Millimetres from line to line down the page, over and over; handwriting and staves have room between their sets.
   */
  const rulings = [
    { kind: 'squares', spacing: 10, gaps: [10] },
    { kind: 'lines', spacing: 8, gaps: [8] },
    { kind: 'handwriting', spacing: 6, gaps: [6, 6, 6, 6] },
    { kind: 'staves', spacing: 2, gaps: [2, 2, 2, 2, 8] },
  ] as const
  const board = {
    ...emptyBoard('Ruled', pageId('p0'), 1),
    instructions: 'Look.',
    pages: rulings.map(({ kind, spacing }, i) => ({
      ...emptyPage(pageId(`p${i}`)),
      ...A4,
      backdrop: { ...emptyPage(pageId('p')).backdrop, ruling: { kind, spacing: spacing * MM } },
    })),
  }
  const lesson = await makeLesson(application.address, ['Ada Fern'], board)
  await comeIn(page, application.address, lesson, 'Ada Fern')
  for (const [i, { kind, gaps }] of rulings.entries()) {
    if (i) await page.getByRole('button', { name: 'Next page' }).click()
    await expect(page.getByTestId('page-of')).toHaveText(`Page ${i + 1} of 4`)
    const down = await page.getByRole('group', { name: 'Page', exact: true }).evaluate(svg => {
      const box = svg.getBoundingClientRect()
      const levels = [...svg.querySelectorAll<SVGPathElement>('[data-ruling] path')].flatMap(path => {
        const onScreen = path.getScreenCTM()!
        return [...path.getAttribute('d')!.matchAll(/M(\S+) (\S+)L(\S+) (\S+?)(?=M|$)/g)]
          .filter(([, , y, , end]) => y === end)
          .map(
            ([, x, y]) =>
              ((new DOMPoint(Number(x), Number(y)).matrixTransform(onScreen).y - box.top) / box.height) * 210,
          )
      })
      return levels.sort((a, b) => a - b)
    })
    expect(down.length, kind).toBeGreaterThan(15)
    down
      .slice(1)
      .forEach((at, n) => expect(at - down[n]!, `${kind}, line ${n + 2}`).toBeCloseTo(gaps[n % gaps.length]!, 2))
  }
})
