import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Envelope } from '~~/core/sync/messages'

interface Schema extends DBSchema {
  outbox: { key: number, value: { slate: string, envelope: Envelope }, indexes: { slate: string } }
}

let opened: Promise<IDBPDatabase<Schema>> | undefined

const database = () => opened ??= openDB<Schema>('dappled-slate', 1, {
  upgrade(db) {
    db.createObjectStore('outbox', { autoIncrement: true }).createIndex('slate', 'slate')
  },
})

/**
 * Moves that the server hasn't acknowledged, kept on this device through a reload or a dead battery.
 * They are kept by slate, so those of one student never mix with another's on a shared tablet.
 */
export const outbox = {
  async keep(slate: string, envelope: Envelope): Promise<void> {
    await (await database()).add('outbox', { slate, envelope })
  },
  /** In the order in which they were made. */
  async of(slate: string): Promise<Envelope[]> {
    return (await (await database()).getAllFromIndex('outbox', 'slate', slate)).map(entry => entry.envelope)
  },
  async forget(slate: string, ids: ReadonlySet<string>): Promise<void> {
    const store = (await database()).transaction('outbox', 'readwrite').store
    for (let cursor = await store.index('slate').openCursor(slate); cursor; cursor = await cursor.continue()) {
      if (ids.has(cursor.value.envelope.id)) await cursor.delete()
    }
  },
}
