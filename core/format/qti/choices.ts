import type { PieceId, PlaceId } from '../../board/ids'
import type { Key } from '../../keys/key'
import { byTemplate, item, pairResponse, pieceWords, prompt, response, type Carried, type Of } from './frame'
import { element, identifier, words } from './xml'

interface Matching {
  readonly rows: readonly { readonly id: string; readonly words: string }[]
  readonly columns: readonly { readonly id: string; readonly words: string }[]
  /** Of each row one of these columns is right. */
  readonly right: readonly (readonly [row: string, columns: readonly string[]])[]
  /** A column takes so many rows; 0 for any number. */
  readonly columnMost: number
}

export function matchInteraction(of: Of<Key['kind']>, { rows, columns, right, columnMost }: Matching): string {
  const choice = (most: number) => (one: { id: string; words: string }) =>
    element('qti-simple-associable-choice', { identifier: identifier(one.id), 'match-max': most }, words(one.words))
  return item({
    ...of,
    declarations: [pairResponse(right.map(([row, some]) => [identifier(row), some.map(identifier)]))],
    body: element(
      'qti-match-interaction',
      { 'response-identifier': 'RESPONSE', shuffle: true, 'max-associations': 0 },
      prompt(of.edition),
      element('qti-simple-match-set', {}, ...rows.map(choice(1))),
      element('qti-simple-match-set', {}, ...columns.map(choice(columnMost))),
    ),
    processing: byTemplate('map_response'),
  })
}

/** Cards in rows, zones in columns. A card that belongs nowhere is a row that nothing goes with. */
export function sortItem({ key, edition, page }: Of<'sort'>): Carried {
  if (key.regions) return { item: null, left: ['regions'] }
  const homes = Object.entries(key.homes) as [PieceId, PlaceId[]][]
  const columns = page.places.filter(place => homes.some(([, some]) => some.includes(place.id)))
  return {
    item: matchInteraction(
      { key, edition, page },
      {
        rows: homes.map(([piece]) => ({ id: piece, words: pieceWords(edition, piece) })),
        columns: columns.map(place => ({ id: place.id, words: place.heading || place.id })),
        right: homes,
        columnMost: 0,
      },
    ),
    left: homes.some(([, some]) => some.length === 0) ? ['nowhere'] : [],
  }
}

export function matchItem({ key, edition, page }: Of<'match'>): Carried {
  const pairs = key.sets.filter(set => set.length === 2)
  if (pairs.length === 0) return { item: null, left: ['sets'] }
  const choice = (piece: PieceId) => ({ id: piece, words: pieceWords(edition, piece) })
  return {
    item: matchInteraction(
      { key, edition, page },
      {
        rows: pairs.map(([first]) => choice(first!)),
        columns: pairs.map(([, second]) => choice(second!)),
        right: pairs.map(([first, second]) => [first!, [second!]]),
        columnMost: 1,
      },
    ),
    left: pairs.length < key.sets.length ? ['sets'] : [],
  }
}

/** Only where there is one right order: theirs knows no other. */
export function orderItem({ key, edition, page }: Of<'order'>): Carried {
  const order = onlyOrder(key.before)
  if (!order) return { item: null, left: ['partial-order'] }
  return {
    item: item({
      key,
      edition,
      declarations: [
        response('RESPONSE', {
          cardinality: 'ordered',
          base: 'identifier',
          correct: order.map(identifier),
          accepted: [],
        }),
      ],
      body: element(
        'qti-order-interaction',
        {
          'response-identifier': 'RESPONSE',
          shuffle: true,
          orientation: page.places.some(
            place => place.id === key.lane && place.kind === 'lane' && place.direction === 'column',
          )
            ? 'vertical'
            : 'horizontal',
        },
        prompt(edition),
        ...order
          .toSorted((a, b) => (a < b ? -1 : 1))
          .map(piece =>
            element('qti-simple-choice', { identifier: identifier(piece) }, words(pieceWords(edition, piece))),
          ),
      ),
      processing: byTemplate('match_correct'),
    }),
    left: [],
  }
}

/** The pieces from first to last where the pairs leave no choice; null where they do, or go in a circle. */
function onlyOrder(before: readonly (readonly [PieceId, PieceId])[]): PieceId[] | null {
  const left = new Set(before.flat())
  const order: PieceId[] = []
  while (left.size) {
    const first = [...left].filter(piece => !before.some(([a, b]) => b === piece && left.has(a)))
    if (first.length !== 1) return null
    order.push(first[0]!)
    left.delete(first[0]!)
  }
  return order
}
