import { chromium } from '@playwright/test'
import { CHROMIUM } from './browser'

/** A film of two seconds and a half that a browser makes of its own test picture, 640 × 360, with sound. */
export async function film(): Promise<Buffer> {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
  })
  const page = await browser.newPage()
  // Devices are given to this machine's own addresses alone.
  await page.route('http://127.0.0.1/', route => route.fulfill({ contentType: 'text/html', body: '<p>' }))
  await page.goto('http://127.0.0.1/')
  const made = await page.evaluate(async () => {
    const stream = await navigator.mediaDevices.getUserMedia({ audio: true, video: { width: 640, height: 360 } })
    const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp8,opus' })
    const parts: Blob[] = []
    recorder.ondataavailable = ({ data }) => void parts.push(data)
    const done = new Promise(resolve => (recorder.onstop = resolve))
    recorder.start()
    await new Promise(resolve => setTimeout(resolve, 2500))
    recorder.stop()
    await done
    stream.getTracks().forEach(track => track.stop())
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())]
  })
  await browser.close()
  return Buffer.from(made)
}
