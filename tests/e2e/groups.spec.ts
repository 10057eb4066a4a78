import { expectAccessible } from './axe'
import { comeInByLink } from './lesson'
import { dragTo, expect, makeLesson, piece, signInTeacher, test, zonePoint } from './class'

const NAMES = ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack', 'Eli Marram', 'Flo Tansy', 'Gus Speir']

test.use({ testIdAttribute: 'data-test' })

test('from a pasted list to a group lesson: wishes, frames, a student moved in the middle, a late joiner', async ({
  application,
  browser,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Zed Scaur'])
  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)

  await test.step('a list from a spreadsheet updates the class', async () => {
    await teacher.goto(`${address}/classes/${lesson.classId}`)
    await teacher.getByRole('button', { name: 'Add or update names' }).click()
    const rows = NAMES.map((name, i) =>
      [String(100 + i), ...name.split(' ').toReversed(), i % 2 ? 'A' : 'B'].join('\t'),
    )
    await teacher.getByTestId('names').fill(['ID\tSurname\tForename\tLevel', ...rows].join('\n'))
    await expect(teacher.getByTestId('plan')).toContainText('New: Ada Fern, Bo Kelp')
    await teacher.getByLabel('They leave, with their work kept').check()
    await expect(teacher.getByTestId('plan')).toContainText('Leaving: Zed Scaur')
    await teacher.getByRole('button', { name: 'Make 8 changes' }).click()
    await expect(teacher.getByRole('heading', { name: '7 students' })).toBeVisible()
    await expectAccessible(teacher)
  })

  await test.step('two who are kept together and two apart, in groups of three, mixed', async () => {
    await teacher.getByRole('link', { name: 'Groups', exact: true }).click()
    await expect(teacher.getByRole('heading', { name: 'Make groups' })).toBeVisible()
    for (const [pair, wish] of [
      [['Ada Fern', 'Bo Kelp'], 'Keep together'],
      [['Ada Fern', 'Cy Gull'], 'Keep apart'],
    ] as const) {
      for (const name of pair) await teacher.getByRole('button', { name: new RegExp(`^${name}`) }).click()
      await teacher.getByRole('button', { name: wish }).click()
      await expect(teacher.getByRole('heading', { name: 'Nobody chosen' })).toBeVisible()
    }
    await teacher.getByLabel('How many in each').fill('3')
    await teacher.getByLabel('Levels').selectOption('Mixed in each group')
    await teacher.getByRole('button', { name: 'Make groups of 7 students' }).click()
    await expect(teacher.getByTestId('outcome')).toContainText('Every wish is kept.')
    await teacher.getByLabel('Name of this set').fill('Shore groups')
    await teacher.getByRole('button', { name: 'Keep this set' }).click()
    await expect(teacher.getByRole('button', { name: 'Shore groups', pressed: true })).toBeVisible()
    await expectAccessible(teacher)
  })

  await test.step('a wish that contradicts others is named, and nothing is hidden', async () => {
    for (const name of ['Bo Kelp', 'Cy Gull'])
      await teacher.getByRole('button', { name: new RegExp(`^${name}`) }).click()
    await teacher.getByRole('button', { name: 'Keep together' }).click()
    await teacher.getByRole('button', { name: 'Make groups of 7 students' }).click()
    await expect(teacher.getByTestId('outcome')).toContainText('these contradict each other')
    await teacher.getByRole('button', { name: /Take away the wish: Bo Kelp, Cy Gull together/ }).click()
    // What isn't kept is put aside when another set is opened, and a removed set can be brought back.
    // By chance they may be the same groups as before; a name of their own makes them others.
    await teacher.getByLabel('Name of this set').fill('Shore groups, changed')
    await teacher.getByRole('button', { name: 'New groups' }).click()
    await teacher.getByRole('button', { name: 'Bring it back' }).click()
    await expect(teacher.getByRole('button', { name: 'Keep this set' })).toBeEnabled()
    await teacher.getByRole('button', { name: 'Remove this set' }).click()
    await expect(teacher.getByRole('button', { name: 'Shore groups' })).toHaveCount(0)
    await teacher.getByRole('button', { name: 'Bring it back' }).click()
    await teacher.getByRole('button', { name: 'Make groups of 7 students' }).click()
    await expect(teacher.getByTestId('outcome')).toContainText('Every wish is kept.')
    await teacher.getByRole('button', { name: 'Keep this set' }).click()
    await expect(teacher.getByRole('button', { name: 'Shore groups', pressed: true })).toBeVisible()
    await teacher.reload()
  })

  const handout = await test.step('a frame for each group, said before it is done', async () => {
    await teacher.goto(`${address}/board/${lesson.board}`)
    await teacher.getByRole('button', { name: 'Give out', exact: true }).click()
    await teacher.getByLabel(/^A frame per group/).check()
    await teacher.getByLabel('A word to the class').fill('Ten minutes, then we compare.')
    await expect(teacher.getByTestId('sentence')).toContainText('Each of the 2 groups of Test class gets a frame.')
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Give out 2 frames' }).click()
    const link = new URL(await teacher.getByTestId('link').inputValue())
    await teacher.getByRole('link', { name: 'Walk round' }).click()
    await expect(teacher.locator('[data-slate]')).toHaveCount(2)
    await expectAccessible(teacher)
    return link.searchParams.get('handout')!
  })

  const { students } = await lesson.teacher.must<typeof lesson>('GET', `/api/classes/${lesson.classId}`)
  const known = { code: lesson.code, handout }
  const { slates } = await lesson.teacher.must<{ slates: { id: string; name: string; members: { name: string }[] }[] }>(
    'GET',
    `/api/handouts/${handout}`,
  )
  const frameOf = (name: string) => slates.find(slate => slate.members.some(member => member.name === name))!
  const comeAs = async (name: string) => {
    const page = await (await browser.newContext()).newPage()
    await comeInByLink(
      page,
      address,
      known,
      students.find(s => s.name === name)!,
    )
    return page
  }

  await test.step("two of a group see each other's moves; another group doesn't", async () => {
    const [ada, bo, cy] = [await comeAs('Ada Fern'), await comeAs('Bo Kelp'), await comeAs('Cy Gull')]
    await expect(ada.getByText('Ten minutes, then we compare.')).toBeVisible()
    await expect(ada.getByTestId('together')).toContainText('Bo K.')
    const placed = (page: typeof ada, count: number) =>
      expect(page.getByText(new RegExp(`· ${count} of 6$`))).toBeVisible()
    await dragTo(ada, 'limpet', await zonePoint(ada, 0))
    await placed(ada, 1)
    await placed(bo, 1)
    await placed(cy, 0)

    // In the middle of holding a piece Ada is moved to the other frame: she lands there at once, nothing is lost.
    const held = (await piece(ada, 'prawn').boundingBox())!
    await ada.mouse.move(held.x + held.width / 2, held.y + held.height / 2)
    await ada.mouse.down()
    await ada.mouse.move(400, 300, { steps: 3 })
    const from = frameOf('Ada Fern')
    const to = slates.find(slate => slate.id !== from.id)!
    await teacher.getByRole('button', { name: 'Who works where' }).click()
    await teacher.getByLabel('Ada Fern').selectOption({ value: to.id })
    await expect(teacher.getByRole('status').getByText(`Ada Fern: ${to.name}`)).toBeVisible()
    await expect(ada).toHaveURL(new RegExp(`/slate/${to.id}$`))
    await ada.mouse.up()
    await placed(ada, 0)
    await placed(bo, 1)
    await expect(ada.getByTestId('together')).toContainText('Cy G.')
    for (const page of [ada, bo, cy]) await page.context().close()
  })

  await test.step('a corrected board slides under the slates, also of who works on without a connection', async () => {
    const page = await comeAs('Bo Kelp')
    await page.context().setOffline(true)
    await dragTo(page, 'goby', await zonePoint(page, 2))
    const { board, version } = await lesson.teacher.must<{
      board: { instructions: string; pages: { pieces: { id: string }[]; ledge: string[] }[] }
      version: number
    }>('GET', `/api/boards/${lesson.board}`)
    const [first] = board.pages
    first!.pieces = first!.pieces.filter(one => one.id !== 'c0')
    first!.ledge = first!.ledge.filter(id => id !== 'c0')
    await lesson.teacher.must('PUT', `/api/boards/${lesson.board}`, {
      version,
      board: { ...board, instructions: 'Sort them, and say why.' },
    })
    await teacher.goto(`${address}/handout/${handout}`)
    await teacher.getByRole('button', { name: 'Change', exact: true }).click()
    await expect(teacher.getByText('On 1 slate pieces that were used are gone.')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Bring it to all 2 slates' }).click()
    await expect(teacher.getByText('2 slates lie over the board as it is now.')).toBeVisible()
    await teacher.getByLabel('Due').fill('2031-05-12')
    await teacher.getByRole('button', { name: 'Keep these' }).click()
    await expect(teacher.getByText('Kept. Students see it')).toBeVisible()
    await teacher.getByRole('button', { name: 'Close', exact: true }).click()
    await page.context().setOffline(false)
    await expect(page.getByText('Sort them, and say why.')).toBeVisible()
    await expect(page.getByText(/· 1 of 5$/)).toBeVisible()
    await expect(page.getByText('For Monday 12 May')).toBeVisible()
    await page.context().close()
  })

  await test.step('a late joiner is seen to be on no frame, and is put on one', async () => {
    await lesson.teacher.must('POST', `/api/classes/${lesson.classId}/list`, {
      students: [{ name: 'Late Comer' }],
      missing: 'stay',
    })
    await teacher.goto(`${address}/handout/${handout}`)
    await expect(teacher.getByText('One student is on no frame: Late Comer')).toBeVisible()
    await teacher.getByRole('button', { name: 'Put them on a frame' }).click()
    await teacher.getByLabel('Late Comer').selectOption({ value: slates[0]!.id })
    await expect(teacher.getByText('One student is on no frame')).toBeHidden()
    await expectAccessible(teacher)
  })
})
