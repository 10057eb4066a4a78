import { expectAccessible } from './axe'
import { Client } from '../../demo/client'
import { PICTURE_WORDS } from '../pictureWords'
import { comeInByLink, giveOutTo } from './lesson'
import { dragTo, expect, makeLesson, signInTeacher, test, zonePoint } from './class'

test.use({ testIdAttribute: 'data-test' })

test('for whoever comes: a code, typed names, two who are one, one who is turned away, and a class in the end', async ({
  application,
  browser,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await makeLesson(address)
  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  await teacher.goto(`${address}/board/${lesson.board}`)
  await teacher.getByRole('button', { name: 'Give out', exact: true }).click()
  await teacher.getByLabel(/^Test class/).uncheck()
  await teacher.getByTestId('newcomers').check()
  await expect(teacher.getByTestId('sentence')).toContainText('Everybody who comes gets a copy of their own.')
  await expectAccessible(teacher)
  await teacher
    .getByRole('dialog')
    .getByRole('button', { name: /^Give out/ })
    .click()
  const code = (await teacher.getByTestId('code').textContent())!
  await teacher.getByRole('link', { name: 'Walk round' }).click()
  await expect(teacher.getByText('Nobody has come yet.')).toBeVisible()

  /** By the code alone, as somebody who only sees the class screen. */
  const come = async (name: string) => {
    const page = await (await browser.newContext()).newPage()
    await page.goto(`${address}/join`)
    await page.getByLabel('Class code').fill(code.toLowerCase())
    await page.getByRole('button', { name: 'Next' }).click()
    await page.getByLabel('The name you go by').fill(name)
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Come in' }).click()
    await page.getByRole('link', { name: /Test board/ }).click()
    await page.getByRole('group', { name: 'Page', exact: true }).waitFor()
    return page
  }
  const bo = await come('Bo')
  await dragTo(bo, 'limpet', await zonePoint(bo, 0))
  const again = await come('Bo')
  const rude = await come('Silly name')
  await expect(teacher.locator('[data-slate]')).toHaveCount(3)
  await teacher.getByRole('button', { name: 'Who is here' }).click()
  await expect(teacher.getByRole('heading', { name: '3 are here' })).toBeVisible()
  await expectAccessible(teacher)

  await test.step('the second Bo goes on where the first was', async () => {
    await teacher.getByLabel('Bo is the same person as').selectOption('Bo 2')
    await expect(teacher.getByText('They are one now, and go on as Bo.')).toBeVisible()
    await expect(again.getByRole('button', { name: /^limpet, in/ })).toBeVisible()
  })
  await test.step('renamed, turned away, closed', async () => {
    await teacher.getByLabel('Name of Bo').fill('Bo Kelp')
    // Somebody comes while the name is being typed: the list is read anew, and what is typed stays.
    const late = await come('Late comer')
    await expect(teacher.getByRole('heading', { name: '3 are here' })).toBeVisible()
    await expect(teacher.getByLabel('Name of Bo')).toHaveValue('Bo Kelp')
    await late.close()
    await teacher.getByLabel('Name of Bo').blur()
    await expect(teacher.getByText('Now called Bo Kelp.')).toBeVisible()
    await teacher.getByRole('button', { name: 'Turn Silly name away' }).click()
    await expect(rude.getByText(/You are signed out/)).toBeVisible()
    await teacher.getByRole('button', { name: 'Let nobody else in' }).click()
    await expect(teacher.getByText('The code lets nobody in any more.').first()).toBeVisible()
    expect((await new Client(address).ask('POST', '/api/join', { code })).status).toBe(404)
    expect((await new Client(address).ask('POST', '/api/join/newcomer', { code, name: 'Too late' })).status).toBe(404)
  })
  await test.step('kept as a class', async () => {
    await teacher.getByLabel('Keep them as the class').fill('Test class')
    await teacher.getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(teacher.getByText('There is one of that name already.')).toBeVisible()
    await teacher.getByLabel('Keep them as the class').fill('Open morning')
    await teacher.getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(teacher.getByRole('heading', { name: 'Open morning' })).toBeVisible()
    await expect(teacher.getByRole('cell', { name: /^Bo Kelp/ }).first()).toBeVisible()
    await dragTo(bo, 'prawn', await zonePoint(bo, 0))
    await expect(bo.getByTestId('kept')).toContainText('Every move is kept')
  })
})

test("pairs take a frame, first come first served; what others make is seen once one's own is handed in", async ({
  application,
  browser,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp', 'Cy Gull', 'Dee Wrack'])
  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  await teacher.goto(`${address}/board/${lesson.board}`)
  await teacher.getByRole('button', { name: 'Give out', exact: true }).click()
  await teacher.getByLabel(/^A frame per group/).check()
  await teacher.getByLabel('Students take a frame themselves').check()
  await teacher.getByLabel("Other groups' frames are seen").selectOption("once one's own is handed in")
  await expect(teacher.getByTestId('sentence')).toContainText(
    '2 frames wait in Test class, each for 2 students at most.',
  )
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Give out 2 frames' }).click()
  const handout = new URL(await teacher.getByTestId('link').inputValue()).searchParams.get('handout')!
  await teacher.getByRole('link', { name: 'Walk round' }).click()
  await expect(teacher.getByText('4 students have taken no frame yet')).toBeVisible()

  const enter = async (i: number) => {
    const page = await (await browser.newContext()).newPage()
    await page.goto(`${address}/join?class=${lesson.code}&handout=${handout}`)
    await page.getByRole('button', { name: lesson.students[i]!.name }).click()
    const client = new Client(address)
    await client.enter(lesson.code, lesson.students[i]!.id, lesson.students[i]!.pictures)
    await page
      .context()
      .addCookies(
        client.cookies
          .split('; ')
          .map(cookie => ({ name: cookie.split('=')[0]!, value: cookie.split('=').slice(1).join('='), url: address })),
      )
    await page.goto(`${address}/desk?handout=${handout}`)
    await page.getByRole('heading', { name: 'Which frame?' }).waitFor()
    return page
  }
  const [ada, cy] = [await enter(0), await enter(2)]
  await ada.getByLabel('Bo Kelp').check()
  await cy.getByLabel('Dee Wrack').check()
  await expectAccessible(ada)
  // Both pairs want the same frame: one of them is given the other, and is told so.
  await Promise.all([ada, cy].map(page => page.getByRole('button', { name: 'Take it: Oak' }).click()))
  await Promise.all(
    [ada, cy].map(page =>
      page
        .getByRole('group', { name: 'Page', exact: true })
        .or(page.getByRole('button', { name: 'Go to it' }))
        .waitFor(),
    ),
  )
  const slower = (await ada.getByRole('button', { name: 'Go to it' }).isVisible()) ? ada : cy
  const quicker = slower === ada ? cy : ada
  await expect(slower.getByText('Somebody was quicker. Your frame is Ash.')).toBeVisible()
  await slower.getByRole('button', { name: 'Go to it' }).click()
  await slower.getByRole('group', { name: 'Page', exact: true }).waitFor()
  await expect(teacher.getByText('have taken no frame yet')).toHaveCount(0)
  await dragTo(quicker, 'limpet', await zonePoint(quicker, 0))
  await expect(quicker.getByTestId('kept')).toContainText('Every move is kept')

  await expect(slower.getByRole('link', { name: 'What others have made' })).toHaveCount(0)
  await slower.goto(`${address}/others/${handout}`)
  await expect(slower.getByText('You see what others have made once you have handed in your own.')).toBeVisible()
  await slower.goto(`${address}/desk?handout=${handout}`)
  await slower.getByRole('button', { name: 'Hand in', exact: true }).click()
  await slower.getByRole('button', { name: 'Hand it in now' }).click()
  await slower.getByRole('link', { name: 'What others have made' }).click()
  await expect(slower.getByRole('button', { name: /^Oak/ })).toBeVisible()
  await expectAccessible(slower)
  // Live, as it happens.
  await slower.getByRole('button', { name: /^Oak/ }).click()
  const before = await slower.getByRole('img').last().innerHTML()
  await dragTo(quicker, 'prawn', await zonePoint(quicker, 0))
  await expect.poll(() => slower.getByRole('img').last().innerHTML()).not.toBe(before)
})

test('each makes an own page from the model, once, with a heading, and all are seen by all', async ({
  application,
  browser,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  const { id } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId }],
    mode: 'one-for-everyone',
    ownPages: true,
    looking: 'always',
  })
  const pages: Record<string, import('@playwright/test').Page> = {}
  for (const student of lesson.students) {
    const page = (pages[student.name] = await (await browser.newContext()).newPage())
    await comeInByLink(page, address, { ...lesson, handout: id }, student)
  }
  const [ada, bo] = [pages['Ada Fern']!, pages['Bo Kelp']!]
  await ada.getByLabel('Name of my page').fill('What I saw')
  await ada.getByLabel('Name of my page').blur()
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await bo.getByRole('link', { name: 'What others have made' }).click()
  await expect(bo.getByRole('button', { name: /What I saw · Ada Fern/ })).toBeVisible()
  await expect(bo.getByRole('button', { name: /Bo Kelp.*Mine/ })).toBeVisible()
  await expectAccessible(bo)
  // The teacher shuts it again: nobody sees the others any more.
  await lesson.teacher.must('PUT', `/api/handouts/${id}`, { looking: 'never' })
  await expect(bo.getByRole('alert')).toBeVisible()
  await expect(bo.getByRole('button', { name: /Ada Fern/ })).toHaveCount(0)
  const { slates } = await lesson.teacher.must<{ slates: { name: string; heading: string }[] }>(
    'GET',
    `/api/handouts/${id}`,
  )
  expect(slates.map(slate => [slate.name, slate.heading])).toEqual([
    ['Ada Fern', 'What I saw'],
    ['Bo Kelp', null],
  ])
})

test('some get fewer cards, all are judged by a rubric, and it comes back with the work; another version in the middle of it', async ({
  application,
  browser,
}) => {
  test.setTimeout(180_000)
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  await teacher.goto(`${address}/board/${lesson.board}`)
  await teacher.getByRole('button', { name: 'Give out', exact: true }).click()
  await teacher.getByText('Other versions for some').click()
  await teacher.getByRole('button', { name: 'Another version' }).click()
  await teacher.getByLabel('Name of this version, for you').fill('Fewer cards')
  for (const card of ['prawn', 'goby']) await teacher.getByRole('checkbox', { name: card }).check()
  await expect(teacher.getByText('A version needs a name, students')).toBeVisible()
  await teacher.getByRole('group', { name: 'Who gets it' }).getByLabel('Ada Fern').check()
  await expect(teacher.getByTestId('sentence')).toContainText('1 of them gets “Fewer cards”.')
  await teacher.getByLabel('Counts for').selectOption('a rubric')
  await teacher.getByLabel('Name of the rubric').fill('Explains a sort')
  await teacher.getByRole('textbox', { name: 'What is looked at' }).fill('Reasons')
  await teacher.getByLabel(/^Levels, from the lowest/).fill('Not yet\nThere: names them all')
  await teacher.getByRole('button', { name: 'Keep and use it' }).click()
  await expect(teacher.getByTestId('sentence')).toContainText('It is judged by “Explains a sort”, which students see.')
  await expectAccessible(teacher)
  await teacher.getByRole('button', { name: 'Give out 2 copies' }).click()
  const handout = new URL(await teacher.getByTestId('link').inputValue()).searchParams.get('handout')!
  await teacher.getByRole('link', { name: 'Walk round' }).click()

  const ada = await (await browser.newContext()).newPage()
  await comeInByLink(ada, address, { ...lesson, handout }, lesson.students[0]!)
  await expect(ada.getByRole('button', { name: /^goby/ })).toHaveCount(0)
  await expect(ada.getByText('What is looked at: Explains a sort')).toBeVisible()
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await expectAccessible(ada)

  await test.step('the usual version for her after all: what she did stays', async () => {
    await teacher.getByRole('button', { name: 'Who has which version' }).click()
    await teacher.getByRole('combobox', { name: 'Ada Fern' }).selectOption('As everybody')
    await expect(teacher.getByText('Ada Fern: As everybody')).toBeVisible()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: 'Close' }).click()
    await expect(ada.getByRole('button', { name: /^goby/ })).toBeVisible()
    await expect(ada.getByRole('button', { name: /^limpet, in Clings/ })).toBeVisible()
  })
  await test.step('judged and handed back', async () => {
    await ada.getByRole('button', { name: 'Hand in', exact: true }).click()
    await ada.getByRole('button', { name: 'Hand it in now' }).click()
    await teacher.locator('[data-slate="Ada Fern"]').click()
    await teacher.getByRole('button', { name: 'Reasons: There' }).click()
    await expectAccessible(teacher)
    await teacher.getByRole('button', { name: /^Hand back/ }).click()
    await expect(teacher.getByText('Handed back.')).toBeVisible()
    await expect(ada.getByText('There: names them all')).toBeVisible()
    await expectAccessible(ada)
  })
})

test('a browser that keeps no cookie is told so, whoever comes in, instead of being shown an empty page', async ({
  page,
  application: { address },
}) => {
  const lesson = await makeLesson(address, ['Ada Fern'])
  await page.route(/\/api\//, async route => {
    const answer = await route.fetch()
    await page.context().clearCookies()
    const { 'set-cookie': _, ...headers } = answer.headers()
    await route.fulfill({ response: answer, headers })
  })
  const told = page.getByRole('alert').filter({ hasText: 'it refuses cookies here' })
  await page.goto(`${address}/sign-in`)
  await page.getByLabel('E-mail address').fill(lesson.email)
  await page.getByLabel('Password').fill(lesson.password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(told).toBeVisible()
  await page.goto(`${address}/join?class=${lesson.code}&handout=${lesson.handout}`)
  await page.getByRole('button', { name: 'Ada Fern' }).click()
  for (const picture of lesson.students[0]!.pictures)
    await page.getByRole('button', { name: PICTURE_WORDS[picture], exact: true }).click()
  await expect(told).toBeVisible()
})
