import { describe, expect, it } from 'vitest'
import { HOLDER } from '../../../core/slate/actor'
import type { Move } from '../../../core/slate/move'
import { startOf } from '../../../core/slate/state'
import { openAs } from '../../../core/slate/status'
import { LiveSession, type ConnectionEvents } from '../../../core/sync/liveSession'
import type { ClientMessage, Envelope, NumberedMove, ServerMessage } from '../../../core/sync/messages'
import type { RefusalCode } from '../../../core/sync/refusals'
import { emptyReplica, receiveWhole } from '../../../core/sync/replica'
import { READ_AFTER_MS, watchSlates, type SeenSlate } from '../../../core/sync/slatesWatch'
import { edition } from '../../anyMove'
import { handClock } from '../../handClock'
import { pieceId } from '../../boards'

const [A, B, C] = ['a', 'b', 'c'].map(letter => `00000000-0000-4000-8000-00000000000${letter}`) as [
  string,
  string,
  string,
]
const HANDOUT = '00000000-0000-4000-8000-0000000000ff'

/** A device with a clock that is turned by hand, and a socket whose other end the test holds. */
function device() {
  const sent: ClientMessage[] = []
  const clock = handClock()
  let [ids, open, closed] = [0, false, false]
  let on!: ConnectionEvents
  const kept = new Map<string, Envelope[]>()
  const live = new LiveSession({
    connect(events) {
      on = events
      return { send: message => open && sent.push(message) > 0, renew: () => {}, close: () => void (closed = true) }
    },
    after: clock.after,
    newId: () => `made-here-${++ids}`,
    learn: async () => {},
    store: {
      keep: async (slate, envelopes) => void kept.set(slate, [...(kept.get(slate) ?? []), ...envelopes]),
      of: async slate => kept.get(slate) ?? [],
      forget: async () => {},
      setAside: async () => {},
    },
  })
  return {
    live,
    kept,
    get closed() {
      return closed
    },
    connect() {
      open = true
      on.opened()
    },
    cut() {
      open = false
      on.lost()
    },
    hear: (message: ServerMessage) => on.message(message),
    tooBig: () => on.tooBig(),
    /** What was said since it was last asked. */
    said: () => sent.splice(0),
    wait: (milliseconds: number) => clock.waitFor(milliseconds, settled),
  }
}
const settled = async () => {
  for (let i = 0; i < 5; i++) await Promise.resolve()
}
const put = (x: number): Move => ({ kind: 'put', piece: pieceId('c0'), x, y: 5 })
const moved = (slate: string, number: number): ServerMessage => ({
  say: 'moves',
  slate,
  moves: [
    {
      id: `move-${number}`,
      number,
      move: put(number),
      by: 'student:1',
      at: '2026-01-05T09:00:00Z',
    } satisfies NumberedMove,
  ],
})
const refused = (code: RefusalCode, of: { slate?: string; handout?: string; id?: string } = {}): ServerMessage => ({
  say: 'refused',
  code,
  detail: '',
  ...of,
})
const whole = (number: number) => receiveWhole({ replica: emptyReplica, number, state: startOf(edition), edition })
const seen = (id: string, number = 0, under = edition): SeenSlate => ({
  id,
  edition: under,
  replica: whole(number),
  status: 'under-way',
  movedAt: null,
})
const xOf = (slate: SeenSlate | undefined) => slate?.replica.shown.pieces[pieceId('c0')]?.x

/** Watches what a list says there is; the list can be changed, held back, or be away. */
function watching(d: ReturnType<typeof device>, handout: string | null, list: SeenSlate[], slates?: SeenSlate[]) {
  const told = {
    reads: 0,
    changes: 0,
    ended: [] as RefusalCode[],
    about: [] as string[],
    list: list as SeenSlate[] | null,
  }
  const watch = watchSlates<SeenSlate>(d.live, {
    handout,
    ...(slates && { slates }),
    async read() {
      told.reads++
      return told.list
    },
    changed: () => void told.changes++,
    ended: code => void told.ended.push(code),
    about: slate => void told.about.push(slate),
  })
  return { told, watch, slate: (id: string) => watch.slates.find(one => one.id === id) }
}
const working = (d: ReturnType<typeof device>, slate: string) =>
  d.live.work(
    {
      slate,
      edition,
      editionHash: 'e',
      actor: HOLDER,
      reader: 'me',
      steps: [],
      openness: openAs('under-way'),
      replica: whole(0),
    },
    { changed: () => {}, outdated: () => {}, about: () => {} },
  )

describe('one connection for several slates', () => {
  it('each opens its own when the connection comes, and hears only what is of its own', async () => {
    const d = device()
    const [a, b] = [working(d, A), working(d, B)]
    d.connect()
    expect(d.said()).toMatchObject([
      { say: 'open', slate: A },
      { say: 'open', slate: B },
    ])
    d.hear({ say: 'status', slate: A, openness: openAs('under-way') })
    a.make(put(1))
    b.make(put(2))
    expect(d.said()).toMatchObject([{ say: 'moves', slate: A, moves: [{ id: 'made-here-1' }] }])
    d.hear({ say: 'status', slate: B, openness: openAs('under-way') })
    expect(d.said()).toMatchObject([{ say: 'moves', slate: B, moves: [{ id: 'made-here-2' }] }])
    d.hear(refused('not-allowed', { slate: A, id: 'made-here-1' }))
    expect([a.refused, a.unsent, b.refused, b.unsent]).toEqual(['not-allowed', 0, null, 1])
    expect([...d.kept.keys()]).toEqual([A, B])
  })

  it('a slate that is no longer theirs, or paused, or too big to send, is no matter of the others', async () => {
    const d = device()
    const [a, b] = [working(d, A), working(d, B)]
    d.connect()
    for (const slate of [A, B]) d.hear({ say: 'status', slate, openness: openAs('under-way') })
    d.said()
    d.hear(refused('not-yours', { slate: A }))
    d.hear(refused('not-yours', { handout: HANDOUT }))
    a.make(put(1))
    b.make(put(2))
    expect(d.said()).toMatchObject([{ say: 'moves', slate: B }])
    d.hear({ say: 'status', slate: A, openness: { ...openAs('under-way'), paused: true } })
    expect(a.make(put(3))).toBe(false)
    expect(b.make(put(3))).toBe(true)
    d.tooBig()
    expect(b.setAside).toBe(1)
    expect(a.setAside).toBe(0)
  })

  it('what joins while the connection is open opens at once; who leaves hears nothing more', () => {
    const d = device()
    d.connect()
    const a = working(d, A)
    expect(d.said()).toMatchObject([{ say: 'open', slate: A }])
    d.live.leave(a)
    d.hear({ say: 'status', slate: A, openness: openAs('handed-in') })
    expect(a.openness.status).toBe('under-way')
    d.live.stop()
    expect(d.closed).toBe(true)
    expect(a.unsent).toBe(0)
  })

  it('says when all is sent, that it is not when the connection goes, and that it is not when nobody answers', async () => {
    const d = device()
    const a = working(d, A)
    await expect(a.allSent()).resolves.toBe(true)
    a.make(put(1))
    await expect(a.allSent()).resolves.toBe(false)
    d.connect()
    d.hear({ say: 'status', slate: A, openness: openAs('under-way') })
    const sent = a.allSent()
    d.hear({ say: 'moves', slate: A, moves: [{ id: 'made-here-1', number: 1, move: put(1), by: 'student:1', at: '' }] })
    await expect(sent).resolves.toBe(true)
    a.make(put(2))
    const cut = a.allSent()
    d.cut()
    await expect(cut).resolves.toBe(false)
    d.connect()
    const unheard = a.allSent()
    await d.wait(60_000)
    await expect(unheard).resolves.toBe(false)
  })
})

describe('the slates of a handout', () => {
  it('are followed first and read then, and move as they are moved', async () => {
    const d = device()
    const { told, slate } = watching(d, HANDOUT, [seen(A), seen(B)])
    d.connect()
    expect(d.said()).toEqual([{ say: 'walk', handout: HANDOUT }])
    expect(told.reads).toBe(0)
    d.hear({ say: 'walking', handout: HANDOUT })
    await settled()
    d.hear(moved(A, 1))
    expect([xOf(slate(A)), slate(A)?.movedAt]).toEqual([1, Date.parse('2026-01-05T09:00:00Z')])
    expect(xOf(slate(B))).not.toBe(1)
    d.hear({ say: 'status', slate: B, openness: openAs('handed-in') })
    expect(slate(B)?.status).toBe('handed-in')
    d.hear({ say: 'margin', slate: B })
    expect(told.about).toEqual([B])
    expect(d.said()).toEqual([])
  })

  it('after a gap the whole slate is asked for, once', async () => {
    const d = device()
    const { slate } = watching(d, HANDOUT, [seen(A)])
    d.connect()
    d.hear({ say: 'walking', handout: HANDOUT })
    await settled()
    d.said()
    d.hear(moved(A, 3))
    d.hear(moved(A, 4))
    expect(d.said()).toEqual([{ say: 'open', slate: A, since: 0 }])
    d.hear({ say: 'slate', slate: A, number: 4, state: startOf(edition), edition: 'e', openness: openAs('under-way') })
    d.hear(moved(A, 5))
    expect(xOf(slate(A))).toBe(5)
    d.hear(moved(A, 9))
    expect(d.said()).toEqual([{ say: 'open', slate: A, since: 0 }])
  })

  it('news of many slates make one reading, in which nothing that was heard is lost', async () => {
    const d = device()
    const { told, slate } = watching(d, HANDOUT, [seen(A)])
    d.connect()
    d.hear({ say: 'walking', handout: HANDOUT })
    await settled()
    d.hear(moved(A, 1))
    told.list = [seen(A), seen(B), seen(C)]
    for (const slate of [A, B, C]) d.hear({ say: 'members', slate })
    await d.wait(READ_AFTER_MS)
    expect(told.reads).toBe(2)
    expect([slate(B)?.id, slate(C)?.id, xOf(slate(A))]).toEqual([B, C, 1])
    // Over another edition what was known says nothing.
    told.list = [seen(A, 0, { ...edition })]
    d.hear({ say: 'edition', slate: A, edition: 'f' })
    await d.wait(READ_AFTER_MS)
    expect(slate(A)?.replica.number).toBe(0)
  })

  it('of two readings under way the later one counts', async () => {
    const d = device()
    const answers: ((slates: SeenSlate[]) => void)[] = []
    const watch = watchSlates<SeenSlate>(d.live, {
      handout: HANDOUT,
      read: () => new Promise(done => answers.push(done)),
      changed: () => {},
      ended: () => {},
    })
    d.connect()
    void watch.readNow()
    void watch.readNow()
    answers[1]!([seen(B)])
    await settled()
    answers[0]!([seen(A)])
    await settled()
    expect(watch.slates.map(s => s.id)).toEqual([B])
  })

  it('a role that ends is told; trouble is tried again, ever more seldom', async () => {
    const d = device()
    const { told } = watching(d, HANDOUT, [seen(A)])
    d.connect()
    d.said()
    for (let i = 0; i < 3; i++) {
      d.hear(refused('trouble', { handout: HANDOUT }))
      d.hear(refused('trouble', { handout: HANDOUT }))
      await d.wait(READ_AFTER_MS * 2 ** i - 1)
      expect(d.said()).toEqual([])
      await d.wait(1)
      expect(d.said()).toEqual([{ say: 'walk', handout: HANDOUT }])
    }
    d.hear(refused('not-yours', { handout: '00000000-0000-4000-8000-0000000000fe' }))
    expect(told.ended).toEqual([])
    d.hear(refused('not-yours', { handout: HANDOUT }))
    d.hear(refused('signed-out'))
    expect(told.ended).toEqual(['not-yours', 'signed-out'])
  })

  it("while they can't be read what is shown stays, and it is tried again", async () => {
    const d = device()
    const { told, slate } = watching(d, HANDOUT, [seen(A)])
    d.connect()
    d.hear({ say: 'walking', handout: HANDOUT })
    await settled()
    told.list = null
    d.hear({ say: 'members', slate: A })
    await d.wait(READ_AFTER_MS)
    expect([told.reads, slate(A)?.id]).toEqual([2, A])
    told.list = [seen(B)]
    await d.wait(READ_AFTER_MS)
    expect([told.reads, slate(A), slate(B)?.id]).toEqual([3, undefined, B])
  })
})

describe('slates that are looked at each by itself', () => {
  it('are opened from where they are known, and read anew after a time without a connection', async () => {
    const d = device()
    const { told } = watching(d, null, [seen(A, 2)], [seen(A, 2)])
    d.connect()
    expect(d.said()).toEqual([{ say: 'open', slate: A, since: 2 }])
    expect(told.reads).toBe(0)
    d.hear(refused('unreadable', { slate: A }))
    d.cut()
    told.list = [seen(A, 7), seen(B, 1)]
    d.connect()
    await settled()
    expect(told.reads).toBe(1)
    expect(d.said()).toEqual([
      { say: 'open', slate: A, since: 7 },
      { say: 'open', slate: B, since: 1 },
    ])
  })

  it('one that may no longer be looked at makes all be read anew; of others nothing is heard', async () => {
    const d = device()
    const { told, slate } = watching(d, null, [seen(A), seen(B)])
    d.connect()
    await settled()
    d.said()
    told.list = [seen(B)]
    d.hear(refused('not-yours', { slate: C }))
    d.hear({ say: 'members', slate: C })
    await d.wait(1000)
    expect(told.reads).toBe(1)
    d.hear(refused('not-yours', { slate: A }))
    await d.wait(1000)
    expect([told.reads, slate(A), slate(B)?.id]).toEqual([2, undefined, B])
  })

  it('are let go when it is stopped, and nothing is said or read after', async () => {
    const d = device()
    const { told, watch } = watching(d, null, [seen(A)], [seen(A)])
    d.connect()
    d.hear({ say: 'members', slate: A })
    d.said()
    d.live.leave(watch)
    expect(d.said()).toEqual([{ say: 'close', slate: A }])
    d.hear(moved(A, 1))
    await d.wait(1000)
    expect([told.reads, told.changes]).toEqual([0, 0])
  })

  it('of which some are looked at no more are followed no more', async () => {
    const d = device()
    const { told, watch } = watching(d, null, [seen(A), seen(B)], [seen(A), seen(B)])
    d.connect()
    d.said()
    told.list = [seen(B)]
    await watch.readNow()
    expect(d.said().filter(message => message.say === 'close')).toEqual([{ say: 'close', slate: A }])
  })
})
