import { describe, expect, it } from 'vitest'
import { makeEdition } from '../../core/board/edition'
import { seeded } from '../../core/layout/random'
import { needsOf, type NeedKind } from '../../core/lesson/needs'
import { emptyTrail, onTrail, type MadeMove } from '../../core/lesson/trail'
import { markSlate } from '../../core/keys/mark'
import { progress } from '../../core/placement/tasks'
import { HOLDER } from '../../core/slate/actor'
import { apply } from '../../core/slate/move'
import { startOf } from '../../core/slate/state'
import { MadeUpStudent, temperamentOf } from '../../demo/madeUpStudent'
import { keyedShore, sortBoard } from '../boards'

const words = [
  'limpet',
  'barnacle',
  'mussel',
  'anemone',
  'crab',
  'whelk',
  'star',
  'urchin',
  'prawn',
  'goby',
  'blenny',
  'ray',
]
function board() {
  const made = sortBoard(['Clings', 'Crawls', 'Swims'], words)
  const [page] = made.pages
  const homes = Object.fromEntries(page!.pieces.map((piece, i) => [piece.id, [page!.places[Math.floor(i / 4)]!.id]]))
  return { ...made, keys: keyedShore().keys.map(key => ({ ...key, homes })) } as typeof made
}
const edition = makeEdition(board())
const MINUTE = 60_000
const NOW = Date.parse('2026-03-16T10:00:00Z')

/** So many minutes of a made-up student's work. */
function lessonOf(index: number, minutes: number) {
  const student = new MadeUpStudent(edition, temperamentOf(index), seeded(100 + index))
  const made: MadeMove[] = []
  let [state, at, hand] = [startOf(edition), NOW - minutes * MINUTE, null as number | null]
  for (;;) {
    const { after, does } = student.next(state)
    at += after * 1000
    if (at > NOW) break
    if (does.kind === 'ask-for-help') hand ??= at
    if (does.kind !== 'move') continue
    const result = apply(state, does.move, { edition, actor: HOLDER })
    if (!result.ok) throw new Error(result.reason.code)
    state = result.value
    made.push({ move: does.move, at: new Date(at).toISOString() })
  }
  const items = markSlate(state, edition).flatMap(mark => mark.items)
  return {
    id: `s${index}`,
    status: 'under-way' as const,
    movedAt: made.length ? Date.parse(made.at(-1)!.at) : null,
    handAt: hand,
    seenAt: null,
    trail: onTrail(emptyTrail, made, edition),
    verdicts: new Map(items.map(item => [item.item, item.verdict])),
    hints: 0,
    ...progress(state, edition),
  }
}

describe('a made-up class', () => {
  it('is the same with the same seed', () => {
    expect(lessonOf(3, 6)).toEqual(lessonOf(3, 6))
    expect(lessonOf(3, 6).trail).not.toEqual(lessonOf(4, 6).trail)
  })

  it('shows who needs the teacher, each for the reason that is theirs, and few of the others', () => {
    const slates = Array.from({ length: 15 }, (_, i) => lessonOf(i, 8))
    const needs = needsOf(slates, NOW)
    const first = (index: number): NeedKind | undefined => needs.get(`s${index}`)?.[0]?.kind
    expect([2, 5, 8, 11].map(first)).toEqual(['circles', 'wrong', 'quiet', 'asks'])
    expect(needs.size).toBeLessThanOrEqual(6)
  })
})
