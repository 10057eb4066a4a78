import type { Page } from '@playwright/test'
import { PICTURE_WORDS } from '../pictureWords'
import { comeIn, dragTo, expect, makeLesson, signInTeacher, test, zonePoint } from './class'
import { kept, station } from './making'

test.use({ testIdAttribute: 'data-test' })

/**
 * The main screens as a screen reader goes through them, kept as readable text in `trees`. Anew where they were meant
 * to change: `npx playwright test trees --update-snapshots`.
 */
async function expectTree(page: Page, name: string, hide: readonly string[] = []): Promise<void> {
  await page.locator('h1').first().waitFor({ state: 'attached' })
  const tree = await page.locator('body').ariaSnapshot()
  const same = hide.reduce((text, word) => text.replaceAll(word, '…'), tree)
  expect(
    // What is different each time.
    same
      .replace(/- \/url: .*\n/g, '- /url: …\n')
      .replace(/\d{1,2} (January|February|March|April|May|June|July|August|September|October|November|December)/g, '…'),
  ).toMatchSnapshot(`${name}.txt`)
}

test('the screens of a student', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'])
  await page.goto(application.address)
  await expectTree(page, 'welcome')
  await page.goto(`${application.address}/join?class=${lesson.code}`)
  await page.getByRole('button', { name: 'Ada Fern' }).waitFor()
  await expectTree(page, 'who-are-you')
  await page.getByRole('button', { name: 'Ada Fern' }).click()
  await page.getByRole('heading', { name: 'Hello, Ada Fern' }).waitFor()
  expect(await page.getByRole('main').ariaSnapshot()).toMatchSnapshot('pictures.txt')
  await comeIn(page, application.address, lesson, 'Ada Fern')
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  await kept(page)
  await expectTree(page, 'slate')
  // The browser itself has the card below the zone in which it lies, though it is drawn elsewhere.
  const { nodes } = await (await page.context().newCDPSession(page)).send('Accessibility.getFullAXTree')
  const named = (name: string) => nodes.find(node => !node.ignored && node.name?.value === name)!
  const owner = nodes.find(node => node.nodeId === named('limpet, in Clings').parentId)
  const zone =
    owner!.ignored || owner!.role?.value === 'generic' ? nodes.find(n => n.nodeId === owner!.parentId) : owner
  expect(zone!.name?.value).toBe('Clings, zone, 1 card')
  await page.getByRole('button', { name: 'Hand in' }).click()
  expect(await page.getByRole('dialog').ariaSnapshot()).toMatchSnapshot('hand-in.txt')
  await page.goto(`${application.address}/desk`)
  await page.getByRole('heading', { name: 'My desk' }).waitFor()
  await page.getByRole('link', { name: /Test board/ }).waitFor()
  await expectTree(page, 'desk')
})

test('the screens of a teacher', async ({ page, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern', 'Bo Kelp'])
  const pictures = lesson.students.map(student => student.pictures.map(one => PICTURE_WORDS[one]).join(' '))
  const code = `${lesson.code.slice(0, 3)} ${lesson.code.slice(3)}`
  await signInTeacher(page, application.address, lesson.email, lesson.password)
  await page.getByRole('link', { name: 'Open Test board' }).waitFor()
  await expectTree(page, 'shelf')
  for (const [path, name, there] of [
    ['/classes', 'classes', 'Test class'],
    [`/classes/${lesson.classId}`, 'class', 'Who helps with this class'],
    [`/handout/${lesson.handout}`, 'walk-round', 'Ada F.'],
    [`/handout/${lesson.handout}/review/${lesson.slates[0]!.id}`, 'review', 'Ada Fern'],
  ] as const) {
    await page.goto(`${application.address}${path}`)
    await page.getByText(there).first().waitFor()
    await expectTree(page, name, [code, ...pictures])
  }
  await page.goto(`${application.address}/board/${lesson.board}`)
  for (const name of ['Backdrop', 'Places', 'Pieces', 'Answers', 'Check']) {
    await station(page, name).click()
    await page.getByRole('heading', { name, level: 2 }).waitFor()
    if (name === 'Check') await page.getByTestId('all-good').or(page.locator('[data-severity]')).first().waitFor()
    await expectTree(page, `workbench-${name.toLowerCase()}`)
  }
})
