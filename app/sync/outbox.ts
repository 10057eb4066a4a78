import type { Envelope } from '~~/core/sync/messages'
import type { SessionStore } from '~~/core/sync/sessionPorts'
import { device } from '~/sync/device'

/**
 * Moves that the server hasn't acknowledged, kept on this device through a reload or a dead battery.
 * They are kept by slate, so those of one student never mix with another's on a shared tablet.
 */
export const outbox: SessionStore = {
  async keep(slate, envelopes) {
    const transaction = (await device()).transaction('outbox', 'readwrite')
    await Promise.all([...envelopes.map(envelope => transaction.store.add({ slate, envelope })), transaction.done])
  },
  async of(slate) {
    return (await (await device()).getAllFromIndex('outbox', 'slate', slate)).map(entry => entry.envelope)
  },
  async forget(_slate, ids) {
    const transaction = (await device()).transaction('outbox', 'readwrite')
    const index = transaction.store.index('id')
    await Promise.all([
      ...[...ids].map(async id => {
        for (const key of await index.getAllKeys(id)) void transaction.store.delete(key)
      }),
      transaction.done,
    ])
  },
  async setAside(slate, envelope, code) {
    await (await device()).add('aside', { slate, envelope, code })
  },
}

/** A view doesn't wait longer than this for the device's store. */
const SOON_MS = 300

/** What is kept of a slate, before it is shown. Nothing where the store doesn't answer soon: it is taken up later. */
export const keptOf = (slate: string): Promise<Envelope[]> =>
  Promise.race([outbox.of(slate).catch(() => []), new Promise<Envelope[]>(done => setTimeout(() => done([]), SOON_MS))])
