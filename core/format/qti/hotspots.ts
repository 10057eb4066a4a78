import type { Figure } from '../../board/backdrop'
import type { Page } from '../../board/board'
import type { FigureId } from '../../board/ids'
import { outline } from '../../geometry/outline'
import type { Shape } from '../../geometry/shape'
import type { Key } from '../../keys/key'
import { matchInteraction } from './choices'
import { byTemplate, item, prompt, response, type Carried, type Of } from './frame'
import { element, identifier, words } from './xml'

/** Vertices of a round shape that is no circle. */
const ROUND = 32

/** A shape as HTML's image maps write it, in the page's points. */
function mapped(shape: Shape): { shape: 'rect' | 'circle' | 'poly'; coords: string } {
  const whole = (...numbers: number[]) => numbers.map(Math.round).join(',')
  if (shape.kind === 'rectangle') {
    const { x, y, width, height } = shape
    return { shape: 'rect', coords: whole(x, y, x + width, y + height) }
  }
  if (shape.kind === 'ellipse' && Math.abs(shape.width - shape.height) < 1) {
    const { x, y, width, height } = shape
    return { shape: 'circle', coords: whole(x + width / 2, y + height / 2, width / 2) }
  }
  const points = outline(shape)
  const some = shape.kind === 'polygon' ? points : points.filter((_, i) => i % (points.length / ROUND) === 0)
  return { shape: 'poly', coords: whole(...some.flatMap(({ x, y }) => [x, y])) }
}

/** The page's picture, of its own size in points. */
export const pageImage = (page: Page, name: string, title: string) =>
  element('img', { src: name, alt: title, width: Math.round(page.width), height: Math.round(page.height) })

interface Choosing {
  readonly choices: readonly string[]
  readonly interaction: string
  readonly right: readonly string[]
  /** What stands between the prompt and the choices. */
  readonly before?: string
}

/** One for each right choice, and one less for each that is too many, as the key counts. */
function choosing(of: Of<Key['kind']>, { choices, interaction, right, before = '' }: Choosing): string {
  const one = right.length === 1
  return item({
    ...of,
    declarations: [
      response('RESPONSE', {
        cardinality: one ? 'single' : 'multiple',
        base: 'identifier',
        correct: right,
        accepted: one ? [] : right,
        other: -1,
      }),
    ],
    body: element(
      interaction,
      { 'response-identifier': 'RESPONSE', 'max-choices': one ? 1 : 0 },
      prompt(of.edition),
      before,
      ...choices,
    ),
    processing: byTemplate(one ? 'match_correct' : 'map_response'),
  })
}

/** Rings round what is printed are choices: by their words where each has its own, else spots of the page's picture. */
export function inkItem({ key, page, edition }: Of<'ink'>): Carried {
  const of = { key, page, edition }
  const { task } = key
  const figures = new Map((page.backdrop.figures ?? []).map(figure => [figure.id, figure]))
  const known = (ids: readonly FigureId[]) => [...new Set(ids)].flatMap(id => figures.get(id) ?? [])
  if (task.what === 'symmetry') return { item: null, left: ['kind'] }
  if (task.what === 'join') return joinItem(of, task.pairs.map(known))
  const [asked, right] = [known(task.figures), known(task.answers).map(({ id }) => identifier(id))]
  const written = namesOf(asked)
  if (written)
    return {
      item: choosing(of, {
        interaction: 'qti-choice-interaction',
        choices: asked.map(({ id }, i) =>
          element('qti-simple-choice', { identifier: identifier(id) }, words(written[i]!)),
        ),
        right,
      }),
      left: [],
    }
  const name = `${identifier(key.id)}.png`
  return {
    item: choosing(of, {
      interaction: 'qti-hotspot-interaction',
      before: pageImage(page, name, edition.board.title),
      choices: asked.map(({ id, shape, name: called }) =>
        element('qti-hotspot-choice', { identifier: identifier(id), ...mapped(shape), 'hotspot-label': called }),
      ),
      right,
    }),
    left: [],
    picture: { page, name },
  }
}

/** Their words, where each has some of its own. */
function namesOf(figures: readonly Figure[]): string[] | null {
  const written = figures.map(({ text }) => text.trim())
  return written.every(Boolean) && new Set(written).size === written.length ? written : null
}

/** Lines that join two sides: one side in rows, the other in columns. */
function joinItem(of: Of<Key['kind']>, pairs: readonly (readonly Figure[])[]): Carried {
  const whole = pairs.filter(pair => pair.length === 2)
  const [first, second] = [0, 1].map(side => [...new Set(whole.map(pair => pair[side]!))]) as [Figure[], Figure[]]
  const twoSides = whole.length > 0 && !first.some(figure => second.includes(figure))
  if (!twoSides || !namesOf(first) || !namesOf(second)) return { item: null, left: ['kind'] }
  const choice = ({ id, text }: Figure) => ({ id, words: text.trim() })
  const joined = (one: Figure) => whole.filter(pair => pair[0] === one).map(pair => pair[1]!.id as string)
  return {
    item: matchInteraction(of, {
      rows: first.map(choice),
      columns: second.map(choice),
      right: first.map(one => [one.id, joined(one)]),
      columnMost: 0,
    }),
    left: first.some(one => joined(one).length > 1) ? ['sets'] : [],
  }
}

/** Cells to cover or to colour are spots of the page's picture; a block that may lie anywhere can't be asked. */
export function coverItem({ key, page, edition }: Of<'cover'>): Carried {
  const grid = page.places.find(place => place.id === key.grid)
  if (grid?.kind !== 'grid' || key.array || key.cells.length === 0) return { item: null, left: ['kind'] }
  const { shape, rows, columns } = grid
  const [width, height] = [shape.width / columns, shape.height / rows]
  const spot = (cell: string) => identifier(`${grid.id}-${cell.replace(',', '-')}`)
  const name = `${identifier(key.id)}.png`
  const cells = Array.from({ length: rows * columns }, (_, i) => {
    const [row, column] = [Math.floor(i / columns), i % columns]
    const box = { kind: 'rectangle', x: shape.x + column * width, y: shape.y + row * height, width, height } as const
    return element('qti-hotspot-choice', {
      identifier: spot(`${row},${column}`),
      ...mapped(box),
      'hotspot-label': grid.printed?.[i]?.trim() || undefined,
    })
  })
  return {
    item: choosing(
      { key, page, edition },
      {
        interaction: 'qti-hotspot-interaction',
        before: pageImage(page, name, edition.board.title),
        choices: cells,
        right: key.cells.map(spot),
      },
    ),
    left: [],
    picture: { page, name },
  }
}
