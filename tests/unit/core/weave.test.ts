import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Author } from '../../../core/slate/actor'
import { undoOf } from '../../../core/slate/history'
import { apply, invert, type Move } from '../../../core/slate/move'
import { LONGEST_TEXT, startOf, type SlateState } from '../../../core/slate/state'
import { editMove, nameOfText, textIn, wordsOf, type TextOf } from '../../../core/slate/texts'
import {
  editBetween,
  letterBefore,
  placeAfter,
  plainWeave,
  spliceBetween,
  weaveOf,
  woven,
  type Weave,
} from '../../../core/slate/weave'
import { edition } from '../../anyMove'

const W = { of: 'text', name: 'w' } as const
const weaveAt = (state: SlateState, of: TextOf) => weaveOf(state.weaves?.[nameOfText(of)], textIn(state, of))
const actorOf = (author: Author) => ({ author, part: 'all' as const })
const make = (state: SlateState, move: Move, author: Author, number: number) => {
  const result = apply(state, move, { edition, actor: actorOf(author), number })
  return result.ok ? result.value : state
}

/** A device on which one person writes: what the server has, and what was typed here on top of it. */
class Writer {
  typed = 0
  pending: Move[] = []
  constructor(
    readonly author: Author,
    readonly run: string,
    public confirmed: SlateState = startOf(edition),
  ) {}
  get shown(): SlateState {
    return this.pending.reduce((state, move) => make(state, move, this.author, Infinity), this.confirmed)
  }
  get text(): string {
    return this.shown.texts['w'] ?? ''
  }
  type(to: string): void {
    const edit = editBetween(weaveAt(this.shown, W), to, this.run, this.typed)
    if (!edit) return
    this.typed += edit.put?.text.length ?? 0
    this.pending.push(editMove(W, edit))
  }
}

/** What each author has typed, every letter another, so that it is seen where each has gone. */
const ALPHABETS = ['abcdefghij', 'ABCDEFGHIJ', '0123456789']
const AUTHORS: Author[] = ['student:1', 'student:2', 'student:3']
const RUNS = ['run-1', 'run-2', 'run-3']
const act = fc.record({
  who: fc.nat({ max: 2 }),
  what: fc.constantFrom('type' as const, 'type' as const, 'delete' as const, 'send' as const, 'hear' as const),
  at: fc.nat({ max: 30 }),
  size: fc.integer({ min: 1, max: 3 }),
})

describe('a text under three hands', () => {
  it('is the same everywhere once all is heard, with every letter that was typed and not deleted just once', () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 80 }), acts => {
        const writers = AUTHORS.map((author, i) => new Writer(author, RUNS[i]!))
        const log: { move: Move; by: Author }[] = []
        const heard = [0, 0, 0]
        const next = [0, 0, 0]
        const typed = new Set<string>()
        const deleted = new Set<string>()
        const send = (who: number) => {
          const move = writers[who]!.pending[0]
          if (!move || log.some(one => one.move === move)) return
          log.push({ move, by: AUTHORS[who]! })
        }
        const hear = (who: number) => {
          const one = log[heard[who]!]
          if (!one) return false
          const writer = writers[who]!
          writer.confirmed = make(writer.confirmed, one.move, one.by, ++heard[who]!)
          // Whatever was dropped on the way and sent again stands in the log once.
          writer.pending = writer.pending.filter(move => move !== one.move)
          return true
        }
        for (const { who, what, at, size } of acts) {
          const writer = writers[who]!
          const text = writer.text
          if (what === 'send') send(who)
          else if (what === 'hear') hear(who)
          else if (what === 'delete') {
            const start = Math.min(at, text.length)
            for (const letter of text.slice(start, start + size)) deleted.add(letter)
            writer.type(text.slice(0, start) + text.slice(start + size))
          } else {
            const letters = ALPHABETS[who]!.slice(next[who]!, next[who]! + size)
            next[who]! += letters.length
            for (const letter of letters) typed.add(letter)
            const spot = Math.min(at, text.length)
            writer.type(text.slice(0, spot) + letters + text.slice(spot))
          }
        }
        for (let round = 0; round < 200 && writers.some(writer => writer.pending.length); round++)
          for (const who of [0, 1, 2]) {
            send(who)
            while (hear(who)) continue
          }
        for (const who of [0, 1, 2]) while (hear(who)) continue
        const texts = writers.map(writer => writer.text)
        expect(new Set(texts).size).toBe(1)
        expect([...texts[0]!].toSorted()).toEqual([...typed].filter(letter => !deleted.has(letter)).toSorted())
        expect(writers.map(writer => writer.confirmed.weaves)).toEqual(Array(3).fill(writers[0]!.confirmed.weaves))
      }),
      { numRuns: 1000 },
    )
  })

  it('keeps both sentences of two who begin at the same time, each in one piece', () => {
    const [a, b] = [new Writer('student:1', 'run-1'), new Writer('student:2', 'run-2')]
    a.type('Market in the morning.')
    a.type('Market in the morning. Boats first.')
    b.type('Children')
    b.type('Children too.')
    const all = [a.pending[0]!, b.pending[0]!, a.pending[1]!, b.pending[1]!]
    const text = all.reduce(
      (state, move, i) => make(state, move, i % 2 ? 'student:2' : 'student:1', i + 1),
      a.confirmed,
    ).texts['w']!
    expect(text).toContain('Market in the morning. Boats first.')
    expect(text).toContain('Children too.')
    expect(text).toHaveLength('Market in the morning. Boats first.Children too.'.length)
  })

  it('takes back what its author wrote and nothing else, whoever has written there since', () => {
    const [a, b] = [new Writer('student:1', 'run-1'), new Writer('student:2', 'run-2')]
    a.type('Crabs walk.')
    const [first] = a.pending
    const inverse = invert(a.confirmed, first!, edition)!
    let state = make(a.confirmed, first!, 'student:1', 1)
    b.confirmed = state
    b.type('Crabs all walk.')
    b.type('Crabs all walk. They do.')
    state = b.pending.reduce((before, move, i) => make(before, move, 'student:2', i + 2), state)
    const undo = undoOf({ id: 'x', inverse, number: 1 }, 'student:1', state)!
    expect(make(state, undo, 'student:1', 4).texts['w']).toBe('all  They do.')
  })

  it('brings back letters that were deleted to where they stood', () => {
    const a = new Writer('student:1', 'run-1')
    a.type('one two three')
    const state = a.shown
    a.type('one three')
    const inverse = invert(state, a.pending[1]!, edition)!
    expect(make(a.shown, inverse, 'student:1', 9).texts['w']).toBe('one two three')
  })

  it('holds no more than it may, and then forgets what was deleted, never what stands there', () => {
    const a = new Writer('student:1', 'run-1')
    for (let i = 0; i < 40; i++) {
      a.type('x'.repeat(LONGEST_TEXT / 4) + i)
      a.confirmed = a.shown
      a.pending = []
      a.type('')
      a.confirmed = a.shown
      a.pending = []
    }
    a.type('still')
    expect(a.text).toBe('still')
    expect(JSON.stringify(a.shown.weaves).length).toBeLessThan(3 * LONGEST_TEXT)
    const full = new Writer('student:1', 'run-1')
    full.type('x'.repeat(LONGEST_TEXT))
    const refused = apply(full.shown, editMove(W, { put: { run: 'other', from: 0, after: null, text: 'y' } }), {
      edition,
      actor: actorOf('student:2'),
    })
    expect(refused).toMatchObject({ reason: { code: 'full' } })
  })

  it('puts last what belongs behind letters that nobody knows any more, and cuts nothing of other words', () => {
    const weave = plainWeave('uvwxyz')
    const old = plainWeave('abcdef')
    const edit = editBetween(old, 'abc!', 'run-1', 0)!
    expect(wordsOf(woven(weave, edit)!)).toBe('uvwxyz!')
  })
})

describe('letters', () => {
  it.each([
    ['👍 yes', '👎 yes', { start: 0, end: 2, text: '👎' }],
    ['👩‍👩‍👧', '👩‍👩‍👦', { start: 0, end: 8, text: '👩‍👩‍👦' }],
    ['e', 'é'.normalize('NFD'), { start: 0, end: 1, text: 'é'.normalize('NFD') }],
    ['سلام', 'سلام عليكم', { start: 4, end: 4, text: ' عليكم' }],
    ['aa', 'aaa', { start: 2, end: 2, text: 'a' }],
    ['', '', { start: 0, end: 0, text: '' }],
  ])('%s to %s: what differs is whole letters', (from, to, splice) => {
    expect(spliceBetween(from, to)).toEqual(splice)
  })

  it('are never parted, wherever two texts begin and cease to be the same: as letter by letter', () => {
    const lettersOf = (text: string) =>
      Array.from(new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(text), ({ segment }) => segment)
    const byLetters = (from: string, to: string) => {
      const [a, b] = [lettersOf(from), lettersOf(to)]
      const most = Math.min(a.length, b.length)
      let before = 0
      while (before < most && a[before] === b[before]) before++
      let behind = 0
      while (behind < most - before && a.at(-1 - behind) === b.at(-1 - behind)) behind++
      const start = a.slice(0, before).join('').length
      return {
        start,
        end: from.length - a.slice(a.length - behind).join('').length,
        text: b.slice(before, b.length - behind).join(''),
      }
    }
    // What letters are put together from: flags, joiners, shades, accents, jamo, halves of pairs, ends of lines.
    const parts = [
      'a',
      'b',
      '🇩',
      '🇪',
      '👩',
      '‍',
      '👧',
      '🏽',
      '́',
      'ก',
      'ำ',
      'ᄀ',
      'ᅡ',
      'ᆨ',
      '\r',
      '\n',
      '\ud83d',
      'क',
      '्',
      'ष',
    ]
    const text = fc.array(fc.constantFrom(...parts), { maxLength: 8 }).map(all => all.join(''))
    fc.assert(
      fc.property(text, text, text, text, (head, one, other, tail) => {
        expect(spliceBetween(head + one + tail, head + other + tail)).toEqual(
          byLetters(head + one + tail, head + other + tail),
        )
      }),
      { numRuns: 3000 },
    )
  })

  it('any text becomes any other by one edit, and the caret keeps its letter', () => {
    const text = fc.string({ unit: 'grapheme', maxLength: 20 })
    fc.assert(
      fc.property(text, text, fc.nat(20), (from, to, at) => {
        const weave: Weave = plainWeave(from)
        const edit = editBetween(weave, to, 'run-1', 0)
        expect(edit ? wordsOf(woven(weave, edit)!) : from).toBe(to)
        const place = Math.min(at, from.length)
        expect(placeAfter(weave, letterBefore(weave, place))).toBe(place)
        expect(weaveOf(weave, 'other')).toEqual(plainWeave('other'))
      }),
    )
  })

  it('of a name that is there already are refused', () => {
    const weave = woven([], { put: { run: 'run-1', from: 0, after: null, text: 'abc' } })!
    expect(woven(weave, { put: { run: 'run-1', from: 2, after: null, text: 'x' } })).toBeNull()
  })
})
