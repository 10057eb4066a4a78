import { editMove } from '../../../core/slate/texts'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { HOLDER } from '../../../core/slate/actor'
import { apply, type Move } from '../../../core/slate/move'
import { startOf, type SlateState } from '../../../core/slate/state'
import { openAs, type Openness } from '../../../core/slate/status'
import { LARGEST_MESSAGE, type Envelope, type NumberedMove } from '../../../core/sync/messages'
import { FATES, fateOf, REFUSAL_CODES, REFUSALS } from '../../../core/sync/refusals'
import { UNHEARD_MS } from '../../../core/sync/slateSession'
import { utf8Length } from '../../../core/text/stored'
import en from '../../../app/locales/en'
import { pieceId, placeId } from '../../boards'
import { edition } from '../../anyMove'
import { device, numbered, put, refused, SLATE } from '../../slateDevice'

/** The largest stroke that can be drawn. */
const fullStroke = (n: number): Envelope => ({
  id: `stroke-of-ink-${n}`,
  move: {
    kind: 'draw',
    stroke: `stroke-${1000 + n}`,
    place: placeId('d'),
    points: Array.from({ length: 400 }, (_, i): [number, number] => [100 + i / 7, 100 + i / 9]),
  },
})

describe('every refusal', () => {
  it.each(REFUSAL_CODES)('%s has a fate, and words on both sides', code => {
    expect(FATES).toContain(fateOf(code))
    expect(REFUSALS[code].detail.length).toBeGreaterThan(10)
    expect(en.moveRefused[code].length).toBeGreaterThan(10)
  })
})

describe('what is sent', () => {
  it('is cut by bytes: ink made offline arrives, however much it is', async () => {
    const d = device(Array.from({ length: 120 }, (_, n) => fullStroke(n)))
    await d.session.takeUp()
    d.connect()
    const arrived: string[] = []
    for (let number = 0; ;) {
      const message = d.sent.find(m => m.say === 'moves')
      if (!message) break
      expect(utf8Length(JSON.stringify(message))).toBeLessThanOrEqual(LARGEST_MESSAGE)
      d.sent.length = 0
      const moves = (message.moves as Envelope[]).map((m): NumberedMove => ({
        ...m,
        number: ++number,
        by: 'student:1',
        at: '',
      }))
      arrived.push(...moves.map(m => m.id))
      d.session.hear({ say: 'moves', slate: SLATE, moves })
    }
    expect(arrived).toEqual(Array.from({ length: 120 }, (_, n) => `stroke-of-ink-${n}`))
    expect([d.session.unsent, d.store.length]).toEqual([0, 0])
  })

  it('waits until the slate is known to be ours, and is one message at a time', () => {
    const d = device()
    d.session.make(put(1))
    d.connect(null)
    expect(d.sent.map(m => m.say)).toEqual(['open'])
    d.session.hear({ say: 'status', slate: SLATE, openness: openAs('under-way') })
    expect(d.parcel()).toEqual(['made-here-1'])
    d.session.make(put(2))
    d.session.make(put(3))
    expect(d.parcel()).toBeNull()
    d.session.hear(numbered('made-here-1', 1))
    expect(d.parcel()).toEqual(['made-here-2', 'made-here-3'])
  })

  it('is sent again after trouble, from the oldest on, ever more seldom', () => {
    const d = device()
    d.connect()
    d.session.make(put(1))
    d.session.make(put(2))
    expect(d.parcel()).toEqual(['made-here-1'])
    d.session.hear(refused('trouble', 'made-here-1'))
    expect(d.parcel()).toBeNull()
    d.wait(1500)
    expect(d.parcel()).toEqual(['made-here-1', 'made-here-2'])
    d.session.hear(refused('trouble'))
    d.wait(1500)
    expect(d.parcel()).toBeNull()
    d.wait(1500)
    expect(d.parcel()).toEqual(['made-here-1', 'made-here-2'])
    // Trouble passes by itself; nothing is said of it.
    expect(d.session.refused).toBeNull()
  })

  it('counts refusals: the same one a second time is news to whoever has put the first away', () => {
    const d = device()
    d.connect()
    const off: Move = { kind: 'put', piece: pieceId('c0'), x: -50, y: 5 }
    for (const times of [1, 2]) {
      expect(d.session.make(off)).toBe(false)
      expect([d.session.refused, d.session.refusals]).toEqual(['off-page', times])
    }
  })

  it('goes over another connection when nobody answers', () => {
    const d = device()
    d.connect()
    d.session.make(put(1))
    d.wait(UNHEARD_MS)
    expect(d.renewed).toBe(1)
  })

  it('goes over another connection when the one that has come about carries nothing', () => {
    const d = device()
    d.connect(null)
    d.wait(UNHEARD_MS)
    expect(d.renewed).toBe(1)
    d.connect()
    d.wait(UNHEARD_MS)
    expect(d.renewed).toBe(1)
  })

  it('waits for pencils up, and what was made before they went down is kept', () => {
    const d = device()
    d.connect()
    d.session.make(put(1))
    d.session.hear(refused('paused', 'made-here-1'))
    expect(d.session.make(put(2))).toBe(false)
    d.wait(60_000)
    d.parcel()
    expect(d.session.unsent).toBe(1)
    d.session.hear({ say: 'status', slate: SLATE, openness: openAs('under-way') })
    expect(d.parcel()).toEqual(['made-here-1'])
  })

  it('waits while the teacher has handed it in for all, and comes when they go on', () => {
    const d = device()
    d.connect()
    d.session.make(put(1))
    d.session.hear(refused('collected', 'made-here-1'))
    expect(d.session.make(put(2))).toBe(false)
    d.wait(60_000)
    expect([d.session.unsent, d.session.refused]).toEqual([1, 'collected'])
    d.session.hear({ say: 'status', slate: SLATE, openness: { ...openAs('handed-in'), collected: true } })
    expect([d.session.unsent, d.session.refused]).toEqual([1, 'collected'])
    d.session.hear({ say: 'status', slate: SLATE, openness: openAs('under-way') })
    expect([d.parcel(), d.session.refused]).toEqual([['made-here-1'], null])
  })

  it("says why a move can't be made, before the server is asked, until another can", () => {
    const d = device()
    expect(d.session.make({ kind: 'put', piece: pieceId('nobody'), x: 10, y: 10 })).toBe(false)
    expect(d.session.refused).toBe('unknown-piece')
    expect(d.session.make({ ...put(1), x: -50 } as Move)).toBe(false)
    expect(d.session.refused).toBe('off-page')
    expect(d.session.unsent).toBe(0)
    expect(d.session.make(put(1))).toBe(true)
    expect(d.session.refused).toBeNull()
  })
})

describe('a refusal', () => {
  it('that is final is told, and that move alone is dropped', () => {
    const d = device()
    d.connect()
    d.session.make(put(1))
    d.session.hear(numbered('made-here-1', 1))
    d.session.make(put(2))
    d.session.hear(refused('not-your-part', 'made-here-2'))
    expect([d.session.refused, d.session.unsent, d.store.length, d.session.setAside]).toEqual([
      'not-your-part',
      0,
      0,
      0,
    ])
    expect(d.session.replica.shown.pieces[pieceId('c0')]!.x).toBe(1)
    expect(d.session.undoable?.id).toBe('made-here-1')
  })

  it('as damaged sets that move aside on the device, tells, and never blocks what stands behind it', () => {
    const d = device()
    d.connect()
    d.session.make(put(1))
    d.session.make(put(2))
    d.session.hear(refused('malformed', 'made-here-1'))
    expect(d.aside.map(a => [a.envelope.id, a.code])).toEqual([['made-here-1', 'malformed']])
    expect([d.session.refused, d.session.setAside, d.store.map(e => e.id)]).toEqual(['malformed', 1, ['made-here-2']])
    expect(d.parcel()).toEqual(['made-here-2'])
  })

  it('of a whole message as damaged finds the bad move by sending one at a time', async () => {
    const d = device(Array.from({ length: 5 }, (_, i) => ({ id: `kept-move-${i}`, move: put(i) })))
    await d.session.takeUp()
    d.connect()
    expect(d.parcel()).toHaveLength(5)
    d.session.hear(refused('malformed'))
    let number = 0
    for (let ids = d.parcel(); ids; ids = d.parcel()) {
      expect(ids).toHaveLength(1)
      if (ids[0] === 'kept-move-2') d.session.tooBig()
      else d.session.hear(numbered(ids[0]!, ++number))
    }
    expect(d.aside.map(a => [a.envelope.id, a.code])).toEqual([['kept-move-2', 'too-big']])
    expect([number, d.session.unsent]).toEqual([4, 0])
  })

  it('because somebody else is signed in keeps everything here', () => {
    const d = device()
    d.session.make(put(1))
    d.connect(refused('signed-out'))
    expect([d.parcel(), d.session.refused, d.store.length]).toEqual([null, 'signed-out', 1])
  })

  it('of the slate itself sends nothing more, and keeps what is there', () => {
    const d = device()
    d.session.make(put(1))
    d.connect(refused('not-yours'))
    d.wait(60_000)
    expect([d.parcel(), d.session.refused, d.store.length]).toEqual([null, 'not-yours', 1])
  })
})

describe('a session', () => {
  it('asks for everything anew when another edition lies under the slate', () => {
    const d = device()
    d.connect({
      say: 'slate',
      slate: SLATE,
      number: 3,
      state: startOf(edition),
      edition: 'another',
      openness: openAs('under-way'),
    })
    d.session.hear({ say: 'edition', slate: SLATE, edition: 'another' })
    d.session.hear({ say: 'edition', slate: SLATE, edition: 'e' })
    expect(d.outdated).toBe(2)
  })

  it('says that the device is full, and sends what is made all the same', async () => {
    const d = device()
    d.connect()
    d.parcel()
    expect(d.session.deviceFull).toBe(false)
    d.fills()
    d.session.make(put(1))
    await Promise.resolve()
    await Promise.resolve()
    expect([d.session.deviceFull, d.parcel()]).toEqual([true, ['made-here-1']])
  })

  it('keeps letters that were typed a moment before pencils went down, and sends them when they are up', () => {
    const d = device()
    d.connect()
    const status = (paused: boolean) =>
      d.session.hear({ say: 'status', slate: SLATE, openness: { status: 'under-way', paused, closed: false } })
    status(true)
    const edit = editMove({ of: 'text', name: 'w' }, { put: { run: 'run-1', from: 0, after: null, text: 'late' } })
    expect(d.session.make(put(1))).toBe(false)
    expect(d.session.make(edit)).toBe(true)
    expect([d.parcel(), d.session.unsent]).toEqual([null, 1])
    status(false)
    expect(d.parcel()).toEqual(['made-here-1'])
  })

  it("leaves out of words what can't be kept", () => {
    const d = device()
    d.session.make({ kind: 'write', in: 'w', text: 'a\u0000b\uD800c\u{1F41A}' })
    expect(d.session.replica.shown.texts.w).toBe('abc\u{1F41A}')
  })

  it('whatever the network and the server do, everything arrives once and in the order in which it was made', async () => {
    await fc.assert(
      fc.asyncProperty(fc.integer(), async seed => {
        const random = seeded(seed)
        const d = device()
        const log: NumberedMove[] = []
        let state: SlateState = startOf(edition)
        let openness: Openness = openAs('under-way')
        const serve = () => {
          const messages = d.sent.splice(0)
          for (const message of messages) {
            const chance = random()
            if (message.say === 'open')
              d.session.hear(message.as === 'me' ? { say: 'status', slate: SLATE, openness } : refused('signed-out'))
            if (message.say !== 'moves' || chance < 0.15) continue
            if (chance < 0.4) {
              // In trouble from some move on: none from there on is stored.
              const from = Math.floor(random() * message.moves.length)
              take(message.moves.slice(0, from) as Envelope[])
              for (const { id } of message.moves.slice(from) as Envelope[]) d.session.hear(refused('trouble', id))
            } else take(message.moves as Envelope[], chance < 0.5)
          }
        }
        const take = (envelopes: readonly Envelope[], unheard = false) => {
          for (const envelope of envelopes) {
            const known = log.find(m => m.id === envelope.id)
            if (!known && openness.paused) {
              d.session.hear(refused('paused', envelope.id))
              continue
            }
            const number = known?.number ?? log.length + 1
            const result = apply(state, envelope.move, { edition, actor: HOLDER, number })
            if (!known && result.ok) {
              state = result.value
              log.push({ ...envelope, number, by: 'student:1', at: '' })
            }
            if (!unheard) d.session.hear({ say: 'moves', slate: SLATE, moves: [log.find(m => m.id === envelope.id)!] })
          }
        }
        const pencils = (paused: boolean) => {
          openness = { ...openness, paused }
          d.session.hear({ say: 'status', slate: SLATE, openness })
        }
        let made = 0
        for (let i = 0; i < 60; i++) {
          const chance = random()
          if (chance < 0.5) made += Number(d.session.make(put(1 + made)))
          else if (chance < 0.6) d.cut()
          else if (chance < 0.75) d.connect(null)
          else if (chance < 0.8) pencils(!openness.paused)
          else d.wait(random() * 9000)
          serve()
        }
        pencils(false)
        for (let i = 0; i < 300 && d.session.unsent; i++) {
          if (i % 20 === 0) d.connect(null)
          d.wait(20_000)
          serve()
        }
        expect(log.map(m => m.id)).toEqual(Array.from({ length: made }, (_, i) => `made-here-${i + 1}`))
        expect([d.session.unsent, d.store.length]).toEqual([0, 0])
        expect(d.session.replica.shown).toEqual(state)
      }),
      { numRuns: 200 },
    )
  })
})
