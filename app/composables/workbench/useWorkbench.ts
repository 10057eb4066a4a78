import type { Board } from '~~/core/board/board'
import { makeEdition } from '~~/core/board/edition'
import { layLedges } from '~~/core/design/ledge'

export const STATIONS = ['backdrop', 'places', 'pieces', 'answers', 'check'] as const
export type Station = (typeof STATIONS)[number]
export type Keeping = 'kept' | 'keeping' | 'offline' | 'elsewhere' | 'refused' | 'full'

const SAVE_AFTER = 500
const RETRY_AFTER = 3000
/** Changes of the same thing within this time are one step of undo: a word typed, not its letters. */
const SAME_STEP = 900

/** A board while it is designed: every change is a new document, so undo and redo are two piles of them. */
export function useWorkbench(id: string, first: Board, firstVersion: number) {
  const board = shallowRef(first)
  const past = shallowRef<readonly Board[]>([])
  const future = shallowRef<readonly Board[]>([])
  const keeping = ref<Keeping>('kept')
  let version = firstVersion
  let saved = first
  let last = { what: '', at: 0 }
  let saving: Promise<boolean> | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  /**
   * `what` names the thing changed; a run of changes to one thing is undone in one go. Empty: always a step of its own.
   * Ledges that it changed are laid by chance.
   */
  function change(changed: Board, what = '', ledge: 'laid' | 'to-lay' = 'to-lay') {
    if (changed === board.value) return
    const next = ledge === 'laid' ? changed : layLedges(changed, unforeseen, board.value)
    const now = Date.now()
    const same = what !== '' && what === last.what && now - last.at < SAME_STEP
    if (!same) past.value = [...past.value, board.value]
    last = { what, at: now }
    future.value = []
    show(next)
  }

  function show(next: Board) {
    board.value = next
    keepSoon(SAVE_AFTER)
  }

  function undo() {
    const before = past.value.at(-1)
    if (!before) return
    past.value = past.value.slice(0, -1)
    future.value = [board.value, ...future.value]
    last = { what: '', at: 0 }
    show(before)
  }

  function redo() {
    const [after, ...rest] = future.value
    if (!after) return
    future.value = rest
    past.value = [...past.value, board.value]
    last = { what: '', at: 0 }
    show(after)
  }

  function keepSoon(after: number) {
    if (keeping.value === 'elsewhere') return
    keeping.value = 'keeping'
    clearTimeout(timer)
    timer = setTimeout(() => void keep(), after)
  }

  /** Sends the board as it is now; true when the server has it. */
  async function keep(): Promise<boolean> {
    clearTimeout(timer)
    while (saving) await saving
    if (saved === board.value) {
      keeping.value = 'kept'
      return true
    }
    if (!board.value.title.trim()) {
      keeping.value = 'refused'
      return false
    }
    saving = send(board.value)
    const done = await saving
    saving = null
    return done
  }

  async function send(sent: Board): Promise<boolean> {
    try {
      version = (await ask(`/api/boards/${id}`, { method: 'PUT', body: { version, board: sent } })).version
      saved = sent
      if (board.value === sent) keeping.value = 'kept'
      return board.value === sent
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      keeping.value =
        error.code === 'changed-elsewhere'
          ? 'elsewhere'
          : error.code === 'offline' || error.code === 'trouble'
            ? 'offline'
            : error.code === 'bad-board' || error.code === 'too-big'
              ? 'full'
              : 'refused'
      if (keeping.value === 'offline') timer = setTimeout(() => void keep(), RETRY_AFTER)
      return false
    }
  }

  /** What isn't kept is given up. */
  function letGo() {
    clearTimeout(timer)
    saved = board.value
  }
  const unsaved = () => saved !== board.value
  useEventListener(window, 'beforeunload', event => {
    if (unsaved()) event.preventDefault()
  })
  onScopeDispose(() => {
    clearTimeout(timer)
    if (unsaved()) void keep()
  })

  return {
    id,
    board,
    keeping: readonly(keeping),
    edition: computed(() => makeEdition(board.value)),
    /** How many steps can be undone. */
    depth: computed(() => past.value.length),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    change,
    undo,
    redo,
    keep,
    letGo,
  }
}
export type Workbench = ReturnType<typeof useWorkbench>
