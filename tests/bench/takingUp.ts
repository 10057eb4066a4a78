import { chromium } from '@playwright/test'
import type { Application } from '../application'
import { comeInByLink, makeLesson } from '../e2e/lesson'
import { largeSort } from './largeSort'
import { ms, type Line } from './measure'
import { CHROMIUM } from '../browser'

const MOVES = 2000
const SLOWED = 4
const PROMISED_MS = 1000

/** A slate with 2,000 moves made offline is opened again, the processor slowed four times: until all of them show. */
export const takingUp = async (application: Application): Promise<Line[]> => [
  await takenUp(application, 6),
  await takenUp(application, 300),
]

async function takenUp(application: Application, pieces: number): Promise<Line> {
  const { plain, page: sorted } = largeSort(pieces, 6)
  const ids = sorted.pieces.map(piece => piece.id)
  const lesson = await makeLesson(application.address, ['Ada Fern'], plain)
  const slate = lesson.slates.find(s => s.name === lesson.students[0]!.name)!.id
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage()
  await comeInByLink(page, application.address, lesson, lesson.students[0]!)
  // The moves lie in the store as if they had been made without a connection.
  await page.evaluate(
    ([slate, count, ids]) =>
      new Promise<void>((done, fail) => {
        const opening = indexedDB.open('dappled-slate')
        opening.onerror = () => fail(new Error('no store'))
        opening.onsuccess = () => {
          const transaction = opening.result.transaction('outbox', 'readwrite')
          for (let i = 0; i < count; i++)
            transaction
              .objectStore('outbox')
              .add({
                slate,
                envelope: {
                  id: `made-offline-${i}`,
                  move: { kind: 'put', piece: ids[i % ids.length], x: 50 + (i % 800), y: 100 },
                },
              })
          transaction.oncomplete = () => {
            opening.result.close()
            done()
          }
        }
      }),
    [slate, MOVES, ids] as const,
  )
  // No server hears of them: what is measured is the device's own work.
  await page.routeWebSocket(/\/socket$/, () => {})
  await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  await page.addInitScript(() => {
    const read = IDBIndex.prototype.getAll
    IDBIndex.prototype.getAll = function (...args) {
      performance.mark('asked')
      return read.apply(this, args)
    }
  })
  await page.goto(`${application.address}/slate/${slate}`)
  // All pieces lie on the page: the last of the moves has been made.
  const shown = await page.waitForFunction(
    count => {
      const pieces = [...document.querySelectorAll('[data-piece][aria-label]')]
      return (
        pieces.length >= count
        && pieces.every(piece => !/on the ledge/.test(piece.getAttribute('aria-label')!))
        && performance.now()
      )
    },
    pieces,
    { polling: 'raf' },
  )
  const took =
    Number(await shown.jsonValue()) - (await page.evaluate(() => performance.getEntriesByName('asked')[0]!.startTime))
  await browser.close()
  return {
    what: `taking up ${MOVES} moves made offline on ${pieces} pieces, processor slowed ${SLOWED} times, until they show`,
    measured: ms(took),
    floor: `promised ${PROMISED_MS} ms`,
    ratio: took / PROMISED_MS,
  }
}
