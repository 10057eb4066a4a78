import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Envelope } from '~~/core/sync/messages'
import type { RefusalCode } from '~~/core/sync/refusals'

interface Kept {
  slate: string
  envelope: Envelope
}
/** All that is kept on this device. */
interface Schema extends DBSchema {
  /** Moves that the server hasn't acknowledged. They stay, whoever signs out: only their maker can send them. */
  outbox: { key: number; value: Kept; indexes: { slate: string; id: string } }
  /** What the server couldn't read, with its reason; nothing is ever thrown away. */
  aside: { key: number; value: Kept & { code: RefusalCode }; indexes: { slate: string } }
  /** What a student has seen last, to be seen again without a connection; gone when they sign out. */
  views: { key: string; value: unknown }
  /** Pictures that the server hasn't got yet. They stay with the moves that lay them. */
  pictures: { key: string; value: { slate: string; id: string; bytes: Blob }; indexes: { slate: string } }
}

let opened: Promise<IDBPDatabase<Schema>> | undefined

export const device = () =>
  (opened ??= openDB<Schema>('dappled-slate', 4, {
    upgrade(db, from, _to, transaction) {
      const moves =
        from < 1 ? db.createObjectStore('outbox', { autoIncrement: true }) : transaction.objectStore('outbox')
      if (from < 1) moves.createIndex('slate', 'slate')
      if (from < 2) {
        moves.createIndex('id', 'envelope.id')
        db.createObjectStore('aside', { autoIncrement: true }).createIndex('slate', 'slate')
      }
      if (from < 3) db.createObjectStore('views')
      if (from < 4) db.createObjectStore('pictures').createIndex('slate', 'slate')
    },
    // A newer application in another window needs more room than this one knows: it must not wait until this one is
    // closed.
    blocking(_have, _want, event) {
      ;(event.target as IDBDatabase).close()
      opened = undefined
    },
  }))
