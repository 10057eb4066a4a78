import { gzipSync } from 'node:zlib'
import { chromium } from '@playwright/test'
import type { Application } from '../application'
import { comeInByLink, makeLesson } from '../e2e/lesson'
import type { Line } from './measure'

const PROMISED_KB = 200

/** All script that a student's device loads to work on a slate, compressed, against what ARCHITECTURE promises. */
export async function studentScript(application: Application): Promise<Line[]> {
  const lesson = await makeLesson(application.address)
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage()
  const loaded = new Map<string, Promise<number>>()
  page.on('response', (response) => {
    if (/\.js$/.test(new URL(response.url()).pathname)) loaded.set(response.url(), response.body().then(body => gzipSync(body).length, () => 0))
  })
  await comeInByLink(page, application.address, lesson, lesson.students[0]!)
  await page.waitForLoadState('networkidle')
  const bytes = (await Promise.all(loaded.values())).reduce((sum, n) => sum + n, 0)
  await browser.close()
  return [{ what: 'script of the student\'s page, compressed', measured: `${(bytes / 1024).toFixed(0)} KB`, floor: `promised ${PROMISED_KB} KB`, ratio: bytes / 1024 / PROMISED_KB }]
}
