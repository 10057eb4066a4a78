import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Move } from '../../../core/slate/move'
import { openAs } from '../../../core/slate/status'
import { startOf } from '../../../core/slate/state'
import type { Envelope, NumberedMove } from '../../../core/sync/messages'
import { pieceId } from '../../boards'

/**
 * A student's device has what merges texts from the first text on. Each of these begins without it: the modules are
 * read anew, so that nothing that another test has learnt is known.
 */
const fresh = async () => {
  vi.resetModules()
  const [slate, sync, anyMove] = await Promise.all([
    import('../../../core/slate/move'),
    import('../../../core/sync/replica'),
    import('../../anyMove'),
  ])
  const { SlateSession, needLearning } = await import('../../../core/sync/slateSession')
  const { knowTexts } = await import('../../../core/slate/withTexts')
  return { ...slate, ...sync, SlateSession, needLearning, knowTexts, edition: anyMove.edition }
}
type Fresh = Awaited<ReturnType<typeof fresh>>

const SLATE = '00000000-0000-4000-8000-00000000000a'
const EDIT: Move = {
  kind: 'edit',
  in: { of: 'text', name: 'w' as never },
  put: { run: 'run1', from: 0, after: null, text: 'Sea' },
}
const OTHER = { kind: 'shelve', piece: pieceId('c1') } as Move
const numbered = (number: number, move: Move): NumberedMove => ({
  id: `m-${number}`,
  number,
  move,
  by: 'teacher' as never,
  at: new Date(0).toISOString(),
})

describe('a device that has no texts yet', () => {
  let one: Fresh
  beforeEach(async () => {
    one = await fresh()
  })

  function session({ kept = [] as Envelope[], steps = [] as never[], fails = 0 } = {}) {
    const sent: unknown[] = []
    const later: (() => void)[] = []
    let [asked, failing] = [0, fails]
    const made = new one.SlateSession(
      {
        slate: SLATE,
        edition: one.edition,
        editionHash: 'e',
        actor: { author: 'teacher' as never, part: 'all' },
        reader: 'me',
        steps,
        openness: openAs('under-way'),
        replica: one.receiveWhole({
          replica: one.emptyReplica,
          number: 0,
          state: startOf(one.edition),
          edition: one.edition,
        }),
      },
      {
        send: message => sent.push(message) > 0,
        renew: () => {},
        after: (_, then) => (later.push(then), () => {}),
        newId: () => `made-here-${sent.length}`,
        learn: async () => {
          asked++
          if (failing-- > 0) throw new Error('no connection')
          one.knowTexts()
        },
        store: { keep: async () => {}, of: async () => kept, forget: async () => {}, setAside: async () => {} },
        changed: () => {},
        about: () => {},
        outdated: () => {},
      },
    )
    made.connected()
    made.hear({ say: 'status', slate: SLATE, openness: openAs('under-way') })
    sent.length = 0
    return { made, sent, later, asked: () => asked }
  }

  it('knows moves of all other kinds, and says of an edit that it comes late', () => {
    expect(one.howKnown(EDIT)).toBe('late')
    expect(one.howKnown(OTHER)).toBe('known')
    expect(one.howKnown({ ...EDIT, version: 99 } as Move)).toBe('of a later application')
    expect(one.needLearning([{ id: 'a', move: OTHER }])).toBe(false)
    expect(one.needLearning([{ id: 'a', move: EDIT }])).toBe(true)
    expect(one.limitedTo(EDIT, () => true)).toBe(EDIT)
    one.knowTexts()
    expect(one.howKnown(EDIT)).toBe('known')
  })

  it('learns when it hears that others write, and asks for what it could not perform', async () => {
    const { made, sent, asked } = session()
    made.hear({ say: 'moves', slate: SLATE, moves: [numbered(1, EDIT)] })
    expect(made.replica.number).toBe(0)
    await vi.waitFor(() => expect(sent).toContainEqual(expect.objectContaining({ say: 'open', since: 0 })))
    made.hear({ say: 'moves', slate: SLATE, moves: [numbered(1, EDIT)] })
    expect(made.replica.confirmed.texts).toEqual({ w: 'Sea' })
    expect(asked()).toBe(1)
  })

  it('asks again where it could not be had', async () => {
    const { made, sent, later, asked } = session({ fails: 1 })
    made.hear({ say: 'moves', slate: SLATE, moves: [numbered(1, EDIT)] })
    await vi.waitFor(() => expect(asked()).toBe(1))
    await vi.waitFor(() => expect(later.length).toBeGreaterThan(1))
    later.at(-1)!()
    expect(sent).toContainEqual(expect.objectContaining({ say: 'open', since: 0 }))
    made.hear({ say: 'moves', slate: SLATE, moves: [numbered(1, EDIT)] })
    await vi.waitFor(() => expect(one.isKnown(EDIT)).toBe(true))
  })

  it('takes up what was written on it before, and sends it', async () => {
    const { made, sent } = session({ kept: [{ id: 'before', move: EDIT }] })
    await made.takeUp()
    expect(made.replica.shown.texts).toEqual({ w: 'Sea' })
    expect(sent).toContainEqual(expect.objectContaining({ say: 'moves' }))
  })

  it('takes it up later where it could not learn, and loses none of it', async () => {
    const { made, later } = session({ kept: [{ id: 'before', move: EDIT }], fails: 1 })
    await made.takeUp()
    expect(made.replica.pending).toEqual([])
    later.at(-1)!()
    await vi.waitFor(() => expect(made.replica.shown.texts).toEqual({ w: 'Sea' }))
  })

  it('takes back words of an earlier visit', async () => {
    const inverse: Move = { kind: 'edit', in: { of: 'text', name: 'w' as never }, cut: [['run1', 0, 3]] }
    const { made, sent } = session({ steps: [{ id: 'm-1', number: 1, inverse, undoes: undefined }] as never[] })
    expect(made.undoable).not.toBeNull()
    expect(made.undo()).toBe(true)
    await vi.waitFor(() => expect(sent).toContainEqual(expect.objectContaining({ say: 'moves' })))
  })
})
