import type { Page } from '@playwright/test'
import { setBoardTools } from '../../core/design/tools'
import { duplicatePage } from '../../core/design/pages'
import { counting, pageId, shore } from '../boards'
import { comeIn, dragTo, expect, makeLesson, piece, signInTeacher, test, zonePoint } from './class'
import { press, station, tool } from './making'

test.use({ testIdAttribute: 'data-test' })

const board = () => setBoardTools(duplicatePage(shore(), pageId('page'), counting()), ['pen', 'note'])

/** Icons that are drawn in the colour of what they stand on, so that nobody sees them. */
const lostIcons = (page: Page) =>
  page.evaluate(() => {
    const ground = (element: Element | null): string => {
      for (let at = element; at; at = at.parentElement) {
        const { backgroundColor } = getComputedStyle(at)
        if (!/rgba\(.*, 0\)|transparent/.test(backgroundColor)) return backgroundColor
      }
      return 'rgb(255, 255, 255)'
    }
    return [...document.querySelectorAll('button svg, a svg')]
      .filter(icon => icon.getClientRects().length > 0 && icon.querySelector('use'))
      .filter(icon => {
        const { color, maskImage } = getComputedStyle(icon)
        return color === ground(icon) || maskImage !== 'none'
      })
      .map(icon => icon.closest('button, a')!.outerHTML.slice(0, 120))
  })
/** What is pressed, chosen or current, and has no outline that says so. */
const unmarked = (page: Page) =>
  page.evaluate(() =>
    [
      ...document.querySelectorAll(
        'button[aria-pressed=true], [aria-current]:not([aria-current=false]), [aria-checked=true]',
      ),
    ]
      .filter(element => element.getClientRects().length > 0)
      .filter(element => getComputedStyle(element).outlineStyle === 'none')
      .map(element => element.outerHTML.slice(0, 120)),
  )

test('with the few colours of a forced palette icons, and what is pressed and current, are seen', async ({
  browser,
  application,
}) => {
  const { address } = application
  const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], board())
  const context = await browser.newContext({ forcedColors: 'active', viewport: { width: 1280, height: 800 } })
  const student = await context.newPage()
  await comeIn(student, address, lesson, 'Ada Fern')
  expect(await student.evaluate(() => matchMedia('(forced-colors: active)').matches)).toBe(true)
  await tool(student, 'Pen').click()
  expect(await lostIcons(student)).toEqual([])
  expect(await unmarked(student)).toEqual([])
  // Cards keep a rim, and the page its outlines.
  const rim = await piece(student, 'limpet')
    .locator('path')
    .last()
    .evaluate(path => getComputedStyle(path).stroke)
  expect(rim).not.toBe('none')
  const teacher = await (
    await browser.newContext({ forcedColors: 'active', viewport: { width: 1280, height: 800 } })
  ).newPage()
  await signInTeacher(teacher, address, lesson.email, lesson.password)
  for (const path of ['/shelf', `/classes/${lesson.classId}`, `/handout/${lesson.handout}`]) {
    await teacher.goto(`${address}${path}`)
    await teacher.locator('main').waitFor()
    expect(await lostIcons(teacher), path).toEqual([])
    expect(await unmarked(teacher), path).toEqual([])
  }
  await teacher.goto(`${address}/board/${lesson.board}`)
  for (const name of ['Backdrop', 'Places', 'Pieces', 'Answers', 'Check']) {
    await station(teacher, name).click()
    expect(await lostIcons(teacher), name).toEqual([])
    expect(await unmarked(teacher), name).toEqual([])
  }
  await context.close()
  await teacher.context().close()
})

test('where motion is not wanted, nothing moves by itself', async ({ browser, application }) => {
  const lesson = await makeLesson(application.address, ['Ada Fern'], board())
  const page = await (await browser.newContext({ reducedMotion: 'reduce' })).newPage()
  await comeIn(page, application.address, lesson, 'Ada Fern')
  const moving = () => page.evaluate(() => document.getAnimations().filter(one => one.playState === 'running').length)
  await dragTo(page, 'limpet', await zonePoint(page, 0))
  expect(await moving()).toBe(0)
  await page.getByRole('button', { name: 'Next page' }).hover()
  expect(await moving()).toBe(0)
  await press(page, 'Hand in')
  expect(await moving()).toBe(0)
  const still = await page.evaluate(() =>
    [...document.querySelectorAll('*')].every(element => {
      const { transitionDuration, animationName, transitionProperty } = getComputedStyle(element)
      return (transitionProperty === 'none' || /^0s(, 0s)*$/.test(transitionDuration)) && animationName === 'none'
    }),
  )
  expect(still).toBe(true)
  await page.context().close()
})

/** What can't be read to its end, or stands beyond the window. */
const cutOff = (page: Page) =>
  page.evaluate(() => {
    const shown = [...document.querySelectorAll<HTMLElement>('button, a, label, summary, p, h1, h2, h3, th, td, li')]
      .filter(element => element.getClientRects().length > 0)
      .filter(element => !element.closest('.sr-only, [data-frame], [data-test=ledge], svg'))
    const cut = shown.filter(element => {
      const { overflow, textOverflow } = getComputedStyle(element)
      const hides = overflow !== 'visible' && textOverflow !== 'ellipsis'
      return hides && (element.scrollWidth > element.clientWidth + 1 || element.scrollHeight > element.clientHeight + 1)
    })
    // What a list that can be pushed about sideways holds is not lost.
    const off = shown
      .filter(element => element.matches('button, a, input, select'))
      .filter(element => {
        for (let at = element.parentElement; at; at = at.parentElement)
          if (/auto|scroll/.test(getComputedStyle(at).overflowX)) return false
        return element.getBoundingClientRect().right > innerWidth + 1
      })
    return [...cut, ...off].map(element => element.outerHTML.slice(0, 140))
  })
const across = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - innerWidth)

/** WCAG 2.2, 1.4.4: letters of twice the size; 1.4.10: a window of 320 CSS pixels. */
for (const [how, viewport, letters] of [
  ['with letters twice as large', { width: 1280, height: 800 }, '200%'],
  ['in a window of 320 pixels', { width: 320, height: 640 }, '100%'],
] as const) {
  test(`${how} every screen is read to its end, and only the page is pushed sideways`, async ({
    browser,
    application,
  }) => {
    const { address } = application
    const lesson = await makeLesson(address, ['Ada Fern', 'Bo Kelp'], board())
    const see = async (page: Page, what: string) => {
      await page.addStyleTag({ content: `html { font-size: ${letters} !important }` })
      await page.locator('h1').first().waitFor({ state: 'attached' })
      expect(await cutOff(page), what).toEqual([])
      expect(await across(page), what).toBeLessThanOrEqual(0)
    }
    const student = await (await browser.newContext({ viewport })).newPage()
    await student.goto(`${address}/join?class=${lesson.code}`)
    await student.getByRole('button', { name: 'Ada Fern' }).waitFor()
    await see(student, 'who are you')
    await comeIn(student, address, lesson, 'Ada Fern')
    await see(student, 'slate')
    await student.goto(`${address}/desk`)
    await student.getByRole('heading', { name: 'My desk' }).waitFor()
    await see(student, 'desk')
    await student.context().close()

    const teacher = await (await browser.newContext({ viewport })).newPage()
    await signInTeacher(teacher, address, lesson.email, lesson.password)
    await see(teacher, 'shelf')
    const { handout, classId, slates } = lesson
    for (const path of [
      '/start',
      '/classes',
      `/classes/${classId}`,
      '/handouts',
      `/handout/${handout}`,
      `/handout/${handout}/review/${slates[0]!.id}`,
    ]) {
      await teacher.goto(`${address}${path}`)
      await teacher.locator('main').waitFor()
      await see(teacher, path)
    }
    await teacher.goto(`${address}/board/${lesson.board}`)
    for (const name of ['Backdrop', 'Places', 'Pieces', 'Answers', 'Check']) {
      await station(teacher, name).click()
      await see(teacher, name)
    }
    // Page and panel are both as high as one works with.
    const panel = (await teacher.getByRole('complementary', { name: 'Check' }).boundingBox())!
    expect(panel.height).toBeGreaterThan(180)
    await teacher.context().close()
  })
}
