import type { Page } from '@playwright/test'
import { expectAccessible } from './axe'
import { dragTo, expect, giveOutTo, makeLesson, piece, signInTeacher, zonePoint } from './class'
import { frameOfFour, NAMES, student, test } from './frames'

test.use({ testIdAttribute: 'data-test' })

test('four work in one frame by mouse, finger and keys: each sees who is here and what they hold, and nothing is lost', async ({
  browser,
  school,
}) => {
  test.setTimeout(240_000)
  const { address } = school
  const lesson = await frameOfFour(address, { talk: true, handInBy: 'all-done' })
  const [ada, bo, cy, dee] = (await Promise.all([
    student({ browser, address, lesson, name: 'Ada Fern' }),
    student({ browser, address, lesson, name: 'Bo Kelp', options: { hasTouch: true } }),
    student({ browser, address, lesson, name: 'Cy Gull' }),
    student({ browser, address, lesson, name: 'Dee Wrack' }),
  ])) as [Page, Page, Page, Page]
  const all = [ada, bo, cy, dee]

  await test.step('who is here is seen by all', async () => {
    for (const page of all)
      await expect(page.getByTestId('together').getByRole('listitem')).toHaveText([
        /Ada F\. (here|you)/,
        /Bo K\. (here|you)/,
        /Cy G\. (here|you)/,
        /Dee W\. (here|you)/,
      ])
    await expectAccessible(ada)
  })

  await test.step('what one holds is seen by the others with whose hand it is, until it lies', async () => {
    const box = (await piece(ada, 'limpet').boundingBox())!
    const to = await zonePoint(ada, 0)
    await ada.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await ada.mouse.down()
    await ada.mouse.move(to.x - 40, to.y, { steps: 5 })
    for (const page of [bo, cy, dee]) await expect(page.getByTestId('held-by-others')).toContainText('Ada F.')
    await ada.mouse.move(to.x, to.y)
    await ada.mouse.up()
    for (const page of all) {
      await expect(piece(page, 'limpet')).toHaveAccessibleName('limpet, in Clings')
      await expect(page.getByTestId('held-by-others')).not.toContainText('Ada F.')
    }
  })

  await test.step('by finger and by keys too', async () => {
    await piece(bo, 'prawn').tap()
    const swims = await zonePoint(bo, 2)
    await bo.touchscreen.tap(swims.x, swims.y)
    await piece(cy, 'sea star').focus()
    await cy.keyboard.press('Enter')
    await cy.keyboard.press('ArrowRight')
    await cy.keyboard.press('Enter')
    for (const page of all) {
      await expect(piece(page, 'prawn')).toHaveAccessibleName('prawn, in Swims')
      await expect(piece(page, 'sea star')).toHaveAccessibleName(/in (Clings|Crawls)/)
    }
  })

  await test.step('one is offline for a while, and the server dies in the middle: all of it arrives', async () => {
    await dee.context().setOffline(true)
    await expect(ada.getByTestId('together')).toContainText('Dee W. away')
    await dragTo(dee, 'goby', await zonePoint(dee, 2, 3, 0.8))
    await expect(dee.getByTestId('kept')).toContainText('One move is kept on this device')
    await school.gone()
    await dragTo(ada, 'barnacle', await zonePoint(ada, 0, 3, 0.8))
    await school.back()
    await dee.context().setOffline(false)
    for (const page of all) {
      await expect(piece(page, 'goby')).toHaveAccessibleName('goby, in Swims', { timeout: 30_000 })
      await expect(piece(page, 'barnacle')).toHaveAccessibleName('barnacle, in Clings', { timeout: 30_000 })
      await expect(page.getByTestId('together').getByRole('listitem').filter({ hasText: 'away' })).toHaveCount(0, {
        timeout: 30_000,
      })
    }
  })

  await test.step('undo takes back what I did, never what another has done since, and says so', async () => {
    await dragTo(bo, 'limpet', await zonePoint(bo, 1))
    await expect(piece(dee, 'limpet')).toHaveAccessibleName('limpet, in Crawls')
    await dragTo(dee, 'limpet', await zonePoint(dee, 0, 3, 0.4))
    await expect(piece(bo, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await bo.getByRole('button', { name: 'Undo' }).click()
    await expect(bo.getByRole('alert')).toContainText('Somebody else has changed that since')
    await expect(piece(bo, 'limpet')).toHaveAccessibleName('limpet, in Clings')
    await bo.getByRole('button', { name: 'Undo' }).click()
    await expect(piece(bo, 'prawn')).toHaveAccessibleName('prawn, on the ledge')
  })

  await test.step('they talk beside the page, write notes together, and look along with who shows a page', async () => {
    await cy.getByRole('button', { name: 'Side talk' }).click()
    await cy.getByLabel('Say something to your group').fill('Is a sea star a crawler?')
    await cy.keyboard.press('Enter')
    await expect(ada.getByRole('button', { name: 'Side talk' })).toContainText('1 new')
    await ada.getByRole('button', { name: 'Side talk' }).click()
    await expect(ada.getByTestId('talk').getByRole('listitem')).toHaveText([/Cy G\.\s*Is a sea star a crawler\?/])
    await expectAccessible(ada)
    await ada.getByRole('button', { name: 'Reasons and notes' }).click()
    await ada.getByLabel('Notes to this page').fill('Tube feet, hundreds of them.')
    await ada.getByLabel('Notes to this page').blur()
    await dee.getByRole('button', { name: 'Reasons and notes' }).click()
    await expect(dee.getByLabel('Notes to this page')).toHaveValue('Tube feet, hundreds of them.')
    await dee.getByRole('button', { name: 'Show my page' }).click()
    await bo.getByRole('button', { name: 'Look along' }).click()
    await dee.getByRole('button', { name: 'Next page' }).click()
    await expect(bo.getByTestId('page-of')).toHaveText('Page 2 of 2')
    // Who looks around alone isn't led any more.
    await bo.getByRole('button', { name: 'Page before' }).click()
    await expect(bo.getByRole('button', { name: 'Look along' })).toBeVisible()
    await expect(bo.getByTestId('page-of')).toHaveText('Page 1 of 2')
  })

  await test.step('each says to be done, the reason is asked for, and one hands in for all', async () => {
    await ada.getByRole('button', { name: 'Hand in' }).click()
    await expect(ada.getByText('Still at work: Bo K., Cy G., Dee W.')).toBeVisible()
    await expect(ada.getByRole('button', { name: 'Hand it in now' })).toBeDisabled()
    for (const page of [bo, cy, dee]) await page.getByRole('button', { name: 'Say I am done' }).click()
    await ada.getByTestId('asked').getByLabel('Page 1: Why did you sort it like this?').fill('By how they hold on.')
    await ada.getByRole('button', { name: 'Hand it in now' }).click()
    for (const page of all) await expect(page.getByText('Handed in', { exact: true })).toBeVisible()
  })

  await test.step('the teacher reads what was said and why, and hides a line', async () => {
    const teacher = await (await browser.newContext()).newPage()
    await signInTeacher(teacher, address, lesson.email, lesson.password)
    await teacher.goto(`${address}/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`)
    await expect(teacher.getByTestId('reasons')).toContainText('By how they hold on.')
    await expect(teacher.getByTestId('reasons')).toContainText('Tube feet, hundreds of them.')
    await expect(teacher.getByTestId('talk')).toContainText('Cy G.: Is a sea star a crawler?')
    await expectAccessible(teacher)
    await teacher.getByTestId('talk').getByRole('button', { name: 'Hide' }).click()
    await expect(ada.getByTestId('talk').getByRole('listitem').filter({ hasText: 'sea star' })).toHaveCount(0)
  })
  for (const page of all) await page.context().close()
})

test('who is moved to another frame while offline goes on there; what was made meanwhile stays on the device until it can go where it belongs', async ({
  browser,
  application,
}) => {
  test.setTimeout(120_000)
  const { address } = application
  const lesson = await makeLesson(address, NAMES)
  const groups = [
    ['Oak', 'oak', 0, 1],
    ['Ash', 'ash', 2, 3],
  ].map(([name, mark, ...who]) => ({ name, mark, students: who.map(i => lesson.students[i as number]!.id) }))
  const { id: set } = await lesson.teacher.must<{ id: string }>('POST', `/api/classes/${lesson.classId}/sets`, {
    name: 'Two',
    groups,
  })
  const { id: handout } = await giveOutTo(lesson.teacher, lesson.board, {
    to: [{ classId: lesson.classId, set }],
    mode: 'frame-per-group',
  })
  const frames = async () =>
    (
      await lesson.teacher.must<{ slates: { id: string; name: string; number: number }[] }>(
        'GET',
        `/api/handouts/${handout}`,
      )
    ).slates
  const frame = async (name: string) => (await frames()).find(one => one.name === name)!
  const move = (to: string) =>
    lesson.teacher.must('PUT', `/api/handouts/${handout}/members`, { student: lesson.students[0]!.id, to })
  const ada = await student({ browser, address, lesson: { ...lesson, handout }, name: 'Ada Fern' })
  await expect(ada.getByTestId('together')).toContainText('Bo K.')
  await ada.context().setOffline(true)
  await dragTo(ada, 'limpet', await zonePoint(ada, 0))
  await expect(ada.getByTestId('kept')).toContainText('One move is kept on this device')
  await move((await frame('Ash')).id)
  await ada.context().setOffline(false)
  await expect(ada.getByTestId('together')).toContainText('Cy G.', { timeout: 30_000 })
  await dragTo(ada, 'prawn', await zonePoint(ada, 2))
  await expect.poll(async () => [(await frame('Oak')).number, (await frame('Ash')).number]).toEqual([0, 1])
  // Back on the first frame, what was made for it goes there.
  await move((await frame('Oak')).id)
  await expect(ada.getByTestId('together')).toContainText('Bo K.', { timeout: 30_000 })
  await expect(piece(ada, 'limpet')).toHaveAccessibleName('limpet, in Clings')
  await expect.poll(async () => [(await frame('Oak')).number, (await frame('Ash')).number]).toEqual([1, 1])
})
