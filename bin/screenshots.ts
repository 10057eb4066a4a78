/**
 * Takes the pictures of docs/screenshots from a running demo: `npm run screenshots` while bin/demo runs.
 * ADDRESS names another address, ONLY a single picture, OUT another folder.
 */
import { execFileSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test'
import { shortName } from '../core/roster/names'
import { CLASSES, demoPictures, TEACHER } from '../demo/school'
import { PICTURE_WORDS } from '../tests/pictureWords'
import { CHROMIUM } from '../tests/browser'

const address = process.env.ADDRESS ?? 'http://127.0.0.1:3000'
const out = process.env.OUT ?? 'docs/screenshots'
const only = process.env.ONLY?.split(',')

const LAPTOP = { viewport: { width: 1280, height: 800 } }
const TABLET = { viewport: { width: 1024, height: 768 }, hasTouch: true }

async function teacher(browser: Browser): Promise<BrowserContext> {
  const context = await browser.newContext(LAPTOP)
  const page = await context.newPage()
  await page.goto(`${address}/sign-in`)
  await page.getByLabel('E-mail address').fill(TEACHER.email)
  await page.getByLabel('Password').fill(TEACHER.password)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'Shelf' }).waitFor()
  await page.close()
  return context
}

async function student(browser: Browser, size: object, className: 0 | 1 | 2, name: string): Promise<Page> {
  const page = await (await browser.newContext(size)).newPage()
  await page.goto(`${address}/join?class=${CLASSES[className].code}`)
  await page.getByRole('button', { name }).click()
  for (const picture of demoPictures(name))
    await page.getByRole('button', { name: PICTURE_WORDS[picture], exact: true }).click()
  await page.getByRole('heading', { name: 'My desk' }).waitFor()
  return page
}

const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu', '--font-render-hinting=none'],
})
mkdirSync(out, { recursive: true })

/** A note in a student's own part of the page. */
async function note(page: Page, words: string): Promise<void> {
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  const part = (await page.locator('[data-part=mine]').boundingBox())!
  await page.mouse.click(part.x + 120, part.y + 80)
  await page.locator('textarea:focus').fill(words)
  await page.keyboard.press('Escape')
}

/** `after` puts back what was changed for the picture. */
async function shoot(name: string, take: () => Promise<Page>, after?: (page: Page) => Promise<void>): Promise<void> {
  if (only && !only.includes(name)) return
  const page = await take()
  await page.waitForLoadState('networkidle').catch(() => {})
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: `${out}/${name}.png` })
  await after?.(page)
  await page.close()
  console.log(name)
}

const context = await teacher(browser)
const at = async (path: string) => {
  const page = await context.newPage()
  await page.goto(`${address}${path}`)
  return page
}
const handout = async (title: string) => {
  const page = await at('/handouts')
  await page.getByRole('link', { name: title }).first().click()
  await page.locator('[data-slate]').first().waitFor()
  return page
}
const workbench = async (title: string, station: string) => {
  const page = await at('/shelf')
  await page.getByRole('link', { name: `Open ${title}` }).click()
  await page.getByRole('button', { name: station }).click()
  return page
}

await shoot('shelf', () => at('/shelf'))
await shoot('start', () => at('/start'))
await shoot('workbench-backdrop', () => workbench('Parts of a boat', 'Backdrop'))
await shoot('workbench-places', async () => {
  const page = await workbench('How do they hold on?', 'Places')
  await page.getByRole('button', { name: 'Zone: Crawls about' }).focus()
  return page
})
await shoot('workbench-pieces', async () => {
  const page = await workbench('Where do we see them?', 'Pieces')
  await page.getByRole('button', { name: 'Tiles', exact: true }).click()
  return page
})
await shoot('workbench-answers', () => workbench('Weather words', 'Answers'))
await shoot('give-out', async () => {
  const page = await workbench('How many beats?', 'Check')
  await page.getByRole('button', { name: 'Give out', exact: true }).click()
  await page.getByLabel(/^A frame per group/).check()
  await page.getByLabel('A word to the class').fill('Ten minutes with your group, then we compare.')
  await page.getByText('Each of the').waitFor()
  return page
})
await shoot('class', async () => {
  const page = await at('/classes')
  await page.getByRole('link', { name: 'Year 5/6' }).click()
  await page.getByRole('button', { name: 'Add or update names' }).click()
  await page
    .getByLabel('Names', { exact: true })
    .fill('Surname\tFirst name\tLevel\nTern\tMarlo\treef\nFern\tTilda\tdeep\nTern\tMarlo\tdeep\nReed\tJory\treef\n')
  return page
})
await shoot('groups', async () => {
  const page = await at('/classes')
  await page.getByRole('link', { name: 'Year 5/6' }).click()
  await page.getByRole('link', { name: 'Groups', exact: true }).click()
  await page.getByRole('button', { name: 'Rock-pool groups' }).click()
  await page.getByLabel('Levels').selectOption('mixed')
  await page.getByRole('button', { name: /^Make groups of/ }).click()
  await page.getByText('Every wish is kept.').waitFor()
  await page
    .getByRole('button', { name: /^Ada Marsh/ })
    .first()
    .click()
  return page
})
await shoot('walk-round', async () => {
  const page = await handout('How do they hold on?')
  await page.getByRole('radio', { name: 'Who needs you' }).click()
  return page
})
await shoot('class-screen', async () => {
  const page = await handout('How do they hold on?')
  await page.getByRole('button', { name: 'Class screen' }).click()
  await page.getByRole('button', { name: 'The board' }).click()
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Next answer' }).click()
  await page.getByText('3 answers of').waitFor()
  return page
})
await shoot('review', async () => {
  const page = await handout('How do they hold on?')
  await page.locator('[data-slate]', { hasText: 'handed in' }).first().click()
  await page.getByLabel('A word to the student').waitFor()
  return page
})
await shoot('answers', async () => {
  const page = await handout('How do they hold on?')
  await page.locator('[data-slate]', { hasText: 'handed in' }).first().click()
  await page.getByRole('link', { name: 'barnacle: all students' }).click()
  await page.locator('[data-test=alike]').first().waitFor()
  return page
})
await shoot('findings', async () => {
  const page = await handout('How do they hold on?')
  await page.getByRole('link', { name: 'Findings' }).click()
  await page.locator('[data-test=finding-items]').waitFor()
  return page
})
await shoot('come-in', async () => {
  const page = await (await browser.newContext(TABLET)).newPage()
  await page.goto(`${address}/join?class=${CLASSES[1].code}`)
  await page.getByRole('button', { name: 'Orla Wick' }).click()
  return page
})
const open = async (page: Page, title: string) => {
  await page.getByRole('link', { name: title }).first().click()
  await page.getByRole('group', { name: 'Page', exact: true }).waitFor()
  return page
}
await shoot('student-laptop', async () =>
  open(await student(browser, LAPTOP, 0, 'Lark Zander'), 'How do they hold on?'),
)
await shoot('frame', async () => {
  // Two of one group, each in a part of their own: what one writes, the other sees.
  const title = 'What makes a good harbour?'
  const own = await open(await student(browser, LAPTOP, 0, 'Ada Marsh'), title)
  const walk = await handout(title)
  const tile = (await walk.locator('[data-slate]', { hasText: 'Ada' }).first().innerText()).split('\n').at(-1)!
  await walk.close()
  const mates = tile
    .split(', ')
    .filter(name => !name.startsWith('Ada '))
    .map(mate => CLASSES[0].students.find(name => shortName(name) === mate)!)
  const ideas = ['Deep water at low tide', 'A wall against the east wind']
  for (const [i, words] of ideas.entries()) {
    const page = await open(await student(browser, LAPTOP, 0, mates[i]!), title)
    await note(page, words)
    if (i > 0) continue
    await page.getByRole('button', { name: 'Side talk' }).click()
    await page.getByLabel('Say something to your group').fill('Which of them goes into the middle?')
    await page.keyboard.press('Enter')
  }
  await note(own, 'Room for the ferry to turn')
  for (const words of ideas) await own.getByText(words.split(' ')[0]!).first().waitFor()
  await own.getByRole('button', { name: 'Side talk' }).click()
  await own.evaluate(() => Promise.allSettled(document.getAnimations().map(one => one.finished)))
  return own
})
await shoot('handed-back', async () => {
  const walk = await handout('How do they hold on?')
  const name = await walk.locator('[data-slate]', { hasText: 'handed back' }).first().getAttribute('data-slate')
  await walk.close()
  return open(await student(browser, LAPTOP, 0, name!), 'How do they hold on?')
})

/** A sheet of a PDF in dots to the inch, as poppler's tool draws it. */
async function sheetOf(path: string, sheet: number, dpi: number): Promise<Buffer> {
  const answer = await context.request.get(`${address}${path}`)
  const folder = mkdtempSync(join(tmpdir(), 'paper-'))
  const file = join(folder, 'paper.pdf')
  writeFileSync(file, await answer.body())
  try {
    return execFileSync('pdftoppm', ['-r', `${dpi}`, '-f', `${sheet}`, '-l', `${sheet}`, '-png', file])
  } finally {
    rmSync(folder, { recursive: true })
  }
}
/** A marked page of a student, and pieces to cut out, side by side. */
async function onPaper(): Promise<void> {
  const headers = { origin: address }
  const all = (await (await context.request.get(`${address}/api/handouts`)).json()) as Record<string, string>[]
  const { id } = all.find(one => one.title === 'How do they hold on?' && one.className === CLASSES[0].name)!
  const papers = `/api/handouts/${id}/papers`
  const order = { arrange: 'one', sheet: 'own', names: true, marked: true, grey: false }
  const asked = await context.request.post(`${address}${papers}`, { data: order, headers })
  const { id: paper } = (await asked.json()) as { id: string }
  for (let status = ''; status !== 'ready';) {
    await new Promise(done => setTimeout(done, 500))
    const list = (await (await context.request.get(`${address}${papers}`)).json()) as Record<string, string>[]
    status = list.find(one => one.id === paper)!.status!
  }
  const boards = (await (await context.request.get(`${address}/api/boards`)).json()) as Record<string, string>[]
  const board = boards.find(one => one.title === 'How do they hold on?')!.id
  const [width, height, edge] = [1280, 620, 10]
  const slate = await sharp(await sheetOf(`${papers}/${paper}`, MARKED_SHEET, 96))
    .resize({ width: 860 })
    .toBuffer()
  const pieces = await sharp(await sheetOf(`/api/boards/${board}/paper?what=cut-out&headings=2`, 1, 96))
    .resize({ height: 560 })
    .toBuffer({ resolveWithObject: true })
  await sharp({ create: { width, height, channels: 3, background: '#d8dfdc' } })
    .composite([
      { input: slate, left: edge, top: 83 },
      { input: pieces.data, left: width - pieces.info.width - edge, top: 30 },
    ])
    .png()
    .toFile(`${out}/on-paper.png`)
}
/** The first of the demo's slates in the order of names that was handed back with a word. */
const MARKED_SHEET = 21
if (!only || only.includes('on-paper')) await onPaper()
await browser.close()
