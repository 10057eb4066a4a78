import type { Figure } from '../../board/backdrop'
import { emptyPage, type Board, type Page } from '../../board/board'
import { keepKey } from '../../design/answers'
import { addPieces } from '../../design/pieces'
import type { Box } from '../../geometry/shape'
import type { Key } from '../../keys/key'
import { breakLines } from '../../text/lines'
import { LINE_HEIGHT } from '../../text/measure'
import { contentOf } from './content'
import { CardMasters, type Making, type PageIds } from './making'
import type { Question } from './question'

const MARGIN = 24
const PROMPT_SIZE = 20

/**
 * A question as a page at the end of a board: the prompt printed above, places below, cards on the ledge, and the key.
 * A question without anything to move or to write is left out.
 */
export function withQuestion(board: Board, question: Question, making: Making): Board {
  const { ids } = making
  const id = ids.page()
  const empty = emptyPage(id)
  const prompt = promptOn(empty, question.prompt, ids)
  const room: Box = {
    x: MARGIN,
    y: prompt ? prompt.room : MARGIN,
    width: empty.width - 2 * MARGIN,
    height: empty.height - (prompt ? prompt.room : MARGIN) - MARGIN,
  }
  const masters = new CardMasters(board, ids)
  const made = contentOf(question, room, { ...making, masters })
  if (!made) return board
  const page: Page = {
    ...empty,
    backdrop: { ...empty.backdrop, ...made.backdrop, ...(prompt && { figures: [prompt.figure] }) },
    places: [...made.places],
  }
  const withPage = { ...board, masters: masters.all, pages: [...board.pages, page] }
  const filled = made.cards.length ? addPieces(withPage, id, made.cards) : withPage
  return made.key ? keepKey(filled, { ...made.key, id: ids.key(), page: id } as Key) : filled
}

function promptOn(page: Page, prompt: string, ids: PageIds): { figure: Figure; room: number } | null {
  if (!prompt) return null
  const width = page.width - 2 * MARGIN
  const text = [...prompt].slice(0, 1000).join('')
  let size = PROMPT_SIZE
  const height = () =>
    text.split('\n').flatMap(line => breakLines(line, width - 12, size)).length * size * LINE_HEIGHT + 14
  while (size > 10 && height() > page.height / 2) size -= 1
  const shape = { kind: 'rectangle' as const, x: MARGIN, y: 8, width, height: Math.min(height(), page.height / 2) }
  return {
    figure: { id: ids.figure(), shape, line: null, fill: null, text, textSize: size, fromLeft: true },
    room: 8 + shape.height,
  }
}
