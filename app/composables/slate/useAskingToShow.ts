import type { Author } from '~~/core/slate/actor'
import type { Here } from '~~/core/sync/presence'

/** Milliseconds for which an asking stands, so that whoever has no connection for a moment hears it too. */
const ASKS_FOR_MS = 8000

/** Asks somebody who is here to show their page. */
export function useAskingToShow(be: (change: { readonly asks: Here['asks'] | undefined }) => void) {
  const askNoMore = useTimeoutFn(() => be({ asks: undefined }), ASKS_FOR_MS, { immediate: false })
  return (who: Author) => {
    be({ asks: who })
    askNoMore.start()
  }
}
