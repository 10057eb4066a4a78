import { readFileSync } from 'node:fs'
import { strToU8, zipSync } from 'fflate'
import { expectAccessible } from './axe'
import { comeInByLink } from './lesson'
import { expect, makeLesson, signInTeacher, test } from './class'

test.use({ testIdAttribute: 'data-test' })

const utf16 = (text: string) => Buffer.from(`\uFEFF${text}`, 'utf16le')

test('class lists come in from files of any kind, and say what is wrong with others', async ({ application, page }) => {
  const lesson = await makeLesson(application.address)
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/classes/${lesson.classId}`)
  await page.getByRole('button', { name: 'Add or update names' }).click()
  const load = (name: string, buffer: Buffer) =>
    page.getByTestId('list-file').setInputFiles({ name, mimeType: 'application/octet-stream', buffer })

  await load('list.csv', utf16('Vorname;Name;Gruppe\nZoë;Núñez;1\n'))
  await expect(page.getByTestId('names')).toHaveValue(/Zoë;Núñez/)
  await load('latin.csv', Buffer.from('First name,Surname\nJos\xE9,Gar\xE7on\n', 'latin1'))
  await expect(page.getByTestId('plan')).toContainText('New: José Garçon')

  // Any table will do: this one was made by LibreOffice.
  await load('list.ods', readFileSync('tests/files/libreoffice.ods'))
  await expect(page.getByTestId('names')).toHaveValue(/^clingers\tswimmers\nlimpet\tshanny/)
  await load('torn.xlsx', Buffer.from('PK and nothing'))
  await expect(page.getByRole('alert')).toContainText('There is no class list in this file')

  await load('picture.png', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13, 0, 0, 0, 1]))
  await expect(page.getByRole('alert')).toContainText('There is no class list in this file')
  await load('torn.zip', Buffer.from('PK\u0003\u0004 and then nothing'))
  await expect(page.getByRole('alert')).toContainText('zip')
  await load('large.csv', Buffer.alloc(21 * 1024 * 1024, 'a'))
  await expect(page.getByRole('alert')).toContainText('larger than 20 MB')
  await load('users.csv', Buffer.from('classSourcedId,userSourcedId\nc1,u1\n'))
  await expect(page.getByRole('alert')).toContainText('no users.csv')
  await expectAccessible(page)

  const users =
    'sourcedId,status,role,givenName,familyName\nu1,active,student,Ada,Fern\nu2,,student,Inka,Petrel\nu3,,teacher,Tove,Skerry\n'
  const zip = zipSync({
    'users.csv': strToU8(users),
    'classes.csv': strToU8('sourcedId,title,courseSourcedId\nc1,Year 5/6,k\nc2,Choir,k\n'),
    'enrollments.csv': strToU8('classSourcedId,userSourcedId,role\nc1,u1,student\nc1,u2,student\nc2,u2,student\n'),
    'readme.txt': strToU8('nothing'),
  })
  await load('export.zip', Buffer.from(zip))
  await page.getByLabel('Year 5/6, 2 students').check()
  // Ada is known by her name, and now by her record too.
  await expect(page.getByTestId('plan')).toContainText('New: Inka Petrel')
  await expect(page.getByTestId('plan')).toContainText("Matched with the school's records: Ada Fern")
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Make 2 changes' }).click()
  await expect(page.getByText('5 students are in the class now')).toBeVisible()

  await page.getByRole('button', { name: 'Add or update names' }).click()
  await load('export.zip', Buffer.from(zip))
  await page.getByLabel('Year 5/6, 2 students').check()
  await expect(page.getByTestId('plan')).toContainText('Nothing changes')
})

test('what another window changed meanwhile is looked at again before anything is done', async ({
  application,
  page,
}) => {
  const lesson = await makeLesson(application.address)
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.goto(`${application.address}/classes/${lesson.classId}`)
  await page.getByRole('button', { name: 'Add or update names' }).click()
  await page.getByTestId('names').fill('Ada Fern\nEli Marram')
  await lesson.teacher.must('POST', `/api/classes/${lesson.classId}/list`, {
    students: [{ name: 'Eli Marram' }],
    missing: 'stay',
  })
  await page.getByRole('button', { name: 'Make 1 change' }).click()
  await expect(page.getByText('changed in another window meanwhile')).toBeVisible()
  await expect(page.getByTestId('plan')).toContainText('Nothing changes')
})

test('to some students, as a draft and later: said before, seen in the list, and nothing reaches a student early', async ({
  application,
  browser,
  page,
}) => {
  const { address } = application
  const lesson = await makeLesson(address)
  await signInTeacher(page, address, lesson.email, lesson.password)
  const open = async () => {
    await page.goto(`${address}/board/${lesson.board}`)
    await page.getByRole('button', { name: 'Give out', exact: true }).click()
    await expect(page.getByTestId('sentence')).toBeVisible()
  }
  await open()
  await page.getByText('All students of the class').first().click()
  await page.getByRole('checkbox', { name: 'All students of the class' }).uncheck()
  await page.getByLabel('Bo Kelp').check()
  await page.getByLabel('Keep as a draft').check()
  await expect(page.getByTestId('sentence')).toContainText(
    'Nobody gets anything until you give the draft out. One student in Test class gets a copy',
  )
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Keep the draft' }).click()
  await expect(page.getByRole('heading', { name: 'Not given out yet' })).toBeVisible()

  await open()
  await page.getByLabel('Later').check()
  await page.getByLabel('On', { exact: true }).fill('2031-05-12')
  await page.getByLabel('Times').fill('2')
  await expect(page.getByTestId('sentence')).toContainText('Monday 12 May at 08:00, Monday 19 May at 08:00')
  await page.getByLabel('Due').fill('2031-05-11')
  await expect(page.getByText('It would be due before it goes out')).toBeVisible()
  // Each of a series is due as long after its day as the first.
  await page.getByLabel('Due').fill('2031-05-14')
  await expect(page.getByTestId('sentence')).toContainText(
    'They are due one after the other: Wednesday 14 May, Wednesday 21 May.',
  )
  await page.getByLabel('Due').fill('2031-05-30')
  await page.getByRole('button', { name: 'Give out later' }).click()
  await expect(page.getByText(/^Goes out/)).toHaveCount(2)
  await expectAccessible(page)

  const student = await (await browser.newContext()).newPage()
  await comeInByLink(
    student,
    address,
    lesson,
    lesson.students.find(s => s.name === 'Bo Kelp')!,
  )
  await student.goto(`${address}/desk`)
  await expect(student.getByRole('listitem')).toHaveCount(1)
  await page.getByRole('listitem').filter({ hasText: 'Draft' }).getByRole('button', { name: 'Give out now' }).click()
  await expect(page.getByText('is given out to Test class')).toBeVisible()
  await student.reload()
  await expect(student.getByRole('listitem')).toHaveCount(2)
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Goes out' })
    .first()
    .getByRole('button', { name: 'Remove' })
    .click()
  await expect(page.getByText(/^Goes out/)).toHaveCount(1)
  // Removed by mistake, it is had back, as a draft.
  await page.getByRole('button', { name: 'Bring it back as a draft' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Draft' })).toHaveCount(1)
  await student.context().close()

  // What went to one is given to another, too, from the walk-round.
  await page
    .getByRole('link', { name: /^Walk round/ })
    .first()
    .click()
  await expect(page.locator('[data-slate]')).toHaveCount(1)
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Ada Fern').check()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Give it to 1 more student' }).click()
  await expect(page.getByText('One more student has it now.')).toBeVisible()
  await expect(page.locator('[data-slate]')).toHaveCount(2)
})

test('another teacher is asked in by a link, sees the class and the lesson, and can change neither', async ({
  application,
  browser,
  page,
}) => {
  const { address } = application
  const [lesson, other] = [await makeLesson(address), await makeLesson(address, ['Zed Scaur'])]
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/classes/${lesson.classId}`)
  await page.getByRole('button', { name: 'Ask another teacher in' }).click()
  const link = await page.getByTestId('invite').inputValue()
  await expectAccessible(page)

  const helper = await (await browser.newContext()).newPage()
  await signInTeacher(helper, address, other.email, other.password)
  await helper.goto(link)
  await expectAccessible(helper)
  await helper.getByRole('button', { name: 'I will help' }).click()
  await expect(helper.getByRole('listitem')).toHaveCount(2)
  await helper.goto(`${address}/handout/${lesson.handout}`)
  await expect(helper.locator('[data-slate]')).toHaveCount(4)
  await expect(helper.getByRole('button', { name: 'Change', exact: true })).toHaveCount(0)
  await helper.goto(`${address}/classes/${lesson.classId}`)
  await expect(helper.getByRole('heading', { name: '4 students' })).toBeVisible()
  await expect(helper.getByRole('button', { name: /New pictures|Add or update/ })).toHaveCount(0)
  expect((await other.teacher.ask('PUT', `/api/handouts/${lesson.handout}`, { closed: true })).status).toBe(403)

  await page.reload()
  await page.getByRole('button', { name: 'T. Est helps no longer' }).click()
  await expect(page.getByRole('button', { name: /helps no longer/ })).toHaveCount(0)
  await helper.goto(`${address}/handout/${lesson.handout}`)
  await expect(helper.getByRole('alert')).toBeVisible()
  await page.getByRole('button', { name: 'Let the link open nothing any more' }).click()
  await helper.goto(link)
  await helper.getByRole('button', { name: 'I will help' }).click()
  await expect(helper.getByRole('alert')).toContainText('opens nothing any more')
  await helper.context().close()
})
