import type { PieceId } from '../../board/ids'
import { equalPolynomials, multiply, polynomial, polynomialText, readTerm } from '../../exact/polynomial'
import { contentsOf } from '../../placement/contents'
import { termOf, type MarkContext } from '../context'
import { kindHas, kindOfKey, pieceHas } from '../kind'
import { marksWith, type ItemMark } from '../outcome'
import { someReading } from '../readings'
import { EMPTY } from '../reason'
import type { ExpressionKey } from './key'
import { expressionOf, rectangleOf, zeroPairs } from './tiles'

const reasons = {
  ...EMPTY,
  right: {
    doing: {},
    codes: {
      'expression-right': { made: 'text', pairs: 'number' },
      'expression-product': { made: 'text', product: 'text' },
    },
  },
  'expression-wrong': {
    doing: { made: 'text' },
    codes: {
      'expression-other': { target: 'text' },
      'expression-gaps': {},
      'expression-no-square': { product: 'text' },
    },
  },
  'not-clear': { doing: {}, codes: { 'expression-unsure': {} } },
} as const
const mark = marksWith(reasons)

/**
 * Marks the tiles in a place as an expression, zero pairs cancelled. One point: the value must be the target, and where
 * a rectangle or a square is asked for, the tiles themselves must fill one; its sides are the factors. Unsure tiles
 * leave it on the line.
 */
export const expressionKind = kindOfKey<ExpressionKey>()({
  reasons,
  counted: false,
  mark: markExpression,
  /**
   * What the tiles in each place make is what they are to make; where they fill a rectangle or a square, they are to.
   */
  keep: context =>
    context.page.places.flatMap(place => {
      const tiles = contentsOf(place.id, context.placements, 'in')
        .map(h => h.piece)
        .filter(id => termOf(context, id))
      if (tiles.length === 0) return []
      const sides = rectangleOf(tiles, context)
      const filled = sides && equalPolynomials(multiply(...sides), expressionOf(tiles, context)) ? sides : null
      const target = polynomialText(expressionOf(tiles, context)).replaceAll('²', '^2').replaceAll('³', '^3')
      const as = filled && (equalPolynomials(...filled) ? ('square' as const) : ('rectangle' as const))
      return [{ place: place.id, target, ...(as && { as }) }]
    }),
  lay: null,
  suits: page =>
    page.pieces.some(p => p.kind === 'tile' && readTerm(p.term ?? '1') !== '1')
    && (kindHas(page, 'zone') || kindHas(page, 'pan')),
  canBeDone: (_, page) => pieceHas(page, 'tile'),
  answers: null,
  interchanged: null,
  alsoRight: null,
})

function markExpression(key: ExpressionKey, context: MarkContext): ItemMark[] {
  const tiles = (certainty: 'in' | 'unsure') =>
    contentsOf(key.place, context.placements, certainty)
      .map(h => h.piece)
      .filter(id => termOf(context, id))
  const [sure, perhaps] = [tiles('in'), tiles('unsure')]
  const surely = markTiles(sure, key, context)
  if (perhaps.length === 0) return [surely]
  if (someReading(perhaps, more => markTiles([...sure, ...more], key, context).verdict === 'right')) {
    return [mark({ is: 'place', item: key.place, verdict: 'on-the-line', code: 'expression-unsure', words: {} })]
  }
  return [surely.verdict === 'not-placed' ? markTiles(perhaps, key, context) : surely]
}

/** What certain tiles make. */
function markTiles(tiles: readonly PieceId[], key: ExpressionKey, context: MarkContext): ItemMark {
  const expression = expressionOf(tiles, context)
  const target = polynomial(key.target)
  const made = polynomialText(expression)
  const about = { is: 'place', item: key.place } as const
  const wrong = { ...about, verdict: 'wrong' } as const
  if (tiles.length === 0) return mark({ ...about, verdict: 'not-placed', code: 'empty', words: {} })
  if (!equalPolynomials(expression, target)) {
    return mark({ ...wrong, code: 'expression-other', words: { made, target: polynomialText(target) } })
  }
  if (!key.as) {
    return mark({
      ...about,
      verdict: 'right',
      code: 'expression-right',
      words: { made, pairs: zeroPairs(tiles, context) },
    })
  }
  const sides = rectangleOf(tiles, context)
  if (!sides || !equalPolynomials(multiply(...sides), expression)) {
    return mark({ ...wrong, code: 'expression-gaps', words: { made } })
  }
  const product = sides.map(side => `(${polynomialText(side)})`).join('')
  if (key.as === 'square' && !equalPolynomials(...sides)) {
    return mark({ ...wrong, code: 'expression-no-square', words: { made, product } })
  }
  return mark({ ...about, verdict: 'right', code: 'expression-product', words: { made, product } })
}
