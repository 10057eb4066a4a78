import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import { qtiPackage } from '../../../core/format/qti/package'
import { keyedShore } from '../../boards'
import { exampleBoards } from '../../examples'

/**
 * Structure as in 1EdTech Question and Test Interoperability (QTI) 3.0, Assessment, Section and Item information model;
 * names of elements and attributes from memory, checked field by field.
 */
const parse = (xml: string) =>
  new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '',
    isArray: name =>
      /^(qti-(simple-choice|simple-associable-choice|map-entry|value|gap|gap-text|associable-hotspot|response-declaration|text-entry-interaction|assessment-item-ref|map-response)|resource|p)$/.test(
        name,
      ),
  }).parse(xml) as Record<string, Any>
// What a parser gives has no type.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Any = any
const named = (title: string) => makeEdition(exampleBoards.find(board => board.title.startsWith(title))!)
const onlyItem = (title: string) => {
  const made = qtiPackage(named(title))
  const [name] = Object.keys(made.files).filter(file => !['imsmanifest.xml', 'test.xml'].includes(file))
  return { made, item: parse(made.files[name!]!)['qti-assessment-item'] as Any }
}

describe('a package', () => {
  it('is well formed, and its manifest and test name each item once, for every kind of key', () => {
    for (const board of [...exampleBoards, keyedShore()]) {
      const { files, left, pictures } = qtiPackage(makeEdition(board))
      for (const [name, xml] of Object.entries(files)) expect(XMLValidator.validate(xml), name).toBe(true)
      const items = Object.keys(files).filter(name => !['imsmanifest.xml', 'test.xml'].includes(name))
      // Each key is an item, or it is said why it is none.
      expect(items.length + new Set(left.map(one => one.key)).size).toBeGreaterThanOrEqual(board.keys.length)
      const manifest = parse(files['imsmanifest.xml']!)['manifest']
      expect(manifest.metadata).toMatchObject({ schema: 'QTI Package', schemaversion: '3.0.0' })
      const hrefs = manifest.resources.resource.map((one: Any) => one.href)
      expect(hrefs.toSorted()).toEqual(['test.xml', ...items].toSorted())
      const test = parse(files['test.xml']!)['qti-assessment-test']
      const refs = test['qti-test-part']['qti-assessment-section']['qti-assessment-item-ref'] ?? []
      expect(refs.map((one: Any) => one.href).toSorted()).toEqual(items.toSorted())
      for (const { name } of pictures) expect(files['imsmanifest.xml']).toContain(`href="${name}"`)
      for (const name of items) {
        const item = parse(files[name]!)['qti-assessment-item']
        expect(item).toMatchObject({ adaptive: 'false', 'time-dependent': 'false' })
        expect(item.xmlns).toBe('http://www.imsglobal.org/xsd/imsqtiasi_v3p0')
        // An identifier is an NCName (XML Namespaces 1.0, 3).
        expect(item.identifier).toMatch(/^[A-Za-z_][\w.-]*$/)
        expect(item['qti-outcome-declaration'].identifier).toBe('SCORE')
      }
    }
  })
  it('says what it cannot carry, and is a test without items where that is all', () => {
    expect(qtiPackage(named('Level the pans'))).toMatchObject({ left: [{ why: 'kind' }] })
    expect(Object.keys(qtiPackage(named('Level the pans')).files)).toHaveLength(2)
    expect(qtiPackage(named('Building a harbour wall')).left.map(one => one.why)).toEqual(['partial-order'])
    expect(qtiPackage(named('Above and below the quay')).left.length).toBeGreaterThan(0)
  })
})

describe('an item', () => {
  it('of a sort matches cards with zones, and every right home is worth one', () => {
    const { item } = onlyItem('How do they hold on?')
    const interaction = item['qti-item-body']['qti-match-interaction']
    const [cards, zones] = interaction['qti-simple-match-set']
    const edition = named('How do they hold on?')
    const key = edition.board.keys[0]!
    if (key.kind !== 'sort') throw new Error(key.kind)
    expect(cards['qti-simple-associable-choice']).toHaveLength(Object.keys(key.homes).length)
    expect(cards['qti-simple-associable-choice'].every((one: Any) => one['match-max'] === '1')).toBe(true)
    expect(zones['qti-simple-associable-choice'].every((one: Any) => one['match-max'] === '0')).toBe(true)
    const [response] = item['qti-response-declaration']
    expect(response).toMatchObject({ cardinality: 'multiple', 'base-type': 'directedPair' })
    const pairs = Object.entries(key.homes).flatMap(([piece, homes]) =>
      (homes ?? []).map(home => `i_${piece} i_${home}`),
    )
    expect(response['qti-mapping']['qti-map-entry'].map((one: Any) => one['map-key'])).toEqual(pairs)
    expect(item['qti-response-processing'].template).toMatch(/\/v3p0\/rptemplates\/map_response\.xml$/)
  })
  it('of pairs matches one with one', () => {
    const { item } = onlyItem('Harbour words')
    const sets = item['qti-item-body']['qti-match-interaction']['qti-simple-match-set']
    expect(sets.map((one: Any) => one['qti-simple-associable-choice'].length)).toEqual([4, 4])
    expect(sets[1]['qti-simple-associable-choice'].every((one: Any) => one['match-max'] === '1')).toBe(true)
  })
  it('of a text with gaps has its gaps in the text, and its cards as gap texts', () => {
    const { item } = onlyItem('How a limpet holds on')
    const interaction = item['qti-item-body']['qti-gap-match-interaction']
    const gaps = interaction.p.flatMap((line: Any) => line['qti-gap'] ?? [])
    const place = named('How a limpet holds on').board.pages[0]!.places.find(one => one.kind === 'gaps')!
    expect(gaps).toHaveLength(place.kind === 'gaps' ? (place.text.match(/_{2,}/g) ?? []).length : 0)
    const ids = new Set(gaps.map((one: Any) => one.identifier))
    const [response] = item['qti-response-declaration']
    for (const value of response['qti-correct-response']['qti-value']) expect(ids).toContain(value.split(' ')[1])
  })
  it('of what is typed has a field each, with all that is accepted, and adds them up', () => {
    const { item, made } = onlyItem('Ropes and tides')
    const responses = item['qti-response-declaration'].map((one: Any) => one.identifier)
    const fields = item['qti-item-body'].p.flatMap((line: Any) => line['qti-text-entry-interaction'] ?? [])
    expect(fields.map((one: Any) => one['response-identifier']).toSorted()).toEqual(responses.toSorted())
    const sum = item['qti-response-processing']['qti-set-outcome-value']['qti-sum']['qti-map-response']
    expect(sum.map((one: Any) => one.identifier)).toEqual(responses)
    expect(made.left.every(one => one.why === 'tolerance')).toBe(true)
  })
  it('of labels has the page as a picture, with a circle where each pin is', () => {
    const { item, made } = onlyItem('Point at the boat')
    const interaction = item['qti-item-body']['qti-graphic-gap-match-interaction']
    expect(made.pictures).toHaveLength(1)
    expect(interaction.img.src).toBe(made.pictures[0]!.name)
    const page = named('Point at the boat').board.pages[0]!
    const hotspots = interaction['qti-associable-hotspot']
    for (const { identifier, coords, shape } of hotspots) {
      expect(shape).toBe('circle')
      const pin = page.places.find(place => `i_${place.id}` === identifier)!
      if (pin.shape.kind === 'polygon') throw new Error('a pin is round')
      const [x, y] = coords.split(',').map(Number)
      expect(Math.abs(x - (pin.shape.x + pin.shape.width / 2))).toBeLessThanOrEqual(1)
      expect(Math.abs(y - (pin.shape.y + pin.shape.height / 2))).toBeLessThanOrEqual(1)
    }
  })
})
