import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import type { SlateState } from '~~/core/slate/state'
import { emptyReplica, receiveWhole } from '~~/core/sync/replica'
import { watchSlates, type SeenSlate } from '~~/core/sync/slatesWatch'

interface OthersView {
  title: string
  own: string | null
  boards: Record<string, Board>
  slates: {
    id: string
    kind: 'frame' | 'page'
    heading: string | null
    mark: string | null
    people: string[]
    mine: boolean
    edition: string
    number: number
    state: SlateState
  }[]
}
export interface OtherSlate extends SeenSlate {
  readonly heading: string | null
  readonly mark: string | null
  readonly people: readonly string[]
  readonly mine: boolean
}

const SHUT = new Set(['not-yours', 'not-yet', 'signed-out'])

/** What others have made, live, for a student who may look and not touch. */
export function useOthers(handout: string) {
  const { attempt, trouble, refusal } = useAsking()
  const view = shallowRef<OthersView>()
  const slates = shallowRef<readonly OtherSlate[]>([])
  const editions = new Map<string, Edition>()

  async function read(): Promise<OtherSlate[] | null> {
    const now = await attempt(() => askFor<OthersView>(`/api/handouts/${handout}/others`))
    // Without a connection what was seen stays; what may no longer be seen goes.
    if (!now) return SHUT.has(refusal.value) ? [] : null
    view.value = now
    return now.slates.map(({ id, heading, mark, people, mine, edition: hash, number, state }) => {
      const edition = editions.get(hash) ?? makeEdition(now.boards[hash]!)
      editions.set(hash, edition)
      return {
        id,
        heading,
        mark,
        people,
        mine,
        edition,
        replica: receiveWhole({ replica: emptyReplica, number, state, edition }),
        status: 'under-way' as const,
        movedAt: null,
      }
    })
  }
  const { live } = useLive()
  const watched = watchSlates<OtherSlate>(live, {
    handout: null,
    read,
    changed: () => (slates.value = watched.slates),
    ended: () => (slates.value = []),
  })
  return { view, slates, trouble, again: () => watched.readNow() }
}
