import type { Page } from '../../board/board'
import type { Edition } from '../../board/edition'
import type { KeyKind } from '../../keys/key'
import type { LeftOut } from './frame'
import { itemFor } from './items'
import { element, identifier } from './xml'

export interface QtiPackage {
  /** Texts by their names in the package. */
  readonly files: Readonly<Record<string, string>>
  /** Pictures of pages that are to be in it, by their names. */
  readonly pictures: readonly { readonly name: string; readonly page: Page }[]
  /** What couldn't be carried, by key. */
  readonly left: readonly { readonly key: string; readonly kind: KeyKind; readonly why: LeftOut }[]
}

const CP = 'http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1'
const ASI = 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0'

/**
 * A board's keys as a QTI 3.0 package: a manifest, a test with one section, and an item for each key that one of its
 * interactions can carry. Names and attributes are those of 1EdTech QTI 3.0 (values from memory). A board without such
 * a key is a test without items.
 */
export function qtiPackage(edition: Edition): QtiPackage {
  const { board } = edition
  const carried = board.keys.map(key => ({ key, ...itemFor(key, edition) }))
  const items = carried.flatMap(one =>
    one.item === null
      ? []
      : [
          {
            id: identifier(one.key.id),
            href: `${identifier(one.key.id)}.xml`,
            xml: one.item,
            pictures: one.picture ? [one.picture] : [],
          },
        ],
  )
  const file = (href: string) => element('file', { href })
  const manifest = element(
    'manifest',
    { xmlns: CP, identifier: 'manifest' },
    element('metadata', {}, element('schema', {}, 'QTI Package'), element('schemaversion', {}, '3.0.0')),
    element('organizations', {}),
    element(
      'resources',
      {},
      element(
        'resource',
        { identifier: 'test', type: 'imsqti_test_xmlv3p0', href: 'test.xml' },
        file('test.xml'),
        ...items.map(({ id }) => element('dependency', { identifierref: id })),
      ),
      ...items.map(({ id, href, pictures }) =>
        element(
          'resource',
          { identifier: id, type: 'imsqti_item_xmlv3p0', href },
          file(href),
          ...pictures.map(({ name }) => file(name)),
        ),
      ),
    ),
  )
  const test = element(
    'qti-assessment-test',
    { xmlns: ASI, identifier: 'test', title: board.title || 'test' },
    element(
      'qti-test-part',
      { identifier: 'part', 'navigation-mode': 'nonlinear', 'submission-mode': 'individual' },
      element(
        'qti-assessment-section',
        { identifier: 'section', title: board.title || 'section', visible: true },
        ...items.map(({ id, href }) => element('qti-assessment-item-ref', { identifier: id, href })),
      ),
    ),
  )
  const xml = (text: string) => `<?xml version="1.0" encoding="UTF-8"?>\n${text}\n`
  const left = carried.flatMap(({ key, left: some }) => some.map(why => ({ key: key.id, kind: key.kind, why })))
  return {
    files: {
      'imsmanifest.xml': xml(manifest),
      'test.xml': xml(test),
      ...Object.fromEntries(items.map(({ href, xml: text }) => [href, text])),
    },
    pictures: items.flatMap(({ pictures }) => pictures),
    left,
  }
}
