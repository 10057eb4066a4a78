import { describe, expect, it } from 'vitest'
import { emptyBoard, readBoard, type Board } from '../../../core/board/board'
import type { FigureId } from '../../../core/board/ids'
import type { Drawing } from '../../../core/board/place'
import { addChoice, choicesIn, isOutline, withRightChoices } from '../../../core/design/choices'
import { boxOf } from '../../../core/geometry/outline'
import { keyId, pageId, placeId } from '../../boards'

const pageOne = pageId('page')
const space = placeId('question')
const figure = (id: string) => id as FigureId
const begin = { ...emptyBoard('Tides', pageOne, 1), instructions: 'Ring the right one.' }
const pageOf = (board: Board) => board.pages[0]!
const spaceOf = (board: Board) => pageOf(board).places.find((p): p is Drawing => p.kind === 'drawing')!
const withChoice = (board: Board, id: string, box: { x: number; y: number; width: number; height: number }) =>
  addChoice({ board, pageId: pageOne, place: space, figure: figure(id), box })
const outlined = (...xs: number[]) =>
  xs.reduce<Board>((board, x, i) => withChoice(board, `c${i}`, { x, y: 100, width: 60, height: 30 }), begin)
const ring = (board: Board, ...answers: string[]) =>
  withRightChoices({
    board,
    page: pageOf(board),
    space: spaceOf(board),
    answers: answers.map(figure),
    newId: () => keyId('ring'),
  })

describe('outlines round printed choices', () => {
  it('are not seen, and stand in one drawing space that grows with them', () => {
    const board = outlined(100, 300, 500)
    expect(pageOf(board).backdrop.figures!.every(isOutline)).toBe(true)
    expect(pageOf(board).places).toHaveLength(1)
    expect(boxOf(spaceOf(board))).toEqual({ x: 84, y: 84, width: 492, height: 62 })
    expect(choicesIn(pageOf(board), spaceOf(board)).map(choice => choice.id)).toEqual(['c0', 'c1', 'c2'])
    expect(readBoard(JSON.parse(JSON.stringify(board))).ok).toBe(true)
  })

  it('are cut off at the edge of the page, and never too small to be ringed', () => {
    const { width } = pageOf(begin)
    expect(boxOf(pageOf(outlined(width - 20)).backdrop.figures![0]!).width).toBe(20)
    const tiny = withChoice(begin, 't', { x: 10, y: 10, width: 1, height: 0 })
    expect(boxOf(pageOf(tiny).backdrop.figures![0]!)).toMatchObject({ width: 12, height: 12 })
  })
})

describe('the right choices', () => {
  it('are kept as a ring, changed, and taken back with the last of them', () => {
    const board = ring(outlined(100, 300), 'c1')
    expect(board.keys).toMatchObject([
      { kind: 'ink', place: 'question', task: { what: 'circle', figures: ['c0', 'c1'], answers: ['c1'] } },
    ])
    expect(ring(board, 'c0', 'c1').keys).toMatchObject([{ id: 'ring', task: { answers: ['c0', 'c1'] } }])
    expect(ring(board).keys).toEqual([])
  })

  it('know of a choice that is outlined later', () => {
    const more = withChoice(ring(outlined(100, 300), 'c1'), 'c2', { x: 500, y: 100, width: 60, height: 30 })
    expect(more.keys).toMatchObject([{ task: { figures: ['c0', 'c1', 'c2'], answers: ['c1'] } }])
  })
})
