import { expectAccessible } from './axe'
import { comeIn, expect, makeLesson, signInTeacher, test } from './class'

/** What the loop shows by day is read here by the light of a dark room. */
test.use({ colorScheme: 'dark', testIdAttribute: 'data-test' })

test('every screen can be read in the dark theme too', async ({ page, browser, application }) => {
  // It walks all screens in one go, on a machine that may have other work.
  test.setTimeout(240_000)
  const { address } = application
  const lesson = await makeLesson(address)
  await page.goto(address)
  await expectAccessible(page)
  await signInTeacher(page, address, lesson.email, lesson.password)
  await expectAccessible(page)
  for (const path of ['/handouts', '/classes', `/classes/${lesson.classId}`, `/handout/${lesson.handout}`]) {
    await page.goto(`${address}${path}`)
    await expectAccessible(page)
  }
  await page.goto(`${address}/board/${lesson.board}`)
  for (const station of ['Backdrop', 'Places', 'Pieces', 'Answers', 'Check']) {
    await page.getByRole('button', { name: station }).click()
    await expectAccessible(page)
  }
  await page.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  await expect(page.getByLabel('A word to the student')).toBeVisible()
  await expectAccessible(page)

  const student = await (await browser.newContext({ colorScheme: 'dark' })).newPage()
  await student.goto(`${address}/join?class=${lesson.code}`)
  await expectAccessible(student)
  await comeIn(student, address, lesson, 'Ada Fern')
  await expectAccessible(student)
  await student.goto(`${address}/desk`)
  await expectAccessible(student)
  await student.context().close()
})
