import { describe, expect, it } from 'vitest'
import { startOf } from '../../../core/slate/state'
import type { Envelope } from '../../../core/sync/messages'
import { emptyReplica, receiveWhole } from '../../../core/sync/replica'
import { edition } from '../../anyMove'
import { pieceId } from '../../boards'
import { device, numbered, put } from '../../slateDevice'

describe('what the device has kept', () => {
  const kept = [1, 2].map((x): Envelope => ({ id: `kept-move-${x}`, move: put(x) }))
  const so = ({ session }: ReturnType<typeof device>) => [
    session.replica.pending.map(e => e.id),
    session.steps.map(step => step.id),
    session.replica.shown.pieces[pieceId('c0')]?.x,
  ]

  it('shows from the first moment, and what came into the store since then is taken up behind it, once', async () => {
    const d = device(kept, { kept: kept.slice(0, 1) })
    expect(so(d)).toEqual([['kept-move-1'], ['kept-move-1'], 1])
    await d.session.takeUp()
    await d.session.takeUp()
    expect(so(d)).toEqual([['kept-move-1', 'kept-move-2'], ['kept-move-1', 'kept-move-2'], 2])
    d.connect()
    expect(d.parcel()).toEqual(['kept-move-1', 'kept-move-2'])
  })

  it('and has arrived meanwhile is sent once more, and is one step to be taken back', () => {
    const there = { id: 'kept-move-1', number: 1, inverse: null }
    const d = device(kept.slice(0, 1), {
      kept: kept.slice(0, 1),
      steps: [there],
      replica: receiveWhole({ replica: emptyReplica, number: 1, state: startOf(edition), edition }),
    })
    expect(d.session.steps).toEqual([there])
    d.connect()
    expect(d.parcel()).toEqual(['kept-move-1'])
    d.session.hear(numbered('kept-move-1', 1))
    expect([d.session.unsent, d.store]).toEqual([0, []])
  })
})
