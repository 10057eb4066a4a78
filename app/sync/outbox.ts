import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Envelope } from '~~/core/sync/messages'
import type { RefusalCode } from '~~/core/sync/refusals'
import type { SessionStore } from '~~/core/sync/slateSession'

interface Kept { slate: string, envelope: Envelope }
interface Schema extends DBSchema {
  outbox: { key: number, value: Kept, indexes: { slate: string, id: string } }
  /** What the server couldn't read, with its reason; nothing is ever thrown away. */
  aside: { key: number, value: Kept & { code: RefusalCode }, indexes: { slate: string } }
}

let opened: Promise<IDBPDatabase<Schema>> | undefined

const database = () => opened ??= openDB<Schema>('dappled-slate', 2, {
  upgrade(db, from, _to, transaction) {
    const moves = from < 1 ? db.createObjectStore('outbox', { autoIncrement: true }) : transaction.objectStore('outbox')
    if (from < 1) moves.createIndex('slate', 'slate')
    moves.createIndex('id', 'envelope.id')
    db.createObjectStore('aside', { autoIncrement: true }).createIndex('slate', 'slate')
  },
})

/**
 * Moves that the server hasn't acknowledged, kept on this device through a reload or a dead battery.
 * They are kept by slate, so those of one student never mix with another's on a shared tablet.
 */
export const outbox: SessionStore = {
  async keep(slate, envelopes) {
    const transaction = (await database()).transaction('outbox', 'readwrite')
    await Promise.all([...envelopes.map(envelope => transaction.store.add({ slate, envelope })), transaction.done])
  },
  async of(slate) {
    return (await (await database()).getAllFromIndex('outbox', 'slate', slate)).map(entry => entry.envelope)
  },
  async forget(_slate, ids) {
    const transaction = (await database()).transaction('outbox', 'readwrite')
    const index = transaction.store.index('id')
    await Promise.all([...[...ids].map(async (id) => {
      for (const key of await index.getAllKeys(id)) void transaction.store.delete(key)
    }), transaction.done])
  },
  async setAside(slate, envelope, code) {
    await (await database()).add('aside', { slate, envelope, code })
  },
}
