import { partsOf } from '../../core/board/parts'
import { duplicatePage, setHeldBack } from '../../core/design/pages'
import { setBoardTools } from '../../core/design/tools'
import { counting, pageId, placeId, shore } from '../boards'
import { boardOf, box, card } from '../keyBoards'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, giveOutTo, makeLesson, piece, signInTeacher, test as alone, zonePoint } from './class'
import { frameOfFour, student, test } from './frames'
import { kept } from './making'

test.use({ testIdAttribute: 'data-test' })
alone.use({ testIdAttribute: 'data-test' })

test('who is asked to show a page shows it to all, with what is pointed at, until they let go', async ({
  browser,
  school: { address },
}) => {
  const lesson = await frameOfFour(address, {})
  const [ada, bo, cy] = await Promise.all(
    ['Ada Fern', 'Bo Kelp', 'Cy Gull'].map(name => student({ browser, address, lesson, name })),
  )
  await expect(ada!.getByTestId('together').getByRole('listitem').filter({ hasText: 'here' })).toHaveCount(2)
  await ada!.getByLabel('Who shows').selectOption('Bo K.')
  await expect(bo!.getByRole('button', { name: 'Stop showing' })).toBeVisible()
  await expect(bo!.getByTestId('announced')).toContainText('Ada Fern asks you to show your page')
  await bo!.getByRole('button', { name: 'Next page' }).click()
  for (const page of [ada!, cy!]) await expect(page.getByTestId('page-of')).toHaveText('Page 2 of 2')
  const frame = (await bo!.locator('[data-frame] svg').first().boundingBox())!
  await bo!.mouse.move(frame.x + frame.width / 4, frame.y + frame.height / 2)
  const pointed = cy!.getByTestId('pointed')
  await expect(pointed).toBeVisible()
  await expect(async () => {
    const there = (await cy!.locator('[data-frame] svg').first().boundingBox())!
    const dot = (await pointed.boundingBox())!
    expect(Math.abs(dot.x + dot.width / 2 - (there.x + there.width / 4))).toBeLessThan(4)
    expect(Math.abs(dot.y + dot.height / 2 - (there.y + there.height / 2))).toBeLessThan(4)
  }).toPass()
  await cy!.getByRole('button', { name: 'Look around myself' }).click()
  await expect(pointed).toHaveCount(0)
  await cy!.getByRole('button', { name: 'Page before' }).click()
  await expect(ada!.getByTestId('page-of')).toHaveText('Page 2 of 2')
  await expect(cy!.getByTestId('page-of')).toHaveText('Page 1 of 2')
  await expectAccessible(ada!)
  // The one who leads asks another one.
  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  await teacher.goto(`${address}/handout/${lesson.handout}/sort/${lesson.slates[0]!.id}`)
  await teacher.getByLabel('Who shows a page').selectOption('Cy G.')
  await teacher.getByRole('button', { name: 'Ask to show it' }).click()
  await expect(cy!.getByRole('button', { name: 'Stop showing' })).toBeVisible()
  await expect(bo!.getByRole('button', { name: 'Stop showing' })).toHaveCount(0)
  for (const page of [ada!, bo!]) await expect(page.getByTestId('page-of')).toHaveText('Page 1 of 2')
  for (const page of [ada!, bo!, cy!, teacher]) await page.context().close()
})

test('where others write is seen at its field, with whose hand it is, and said; it goes when they leave it', async ({
  browser,
  school: { address },
}) => {
  const written = boardOf(
    ['w', 'v'].map((id, i) => ({
      kind: 'writing' as const,
      id: placeId(id),
      heading: i ? 'Second' : 'First',
      lines: 'many' as const,
      textSize: 20,
      shape: box(40 + 460 * i, 60, 420, 200),
    })),
    [card('limpet')],
    null,
  )
  const lesson = await frameOfFour(address, {}, written)
  const [ada, bo] = await Promise.all(['Ada Fern', 'Bo Kelp'].map(name => student({ browser, address, lesson, name })))
  await ada!.getByLabel('Second').focus()
  const writer = bo!.locator('[data-writer]')
  await expect(writer).toHaveText('Ada F.')
  const [badge, field] = [(await writer.boundingBox())!, (await bo!.getByLabel('Second').boundingBox())!]
  expect(badge.x + badge.width / 2).toBeGreaterThan(field.x)
  await expect(bo!.getByTestId('announced')).toContainText('Ada F. is writing in Second')
  await ada!.getByLabel('First').focus()
  await expect(writer).toHaveText('Ada F.')
  await ada!.getByLabel('First').blur()
  await expect(writer).toHaveCount(0)
  for (const page of [ada!, bo!]) await page.context().close()
})

alone(
  'the teacher clears a board for everyone, after it is said what goes, and brings it back',
  async ({ page, browser, application: { address } }) => {
    const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], setBoardTools(shore(), ['note']))
    const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
      to: [{ classId: lesson.classId }],
      mode: 'one-for-everyone',
    })
    const { slates } = await lesson.teacher.must<{ slates: { id: string }[] }>('GET', `/api/handouts/${handout}`)
    const ada = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await comeIn(ada, address, { ...lesson, handout }, 'Ada Fern')
    await ada.getByRole('toolbar').getByRole('button', { name: 'Note', exact: true }).click()
    await ada.getByRole('group', { name: 'Page', exact: true }).click({ position: { x: 300, y: 260 } })
    await ada.keyboard.type('It has a foot')
    await ada.keyboard.press('Escape')
    await kept(ada)
    await signInTeacher(page, address, lesson.email, lesson.password)
    await page.goto(`${address}/handout/${handout}/sort/${slates[0]!.id}`)
    await page.getByRole('button', { name: 'Clear it' }).click()
    await expect(page.getByRole('dialog')).toContainText('One thing that students laid')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Clear it now' }).click()
    await expect(ada.getByText('It has a foot')).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(ada.getByText('It has a foot').first()).toBeVisible()
    await ada.context().close()
  },
)

alone(
  'who is on no frame is shared out by one press, and the teacher sees and sets who has which part',
  async ({ page, application: { address } }) => {
    const board = shore()
    board.pages[0]!.places.forEach((place, i) => i > 0 && (place.part = i))
    expect(partsOf(board)).toBe(2)
    const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack'], board)
    const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, {
      name: 'All',
      groups: [
        { name: 'Oak', mark: 'oak', students: [lesson.students[0]!.id] },
        { name: 'Ash', mark: 'ash', students: [lesson.students[1]!.id] },
      ],
    })
    const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
      to: [{ classId: lesson.classId, set }],
      mode: 'frame-per-group',
    })
    await signInTeacher(page, address, lesson.email, lesson.password)
    await page.goto(`${address}/handout/${handout}`)
    await expect(page.getByText('2 students are on no frame')).toBeVisible()
    await page.getByLabel('How they are shared out').selectOption('random')
    await page.getByRole('button', { name: 'Share out' }).click()
    await expect(page.getByText('2 students have a frame now')).toBeVisible()
    await expect(page.getByText('are on no frame')).toHaveCount(0)
    await page.getByRole('button', { name: 'Who works where' }).click()
    const part = page.getByLabel('Part of Ada Fern')
    await expect(part).toHaveValue('1')
    await part.selectOption('2')
    await expect(page.getByRole('dialog').getByRole('status')).toHaveText('Ada Fern: Part 2')
    await expect(part).toHaveValue('2')
    await part.selectOption('no part')
    await expect(page.getByRole('dialog').getByRole('status')).toHaveText('Ada Fern: no part')
    await expectAccessible(page)
  },
)

alone(
  'a page that is held back is on no device before the teacher opens it, and then before everybody’s eyes',
  async ({ page, browser, application: { address } }) => {
    const twice = duplicatePage(shore(), pageId('page'), counting('second'))
    const lesson = await makeLesson(address, ['Ada Fern'], setHeldBack(twice, twice.pages[1]!.id, true))
    const ada = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    const bodies: string[] = []
    ada.on(
      'response',
      reply =>
        void reply.text().then(
          text => bodies.push(text),
          () => undefined,
        ),
    )
    await comeIn(ada, address, lesson, 'Ada Fern')
    await dragTo(ada, 'limpet', await zonePoint(ada, 0))
    await kept(ada)
    await expect(ada.getByTestId('page-of')).toHaveCount(0)
    expect(bodies.some(body => body.includes(twice.pages[1]!.id))).toBe(false)
    await signInTeacher(page, address, lesson.email, lesson.password)
    await page.goto(`${address}/handout/${lesson.handout}`)
    await page.getByRole('button', { name: 'Change', exact: true }).click()
    await expect(page.getByRole('dialog')).toContainText('One page is held back')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Open it for all' }).click()
    await expect(page.getByText('It is open. Everybody has it now.')).toBeVisible()
    await expect(ada.getByTestId('page-of')).toHaveText('Page 1 of 2')
    await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await ada.getByRole('button', { name: 'Next page' }).click()
    await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, on the ledge')
    await ada.context().close()
  },
)
