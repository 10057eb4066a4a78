import { comeIn, expect, makeLesson, piece, signInTeacher, test } from './class'
import { press } from './making'

test.use({ testIdAttribute: 'data-test' })

test('at a slate while they work the teacher sets cards aside, flags, writes and says a word; the student sees it at once and answers by moving', async ({
  page,
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'])
  const ada = await (await browser.newContext({ viewport: { width: 1180, height: 820 } })).newPage()
  await comeIn(ada, address, lesson, 'Ada Fern')
  for (const name of ['limpet', 'barnacle', 'prawn']) {
    await piece(ada, name).press('Enter')
    await ada.keyboard.press('ArrowRight')
    await ada.keyboard.press('Enter')
  }
  await expect(ada.getByTestId('kept')).toContainText('kept')
  await signInTeacher(page, address, lesson.email, lesson.password)
  await page.goto(`${address}/handout/${lesson.handout}`)
  await page.locator('[data-slate="Ada Fern"]').click()
  const panel = page.getByRole('complementary', { name: 'Answers and words' })

  // By keys: two cards are set aside with a reason.
  await page.getByRole('button', { name: 'Second thoughts', exact: true }).press('Enter')
  await page.getByRole('button', { name: 'Set limpet aside' }).press('Enter')
  await page.getByRole('button', { name: 'Set prawn aside' }).press('Space')
  await page.getByRole('button', { name: 'Set 2 aside' }).press('Enter')
  const why = page.getByRole('dialog')
  await why.getByRole('button', { name: 'Which rule did you go by?' }).click()
  await why.getByRole('button', { name: 'Set 2 aside' }).click()
  await expect(panel.getByTestId('margin')).toContainText(
    'limpet: Which rule did you go by? · waits for second thoughts',
  )
  await expect(ada.getByRole('button', { name: 'limpet, set aside for second thoughts' })).toBeVisible()
  const notes = ada.getByRole('complementary', { name: 'From your teacher' })
  await expect(notes.getByText('Which rule did you go by?')).toHaveCount(2)
  await expect(ada.getByTestId('ledge')).toContainText('Second thoughts')

  // One goes back where it was, the other somewhere else.
  await notes.getByRole('button', { name: 'Put it back where it was' }).first().press('Enter')
  await expect(ada.getByRole('button', { name: 'limpet, set aside' })).toHaveCount(0)
  await ada.getByRole('button', { name: 'prawn, set aside for second thoughts' }).press('Enter')
  await ada.keyboard.press('ArrowRight')
  await ada.keyboard.press('ArrowRight')
  await ada.keyboard.press('Enter')
  await expect(notes.getByText('You have placed it again.')).toHaveCount(2)
  await expect(panel.getByTestId('margin')).toContainText('placed again')

  // A flag is there until the card is moved; a note that is to wait is not seen.
  await page.getByRole('button', { name: 'Look again', exact: true }).press('Enter')
  await page.getByRole('button', { name: 'Look again at barnacle' }).press('Enter')
  await expect(ada.getByRole('img', { name: '3, on barnacle: look again' })).toBeVisible()
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  await page.getByLabel('Seen at once, while they work').uncheck()
  await page.getByRole('button', { name: 'Note on limpet' }).press('Enter')
  const note = page.getByRole('dialog')
  await note.getByLabel('What do you want to say?').fill('For when it comes back')
  await note.getByRole('button', { name: 'Pin it' }).click()
  await expect(panel.getByTestId('margin')).toContainText('seen once it is handed back')
  await piece(ada, 'barnacle').press('Enter')
  await ada.keyboard.press('ArrowRight')
  await ada.keyboard.press('Enter')
  await expect(ada.getByRole('img', { name: '3, on barnacle: look again' })).toHaveCount(0)
  await expect(notes).toContainText('You have moved it since.')
  await expect(panel.getByTestId('margin')).toContainText('looked at again: it was moved')
  await expect(notes).not.toContainText('For when it comes back')
  await ada.reload()
  await expect(notes).toContainText('You have moved it since.')
  await expect(notes).not.toContainText('For when it comes back')

  // A word, and pencils down for her alone, without leaving her slate.
  await press(page, 'Say a word')
  const word = page.getByRole('dialog')
  await word.getByRole('button', { name: 'Begin with the ones you are sure of.' }).click()
  await word.getByRole('button', { name: 'Say it' }).click()
  await expect(ada.getByTestId('nudge')).toContainText('Begin with the ones you are sure of.')
  await press(page, 'Pencils down')
  await expect(ada.getByTestId('pencils-down')).toBeVisible()
  await press(page, 'Pencils up')
  await expect(ada.getByTestId('pencils-down')).toHaveCount(0)
  await page.getByRole('link', { name: 'Walk-round' }).click()
  const tile = page.locator('[data-slate="Ada Fern"]')
  await expect(tile).toContainText('not seen yet')
  await ada.getByRole('button', { name: 'Got it' }).press('Enter')
  await expect(ada.getByTestId('nudge')).toHaveCount(0)
  await expect(tile).not.toContainText('not seen yet')
  await expect(tile).toContainText('seen')

  // What was said is offered first the next time, to all.
  await press(page, 'Say a word')
  await word.getByLabel('What do you want to say?').fill('Five more minutes.')
  await word.getByRole('button', { name: 'Say it' }).click()
  await expect(page.getByText('Said to 2.')).toBeVisible()
  await expect(ada.getByTestId('nudge')).toContainText('Five more minutes.')
  await press(page, 'Say a word')
  await expect(word.getByRole('list').getByRole('button').first()).toHaveText('Five more minutes.')
  await ada.context().close()
})
