import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import pixelmatch from 'pixelmatch'
import sharp from 'sharp'
import type { Board } from '../../core/board/board'
import { makeEdition } from '../../core/board/edition'
import { drawPage, type PageDrawing } from '../../core/drawing/page'
import { ORGANIZERS } from '../../core/organizers/organizers'
import { boardOf } from '../../core/organizers/plan'
import { startOf } from '../../core/slate/state'
import { dataOf, pictureKey, sourcesIn, type PictureBytes } from '../../server/papers/pictureBytes'
import { pngOf } from '../../server/papers/png'
import { examples } from '../examples'
import { expect, makeLesson, signInTeacher, test } from './class'

test.use({ testIdAttribute: 'data-test' })
test.describe.configure({ mode: 'parallel', timeout: 180_000 })

/** Of all pixels, so many may differ by more than the edges of letters do, which each renderer smooths its own way. */
const MOST_DIFFERENT = 0.004
/** How different a pixel may be, from 0 to 1 (pixelmatch's own measure, in YIQ). */
const THRESHOLD = 0.25

/** What the browser draws, alone on an empty page of the same size. */
async function drawnByBrowser(paper: Page, svg: string, { width, height }: PageDrawing): Promise<Buffer> {
  await paper.setViewportSize({ width: Math.ceil(width), height: Math.ceil(height) })
  await paper.evaluate(
    async ([outer, across, down]) => {
      const box = document.createElement('div')
      box.style.cssText = `position:fixed;inset:0;z-index:9999;background:#fff;width:${across}px;height:${down}px`
      box.innerHTML = outer!
      const drawn = box.firstElementChild as SVGElement
      drawn.removeAttribute('class')
      drawn.style.cssText = 'display:block;width:100%;height:100%'
      document.body.replaceChildren(box)
      await Promise.all(['400', '700'].map(weight => document.fonts.load(`${weight} 16px Andika`)))
      await Promise.all(
        [...drawn.querySelectorAll('image')].map(image => fetch(image.href.baseVal).then(answer => answer.blob())),
      )
      await document.fonts.ready
      await new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
    },
    [svg, String(width), String(height)],
  )
  return paper.screenshot()
}

async function shareDifferent(browser: Buffer, server: Buffer): Promise<number> {
  const { data: a, info } = await sharp(browser).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  const b = await sharp(server)
    .flatten({ background: '#ffffff' })
    .resize(info.width, info.height, { fit: 'fill' })
    .ensureAlpha()
    .raw()
    .toBuffer()
  const differing = pixelmatch(a, b, new Uint8Array(a.length), info.width, info.height, { threshold: THRESHOLD })
  return differing / (info.width * info.height)
}

const plain = ({ page, board }: { page: number; board: Board }) => {
  const edition = makeEdition(board)
  return drawPage({ edition, page: board.pages[page]!, state: startOf(edition) })
}

test('every organizer is the same picture whether the browser or the server draws it', async ({
  page,
  application,
}) => {
  const { teacher, email, password } = await makeLesson(application.address, ['Ada Fern'])
  const boards = ORGANIZERS.map(one => boardOf(one))
  for (const board of boards) await teacher.must('POST', '/api/boards', { title: board.title, board })
  await signInTeacher(page, application.address, email, password)
  await page.goto(`${application.address}/shelf`)
  // With that of the lesson.
  await expect(page.locator('main svg.isolate')).toHaveCount(boards.length + 1)
  const differences: Record<string, number> = {}
  const svgs = await page.evaluate(
    titles =>
      titles.map(title => {
        const card = [...document.querySelectorAll('li')].find(one =>
          [...one.querySelectorAll('*')].some(part => part.textContent?.trim() === title),
        )
        return card?.querySelector('svg.isolate')?.outerHTML ?? ''
      }),
    boards.map(board => board.title),
  )
  for (const [i, board] of boards.entries()) {
    expect(svgs[i], board.title).not.toBe('')
    const drawing = plain({ board, page: 0 })
    const server = await pngOf(drawing, new Map(), { title: board.title, scale: 1 })
    differences[board.title] = await shareDifferent(await drawnByBrowser(page, svgs[i]!, drawing), server)
  }
  expect(Object.entries(differences).filter(([, share]) => share > MOST_DIFFERENT)).toEqual([])
})

test('so is every page of the documented boards, pictures and all', async ({ page, application }) => {
  const { teacher, email, password } = await makeLesson(application.address, ['Ada Fern'])
  await signInTeacher(page, application.address, email, password)
  const differences: Record<string, number> = {}
  for (const { file } of examples) {
    const bytes = readFileSync(`docs/formats/examples/${file}`)
    const kept = await page.request.post(`${application.address}/api/boards/import`, {
      headers: { origin: application.address, 'content-type': 'application/octet-stream' },
      data: bytes,
    })
    const { id } = (await kept.json()) as { id: string }
    const { board } = await teacher.must<{ board: Board }>('GET', `/api/boards/${id}`)
    await page.goto(`${application.address}/board/${id}`)
    await page.getByRole('navigation', { name: 'Stations' }).getByRole('button', { name: 'Check' }).click()
    for (const [i, one] of board.pages.entries()) {
      if (board.pages.length > 1)
        await page
          .getByRole('button', { name: new RegExp(`^(Page )?${i + 1}$`) })
          .first()
          .click()
      const shown = page.locator('[data-frame] svg[viewBox]').first()
      await expect(shown).toHaveAttribute('viewBox', `0 0 ${one.width} ${one.height}`)
      const svg = await shown.evaluate(element => element.outerHTML)
      const drawing = plain({ board, page: i })
      const pictures: PictureBytes = new Map(
        await Promise.all(
          sourcesIn([drawing]).map(async source => {
            const address = source.from === 'file' ? `/api/files/${source.file}` : ''
            const got = await page.request.get(`${application.address}${address}`)
            const mediaType = got.headers()['content-type'] as 'image/png' | 'image/jpeg'
            return [pictureKey(source), { mediaType, bytes: await got.body() }] as const
          }),
        ),
      )
      expect(sourcesIn([drawing]).map(source => dataOf(pictures, source))).not.toContain(null)
      const paper = await page.context().newPage()
      await paper.goto(application.address)
      const server = await pngOf(drawing, pictures, { title: board.title, scale: 1 })
      differences[`${file} ${i + 1}`] = await shareDifferent(await drawnByBrowser(paper, svg, drawing), server)
      await paper.close()
    }
  }
  expect(Object.entries(differences).filter(([, share]) => share > MOST_DIFFERENT)).toEqual([])
})
