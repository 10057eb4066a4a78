import { readFileSync } from 'node:fs'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { qtiPackage } from '../../../core/format/qti/package'
import { seeded } from '../../../core/layout/random'
import { readIn } from '../../../server/reading/readIn'
import { keyedShore } from '../../boards'
import { rockPoolSlides } from '../../slideFiles'

const SVG = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 800 400"><style>.a{fill:#7fb2c9}</style><defs><g id="g"><path d="M0 0C10 20 30 40 50 60z"/></g></defs><rect class="a" width="9" height="9" transform="rotate(20) translate(3 4)"/><use href="#g" x="5"/><text x="5" y="9">pond<tspan dy="2em">two</tspan></text></svg>`
const ITEM = `<qti-assessment-item xmlns="x" identifier="i" title="t"><qti-response-declaration identifier="R" cardinality="single" base-type="identifier"><qti-correct-response><qti-value>A</qti-value></qti-correct-response></qti-response-declaration><qti-item-body><qti-choice-interaction response-identifier="R" max-choices="1"><qti-prompt>Which?</qti-prompt><qti-simple-choice identifier="A">limpet</qti-simple-choice></qti-choice-interaction></qti-item-body></qti-assessment-item>`

/** Nothing is thrown, and what isn't read is refused by one of two names. */
async function reads(bytes: Uint8Array): Promise<string> {
  const done = await readIn(Buffer.from(bytes))
  if (done.ok) return done.value.kind
  expect(['bad-file', 'too-heavy']).toContain(done.reason)
  return done.reason
}
/** What a zip's directory says of the sizes of its files (APPNOTE 4.3.12: 24 bytes behind each entry's mark). */
function withSizes(zip: Uint8Array, size: number): Uint8Array {
  const changed = Uint8Array.from(zip)
  const view = new DataView(changed.buffer)
  for (let at = 0; at < changed.length - 46; at++)
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, size, true)
  return changed
}
const xml = (text: string) => strToU8(text)

describe('a thousand files that were tampered with', () => {
  const qti = zipSync(
    Object.fromEntries(
      Object.entries(qtiPackage(makeEdition(keyedShore())).files).map(([name, text]) => [name, strToU8(text)]),
    ),
  )
  const wholes = async () => [
    ...['pptx', 'odp', 'xlsx', 'ods'].map(kind => new Uint8Array(readFileSync(`tests/files/libreoffice.${kind}`))),
    new Uint8Array(await rockPoolSlides()),
    qti,
    xml(SVG),
    xml(ITEM),
  ]
  it('are read or refused, and no reader breaks', { timeout: 300_000 }, async () => {
    const random = seeded(20261127)
    const upTo = (most: number) => Math.floor(random() * most)
    const files = await wholes()
    const kinds = new Set<string>()
    for (let i = 0; i < 1000; i++) {
      const whole = files[i % files.length]!
      const bytes = Uint8Array.from(whole)
      const way = upTo(4)
      if (way === 0) kinds.add(await reads(bytes.subarray(0, upTo(bytes.length))))
      else {
        // Bytes here and there, a run of one byte, or a part that stands where another was.
        const from = upTo(bytes.length)
        if (way === 1) for (let n = 0; n < 20; n++) bytes[upTo(bytes.length)] = upTo(256)
        if (way === 2) bytes.fill(upTo(256), from, from + upTo(200))
        if (way === 3) bytes.copyWithin(upTo(bytes.length), from, from + upTo(400))
        kinds.add(await reads(bytes))
      }
    }
    expect(kinds).toContain('bad-file')
    expect(kinds).toContain('slides')
  })

  it('have their XML tampered with inside of whole zips', { timeout: 300_000 }, async () => {
    const random = seeded(7)
    const upTo = (most: number) => Math.floor(random() * most)
    const words = [
      '-1',
      '1e999',
      'NaN',
      '',
      '99999999999',
      '../../x',
      'https://shore.example/',
      '<',
      '&amp;',
      '\u0000',
      '0',
    ]
    for (let i = 0; i < 240; i++) {
      const text = i % 2 ? SVG : ITEM
      const values = [...text.matchAll(/="([^"]*)"/g)]
      const { index, 0: all } = values[upTo(values.length)]!
      const changed = `${text.slice(0, index)}="${words[upTo(words.length)]}"${text.slice(index + all.length)}`
      await reads(xml(changed))
      const slide = `<p:sld xmlns:p="p" xmlns:a="a"><p:cSld><p:spTree><p:sp><p:nvSpPr><p:nvPr/></p:nvSpPr><p:spPr><a:xfrm rot="${words[upTo(words.length)]!.replace(/[<&]|\p{Cc}/gu, '')}"><a:off x="0" y="${upTo(1e9)}"/><a:ext cx="-${upTo(1e9)}" cy="5"/></a:xfrm><a:prstGeom prst="star5"/></p:spPr><p:txBody><a:p><a:r><a:t>x</a:t></a:r></a:p></p:txBody></p:sp></p:spTree></p:cSld></p:sld>`
      const file = {
        'ppt/presentation.xml': '<p xmlns:r="r"><sldSz cx="9144000" cy="0"/><sldIdLst><sldId r:id="a"/></sldIdLst></p>',
        'ppt/_rels/presentation.xml.rels': '<R><Relationship Id="a" Type="slide" Target="s.xml"/></R>',
        'ppt/s.xml': slide,
      }
      await reads(zipSync(Object.fromEntries(Object.entries(file).map(([name, t]) => [name, strToU8(t)]))))
    }
  })
})

describe('files that are made to break what reads them', () => {
  it('unpack to no more than they may: a bomb is refused by what its directory says', async () => {
    const empty = new Uint8Array(1000)
    const bomb = withSizes(
      zipSync(Object.fromEntries(Array.from({ length: 10 }, (_, i) => [`ppt/media/${i}.png`, empty]))),
      50_000_000,
    )
    expect(await reads(bomb)).toBe('too-heavy')
    const large = zipSync({ 'content.xml': new Uint8Array(55_000_000).fill(32) }, { level: 1 })
    expect(large.length).toBeLessThan(1_000_000)
    expect(await reads(large)).toBe('bad-file')
    // A directory that says less than is there gives what it says.
    expect(await reads(withSizes(zipSync({ 'content.xml': strToU8(`<a>${' '.repeat(1_000_000)}</a>`) }), 10))).toBe(
      'bad-file',
    )
  })

  it('have more entries than any file has, or say so', async () => {
    const many = zipSync(Object.fromEntries(Array.from({ length: 6000 }, (_, i) => [`f${i}`, new Uint8Array()])))
    expect(await reads(many)).toBe('too-heavy')
    const claimed = Uint8Array.from(zipSync({ a: new Uint8Array(1) }))
    const end = claimed.length - 22
    new DataView(claimed.buffer).setUint16(end + 8, 65_535, true)
    expect(await reads(claimed)).toMatch(/bad-file|too-heavy/)
  })

  it('climb out of themselves by name, and are not found there', async () => {
    const content = '<d><body><presentation><page name="p"/></presentation></body></d>'
    const names = ['../content.xml', '/content.xml', 'C:\\content.xml', './content.xml', 'a/../content.xml']
    for (const name of names) expect(await reads(zipSync({ [name]: strToU8(content) })), name).toBe('bad-file')
    expect(await reads(zipSync({ 'content.xml': strToU8(content) }))).toBe('slides')
  })

  it('nest deeper than anybody writes, unfold entities, or are not text at all', async () => {
    const deep = 20_000
    expect(await reads(xml('<g>'.repeat(deep) + '</g>'.repeat(deep)))).toBe('too-heavy')
    const laughs = `<!DOCTYPE svg [<!ENTITY a "${'ha'.repeat(50)}">${'bcdefghij'
      .split('')
      .map((name, i) => `<!ENTITY ${name} "${`&${'abcdefghij'[i]};`.repeat(10)}">`)
      .join('')}]><svg><text>&j;</text></svg>`
    expect(await reads(xml(laughs))).toBe('bad-file')
    expect(
      await reads(
        xml(
          '<!DOCTYPE svg SYSTEM "file:///etc/passwd" [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg><text>&x;</text></svg>',
        ),
      ),
    ).toBe('bad-file')
    for (const bytes of [new Uint8Array(), new Uint8Array(100_000).fill(0xff), xml('{"a":1}'), xml('PK')])
      expect(await reads(bytes)).toBe('bad-file')
  })

  it('draw themselves again and again, or in endless detail', async () => {
    const uses = Array.from({ length: 30 }, (_, i) => `<g id="n${i}">${`<use href="#n${i + 1}"/>`.repeat(10)}</g>`)
    expect(
      await reads(xml(`<svg viewBox="0 0 9 9"><g id="n30"><rect width="1" height="1"/></g>${uses.join('')}</svg>`)),
    ).toBe('slides')
    expect(await reads(xml('<svg><g id="a"><use href="#a"/><rect width="5" height="5"/></g></svg>'))).toBe('slides')
    expect(await reads(xml(`<svg><path d="M0 0${'l1 1'.repeat(400_000)}z"/></svg>`))).toMatch(/slides|bad-file/)
    expect(await reads(xml(`<svg>${'<rect width="1" height="1"/>'.repeat(60_000)}</svg>`))).toBe('slides')
    expect(
      await reads(
        xml(
          `<svg><style>${'.a{fill:red}'.repeat(100_000)}${'{'.repeat(100_000)}</style><rect class="a" width="9" height="9"/></svg>`,
        ),
      ),
    ).toBe('slides')
  })

  it('are written so that looking through them takes for ever', async () => {
    const long = 300_000
    const rect = '<rect class="a" width="9" height="9"/>'
    for (const style of [
      '/*'.repeat(long),
      'a'.repeat(2 * long),
      '{'.repeat(long),
      ','.repeat(long),
      '.a{'.repeat(long),
    ])
      expect(await reads(xml(`<svg><style>${style}</style>${rect}</svg>`))).toBe('slides')
    for (const transform of ['a'.repeat(long), '('.repeat(long), 'rotate('.repeat(long), ' '.repeat(long)])
      expect(await reads(xml(`<svg><rect width="9" height="9" transform="${transform}"/></svg>`))).toBe('slides')
    for (const part of ['<i> </i>', '<p> </p>', '<i>\n</i>'])
      expect(await reads(xml(ITEM.replace('Which?', part.repeat(60_000))))).toBe('board')
    const shape =
      '<custom-shape style-name="x" width="5cm" height="1cm"><p>many words in a small box, again and again</p></custom-shape>'
    const page = `<page>${shape.repeat(30_000)}</page>`
    const done = await readIn(
      Buffer.from(zipSync({ 'content.xml': strToU8(`<d><body><presentation>${page}</presentation></body></d>`) })),
    )
    expect(done.ok && done.value.kind === 'slides' && done.value.slides.pages[0]!.parts.length).toBe(1500)
  })

  it('have pictures that say they are huge', async () => {
    // A PNG's header (ISO/IEC 15948) with 60,000 by 60,000 pixels.
    const header = new Uint8Array(33)
    header.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52])
    new DataView(header.buffer).setUint32(16, 60_000)
    new DataView(header.buffer).setUint32(20, 60_000)
    header.set([8, 6], 24)
    const href = `data:image/png;base64,${Buffer.from(header).toString('base64')}`
    const done = await readIn(
      Buffer.from(`<svg viewBox="0 0 800 400"><image width="9" height="9" href="${href}"/></svg>`),
    )
    expect(done.ok && done.value.kind === 'slides' && [done.value.pictures.length, done.value.slides.lost]).toEqual([
      0,
      [{ code: 'pictures-unread', page: null, count: 1 }],
    ])
  })

  it('have more pages and questions than a board', async () => {
    const page = '<page><frame width="5cm" height="1cm"><text-box><p>a</p></text-box></frame></page>'
    const slides = `<d><body><presentation>${page.repeat(5000)}</presentation></body></d>`
    expect(await reads(zipSync({ 'content.xml': strToU8(slides) }))).toBe('slides')
    const body = ITEM.replace(/<qti-choice-interaction[\s\S]*<\/qti-choice-interaction>/, one => one.repeat(3000))
    const done = await readIn(Buffer.from(body))
    expect(done.ok && done.value.kind === 'board' && done.value.board.pages.length).toBe(60)
  })
})
