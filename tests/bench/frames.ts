import { resolve } from 'node:path'
import { chromium } from '@playwright/test'
import { build } from 'vite'
import { ms, quantile, type Line } from './measure'
import { PIECES, PLACES } from './crowd'
import { CHROMIUM } from '../browser'

const FRAME = 1000 / 60
const SLOWED = 4
const root = resolve(import.meta.dirname, '../..')

/** A module and all it needs as one script. */
async function bundled(entry: string): Promise<string> {
  const built = await build({
    configFile: false,
    root,
    logLevel: 'silent',
    resolve: { alias: { '~~': root } },
    build: { write: false, lib: { entry: resolve(root, entry), formats: ['iife'], name: 'bundle' } },
  })
  const [output] = Array.isArray(built) ? built : [built]
  if (!output || !('output' in output)) throw new Error('nothing was built')
  return output.output[0].code
}

interface Bench {
  placement: () => { placed: number; read: number }
  preflightBeside: (source: string) => Promise<{ rest: number[]; busy: number[]; took: number }>
}

/**
 * In a browser whose processor is slowed four times: placing a crowded page within a frame; preflight in a worker
 * beside running frames.
 */
export async function inFrames(): Promise<Line[]> {
  const [script, worker] = await Promise.all([bundled('tests/bench/inBrowser.ts'), bundled('app/workers/preflight.ts')])
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage()
  await page.addScriptTag({ content: script })
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  const { placed, read } = await page.evaluate(() => (globalThis as unknown as { bench: Bench }).bench.placement())
  const { rest, busy, took } = await page.evaluate(
    source => (globalThis as unknown as { bench: Bench }).bench.preflightBeside(source),
    worker,
  )
  await browser.close()
  const dropped = (gaps: readonly number[]) => gaps.filter(gap => gap > 1.5 * FRAME).length
  return [
    {
      what: `placing ${PIECES} pieces on ${PLACES} places, processor slowed ${SLOWED} times`,
      measured: ms(placed),
      floor: `one frame, ${ms(FRAME)}`,
      ratio: placed / FRAME,
    },
    {
      what: 'the same against reading the positions',
      measured: ms(placed),
      floor: `reading ${read.toFixed(4)} ms`,
      ratio: placed / read,
    },
    {
      what: `95th percentile of frames beside the preflight of 20 pages in a worker (${ms(took)}); ${dropped(busy)} of ${busy.length} frames dropped, ${dropped(rest)} at rest`,
      measured: ms(quantile(busy, 0.95)),
      floor: `at rest ${ms(quantile(rest, 0.95))}`,
      ratio: quantile(busy, 0.95) / quantile(rest, 0.95),
    },
  ]
}
