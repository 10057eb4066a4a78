import { readFileSync } from 'node:fs'
import { strToU8, zipSync } from 'fflate'
import pixelmatch from 'pixelmatch'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { readBoard, type Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import type { FigureId, MasterId, PageId, PieceId } from '../../../core/board/ids'
import { qtiPackage } from '../../../core/format/qti/package'
import { boardFromSlides } from '../../../core/reading/slides/compose'
import { seeded } from '../../../core/layout/random'
import { asText } from '../../../core/reading/sheets/sheet'
import { readGroups } from '../../../core/design/wordSort'
import { pagePicture } from '../../../server/papers/pagePicture'
import { keptOf, readIn, type ReadIn } from '../../../server/reading/readIn'
import { counting } from '../../boards'
import { exampleBoards } from '../../examples'
import { KINDS } from '../../generatedBoards'
import { bluePng, rockPoolSlides } from '../../slideFiles'

type Of<Kind extends ReadIn['kind']> = Extract<ReadIn, { kind: Kind }>
async function read<Kind extends ReadIn['kind']>(kind: Kind, bytes: Uint8Array | string): Promise<Of<Kind>> {
  const done = await readIn(Buffer.from(bytes))
  if (!done.ok || done.value.kind !== kind) throw new Error(done.ok ? done.value.kind : done.reason)
  return done.value as Of<Kind>
}
const refused = async (bytes: Uint8Array | string) => {
  const done = await readIn(Buffer.from(bytes))
  return done.ok ? done.value.kind : done.reason
}

const ids = () => {
  const next = counting('i')
  return {
    page: () => next() as unknown as PageId,
    piece: () => next() as unknown as PieceId,
    master: () => next() as unknown as MasterId,
    figure: () => next() as unknown as FigureId,
  }
}
function printed({ slides, pictures }: Of<'slides'>): Board {
  const kept = new Map(pictures.map(({ source, picture }) => [source, keptOf(picture)]))
  const { board } = boardFromSlides(
    { title: 'Read', slides: slides.pages, uses: slides.pages.map(() => 'printed'), pictures: kept },
    ids(),
  )
  const checked = readBoard(structuredClone(board))
  expect(checked.ok ? null : checked.reason).toBeNull()
  return board
}

describe('pictures of a file', () => {
  it('are decoded and encoded anew, and come once however often they are shown', async () => {
    const found = await read('slides', await rockPoolSlides())
    expect(found.pictures).toHaveLength(1)
    expect(found.pictures[0]!.picture).toMatchObject({ width: 200, height: 100 })
    expect(printed(found).pages[0]!.backdrop.pictures[0]).toMatchObject({ alt: 'A blue pool', pixelWidth: 200 })
  })
})

describe('a drawing', () => {
  const drawing = (inside: string, more = '') =>
    `<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "x.dtd"><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" viewBox="0 0 800 400" width="800" height="400" ${more}>${inside}</svg>`

  it('looks as another renderer (librsvg) draws it', async () => {
    const svg = drawing(`
      <style>.sea { fill: #7fb2c9; stroke: none } #sun { fill: gold }</style>
      <rect class="sea" x="0" y="240" width="800" height="160"/>
      <circle id="sun" cx="650" cy="90" r="50"/>
      <g transform="translate(200 200) rotate(30) scale(1.5)">
        <rect x="-60" y="-30" width="120" height="60" fill="#26704c"/>
        <path d="M-60 -30 q 60 -60 120 0 z" fill="rgb(160, 60, 60)"/>
      </g>
      <polygon points="400,240 460,120 520,240" style="fill:#444"/>
      <path d="M560 240 a 60 60 0 0 1 120 0 z" fill="teal" opacity="0.5"/>
      <symbol id="gull" viewBox="0 0 60 24"><ellipse cx="30" cy="12" rx="30" ry="12" fill="#222"/></symbol>
      <defs><rect id="box" x="-9" y="-9" width="18" height="18" fill="#222"/></defs>
      <use xlink:href="#gull" x="330" y="60" width="120" height="80"/>
      <use href="#box" transform="translate(90 80) skewX(20)"/>`)
    const board = printed(await read('slides', svg))
    const order = { page: 0, format: 'png' as const, dpi: 96 }
    const ours = sharp(await pagePicture({ board, title: 'Read', order, pictures: new Map() }))
    const { data, info } = await ours.ensureAlpha().raw().toBuffer({ resolveWithObject: true })
    const other = await sharp(Buffer.from(svg)).flatten({ background: '#ffffff' }).resize(info.width, info.height)
    const theirs = await other.ensureAlpha().raw().toBuffer()
    expect([info.width, info.height]).toEqual([800, 400])
    const differ = pixelmatch(data, theirs, undefined, info.width, info.height, { threshold: 0.1 })
    expect(differ / (info.width * info.height)).toBeLessThan(0.004)
  })

  it('keeps words where they stand, lines as lines and pictures that lie in it', async () => {
    const png = (await bluePng()).toString('base64')
    const { slides, pictures } = await read(
      'slides',
      drawing(`<title>Ponds</title>
        <text x="400" y="100" font-size="40" text-anchor="middle">Tides</text>
        <line x1="0" y1="0" x2="200" y2="100" stroke="red" stroke-width="4"/>
        <image x="10" y="20" width="100" height="50" href="data:image/png;base64,${png}"/>
        <image x="10" y="20" width="100" height="50" href="https://shore.example/a.png"/>`),
    )
    expect(slides.title).toBe('Ponds')
    const [words, line, picture] = slides.pages[0]!.parts
    // A CSS pixel is three quarters of a point (CSS Values 4, 6.2).
    expect(words).toMatchObject({ text: 'Tides', textSize: 30 })
    expect(words?.kind === 'box' && words.box.x + words.box.width / 2).toBeCloseTo(300, 6)
    expect(line).toMatchObject({ from: { x: 0, y: 0 }, to: { x: 150, y: 75 }, thickness: 3 })
    expect(picture).toMatchObject({ kind: 'picture', box: { x: 7.5, y: 15, width: 75, height: 37.5 } })
    expect(pictures).toHaveLength(1)
    expect(slides.lost).toEqual([{ code: 'pictures-elsewhere', page: null, count: 1 }])
  })

  it('runs nothing and unfolds nothing', async () => {
    const { slides } = await read('slides', drawing('<rect width="9" height="9" onclick="x()"/><script>x()</script>'))
    expect(slides.lost).toEqual([{ code: 'programs', page: null, count: 1 }])
    const unfolding = `<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;">]>${drawing('<text>&b;</text>').slice(21)}`
    expect(await refused(unfolding.replace(/<!DOCTYPE svg PUBLIC[^>]*>/, ''))).toBe('bad-file')
  })
})

describe('a spreadsheet', () => {
  it.each(['xlsx', 'ods'])('of LibreOffice (%s) is a list of words', async kind => {
    const { sheets } = await read('sheets', readFileSync(`tests/files/libreoffice.${kind}`))
    expect(sheets).toEqual([
      {
        name: 'w',
        rows: [
          ['clingers', 'swimmers'],
          ['limpet', 'shanny'],
          ['barnacle', 'goby, small'],
          ['2026-11-27', '3.5'],
        ],
      },
    ])
    expect(readGroups(asText(sheets[0]!)).groups[1]).toEqual({
      heading: 'swimmers',
      words: ['shanny', 'goby, small', '3.5'],
    })
  })

  const ods = (rows: string) =>
    zipSync({
      'content.xml': strToU8(
        `<o:document-content xmlns:o="o" xmlns:t="t" xmlns:x="x"><o:body><o:spreadsheet><t:table t:name="s">${rows}</t:table></o:spreadsheet></o:body></o:document-content>`,
      ),
    })
  it('that says it repeats without end is no larger than a sheet may be', async () => {
    const row = (text: string, across: number, down: number) =>
      `<t:table-row t:number-rows-repeated="${down}"><t:table-cell t:number-columns-repeated="${across}"><x:p>${text}</x:p></t:table-cell></t:table-row>`
    const { sheets } = await read('sheets', ods(row('a', 1e9, 1e9) + row('b', 1, 1)))
    expect(sheets[0]!.rows).toHaveLength(5000)
    expect(sheets[0]!.rows[0]).toHaveLength(60)
    const empty = await read('sheets', ods(row('', 1e9, 1e9) + row('b', 1, 1)))
    expect(empty.sheets[0]!.rows).toEqual([[], ['b']])
  })

  it.each(['xlsx', 'ods'])('of LibreOffice (%s) shows numbers as they look there: money, shares, times', async kind => {
    const { sheets } = await read('sheets', readFileSync(`tests/files/formats.${kind}`))
    expect(sheets).toEqual([
      {
        name: 'Words',
        rows: [
          ['limpet', 'holds on to rock'],
          ['0.1', '3'],
          ['27.11.2026', '25%'],
          ['TRUE', 'merged'],
          ['9:30', 'tide pool'],
          ['£2.50', '1/2'],
          ['again'],
          ['again'],
          ['007', 'kelp x'],
        ],
      },
      { name: 'Other', rows: [['secret']] },
    ])
  })

  /** A workbook with one sheet; `styles` are number formats by the number of the style. */
  const xlsx = (cells: string, { formats = '', xfs = '', strings = '', book = '' } = {}) =>
    zipSync(
      Object.fromEntries(
        Object.entries({
          'xl/workbook.xml': `<workbook xmlns:r="r">${book}<sheets><sheet name="s" r:id="a"/></sheets></workbook>`,
          'xl/_rels/workbook.xml.rels': `<R><Relationship Id="a" Type="x/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="b" Type="x/styles" Target="styles.xml"/><Relationship Id="c" Type="x/sharedStrings" Target="strings.xml"/></R>`,
          'xl/worksheets/sheet1.xml': `<worksheet><sheetData>${cells}</sheetData></worksheet>`,
          'xl/styles.xml': `<styleSheet><numFmts>${formats}</numFmts><cellXfs>${xfs}</cellXfs></styleSheet>`,
          'xl/strings.xml': `<sst>${strings}</sst>`,
        }).map(([name, text]) => [name, strToU8(text)]),
      ),
    )
  const rowsOf = async (file: Uint8Array) => (await read('sheets', file)).sheets[0]!.rows

  it('has the formats that are built in (ECMA-376 part 1, 18.8.30), and its own', async () => {
    const of = async (id: number, value: string, code = '') =>
      (
        await rowsOf(
          xlsx(`<row><c s="0"><v>${value}</v></c></row>`, {
            xfs: `<xf numFmtId="${id}"/>`,
            formats: code && `<numFmt numFmtId="${id}" formatCode="${code}"/>`,
          }),
        )
      )[0]?.[0]
    expect(await of(0, '0.30000000000000004')).toBe('0.3')
    expect(await of(9, '0.25')).toBe('25%')
    expect(await of(10, '0.125')).toBe('12.50%')
    expect(await of(12, '0.75')).toBe('3/4')
    expect(await of(14, '46353')).toBe('2026-11-27')
    expect(await of(20, '0.3958333333333333')).toBe('9:30')
    expect(await of(164, '7', '000')).toBe('007')
    expect(await of(165, '-3', '0;[Red]-0')).toBe('-3')
    // Nobody's format: the number is there.
    expect(await of(166, '3.5', 'bad[')).toBe('3.5')
    expect(await of(300, '3.5')).toBe('3.5')
    expect(await of(0, 'x')).toBeUndefined()
  })

  it('has texts in runs, formulas with what they came to or without, and cells without names', async () => {
    const file = xlsx(
      `<row r="2"><c r="B2" t="s"><v>0</v></c><c t="inlineStr"><is><t>here</t></is></c></row>
      <row><c t="str"><f>A1</f><v>tide pool</v></c><c><f>1/0</f></c><c t="e"><v>#REF!</v></c><c t="b"><v>1</v></c><c t="s"><v>9</v></c></row>`,
      { strings: '<si><r><t>lim</t></r><r><t>pet</t></r><rPh><t>x</t></rPh></si>' },
    )
    expect(await rowsOf(file)).toEqual([[], ['', 'limpet', 'here'], ['tide pool', '', '', 'TRUE']])
    const late = xlsx('<row><c s="0"><v>44891</v></c></row>', {
      xfs: '<xf numFmtId="14"/>',
      book: '<workbookPr date1904="1"/>',
    })
    expect(await rowsOf(late)).toEqual([['2026-11-27']])
  })

  it('with cells beyond all bounds is read without them, and without room made for them', async () => {
    for (const cell of ['XFD1', 'A1048576', 'ZZZ1', 'A99999999'])
      expect(await rowsOf(xlsx(`<row r="${/\d+/.exec(cell)}"><c r="${cell}"><v>1</v></c></row>`)), cell).toEqual([])
    expect(await rowsOf(xlsx('<row r="-1"><c><v>1</v></c></row><row r="x"><c><v>1</v></c></row>'))).toEqual([])
  })
})

describe('questions', () => {
  /** What a key says in words, whatever its pieces and places are called. */
  function answersOf(board: Board): unknown {
    const { pieces, places } = makeEdition(board)
    const text = (id: string) => pieces.get(id as PieceId)!.piece.text
    const heading = (spot: string) => places.get(spot.split(':')[0] as never)!.place.heading
    return board.keys.map(key => {
      switch (key.kind) {
        case 'sort':
          return Object.entries(key.homes)
            .map(([piece, homes]) => [text(piece), homes.map(heading).toSorted()])
            .toSorted()
        case 'label':
          return Object.keys(key.pins).map(text).toSorted()
        case 'order':
          return key.before.map(pair => pair.map(text))
        case 'slots':
          return Object.values(key.fits).map(some => some.map(text).toSorted())
        case 'write':
          return Object.values(key.answers).map(one => one.accepts)
        default:
          return key.kind
      }
    })
  }
  const carried = exampleBoards.filter(board =>
    board.keys.some(
      key => ['sort', 'slots', 'label', 'write'].includes(key.kind) && !('regions' in key && key.regions),
    ),
  )

  it.each(carried.map(board => [board.title, board] as const))(
    'of “%s” come back with their answers',
    async (_, board) => {
      const { files, pictures } = qtiPackage(makeEdition(board))
      const png = new Uint8Array(await bluePng())
      const packed = zipSync({
        ...Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])),
        ...Object.fromEntries(pictures.map(({ name }) => [name, png])),
      })
      const found = await read('board', packed)
      const checked = readBoard(structuredClone(found.board))
      expect(checked.ok ? null : checked.reason).toBeNull()
      expect(found.board.title).toBe(board.title)
      expect(answersOf(found.board)).toEqual(answersOf(board))
    },
  )

  it('of any board whose keys can be carried come back with all words and all answers', async () => {
    let carriedOver = 0
    for (let seed = 1; seed <= 40; seed++)
      for (const kind of ['sort', 'slots', 'order', 'labels'] as const) {
        const board = KINDS[kind](seeded(seed))
        const { files, left, pictures: drawn } = qtiPackage(makeEdition(board))
        if (left.length) continue
        const png = new Uint8Array(await bluePng())
        const items = Object.entries(files).map(([name, text]) => [name, strToU8(text)] as const)
        const pictures = drawn.map(({ name }) => [name, png] as const)
        const found = await read('board', zipSync(Object.fromEntries([...pictures, ...items])))
        const words = (one: Board) => one.pages.flatMap(page => page.pieces.map(piece => piece.text)).toSorted()
        expect(words(found.board), `${kind} ${seed}`).toEqual(words(board))
        expect(answersOf(found.board), `${kind} ${seed}`).toEqual(answersOf(board))
        carriedOver++
      }
    expect(carriedOver).toBeGreaterThan(100)
  })

  /** Names and attributes of IMS QTI 2.2 (assessmentItem, choiceInteraction …), from memory. */
  const item = (declaration: string, body: string) =>
    `<assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p2" identifier="i" title="Shore" xml:lang="de"><responseDeclaration identifier="RESPONSE" ${declaration}</responseDeclaration><itemBody>${body}</itemBody></assessmentItem>`
  const correct = (...values: string[]) =>
    `><correctResponse>${values.map(value => `<value>${value}</value>`).join('')}</correctResponse>`

  it('of QTI 2.2 are read as those of QTI 3', async () => {
    const one = await read(
      'board',
      item(
        `cardinality="single" baseType="identifier"${correct('B')}`,
        '<p>Look closely.</p><choiceInteraction responseIdentifier="RESPONSE" maxChoices="1"><prompt>Which one clings?</prompt><simpleChoice identifier="A">crab</simpleChoice><simpleChoice identifier="B">limpet<feedbackInline>Yes!</feedbackInline></simpleChoice></choiceInteraction>',
      ),
    )
    expect(one.board).toMatchObject({ title: 'Shore', language: 'de-DE' })
    expect(one.board.pages[0]!.backdrop.figures![0]!.text).toBe('Look closely.\nWhich one clings?')
    expect(answersOf(one.board)).toEqual([[['limpet']]])
    expect(one.lost).toEqual([{ code: 'feedback', page: null, count: 1 }])

    const order = await read(
      'board',
      item(
        `cardinality="ordered" baseType="identifier"${correct('C', 'A', 'B')}`,
        '<orderInteraction responseIdentifier="RESPONSE" orientation="vertical"><simpleChoice identifier="A">egg</simpleChoice><simpleChoice identifier="B">larva</simpleChoice><simpleChoice identifier="C">adult</simpleChoice></orderInteraction>',
      ),
    )
    const [key] = order.board.keys
    const words = new Map(order.board.pages[0]!.pieces.map(piece => [piece.id, piece.text]))
    expect(key?.kind === 'order' && key.before.map(pair => pair.map(id => words.get(id)))).toEqual([
      ['adult', 'egg'],
      ['egg', 'larva'],
    ])
    expect(order.board.pages[0]!.places[0]).toMatchObject({ kind: 'lane', direction: 'column' })

    const typed = await read(
      'board',
      item(
        'cardinality="single" baseType="string"><mapping defaultValue="0"><mapEntry mapKey="ebb" mappedValue="1" caseSensitive="false"/><mapEntry mapKey="Ebb tide" mappedValue="1"/></mapping>',
        '<p>When the water falls it is <textEntryInteraction responseIdentifier="RESPONSE"/>.</p>',
      ),
    )
    expect(typed.board.pages[0]!.places[0]).toMatchObject({ kind: 'gaps', text: 'When the water falls it is ____.' })
    expect(answersOf(typed.board)).toEqual([['ebb', 'Ebb tide']].map(accepts => [accepts]))
  })

  it('say what no board can ask, and what comes without an answer', async () => {
    const slider = '<sliderInteraction responseIdentifier="RESPONSE" lowerBound="0" upperBound="9"/>'
    const gap =
      '<gapMatchInteraction responseIdentifier="RESPONSE"><gapText identifier="W" matchMax="1">whelk</gapText><p>A <gap identifier="G"/>, please.</p></gapMatchInteraction>'
    const found = await read('board', item('cardinality="multiple" baseType="directedPair">', slider + gap))
    expect(found.board.pages).toHaveLength(1)
    expect(found.board.pages[0]!.places[0]).toMatchObject({ text: 'A ____, please.' })
    expect(found.board.keys).toEqual([])
    expect(found.lost.map(one => one.code).toSorted()).toEqual(['no-answer', 'unknown-interaction'])
    expect(await refused(item('>', slider))).toBe('bad-file')
    const hotspot =
      '<hotspotInteraction responseIdentifier="RESPONSE"><object data="gone.png" width="9" height="9"/><hotspotChoice identifier="A" shape="circle" coords="4,4,3"/></hotspotInteraction>'
    expect(await refused(item('>', hotspot))).toBe('bad-file')
  })
})
