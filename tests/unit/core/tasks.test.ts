import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../../core/board/edition'
import type { Board } from '../../../core/board/board'
import type { Place } from '../../../core/board/place'
import { leftToDo, progress, stepsDone, tasksOf } from '../../../core/placement/tasks'
import { emptySlate, type SlateState } from '../../../core/slate/state'
import { pageId, placeId } from '../../boards'
import { boardOf, box, card, slateOf } from '../../keyBoards'

const places: Place[] = [
  { kind: 'zone', id: placeId('zone'), heading: 'Z', shape: box(0, 0, 300, 200) },
  { kind: 'writing', id: placeId('first'), heading: 'Rule', lines: 'one', textSize: 18, shape: box(320, 0, 200, 40) },
  {
    kind: 'gaps',
    id: placeId('gaps'),
    heading: '',
    text: 'a __ b __',
    textSize: 18,
    typed: true,
    gap: { width: 60, height: 30 },
    shape: box(0, 250, 400, 80),
  },
  { kind: 'drawing', id: placeId('draw'), heading: '', shape: box(600, 250, 300, 80) },
]
const one = boardOf(places, [card('a'), card('b')], null)
/** Two activities, one above the other, and a second page that is only to be read. */
const page = {
  ...one.pages[0]!,
  steps: [
    { id: 'top', x: 0, y: 0, width: 960, height: 220, instructions: '' },
    { id: 'foot', x: 0, y: 220, width: 960, height: 260, instructions: '' },
  ],
}
const board = {
  ...one,
  pages: [page, { ...page, id: pageId('read'), places: [], pieces: [], ledge: [], steps: [], reading: true }],
} as unknown as Board
const edition = makeEdition(board)

describe('what is left to do', () => {
  it('is said by page and activity, in their order; pieces stand outside of activities', () => {
    expect(leftToDo(emptySlate, edition)).toEqual([
      { page: 0, step: null, pieces: ['a', 'b'], spaces: [] },
      { page: 0, step: 'top', pieces: [], spaces: ['first'] },
      { page: 0, step: 'foot', pieces: [], spaces: ['gaps:0', 'gaps:1', 'draw'] },
    ])
  })

  it('goes as it is done, and what is left agrees with the progress', () => {
    const state = slateOf(board, {
      pieces: { a: { x: 100, y: 100 } },
      texts: { first: 'because', 'gaps:1': 'x' },
      strokes: [{ place: 'draw', points: [[650, 300]] }],
    })
    expect(leftToDo(state, edition)).toEqual([
      { page: 0, step: null, pieces: ['b'], spaces: [] },
      { page: 0, step: 'foot', pieces: [], spaces: ['gaps:0'] },
    ])
    expect(progress(state, edition)).toEqual({ placed: 4, of: 6 })
    expect(tasksOf(state, edition).filter(task => !task.done)).toHaveLength(2)
  })

  it('is nothing on a page to read, and on a board without tasks', () => {
    const bare = makeEdition({ ...board, pages: [board.pages[1]!] })
    expect([leftToDo(emptySlate, bare), progress(emptySlate, bare)]).toEqual([[], { placed: 0, of: 0 }])
  })

  it('activities are done when all in their part is, and each place there holds something; one without anything to do never is', () => {
    const done = (state: Parameters<typeof slateOf>[1]) => [
      ...stepsDone(slateOf(board, state), edition, edition.board.pages[0]!),
    ]
    expect(done({})).toEqual([])
    expect(done({ texts: { first: 'because' } })).toEqual([])
    expect(done({ pieces: { a: { x: 100, y: 100 } }, texts: { first: 'because' } })).toEqual(['top'])
    expect(
      done({ texts: { 'gaps:0': 'x', 'gaps:1': 'y' }, strokes: [{ place: 'draw', points: [[650, 300]] }] }),
    ).toEqual(['foot'])
    const idle = makeEdition({ ...board, pages: [{ ...board.pages[0]!, places: [] }] })
    expect([...stepsDone(emptySlate, idle, idle.board.pages[0]!)]).toEqual([])
  })

  it('takes a place for filled over which a picture lies, or that has a student’s own words or lines in it', () => {
    const picture = { kind: 'picture', from: 'camera', x: 420, y: 30, width: 260, height: 200, rotation: 0 }
    const ink = {
      kind: 'ink',
      pen: { tip: 'pen', ink: 'graphite', wide: 'thin' },
      points: [
        [330, 10],
        [500, 30],
      ],
    }
    const text = { kind: 'text', words: 'foot', size: 'small', x: 700, y: 290, width: 80, height: 20 }
    const left = (...things: object[]) =>
      leftToDo(
        {
          ...emptySlate,
          own: Object.fromEntries(things.map((thing, i) => [`t${i}`, { page: page.id, by: 'student:1', ...thing }])),
        } as unknown as SlateState,
        edition,
      ).flatMap(one => one.spaces)
    expect(left()).toEqual(['first', 'gaps:0', 'gaps:1', 'draw'])
    expect(left(picture)).not.toContain('first')
    expect(left(ink)).not.toContain('first')
    expect(left(text)).not.toContain('draw')
    // One over two of them fills both.
    expect(left({ ...picture, x: 610, y: 160, width: 700, height: 400 })).toEqual(['gaps:0', 'gaps:1'])
    expect(left({ ...picture, hidden: true })).toContain('first')
    expect(left({ ...picture, x: 100 })).toContain('first')
  })

  it('has pieces in the activity that needs them, and is done with it once they lie', () => {
    const steps = page.steps.map((step, i) => ({ ...step, ...(i === 0 && { pieces: ['a'] }) }))
    const needing = { ...board, pages: [{ ...page, steps }, board.pages[1]!] } as unknown as Board
    const under = makeEdition(needing)
    const written = { first: 'x' }
    expect(leftToDo({ ...emptySlate, texts: written }, under)[1]).toMatchObject({ step: 'top', pieces: ['a'] })
    const laid = slateOf(needing, { pieces: { a: { x: 100, y: 100, z: 0 } }, texts: written })
    expect([...stepsDone(laid, under, needing.pages[0]!)]).toEqual(['top'])
  })
})
