import { readFileSync } from 'node:fs'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, it } from 'vitest'
import { cardsPdf } from '../../../server/papers/cards'
import { setWith } from '../../../server/papers/fonts'
import { sfntOf } from '../../../server/papers/woff'

describe('cards to come in with', () => {
  const cards = [
    'Ada Fern',
    'Zoë Núñez',
    'نور الدين',
    '李小龙',
    'Ωmega Ж',
    ...Array.from({ length: 6 }, (_, i) => `Student ${i}`),
  ].map(name => ({
    name,
    below: 'Year 5/6 · TRN 56H',
    pictures: ['boat', 'bell', 'star'],
    link: 'https://slate.ternhaven.example/come/abcdefghijklmnopqrstuvwx',
  }))
  it('stand eight to a page of A4, with the names that were asked for', async () => {
    const pdf = await getDocument({ data: new Uint8Array(await cardsPdf('Year 5/6', cards)), verbosity: 0 }).promise
    expect(pdf.numPages).toBe(2)
    const page = await pdf.getPage(1)
    const [, , width, height] = page.view as [number, number, number, number]
    // ISO 216: A4 is 210 × 297 mm; 72 points to the inch of 25.4 mm.
    expect([width, height].map(points => Math.round((points / 72) * 254) / 10)).toEqual([210, 297])
    const text = (await page.getTextContent()).items.map(item => ('str' in item ? item.str : '')).join('')
    for (const name of ['Ada Fern', 'Zoë Núñez', '李小龙'])
      expect(text.replace(/\s/g, '')).toContain(name.replace(/\s/g, ''))
    expect(text).toContain('TRN 56H')
  })
  it('are set with fonts unpacked as the format says: every table whole, by its own checksum (OpenType 1.9, Calculating checksums)', () => {
    const woff = readFileSync('node_modules/@fontsource/noto-sans-sc/files/noto-sans-sc-101-400-normal.woff')
    const sfnt = sfntOf(woff)
    const count = sfnt.readUInt16BE(4)
    expect(count).toBe(woff.readUInt16BE(12))
    for (let i = 0; i < count; i++) {
      const at = 12 + 16 * i
      const [tag, checksum, offset, length] = [
        sfnt.toString('latin1', at, at + 4),
        sfnt.readUInt32BE(at + 4),
        sfnt.readUInt32BE(at + 8),
        sfnt.readUInt32BE(at + 12),
      ]
      let sum = 0
      for (let n = offset; n < offset + length; n += 4)
        if (tag !== 'head' || n !== offset + 8) sum = (sum + sfnt.readUInt32BE(n)) >>> 0
      expect([tag, sum]).toEqual([tag, checksum])
    }
    expect(() => sfntOf(Buffer.from('no font'))).toThrow()
  })
  it('find a font for every letter of these, and show a box for what no font has', () => {
    for (const text of ['Zoë Núñez', 'نور الدين', '李小龙', 'Ж'])
      expect(
        setWith(text)
          .map(run => run.text)
          .join(''),
      ).toBe(text)
    expect(
      setWith('a\u{F0000}b')
        .map(run => run.text)
        .join(''),
    ).toBe('a□b')
    expect(
      setWith('⅔ 한글')
        .map(run => run.text)
        .join(''),
    ).toBe('2⁄3 한글')
  })
})
