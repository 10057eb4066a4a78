import { chromium } from '@playwright/test'
import { createDatabase } from './database'
import { startApplication } from './application'
import { makeLesson, giveOutTo, comeInByLink } from './e2e/lesson'
import { wav } from './sounds'
const db = await createDatabase(); const app = await startApplication(db.url)
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu','--use-fake-ui-for-media-stream','--use-fake-device-for-media-stream'] })
const page = await (await b.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
const lesson = await makeLesson(app.address)
await page.goto(app.address + '/sign-in'); await page.getByLabel('E-mail address').fill(lesson.email); await page.getByLabel('Password').fill(lesson.password); await page.getByRole('button', { name: 'Sign in' }).click(); await page.getByRole('heading', { name: 'Shelf' }).waitFor()
await page.goto(`${app.address}/board/${lesson.board}`); await page.getByRole('button', { name: 'Backdrop' }).click()
const film = await page.evaluate(async () => {
    const stream = await navigator.mediaDevices.getUserMedia({ audio: true, video: { width: 640, height: 360 } })
    const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp8,opus' }); const parts: Blob[] = []
    recorder.ondataavailable = ({ data }) => void parts.push(data); const done = new Promise(r => recorder.onstop = r); recorder.start(); await new Promise(r => setTimeout(r, 3000)); recorder.stop(); await done
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())] })
await page.locator('[data-test=clip-file]').setInputFiles({ name: 'Low tide at Ternhaven.webm', mimeType: 'video/webm', buffer: Buffer.from(film) })
await page.getByRole('complementary').getByLabel('Name').waitFor()
await page.locator('[data-test=clip-file]').setInputFiles({ name: 'Gulls calling over the harbour.wav', mimeType: 'audio/wav', buffer: wav(65) })
await page.getByRole('complementary').getByLabel('What is said in it').waitFor()
await page.getByLabel('What is said in it').fill('Gulls call over the harbour.')
await page.getByLabel('Address of a link').fill('example.org/rock-pools'); await page.getByRole('button', { name: 'Add', exact: true }).click()
await page.getByLabel('Words on the card').fill('More about rock pools'); 
await page.locator('[data-test=keeping]', { hasText: 'Kept' }).waitFor()
const { board, version } = await lesson.teacher.must<any>('GET', `/api/boards/${lesson.board}`)
Object.assign(board.pages[0].backdrop.clips[0], { x: 20, y: 20 }); Object.assign(board.pages[0].backdrop.clips[1], { x: 480, y: 20 }); Object.assign(board.pages[0].backdrop.links[0], { x: 480, y: 110 })
board.pages[0].backdrop.clips[0].words = 'The tide goes out.'
await lesson.teacher.must('PUT', `/api/boards/${lesson.board}`, { version, board })
await page.reload(); await page.getByRole('button', { name: 'Backdrop' }).click(); await page.waitForLoadState('networkidle'); await page.mouse.move(640, 700)
await page.screenshot({ path: '/tmp/s1.png' })
await page.mouse.click(300, 330).catch(() => {}); await page.waitForTimeout(500)
await page.screenshot({ path: '/tmp/s2.png' })
await page.getByRole('button', { name: 'Speak the instructions' }).click(); await page.getByRole('button', { name: 'Start recording' }).click(); await page.waitForTimeout(1200); await page.screenshot({ path: '/tmp/s3.png' })
await page.getByRole('button', { name: 'Stop' }).click(); await page.getByRole('button', { name: 'Take it' }).click(); await page.getByRole('button', { name: 'Hear it' }).waitFor(); await page.locator('[data-test=keeping]', { hasText: 'Kept' }).waitFor()
const { id } = await giveOutTo(lesson.teacher, lesson.board, { to: [{ classId: lesson.classId }] })
const s = await (await b.newContext({ viewport: { width: 1280, height: 800 } })).newPage(); await comeInByLink(s, app.address, { ...lesson, handout: id }, lesson.students[0]!)
await s.waitForLoadState('networkidle'); await s.screenshot({ path: '/tmp/s4.png' })
await s.getByRole('button', { name: /Play the film/ }).click(); await s.waitForTimeout(900); await s.screenshot({ path: '/tmp/s5.png' }); await s.getByRole('button', { name: 'Close' }).click()
await s.getByRole('button', { name: /Play the sound/ }).click(); await s.waitForTimeout(900); await s.screenshot({ path: '/tmp/s6.png' })
const ph = await (await b.newContext({ viewport: { width: 360, height: 740 }, hasTouch: true })).newPage(); await comeInByLink(ph, app.address, { ...lesson, handout: id }, lesson.students[1]!)
await ph.getByRole('button', { name: /Play the film/ }).tap(); await ph.waitForTimeout(800); await ph.screenshot({ path: '/tmp/s7.png' })
await b.close(); await app.stop(); await db.drop(); process.exit(0)
