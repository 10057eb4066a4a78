import { duplicatePage } from '../../core/design/pages'
import { counting, placeId, shore } from '../boards'
import { expectAccessible } from './axe'
import { comeIn, dragTo, expect, makeLesson, signInTeacher, test, zonePoint } from './class'

test.use({ testIdAttribute: 'data-test' })

test('before it is handed in, what is empty is said, with a way there; a word to the teacher goes with it', async ({
  page,
  application,
  browser,
}) => {
  test.setTimeout(120_000)
  const board = shore()
  const first = {
    ...board.pages[0]!,
    places: [
      ...board.pages[0]!.places,
      {
        kind: 'writing' as const,
        id: placeId('why'),
        heading: 'Why?',
        lines: 'one' as const,
        textSize: 18,
        shape: { kind: 'rectangle' as const, x: 30, y: 430, width: 400, height: 40 },
      },
    ],
  }
  const two = duplicatePage({ ...board, pages: [first] }, first.id, counting('second'))
  const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'], two)
  const slate = lesson.slates.find(s => s.name === 'Ada Fern')!.id
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await page.getByRole('button', { name: 'Hand in' }).click()
  await expect(page.getByTestId('left').getByRole('listitem')).toHaveText([
    /Page 1: 5 cards .* and 1 space is empty/,
    /Page 2: 6 cards .* and 1 space is empty/,
  ])
  await expectAccessible(page)
  await page.getByTestId('left').getByRole('button', { name: 'Go there' }).nth(1).click()
  await expect(page.getByTestId('page-of')).toHaveText('Page 2 of 2')
  // The keyboard stands at the first card that has no place.
  await expect(page.getByRole('group', { name: 'Ledge' }).getByRole('button').first()).toBeFocused()

  const teacher = await (await browser.newContext()).newPage()
  await signInTeacher(teacher, application.address, lesson.email, lesson.password)
  await teacher.goto(`${application.address}/handout/${lesson.handout}/review/${slate}`)
  await expect(teacher.getByText('Said when it was handed in')).toHaveCount(0)
  await page.getByRole('button', { name: 'Hand in' }).click()
  await page.getByLabel('A word to your teacher, if you like').fill('I was not sure about the goby.')
  await page.getByRole('button', { name: 'Hand it in now' }).click()
  await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
  await expect(teacher.getByText('I was not sure about the goby.')).toBeVisible()
  expect(await lesson.teacher.must('GET', `/api/slates/${slate}`)).toMatchObject({
    said: 'I was not sure about the goby.',
  })
})
