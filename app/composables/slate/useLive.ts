import { nanoid } from 'nanoid'
import { LiveSession } from '~~/core/sync/liveSession'
import { learnTexts } from '~/composables/slate/learnTexts'
import { outbox } from '~/sync/outbox'
import { openSocket, type ConnectionState } from '~/sync/socket'

/** The view's talk with the server, on this device: its connection, its clock, its store. It ends with the view. */
export function useLive() {
  const connection = ref<ConnectionState>('connecting')
  const live = new LiveSession({
    connect: on => openSocket(on, now => (connection.value = now)),
    after(milliseconds, then) {
      const timer = setTimeout(then, milliseconds)
      return () => clearTimeout(timer)
    },
    newId: () => nanoid(),
    store: outbox,
    learn: learnTexts,
  })
  onScopeDispose(() => live.stop())
  return { live, connection: readonly(connection) }
}
