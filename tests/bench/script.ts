import { gzipSync } from 'node:zlib'
import { chromium, type Page } from '@playwright/test'
import { GESTURES } from '../../core/tools/making'
import { TOOLS } from '../../core/board/tools'
import type { Board } from '../../core/board/board'
import type { FileHash } from '../../core/board/ids'
import type { Place } from '../../core/board/place'
import type { Application } from '../application'
import type { Client } from '../../demo/client'
import { placeId, shore } from '../boards'
import { comeInByLink, makeLesson } from '../e2e/lesson'
import { wav } from '../sounds'
import type { Line } from './measure'
import { CHROMIUM } from '../browser'

const PLAIN_KB = 150
const FULL_KB = 200

/** A board with something of everything that a student's page can have. */
async function fullest(teacher: Client): Promise<Board> {
  const { hash } = await teacher.must<{ hash: FileHash }>('POST', '/api/clips', new Blob([new Uint8Array(wav(1))]))
  const board = shore()
  const box = (x: number, y: number, width: number, height: number) => ({
    kind: 'rectangle' as const,
    x,
    y,
    width,
    height,
  })
  const places: Place[] = [
    { kind: 'writing', id: placeId('w'), heading: 'Rule', shape: box(0, 400, 100, 60), lines: 'many', textSize: 18 },
    {
      kind: 'gaps',
      id: placeId('g'),
      heading: '',
      shape: box(120, 400, 100, 60),
      text: 'The __ and the ____.',
      textSize: 18,
      typed: true,
      gap: { width: 60, height: 30 },
    },
    { kind: 'drawing', id: placeId('d'), heading: '', shape: box(240, 400, 100, 60) },
    { kind: 'scale', id: placeId('s'), heading: '', least: '0', most: '1', step: '1/4', shape: box(400, 400, 200, 60) },
  ]
  const clip = {
    id: 'gulls',
    kind: 'sound' as const,
    file: hash,
    seconds: 1,
    name: 'Gulls',
    x: 640,
    y: 400,
    width: 200,
    height: 60,
  }
  return {
    ...board,
    tools: [...TOOLS],
    pages: board.pages.map(page => ({
      ...page,
      arrows: true,
      places: [...page.places, ...places],
      backdrop: { ...page.backdrop, ruling: { kind: 'squares' as const, spacing: 28 }, clips: [clip] },
    })),
  } as Board
}

/**
 * All script that a student's device loads to work on a slate, compressed, against what is promised: coming in, the
 * page, and what is fetched for later (dialogs), too.
 */
export async function studentScript(application: Application): Promise<Line[]> {
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const lines: Line[] = []
  for (const [what, board, promised, use] of [
    ['a plain sort', shore(), PLAIN_KB, async () => {}],
    ['the fullest board, with every tool in hand once', fullest, FULL_KB, everyTool],
  ] as const) {
    const lesson = await makeLesson(application.address, undefined, board)
    const page = await (await browser.newContext()).newPage()
    const loaded = new Map<string, Promise<number>>()
    page.on('response', response => {
      if (/\.js$/.test(new URL(response.url()).pathname))
        loaded.set(
          response.url(),
          response.body().then(
            body => gzipSync(body).length,
            () => 0,
          ),
        )
    })
    await comeInByLink(page, application.address, lesson, lesson.students[0]!)
    await page.waitForLoadState('networkidle')
    await use(page)
    await page.waitForLoadState('networkidle')
    const bytes = (await Promise.all(loaded.values())).reduce((sum, n) => sum + n, 0)
    lines.push({
      what: `script of the student's page, compressed: ${what}`,
      measured: `${(bytes / 1024).toFixed(0)} KB`,
      floor: `promised ${promised} KB`,
      ratio: bytes / 1024 / promised,
    })
    await page.context().close()
  }
  await browser.close()
  return lines
}

async function everyTool(page: Page): Promise<void> {
  const tools = page.getByRole('toolbar').getByRole('button')
  await tools.first().waitFor()
  for (const [i, tool] of TOOLS.entries()) {
    await tools.nth(i).click()
    if (GESTURES[tool] !== null) continue
    await page.getByRole('dialog').waitFor({ state: 'attached' })
    await page.keyboard.press('Escape')
  }
  await page.getByRole('button', { name: 'Play the sound: Gulls' }).click()
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByRole('button', { name: 'Hand in' }).click()
  await page.getByRole('button', { name: 'Hand it in now' }).waitFor()
}
