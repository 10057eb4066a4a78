import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { checkBoard, readBoard, type Board } from '../../../core/board/board'
import { referencesOf } from '../../../core/keys/key'
import { makeEdition } from '../../../core/board/edition'
import { duplicatePage, setReading } from '../../../core/design/pages'
import { levelsFit, RubricSchema } from '../../../core/handout/counting'
import { RecipientSchema } from '../../../core/handout/settings'
import { versionOf } from '../../../core/handout/version'
import { preflight } from '../../../core/preflight/preflight'
import { progress } from '../../../core/placement/tasks'
import { HOLDER } from '../../../core/slate/actor'
import { apply, type Move } from '../../../core/slate/move'
import { startOf } from '../../../core/slate/state'
import { counting, middleOf, pieceId, shore } from '../../boards'
import { examples } from '../../examples'

const without = (pages: string[], pieces: string[]) => ({ pages, pieces }) as never

describe('a version with less', () => {
  it('is a whole board, whichever pieces of whichever example are left out, with no answer about them and the same cards', () => {
    let cut = 0
    for (const { board } of examples) {
      const all = board.pages.flatMap(page => page.pieces.map(piece => piece.id as string))
      for (const few of [all.slice(0, 1), all.slice(-2), all.filter((_, i) => i % 2 === 0), all]) {
        const version = versionOf(board, without([], few))
        if (!version.ok) throw new Error(version.reason)
        expect(checkBoard(version.value)).toBeNull()
        expect(readBoard(JSON.parse(JSON.stringify(version.value)))).toMatchObject({ ok: true })
        expect(version.value.masters).toEqual(board.masters)
        const asked = version.value.keys.flatMap(key => [...referencesOf(key).pieces] as string[])
        expect(asked.filter(id => few.includes(id))).toEqual([])
        cut += few.length
      }
    }
    expect(cut).toBeGreaterThan(100)
  })
  it("may lack pages, and is refused where none would be left; what isn't there is passed over", () => {
    const two = duplicatePage(shore(), shore().pages[0]!.id, counting('copy'))
    const [first, second] = two.pages.map(page => page.id as string)
    expect(versionOf(two, without([second!], []))).toMatchObject({ ok: true, value: { pages: [{ id: first }] } })
    expect(versionOf(two, without([first!, second!], []))).toEqual({ ok: false, reason: 'nothing-left' })
    expect(versionOf(two, without(['gone'], ['gone']))).toEqual({ ok: true, value: two })
  })
  it('is for students of whom none has two', () => {
    const student = '00000000-0000-4000-8000-000000000001'
    const one = { name: 'A', students: [student] }
    expect(v.safeParse(RecipientSchema, { classId: student, versions: [one] }).success).toBe(true)
    expect(v.safeParse(RecipientSchema, { classId: student, versions: [one, { ...one, name: 'B' }] }).success).toBe(
      false,
    )
  })
})

describe('a page that is only read', () => {
  const page = shore().pages[0]!.id
  const reading = (board: Board) => makeEdition(setReading(board, page, true))
  const put: Move = { kind: 'put', piece: pieceId('c0'), ...middleOf(shore(), 'z0') }
  it('lets nothing be moved, and lets it again when it is one to work on', () => {
    const edition = reading(shore())
    expect(apply(startOf(edition), put, { edition, actor: HOLDER })).toMatchObject({
      ok: false,
      reason: { code: 'not-allowed' },
    })
    const again = makeEdition(setReading(edition.board, page, false))
    expect(again.board).toEqual(shore())
    expect(apply(startOf(again), put, { edition: again, actor: HOLDER }).ok).toBe(true)
  })
  it('keeps what was done before it became one, and starting again still clears the others', () => {
    const before = makeEdition(duplicatePage(shore(), page, counting('copy')))
    const done = apply(startOf(before), put, { edition: before, actor: HOLDER })
    if (!done.ok) throw new Error('refused')
    const edition = reading(before.board)
    expect(apply(done.value, { kind: 'shelve', piece: pieceId('c0') }, { edition, actor: HOLDER })).toMatchObject({
      ok: false,
      reason: { code: 'not-allowed' },
    })
    expect(apply(done.value, { kind: 'start-again' }, { edition, actor: HOLDER }).ok).toBe(true)
  })
  it('counts nothing to be done, and answers on it are found before giving out, with a way out', () => {
    expect(progress(startOf(reading(shore())), reading(shore()))).toEqual({ placed: 0, of: 0 })
    const keyed = { ...shore(), keys: [{ kind: 'sort', id: 'k', page, homes: { c0: ['z0'] } }] } as unknown as Board
    const found = preflight(setReading(keyed, page, true)).find(finding => finding.rule === 'reading-page')
    expect(found).toMatchObject({ severity: 'stops', page })
    expect(
      preflight(found!.fix!.apply(setReading(keyed, page, true), code => code)).some(
        finding => finding.rule === 'reading-page',
      ),
    ).toBe(false)
  })
})

describe('a rubric', () => {
  const rubric = v.parse(RubricSchema, {
    name: 'Explains',
    criteria: [{ name: 'Reasons', levels: [{ name: 'None' }, { name: 'Some', means: 'names one' }] }],
  })
  it('has at least two levels of each thing that is looked at', () => {
    expect(rubric.criteria[0]!.levels).toEqual([
      { name: 'None', means: '' },
      { name: 'Some', means: 'names one' },
    ])
    expect(
      v.safeParse(RubricSchema, { name: 'x', criteria: [{ name: 'y', levels: [{ name: 'only' }] }] }).success,
    ).toBe(false)
    expect(v.safeParse(RubricSchema, { name: 'x', criteria: [] }).success).toBe(false)
  })
  it('takes levels that it has, and no others', () => {
    expect([
      levelsFit({}, rubric),
      levelsFit({ 0: 1 }, rubric),
      levelsFit({ 0: 2 }, rubric),
      levelsFit({ 1: 0 }, rubric),
    ]).toEqual([true, true, false, false])
  })
})
