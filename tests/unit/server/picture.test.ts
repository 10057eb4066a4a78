import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { readPicture } from '../../../server/files/picture'

const flat = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background: { r: 200, g: 120, b: 40, alpha: 0.5 } } })
const svg = (inner: string, size = 'width="40" height="30"') =>
  Buffer.from(`<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${size}>${inner}</svg>`)

describe('an uploaded picture', () => {
  it('is encoded anew, without the place where it was taken', async () => {
    const photo = await flat(60, 40)
      .jpeg()
      .withExif({ IFD0: { Copyright: 'somebody' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '50/1 0/1 0/1' } })
      .toBuffer()
    expect((await sharp(photo).metadata()).exif).toBeDefined()
    const read = await readPicture(photo)
    if (!read.ok) throw new Error(read.reason)
    expect(read.value).toMatchObject({ mediaType: 'image/jpeg', width: 60, height: 40 })
    expect((await sharp(read.value.bytes).metadata()).exif).toBeUndefined()
  })

  it('keeps its transparency', async () => {
    const read = await readPicture(await flat(20, 20, 4).png().toBuffer())
    expect(read).toMatchObject({ ok: true, value: { mediaType: 'image/png' } })
  })

  it('is made smaller when it is larger than any screen', async () => {
    const read = await readPicture(await flat(6000, 3000).jpeg().toBuffer())
    expect(read).toMatchObject({ ok: true, value: { width: 2560, height: 1280 } })
  })

  it('of 100 megapixels is refused before it is decoded', async () => {
    expect(await readPicture(await flat(10_000, 10_000).png().toBuffer())).toEqual({
      ok: false,
      reason: 'too-many-pixels',
    })
  })

  it('that is none is refused', async () => {
    for (const bytes of [
      Buffer.from('hello'),
      Buffer.alloc(0),
      Buffer.from('%PDF-1.7 ...'),
      Buffer.from('<html><script>alert(1)</script></html>'),
    ]) {
      expect(await readPicture(bytes)).toEqual({ ok: false, reason: 'not-a-picture' })
    }
    const whole = await flat(200, 200).png().toBuffer()
    expect(await readPicture(whole.subarray(0, whole.length / 2))).toEqual({ ok: false, reason: 'not-a-picture' })
  })

  it('as SVG with dashes without end is refused, wherever they are said, and with dashes that are seen is taken', async () => {
    const line = '<path d="M0 0 L 1e9 0" stroke="#000"/>'
    for (const endless of [
      '<path d="M0 0 L 1e9 0" stroke="#000" stroke-dasharray=".01 .01"/>',
      '<path d="M0 0 L 1e9 0" stroke="#000" style="stroke-dasharray: 1"/>',
      `<g stroke-dasharray="2">${line}</g>`,
      `<style>path { stroke-dasharray: 1, 1 }</style>${line}`,
    ])
      expect(await readPicture(svg(endless)), endless).toEqual({ ok: false, reason: 'too-heavy' })
    const rows = Array.from({ length: 40 }, (_, i) => `<path d="M0 ${i} h 800"/>`).join('')
    const dashed = `<g stroke="#000" stroke-dasharray="4 2">${rows}</g><circle r="9" stroke-dasharray="1"/>`
    expect(await readPicture(svg(dashed))).toMatchObject({ ok: true })
  })

  it('as SVG becomes pixels: what runs or reaches out in it is gone', async () => {
    const read = await readPicture(
      svg(
        '<script>fetch("/api/session")</script><image href="file:///etc/passwd" width="9" height="9"/><rect width="40" height="30" fill="red" onload="alert(1)"/>',
      ),
    )
    if (!read.ok) throw new Error(read.reason)
    expect(read.value).toMatchObject({ mediaType: 'image/png', width: 40, height: 30 })
    expect(read.value.bytes.includes('script')).toBe(false)
    expect(await readPicture(svg('', 'width="100000" height="100000"'))).toEqual({
      ok: false,
      reason: 'too-many-pixels',
    })
  })
})
