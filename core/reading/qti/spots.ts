import type { PieceId } from '../../board/ids'
import type { Piece } from '../../board/piece'
import type { Place } from '../../board/place'
import type { Box, Shape } from '../../geometry/shape'
import { cardsFor, idOf, MOST, type Content, type Filling, type Of } from './making'
import type { Option } from './question'

/**
 * The picture printed as large as there is room; its spots are slots that take cards, or marks where they are chosen.
 */
export function spots(question: Of<'spots'>, room: Box, making: Filling): Content | null {
  const { ids, losses, pictures, masters } = making
  const kept = pictures.get(question.picture.source)
  if (!kept) {
    losses.note('pictures-unread')
    return null
  }
  const size = { width: question.picture.width || kept.pixelWidth, height: question.picture.height || kept.pixelHeight }
  const scale = Math.min(room.width / size.width, (room.height - 8) / size.height)
  const at = { x: room.x, y: room.y + 8 }
  const moved = (shape: Shape): Shape =>
    shape.kind === 'polygon'
      ? { kind: 'polygon', points: shape.points.map(p => ({ x: at.x + p.x * scale, y: at.y + p.y * scale })) }
      : {
          kind: shape.kind,
          x: at.x + shape.x * scale,
          y: at.y + shape.y * scale,
          width: shape.width * scale,
          height: shape.height * scale,
        }
  const places = new Map(
    question.spots
      .slice(0, MOST.homes)
      .map(({ id, shape }): [string, Place] => [
        id,
        { kind: 'slot', id: ids.place(), heading: '', clear: true, shape: moved(shape) },
      ]),
  )
  const pictured = {
    pictures: [
      {
        id: ids.figure(),
        ...kept,
        ...at,
        width: size.width * scale,
        height: size.height * scale,
        alt: question.picture.alt,
      },
    ],
  }
  if (question.cards && question.spots.every(spot => isRound(spot.shape)))
    return { ...labels(question.cards, question, moved, making), backdrop: pictured }
  const cards = question.cards ? cardsFor(question.cards, making) : null
  const tokens = cards
    ? []
    : Array.from({ length: Math.min(20, question.most) }, (): Piece => {
        return { kind: 'token', id: ids.piece(), master: masters.of('token'), text: '', alt: '' }
      })
  const fits: Record<string, PieceId[]> = {}
  for (const [card, spot] of question.right) {
    const place = places.get(spot)
    if (!place) continue
    const right = card === null ? tokens.map(token => token.id) : [idOf(cards!)(card)].flat()
    fits[place.id] = [...(fits[place.id] ?? []), ...right]
  }
  return {
    places: [...places.values()],
    cards: cards ? [...cards.values()] : tokens,
    key: Object.values(fits).some(some => some.length) ? { kind: 'slots', fits } : null,
    backdrop: pictured,
  }
}

const isRound = (shape: Shape) => shape.kind === 'ellipse' && shape.width === shape.height

/** Round spots are pins that labels point at. */
function labels(
  cards: readonly Option[],
  { spots: round, right }: Of<'spots'>,
  moved: (shape: Shape) => Shape,
  making: Filling,
): Content {
  const { ids, masters } = making
  const pins = new Map(
    round.slice(0, MOST.homes).flatMap(({ id, shape }): [string, Place][] => {
      const at = moved(shape)
      return at.kind === 'ellipse' ? [[id, { kind: 'pin', id: ids.place(), heading: '', shape: at }]] : []
    }),
  )
  const made = [...cardsFor(cards, making)].map(([id, card]) => {
    const label: Piece = {
      kind: 'label',
      id: card.id,
      master: masters.of('label'),
      text: 'alt' in card ? (card.alt ?? '') : card.text,
      tip: 'left',
    }
    return { id, label }
  })
  const key = Object.fromEntries(
    made.map(({ id, label }) => [
      label.id,
      right.flatMap(([card, spot]) => (card === id ? (pins.get(spot)?.id ?? []) : [])),
    ]),
  )
  return {
    places: [...pins.values()],
    cards: made.map(one => one.label),
    key: Object.values(key).some(some => some.length) ? { kind: 'label', pins: key } : null,
  }
}
