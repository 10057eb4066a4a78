import type { PieceId } from '../../board/ids'
import type { Place } from '../../board/place'
import { MOST_GAPS } from '../../board/whatPlacesTake'
import { CARD_TEXT_SIZE } from '../../design/pieces'
import type { Box } from '../../geometry/shape'
import { cardSize } from '../../layout/cardSize'
import { textWidth } from '../../text/measure'
import { cardsFor, idOf, MOST, type Content, type Filling, type Of, type Unplaced } from './making'
import type { Question } from './question'
import { spots } from './spots'

const GAP = 16
/** Room for a heading above a place. */
const HEADING = 36
const TEXT_SIZE = 20

/** What a question has in the room below its prompt; null for one that can't be asked. */
export function contentOf(question: Question, room: Box, making: Filling): Content | null {
  switch (question.kind) {
    case 'choice':
      return choice(question, room, making)
    case 'order':
      return order(question, room, making)
    case 'match':
      return match(question, room, making)
    case 'pairs':
      return pairs(question, making)
    case 'gaps':
      return gaps(question, room, making)
    case 'typed':
      return typed(question, room, making)
    case 'spots':
      return spots(question, room, making)
    case 'open':
      return { places: [writing(room, making)], cards: [], key: null }
  }
}

/** One right answer goes into a slot; of several all go into a zone, and the others stay on the ledge. */
function choice({ options, right, one }: Of<'choice'>, room: Box, making: Filling): Content {
  const cards = cardsFor(options, making)
  const id = making.ids.place()
  const answers = right.flatMap(idOf(cards))
  const size = cardSize(
    [...cards.values()].map(card => card.text),
    CARD_TEXT_SIZE,
  )
  const box = one
    ? { x: room.x, y: room.y + HEADING, width: Math.max(140, size.width + 16), height: Math.max(100, size.height + 16) }
    : { ...room, y: room.y + HEADING, height: room.height - HEADING }
  const place: Place = { kind: one ? 'slot' : 'zone', id, heading: '', shape: { kind: 'rectangle', ...box } }
  const homes = Object.fromEntries([...cards].map(([option, card]) => [card.id, right.includes(option) ? [id] : []]))
  const key: Unplaced | null =
    answers.length === 0 ? null : one ? { kind: 'slots', fits: { [id]: answers } } : { kind: 'sort', homes }
  return { places: [place], cards: [...cards.values()], key }
}

function order({ options, right, column }: Of<'order'>, room: Box, making: Filling): Content {
  const cards = cardsFor(options, making)
  const lane = making.ids.place()
  const chain = right.flatMap(idOf(cards))
  const before = chain.slice(1).map((piece, i): [PieceId, PieceId] => [chain[i]!, piece])
  const shape = column
    ? {
        kind: 'rectangle' as const,
        x: room.x,
        y: room.y + 8,
        width: Math.min(360, room.width),
        height: room.height - 8,
      }
    : { kind: 'rectangle' as const, ...room, y: room.y + HEADING, height: Math.min(150, room.height - HEADING) }
  return {
    places: [{ kind: 'lane', id: lane, heading: '', shape, direction: column ? 'column' : 'row' }],
    cards: [...cards.values()],
    key: before.length ? { kind: 'order', lane, before, credit: 'all' } : null,
  }
}

function match({ cards: options, homes, right, single }: Of<'match'>, room: Box, making: Filling): Content {
  const cards = cardsFor(options, making)
  const named = homes.slice(0, MOST.homes)
  const places = new Map<string, Place>()
  const boxes = inRows(named.length, room)
  named.forEach((home, i) => {
    const shape = { kind: 'rectangle' as const, ...boxes[i]! }
    const heading = [...home.text.replace(/\s+/g, ' ').trim()].slice(0, MOST.heading).join('')
    places.set(home.id, { kind: single ? 'slot' : 'zone', id: making.ids.place(), heading, shape })
  })
  const homesOf = (option: string) =>
    right.flatMap(([card, home]) => (card === option ? (places.get(home)?.id ?? []) : []))
  const fits = Object.fromEntries(
    [...places].map(([home, place]) => [
      place.id,
      right.filter(pair => pair[1] === home).flatMap(([c]) => idOf(cards)(c)),
    ]),
  )
  const sorted = Object.fromEntries([...cards].map(([option, card]) => [card.id, homesOf(option)]))
  const key: Unplaced | null =
    right.length === 0 ? null : single ? { kind: 'slots', fits } : { kind: 'sort', homes: sorted }
  return { places: [...places.values()], cards: [...cards.values()], key }
}

/** So many boxes of one size in rows, each with room for its heading above it. */
function inRows(count: number, room: Box): Box[] {
  const columns = Math.min(count, count <= 5 ? count : Math.ceil(Math.sqrt(count * 1.6)))
  const rows = Math.ceil(count / Math.max(1, columns))
  const width = (room.width - (columns - 1) * GAP) / columns
  const each = room.height / rows
  return Array.from({ length: count }, (_, i) => ({
    x: room.x + (i % columns) * (width + GAP),
    y: room.y + Math.floor(i / columns) * each + HEADING,
    width,
    height: Math.max(24, each - HEADING - 8),
  }))
}

function pairs({ cards: options, right }: Of<'pairs'>, making: Filling): Content {
  const cards = cardsFor(options, making)
  const taken = new Set<PieceId>()
  const sets = right.flatMap(([one, other]) => {
    const set = [one, other].flatMap(idOf(cards))
    if (set.length < 2 || set[0] === set[1] || set.some(id => taken.has(id))) return []
    for (const id of set) taken.add(id)
    return [set]
  })
  return {
    places: [],
    cards: [...cards.values()],
    key: sets.length ? { kind: 'match', sets: sets.slice(0, 60), where: [] } : null,
  }
}

interface GapText {
  readonly text: string
  /** Of what goes into a gap. */
  readonly widest: number
  readonly isTyped: boolean
}

function gapPlace({ text, widest, isTyped }: GapText, room: Box, making: Filling): Place | null {
  const count = text.split('____').length - 1
  if (count === 0 || count > MOST_GAPS) {
    making.losses.note('unknown-interaction')
    return null
  }
  return {
    kind: 'gaps',
    id: making.ids.place(),
    heading: '',
    shape: { kind: 'rectangle', ...room, y: room.y + 8, height: room.height - 8 },
    text: [...text].slice(0, 3000).join(''),
    textSize: TEXT_SIZE,
    typed: isTyped,
    gap: { width: Math.min(260, Math.max(90, widest + 28)), height: isTyped ? 34 : 52 },
  }
}

function gaps({ text, cards: options, right }: Of<'gaps'>, room: Box, making: Filling): Content | null {
  const cards = cardsFor(options, making)
  const size = cardSize(
    [...cards.values()].map(card => card.text),
    CARD_TEXT_SIZE,
  )
  const place = gapPlace({ text, widest: size.width, isTyped: false }, room, making)
  if (!place) return null
  // What says the same fits wherever one of them does.
  const alike = (ids: readonly string[]) => {
    const words = new Set(ids.map(id => cards.get(id)?.text))
    return [...cards.values()].filter(card => words.has(card.text)).map(card => card.id)
  }
  const fits = Object.fromEntries(right.map((ids, i) => [`${place.id}:0,${i}`, alike(ids)]))
  const some = right.some(ids => ids.length)
  return { places: [place], cards: [...cards.values()], key: some ? { kind: 'slots', fits } : null }
}

function typed({ text, right }: Of<'typed'>, room: Box, making: Filling): Content | null {
  const widest = Math.max(0, ...right.flatMap(one => one.accepts.map(word => textWidth(word, TEXT_SIZE))))
  const place = gapPlace({ text, widest, isTyped: true }, room, making)
  if (!place) return null
  const answers = Object.fromEntries(
    right.flatMap(({ accepts, capitals }, i) => {
      const good = accepts.map(word => [...word].slice(0, 300).join('')).filter(Boolean)
      return good.length
        ? [[`${place.id}:${i}`, { accepts: good.slice(0, 40), ...(capitals && { capitals }) }] as const]
        : []
    }),
  )
  return { places: [place], cards: [], key: Object.keys(answers).length ? { kind: 'write', answers } : null }
}

const writing = (room: Box, { ids }: Filling): Place => ({
  kind: 'writing',
  id: ids.place(),
  heading: '',
  shape: { kind: 'rectangle', ...room, y: room.y + 8, height: room.height - 8 },
  lines: 'many',
  textSize: 18,
})
