import type { Page } from '../../board/board'
import type { Edition } from '../../board/edition'
import type { PieceId } from '../../board/ids'
import { pieceName } from '../../board/pieceName'
import type { Key } from '../../keys/key'
import { element, identifier, words } from './xml'

/** Why a key, or part of it, isn't carried. */
export type LeftOut = 'kind' | 'regions' | 'nowhere' | 'sets' | 'partial-order' | 'tolerance' | 'also' | 'alike'

export interface Carried {
  /** An item as XML; null where nothing of the key can be carried. */
  readonly item: string | null
  readonly left: readonly LeftOut[]
  /** The item shows this page as a picture, which has to be in the package under this name. */
  readonly picture?: { readonly page: Page; readonly name: string }
}

export interface Of<K extends Key['kind']> {
  readonly key: Extract<Key, { kind: K }>
  readonly edition: Edition
  readonly page: Page
}

const PROCESSING = 'https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/'

const ASI = 'http://www.imsglobal.org/xsd/imsqtiasi_v3p0'

export const pieceWords = (edition: Edition, id: PieceId) => {
  const entry = edition.pieces.get(id)
  return entry ? pieceName(entry.piece) : id
}

interface Item {
  readonly key: Key
  readonly edition: Edition
  readonly declarations: readonly string[]
  readonly body: string
  readonly processing: string
}

export const item = ({ key, edition: { board }, declarations, body, processing }: Item): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n${element(
    'qti-assessment-item',
    {
      xmlns: ASI,
      identifier: identifier(key.id),
      title: board.title || key.id,
      adaptive: false,
      'time-dependent': false,
      'xml:lang': board.language ?? 'en-GB',
    },
    ...declarations,
    element(
      'qti-outcome-declaration',
      { identifier: 'SCORE', cardinality: 'single', 'base-type': 'float' },
      element('qti-default-value', {}, element('qti-value', {}, '0')),
    ),
    element('qti-item-body', {}, body),
    processing,
  )}\n`

export const byTemplate = (name: 'map_response' | 'match_correct') =>
  element('qti-response-processing', { template: `${PROCESSING}${name}.xml` })

/** What is right first, and what each right answer is worth: one. */
export function response(
  id: string,
  {
    cardinality,
    base,
    correct,
    accepted,
    other = 0,
  }: {
    cardinality: string
    base: string
    correct: readonly string[]
    accepted: readonly string[]
    /** What any other answer is worth. */
    other?: number
  },
): string {
  const value = (text: string) => element('qti-value', {}, words(text))
  return element(
    'qti-response-declaration',
    { identifier: id, cardinality, 'base-type': base },
    element('qti-correct-response', {}, ...correct.map(value)),
    ...(accepted.length
      ? [
          element(
            'qti-mapping',
            { 'default-value': other, 'lower-bound': 0 },
            ...accepted.map(one =>
              element('qti-map-entry', {
                'map-key': one,
                'mapped-value': 1,
                ...(base === 'string' && { 'case-sensitive': false }),
              }),
            ),
          ),
        ]
      : []),
  )
}

export const prompt = ({ board }: Edition) => element('qti-prompt', {}, words(board.instructions))

type Pairs = readonly (readonly [one: string, others: readonly string[]])[]
/** Pairs of identifiers: of each one the first of its others is shown as right, and any of them earns its point. */
export const pairResponse = (right: Pairs, pair = (one: string, other: string) => `${one} ${other}`) =>
  response('RESPONSE', {
    cardinality: 'multiple',
    base: 'directedPair',
    correct: right.flatMap(([one, [first]]) => (first ? [pair(one, first)] : [])),
    accepted: right.flatMap(([one, others]) => others.map(other => pair(one, other))),
  })
