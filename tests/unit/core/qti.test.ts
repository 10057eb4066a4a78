import { XMLParser, XMLValidator } from 'fast-xml-parser'
import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import type { Board, Page } from '../../../core/board/board'
import { makeEdition, type Edition } from '../../../core/board/edition'
import { FigureIdSchema, type FigureId } from '../../../core/board/ids'
import { qtiPackage } from '../../../core/format/qti/package'
import { keyedShore, keyId, placeId } from '../../boards'
import { exampleBoards } from '../../examples'

/**
 * Structure as in 1EdTech Question and Test Interoperability (QTI) 3.0, Assessment, Section and Item information model;
 * names of elements and attributes from memory, checked field by field.
 */
interface Node {
  readonly name: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly Node[]
  readonly text: string
}
type Parsed = Readonly<Record<string, readonly unknown[] | Readonly<Record<string, string>> | string>>
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  preserveOrder: true,
  parseTagValue: false,
})
function nodeOf(parsed: Parsed): Node | null {
  const name = Object.keys(parsed).find(key => key !== ':@' && key !== '#text')
  if (!name || name.startsWith('?')) return null
  const inside = parsed[name] as readonly Parsed[]
  return {
    name,
    attributes: (parsed[':@'] ?? {}) as Readonly<Record<string, string>>,
    children: inside.flatMap(child => nodeOf(child) ?? []),
    text: inside.map(child => (typeof child['#text'] === 'string' ? child['#text'] : '')).join(''),
  }
}
const parse = (xml: string): Node => (parser.parse(xml) as Parsed[]).flatMap(one => nodeOf(one) ?? [])[0]!
/** All of that name in it, however deep. */
const all = (node: Node, name: string): Node[] =>
  node.children.flatMap(child => [...(child.name === name ? [child] : []), ...all(child, name)])
const only = (node: Node, name: string): Node => {
  const [found, ...others] = all(node, name)
  expect(found, name).toBeDefined()
  expect(others, name).toEqual([])
  return found!
}
const idsOf = (nodes: readonly Node[]) => nodes.map(one => one.attributes.identifier!)
const correct = (item: Node) =>
  all(item, 'qti-correct-response').flatMap(one => all(one, 'qti-value').map(value => value.text))

const named = (title: string) => makeEdition(exampleBoards.find(board => board.title.startsWith(title))!)
const itemOf = (edition: Edition) => {
  const made = qtiPackage(edition)
  const [name] = Object.keys(made.files).filter(file => !['imsmanifest.xml', 'test.xml'].includes(file))
  return { made, item: parse(made.files[name!]!) }
}
const onlyItem = (title: string) => itemOf(named(title))

describe('a package', () => {
  it('is well formed, and its manifest and test name each item once, for every kind of key', () => {
    for (const board of [...exampleBoards, keyedShore(), circled(['limpet', 'cliff'])]) {
      const { files, left, pictures } = qtiPackage(makeEdition(board))
      for (const [name, xml] of Object.entries(files)) expect(XMLValidator.validate(xml), name).toBe(true)
      const items = Object.keys(files).filter(name => !['imsmanifest.xml', 'test.xml'].includes(name))
      // Each key is an item, or it is said why it is none.
      expect(items.length + new Set(left.map(one => one.key)).size).toBeGreaterThanOrEqual(board.keys.length)
      const manifest = parse(files['imsmanifest.xml']!)
      expect([only(manifest, 'schema').text, only(manifest, 'schemaversion').text]).toEqual(['QTI Package', '3.0.0'])
      const hrefs = all(manifest, 'resource').map(one => one.attributes.href)
      expect(hrefs.toSorted()).toEqual(['test.xml', ...items].toSorted())
      const refs = all(parse(files['test.xml']!), 'qti-assessment-item-ref').map(one => one.attributes.href)
      expect(refs.toSorted()).toEqual(items.toSorted())
      for (const { name } of pictures) expect(files['imsmanifest.xml']).toContain(`href="${name}"`)
      for (const name of items) {
        const item = parse(files[name]!)
        expect(item.name).toBe('qti-assessment-item')
        expect(item.attributes).toMatchObject({
          xmlns: 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0',
          adaptive: 'false',
          'time-dependent': 'false',
        })
        // An identifier is an NCName (XML Namespaces 1.0, 3).
        expect(item.attributes.identifier).toMatch(/^[A-Za-z_][\w.-]*$/)
        expect(only(item, 'qti-outcome-declaration').attributes.identifier).toBe('SCORE')
        // What is right is among what can be chosen, in every item.
        const known = new Set(all(item, 'qti-item-body').flatMap(body => everyId(body)))
        for (const value of correct(item).flatMap(text => text.split(' ')))
          if (!all(item, 'qti-text-entry-interaction').length) expect(known).toContain(value)
      }
    }
  })
  it('says what it cannot carry, and is a test without items where that is all', () => {
    expect(qtiPackage(named('Level the pans'))).toMatchObject({ left: [{ why: 'kind' }] })
    expect(Object.keys(qtiPackage(named('Level the pans')).files)).toHaveLength(2)
    expect(qtiPackage(named('Building a harbour wall')).left.map(one => one.why)).toEqual(['partial-order'])
    expect(qtiPackage(named('Above and below the quay')).left.length).toBeGreaterThan(0)
    expect(qtiPackage(named('Lines of symmetry'))).toMatchObject({ left: [{ why: 'kind' }] })
  })
})

const everyId = (node: Node): string[] => [
  ...(node.attributes.identifier ? [node.attributes.identifier] : []),
  ...node.children.flatMap(everyId),
]

/** Printed choices round which rings are drawn; the first is right, or as many as that. */
function circled(choices: readonly string[], right = 1): Board {
  const shore = keyedShore()
  const [page] = shore.pages
  const figures = choices.map((text, i) => ({
    id: v.parse(FigureIdSchema, `f${i}`),
    shape: {
      kind: i % 2 ? ('ellipse' as const) : ('rectangle' as const),
      x: 100 + i * 90,
      y: 80,
      width: 60,
      height: 40,
    },
    line: null,
    fill: null,
    text,
    textSize: 14,
  }))
  const ids = figures.map(one => one.id)
  return {
    ...shore,
    pages: [
      {
        ...page!,
        pieces: [],
        ledge: [],
        places: [
          {
            kind: 'drawing',
            id: placeId('ink'),
            heading: 'Which live on rock?',
            shape: { kind: 'rectangle', x: 40, y: 40, width: 800, height: 300 },
          } as Page['places'][number],
        ],
        backdrop: { ...page!.backdrop, figures },
      },
    ],
    keys: [
      {
        kind: 'ink',
        id: keyId('key'),
        page: page!.id,
        place: placeId('ink'),
        task: { what: 'circle', figures: ids, answers: ids.slice(0, right) },
      },
    ],
  }
}

describe('an item', () => {
  it('of a sort matches cards with zones, and every right home is worth one', () => {
    const { item } = onlyItem('How do they hold on?')
    const [cards, zones] = all(only(item, 'qti-match-interaction'), 'qti-simple-match-set')
    const edition = named('How do they hold on?')
    const key = edition.board.keys[0]!
    if (key.kind !== 'sort') throw new Error(key.kind)
    const choices = (set: Node) => all(set, 'qti-simple-associable-choice')
    expect(choices(cards!)).toHaveLength(Object.keys(key.homes).length)
    expect(choices(cards!).every(one => one.attributes['match-max'] === '1')).toBe(true)
    expect(choices(zones!).every(one => one.attributes['match-max'] === '0')).toBe(true)
    expect(only(item, 'qti-response-declaration').attributes).toMatchObject({
      cardinality: 'multiple',
      'base-type': 'directedPair',
    })
    const pairs = Object.entries(key.homes).flatMap(([piece, homes]) =>
      (homes ?? []).map(home => `i_${piece} i_${home}`),
    )
    expect(all(item, 'qti-map-entry').map(one => one.attributes['map-key'])).toEqual(pairs)
    expect(only(item, 'qti-response-processing').attributes.template).toMatch(/\/v3p0\/rptemplates\/map_response\.xml$/)
  })
  it('of pairs matches one with one', () => {
    const { item } = onlyItem('Harbour words')
    const sets = all(item, 'qti-simple-match-set').map(set => all(set, 'qti-simple-associable-choice'))
    expect(sets.map(set => set.length)).toEqual([4, 4])
    expect(sets[1]!.every(one => one.attributes['match-max'] === '1')).toBe(true)
  })
  it('of a text with gaps has its gaps in the text, and its cards as gap texts', () => {
    const { item } = onlyItem('How a limpet holds on')
    const gaps = all(only(item, 'qti-gap-match-interaction'), 'qti-gap')
    const place = named('How a limpet holds on').board.pages[0]!.places.find(one => one.kind === 'gaps')!
    expect(gaps).toHaveLength(place.kind === 'gaps' ? (place.text.match(/_{2,}/g) ?? []).length : 0)
    for (const value of correct(item)) expect(idsOf(gaps)).toContain(value.split(' ')[1])
  })
  it('of what is typed has a field each, with all that is accepted, and adds them up', () => {
    const { item, made } = onlyItem('Ropes and tides')
    const responses = idsOf(all(item, 'qti-response-declaration'))
    const fields = all(item, 'qti-text-entry-interaction').map(one => one.attributes['response-identifier']!)
    expect(fields.toSorted()).toEqual(responses.toSorted())
    expect(idsOf(all(only(item, 'qti-sum'), 'qti-map-response'))).toEqual(responses)
    expect(made.left.every(one => one.why === 'tolerance')).toBe(true)
  })
  it('of labels has the page as a picture, with a circle where each pin is', () => {
    const { item, made } = onlyItem('Point at the boat')
    const interaction = only(item, 'qti-graphic-gap-match-interaction')
    expect(made.pictures).toHaveLength(1)
    expect(only(interaction, 'img').attributes.src).toBe(made.pictures[0]!.name)
    const page = named('Point at the boat').board.pages[0]!
    for (const { attributes } of all(interaction, 'qti-associable-hotspot')) {
      expect(attributes.shape).toBe('circle')
      const pin = page.places.find(place => `i_${place.id}` === attributes.identifier)!
      if (pin.shape.kind === 'polygon') throw new Error('a pin is round')
      const [x, y] = attributes.coords!.split(',').map(Number)
      expect(Math.abs(x! - (pin.shape.x + pin.shape.width / 2))).toBeLessThanOrEqual(1)
      expect(Math.abs(y! - (pin.shape.y + pin.shape.height / 2))).toBeLessThanOrEqual(1)
    }
  })
  it('of a circled choice has the printed words as choices: one that is right, or several with one less for each wrong', () => {
    const { item, made } = itemOf(makeEdition(circled(['limpet', 'crab', 'tern'])))
    const interaction = only(item, 'qti-choice-interaction')
    expect(interaction.attributes['max-choices']).toBe('1')
    expect(all(interaction, 'qti-simple-choice').map(one => one.text)).toEqual(['limpet', 'crab', 'tern'])
    expect(correct(item)).toEqual(['i_f0'])
    expect(only(item, 'qti-response-declaration').attributes).toMatchObject({
      cardinality: 'single',
      'base-type': 'identifier',
    })
    expect(made).toMatchObject({ left: [], pictures: [] })
    const { item: several } = itemOf(makeEdition(circled(['limpet', 'crab', 'tern'], 2)))
    expect(only(several, 'qti-choice-interaction').attributes['max-choices']).toBe('0')
    expect(correct(several)).toEqual(['i_f0', 'i_f1'])
    expect(only(several, 'qti-mapping').attributes).toMatchObject({ 'default-value': '-1', 'lower-bound': '0' })
  })
  it('of a ring round what has no words of its own has spots of the page’s picture', () => {
    for (const choices of [
      ['', '', ''],
      ['3', '3', '4'],
    ]) {
      const { item, made } = itemOf(makeEdition(circled(choices)))
      const interaction = only(item, 'qti-hotspot-interaction')
      expect(only(interaction, 'img').attributes.src).toBe(made.pictures[0]!.name)
      const spots = all(interaction, 'qti-hotspot-choice').map(({ attributes }) => [
        attributes.shape,
        attributes.coords,
      ])
      expect(spots[0]).toEqual(['rect', '100,80,160,120'])
      // Of an ellipse a polygon about its middle (220, 100), as wide and as high as it.
      expect(spots[1]![0]).toBe('poly')
      const numbers = spots[1]![1]!.split(',').map(Number)
      const [xs, ys] = [numbers.filter((_, i) => i % 2 === 0), numbers.filter((_, i) => i % 2 === 1)]
      expect([Math.max(...xs) + Math.min(...xs), Math.max(...ys) + Math.min(...ys)]).toEqual([440, 200])
      expect([Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)]).toEqual([60, 40])
      expect(correct(item)).toEqual(['i_f0'])
    }
  })
  it('of cells to cover has a spot for each cell of the chart', () => {
    const { item } = onlyItem('Count on in sixes')
    const spots = all(only(item, 'qti-hotspot-interaction'), 'qti-hotspot-choice')
    expect(spots).toHaveLength(60)
    // Multiples of six from 6 to 60, as the chart prints them.
    const printed = new Map(spots.map(({ attributes }) => [attributes.identifier, attributes['hotspot-label']]))
    expect(correct(item).map(id => Number(printed.get(id)))).toEqual([6, 12, 18, 24, 30, 36, 42, 48, 54, 60])
    expect(spots[1]!.attributes).toMatchObject({ shape: 'rect', coords: '280,66,330,131' })
  })
  it('of lines that join printed words matches one side with the other', () => {
    const board = circled(['limpet', 'rock', 'lugworm', 'sand'])
    const [limpet, rock, lugworm, sand] = board.pages[0]!.backdrop.figures!.map(one => one.id)
    const joining = (pairs: [FigureId, FigureId][]): Board => ({
      ...board,
      keys: board.keys.map(key => (key.kind === 'ink' ? { ...key, task: { what: 'join', pairs } } : key)),
    })
    const { item, made } = itemOf(
      makeEdition(
        joining([
          [limpet!, rock!],
          [lugworm!, sand!],
        ]),
      ),
    )
    expect(correct(item)).toEqual(['i_f0 i_f1', 'i_f2 i_f3'])
    expect(made.left).toEqual([])
    // A chain has no two sides.
    expect(
      qtiPackage(
        makeEdition(
          joining([
            [limpet!, rock!],
            [rock!, sand!],
          ]),
        ),
      ),
    ).toMatchObject({ left: [{ why: 'kind' }] })
  })
})
