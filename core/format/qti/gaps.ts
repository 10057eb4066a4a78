import type { Page } from '../../board/board'
import type { PieceId, PlaceId } from '../../board/ids'
import { pieceName } from '../../board/pieceName'
import type { Gaps, Place } from '../../board/place'
import { boxOf } from '../../geometry/outline'
import { matchInteraction } from './choices'
import { pageImage } from './hotspots'
import {
  byTemplate,
  item,
  pairResponse,
  pieceWords,
  prompt,
  response,
  type Carried,
  type LeftOut,
  type Of,
} from './frame'
import { element, identifier, words } from './xml'

/** Gaps of a text stay in their text; slots and cells are columns that take one piece each, which are the rows. */
export function slotsItem({ key, edition, page }: Of<'slots'>): Carried {
  const left: LeftOut[] = key.alike?.length ? ['alike'] : []
  const fits = Object.entries(key.fits)
  const pieces = [...new Set(fits.flatMap(([, some]) => some))]
  const gapTexts = gapTextsOf(
    page,
    fits.map(([spot]) => spot),
  )
  if (!gapTexts)
    return {
      item: matchInteraction(
        { key, edition, page },
        {
          rows: pieces.map(piece => ({ id: piece, words: pieceWords(edition, piece) })),
          columns: fits.map(([spot], i) => ({ id: spotId(spot), words: headingOf(page, spot) || String(i + 1) })),
          right: pieces.map(piece => [
            piece,
            fits.flatMap(([spot, some]) => (some.includes(piece) ? spotId(spot) : [])),
          ]),
          columnMost: 1,
        },
      ),
      left,
    }
  const gap = (spot: string) => element('qti-gap', { identifier: identifier(spotId(spot)) })
  return {
    item: item({
      key,
      edition,
      declarations: [
        pairResponse(
          fits.map(([spot, some]) => [identifier(spotId(spot)), some.map(identifier)]),
          (spot, piece) => `${piece} ${spot}`,
        ),
      ],
      body: element(
        'qti-gap-match-interaction',
        { 'response-identifier': 'RESPONSE', shuffle: true },
        prompt(edition),
        ...page.pieces.map(piece =>
          element(
            'qti-gap-text',
            { identifier: identifier(piece.id), 'match-max': piece.bin ? 0 : 1 },
            words(pieceName(piece)),
          ),
        ),
        ...gapTexts.map(place => paragraphs(place, i => gap(`${place.id}:0,${i}`))),
      ),
      processing: byTemplate('map_response'),
    }),
    left,
  }
}

const spotId = (spot: string) => spot.replace(/[:,]/g, '-')

const placeOf = (page: Page, spot: string): Place | undefined =>
  page.places.find(place => place.id === spot.split(':')[0])

/** The texts that all of these spots are gaps of; null where some are no gaps. */
function gapTextsOf(page: Page, spots: readonly string[]): Gaps[] | null {
  const places = spots.map(spot => placeOf(page, spot))
  return places.every(place => place?.kind === 'gaps') ? [...new Set(places as Gaps[])] : null
}

function headingOf(page: Page, spot: string): string {
  const place = placeOf(page, spot)
  const within = spot.split(':')[1]
  if (!place) return ''
  return within
    ? `${place.heading} ${within
        .split(',')
        .map(n => Number(n) + 1)
        .join('.')}`.trim()
    : place.heading
}

/** The text with something in place of each gap, counted from 0. */
function paragraphs({ text }: Gaps, gap: (i: number) => string): string {
  let i = 0
  return text
    .split('\n')
    .map(line =>
      element(
        'p',
        {},
        line
          .split(/(_{2,})/)
          .map(part => (/^__/.test(part) ? gap(i++) : words(part)))
          .join(''),
      ),
    )
    .join('')
}

/** Pins as hotspots of the page's picture. */
export function labelItem({ key, edition, page }: Of<'label'>): Carried {
  const labels = Object.entries(key.pins) as [PieceId, PlaceId[]][]
  const pins = page.places.filter(place => labels.some(([, some]) => some.includes(place.id)))
  const name = `${identifier(key.id)}.png`
  return {
    item: item({
      key,
      edition,
      declarations: [pairResponse(labels.map(([label, some]) => [identifier(label), some.map(identifier)]))],
      body: element(
        'qti-graphic-gap-match-interaction',
        { 'response-identifier': 'RESPONSE' },
        prompt(edition),
        pageImage(page, name, edition.board.title),
        ...labels.map(([label]) =>
          element('qti-gap-text', { identifier: identifier(label), 'match-max': 1 }, words(pieceWords(edition, label))),
        ),
        ...pins.map(pin => {
          const { x, y, width, height } = boxOf(pin)
          const coords = [x + width / 2, y + height / 2, Math.max(width, height) / 2].map(Math.round).join(',')
          return element('qti-associable-hotspot', {
            identifier: identifier(pin.id),
            shape: 'circle',
            coords,
            'match-max': 1,
          })
        }),
      ),
      processing: byTemplate('map_response'),
    }),
    left: [],
    picture: { page, name },
  }
}

/** A field for each writing space or typed gap. Capitals are never told apart there. */
export function writeItem({ key, edition, page }: Of<'write'>): Carried {
  const answers = Object.entries(key.answers)
  const spot = (name: string) => identifier(spotId(name))
  const field = (name: string) =>
    element('qti-text-entry-interaction', { 'response-identifier': spot(name), 'expected-length': 20 })
  const gapTexts = [
    ...new Set(
      answers.flatMap(([name]) => (placeOf(page, name)?.kind === 'gaps' ? [placeOf(page, name) as Gaps] : [])),
    ),
  ]
  const spaces = answers.filter(([name]) => placeOf(page, name)?.kind !== 'gaps')
  return {
    item: item({
      key,
      edition,
      declarations: answers.map(([name, written]) =>
        response(spot(name), {
          cardinality: 'single',
          base: 'string',
          correct: written.accepts.slice(0, 1),
          accepted: written.accepts,
        }),
      ),
      body: [
        element('p', {}, words(edition.board.instructions)),
        ...gapTexts.map(place =>
          paragraphs(place, i => (key.answers[`${place.id}:${i}`] ? field(`${place.id}:${i}`) : '____')),
        ),
        ...spaces.map(([name]) => element('p', {}, `${words(headingOf(page, name))} `, field(name))),
      ].join(''),
      processing: element(
        'qti-response-processing',
        {},
        element(
          'qti-set-outcome-value',
          { identifier: 'SCORE' },
          element('qti-sum', {}, ...answers.map(([name]) => element('qti-map-response', { identifier: spot(name) }))),
        ),
      ),
    }),
    left: answers.some(([, written]) => written.tolerance) ? ['tolerance'] : [],
  }
}
