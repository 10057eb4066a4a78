import { fitWords, noteRoom, type FittedWords } from '../layout/fitWords'
import { TIP_LENGTH } from '../bodies/claim'
import type { Master, Piece } from '../board/piece'
import { floating } from '../exact/written'
import { CARD_PADDING, PICTURE_BOX } from '../layout/cardSize'
import { breakLines, keptWhileBroken } from '../text/lines'
import type { Language } from '../text/spoken'
import { firstOf, lettering } from './lettering'
import { chosen, type Colour } from './palette'
import { boxPath, circlePath, to3, type PathPrimitive, type Primitive, type Stroke } from './primitive'
import { drawSlip, wordsOnSlip } from './slip'

export interface PieceLook {
  readonly piece: Piece
  readonly master: Master
  readonly language: Language
  /** In somebody's hand. */
  readonly held?: boolean
  /** Its other side is up. */
  readonly flipped?: boolean | undefined
  /** What a student wrote on a note. */
  readonly written?: string | undefined
}

const GROUNDS = {
  card: 'ground',
  'picture-card': 'ground',
  label: 'ground',
  tile: 'ground',
  cover: 'cover',
  token: 'token',
  note: 'note',
} as const satisfies Record<Piece['kind'], Colour>
const ROLE_GROUNDS = { piece: undefined, target: 'target', instruction: 'light' } as const

/** As pieces usually lie, by their master and language: drawn once for the page, its small picture and the ledge. */
const usual = keptWhileBroken((_: Piece) => new WeakMap<Master, Partial<Record<Language, readonly Primitive[]>>>())

/**
 * A piece around the origin: text and box are one thing. As it usually lies it is worked out once: documents are never
 * changed, only replaced.
 */
export function drawPiece(look: PieceLook): readonly Primitive[] {
  const { piece, master, language, held, flipped, written } = look
  if (held || flipped || written) return drawnAnew(look)
  const ofPiece = usual(piece)
  const drawn = ofPiece.get(master) ?? {}
  ofPiece.set(master, drawn)
  return (drawn[language] ??= drawnAnew(look))
}

function drawnAnew(look: PieceLook): Primitive[] {
  const { piece, master } = look
  if (piece.kind === 'note') return drawNote(look)
  return [
    ...(outlineOf(master) ? drawOutlined(look) : drawBox(look)),
    ...drawTip(piece, master),
    ...(piece.kind === 'picture-card'
      ? [
          {
            kind: 'picture' as const,
            source: { from: 'file' as const, file: piece.file },
            box: { x: -PICTURE_BOX.width / 2, y: -master.height / 2 + CARD_PADDING.y, ...PICTURE_BOX },
            fit: 'within' as const,
            pixels: { width: piece.pixelWidth, height: piece.pixelHeight },
          },
        ]
      : []),
    ...drawWords(look),
  ]
}

const otherSide = ({ piece, flipped }: PieceLook) => (flipped && piece.kind === 'tile' ? (piece.other ?? null) : null)

function groundOf(look: PieceLook): Colour {
  const { piece, master } = look
  const side = otherSide(look)
  if (side) return side.colour ? chosen(side.colour) : 'turned'
  if (master.colour) return chosen(master.colour)
  return (master.role && ROLE_GROUNDS[master.role]) ?? GROUNDS[piece.kind]
}
const edgeOf = (look: PieceLook): Stroke => ({
  ...(look.held ? { colour: 'lightEdge', width: 2.5 } : { colour: 'outline', width: 1.2 }),
  ...(otherSide(look) && { dash: [5, 3] }),
})

/** The outline of what is no rectangle: a part of a circle, a hand of a clock. */
function outlineOf({ look, width, height, textSize }: Master): string {
  const [r, out] = [to3(width / 2), to3(height / 2)]
  if (look?.kind === 'sector') {
    const end = floating(look.share) * 2 * Math.PI
    return `M0 0V${-r}A${r} ${r} 0 ${end > Math.PI ? 1 : 0} 1 ${to3(r * Math.sin(end))} ${to3(-r * Math.cos(end))}Z`
  }
  if (look?.kind !== 'hand') return ''
  const size = textSize
  return `M${to3(-size / 2)} ${size}L${to3(-size / 4)} ${-out}H${to3(size / 4)}L${to3(size / 2)} ${size}Z`
}

function drawOutlined(look: PieceLook): Primitive[] {
  const { master } = look
  return [
    { kind: 'path', d: outlineOf(master), fill: groundOf(look), stroke: { ...edgeOf(look), corners: 'round' } },
    ...(master.look?.kind === 'hand'
      ? [{ kind: 'path' as const, d: circlePath({ x: 0, y: 0 }, 6), fill: 'line' as const }]
      : []),
  ]
}

/** With the words that were written on it, or what it asks for. */
function drawNote(look: PieceLook): Primitive[] {
  const { piece, master, written, language, held = false } = look
  const { width, height, textSize } = master
  const box = { x: -width / 2, y: -height / 2, width, height }
  return [
    ...drawSlip(box, groundOf(look), edgeOf(look), held),
    ...wordsOnSlip(box, fitWords(written || piece.text, noteRoom(master), textSize, language)),
  ]
}

function radiusOf(piece: Piece, master: Master): number {
  if (piece.kind === 'token' || master.look?.kind === 'round') return Math.min(master.width, master.height) / 2
  return piece.kind === 'tile' ? 3 : piece.kind === 'cover' ? 1 : 6
}

function drawBox(look: PieceLook): Primitive[] {
  const { piece, master, held = false } = look
  const { width, height } = master
  const box = { x: -width / 2, y: -height / 2, width, height }
  const radius = radiusOf(piece, master)
  const shadow: PathPrimitive = {
    kind: 'path',
    d: boxPath({ ...box, y: box.y + (held ? 5 : 1.8) }, radius),
    fill: 'shadow',
    opacity: held ? 0.18 : 0.28,
  }
  return [
    ...(piece.kind === 'cover' ? [] : [shadow]),
    { kind: 'path', d: boxPath(box, radius), fill: groundOf(look), stroke: edgeOf(look) },
    ...drawUnits(master),
    ...drawRole(master),
  ]
}

/** Lines between the units of a tile that is made of some. */
function drawUnits({ look, width, height }: Master): Primitive[] {
  if (look?.kind !== 'units') return []
  const { across, down } = look
  const [x, y] = [-width / 2, -height / 2]
  const d = [
    ...Array.from({ length: across - 1 }, (_, i) => `M${to3(x + ((i + 1) * width) / across)} ${to3(y)}v${to3(height)}`),
    ...Array.from({ length: down - 1 }, (_, i) => `M${to3(x)} ${to3(y + ((i + 1) * height) / down)}h${to3(width)}`),
  ].join('')
  return d ? [{ kind: 'path', d, stroke: { colour: 'outline', width: 0.8 } }] : []
}

/** A target has a second line inside; an instruction a bar at its left. */
function drawRole({ role, width, height }: Master): Primitive[] {
  if (role === 'target')
    return [
      {
        kind: 'path',
        d: boxPath({ x: -width / 2 + 4, y: -height / 2 + 4, width: width - 8, height: height - 8 }, 3),
        stroke: { colour: 'outline', width: 1.2 },
      },
    ]
  if (role !== 'instruction') return []
  return [
    {
      kind: 'path',
      d: boxPath({ x: -width / 2 + 1, y: -height / 2 + 1, width: 5, height: height - 2 }, 2),
      fill: 'lightEdge',
    },
  ]
}

/** The pointing tip of a label, as long as what claims by it takes it to be. */
function drawTip(piece: Piece, { width, height }: Master): Primitive[] {
  if (piece.kind !== 'label') return []
  const [w, h] = [to3(width / 2), to3(height / 2)]
  const [beyondW, beyondH] = [to3(w + TIP_LENGTH), to3(h + TIP_LENGTH)]
  const d = {
    left: `M${-w} -7L${-beyondW} 0L${-w} 7Z`,
    right: `M${w} -7L${beyondW} 0L${w} 7Z`,
    up: `M-7 ${-h}L0 ${-beyondH}L7 ${-h}Z`,
    down: `M-7 ${h}L0 ${beyondH}L7 ${h}Z`,
  }[piece.tip]
  return [{ kind: 'path', d, fill: 'line' }]
}

/** A tile is as wide as its value says, and a token as it is, so their text stands on one line. */
function drawWords(look: PieceLook): Primitive[] {
  const { piece, master } = look
  const text = otherSide(look)?.text ?? piece.text
  if (!text) return []
  const { lines, size } = linesOf(look, text)
  const middle = wordsMiddle(piece, master)
  return lettering({
    lines,
    x: middle.x,
    y: firstOf(lines, middle.y, size),
    size,
    fill: piece.kind === 'cover' ? 'ground' : 'ink',
    anchor: 'middle',
  })
}

/** Cards are as large as their words. */
function linesOf({ piece, master, language }: PieceLook, text: string): Pick<FittedWords, 'lines' | 'size'> {
  const { width, height, textSize: size } = master
  if (piece.kind === 'tile' || piece.kind === 'token') return { lines: [text], size }
  const room = { width: width - 2 * CARD_PADDING.x + 0.01, height: height - 2 * CARD_PADDING.y }
  return { lines: breakLines(text, room.width, size, { language }), size }
}

/** Under a picture; in the middle of a part of a circle; else in the middle of the piece. */
function wordsMiddle(piece: Piece, { look, width, height }: Master) {
  if (piece.kind === 'picture-card') {
    const under = -height / 2 + CARD_PADDING.y + PICTURE_BOX.height
    return { x: 0, y: under + (height - 2 * CARD_PADDING.y - PICTURE_BOX.height) / 2 }
  }
  if (look?.kind !== 'sector') return { x: 0, y: 0 }
  const middle = floating(look.share) * Math.PI
  const far = (width / 2) * 0.64
  return { x: far * Math.sin(middle), y: -far * Math.cos(middle) }
}
