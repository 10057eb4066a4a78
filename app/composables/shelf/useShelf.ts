import type { Board } from '~~/core/board/board'

export interface OnShelf {
  id: string
  title: string
  updatedAt: string
  archived: boolean
  organizer: boolean
  subject: string
  tags: string[]
  pages: number
  pieces: number
  /** Its first page, as it is given out. */
  picture: Board
  handouts: { id: string; className: string; at: string }[]
}

/** A teacher's boards, and what can be done with one from outside the workbench. */
export async function useShelf() {
  const { attempt, trouble } = useAsking()
  const boards = ref(await askFor<OnShelf[]>('/api/boards'))
  const again = async () => {
    const all = await attempt(() => askFor<OnShelf[]>('/api/boards'))
    if (all) boards.value = all
  }
  const set = async (board: OnShelf, part: { archived?: boolean; organizer?: boolean }) => {
    if (await attempt(() => ask(`/api/boards/${board.id}/shelf`, { method: 'PUT', body: part })))
      Object.assign(boards.value.find(b => b.id === board.id) ?? {}, part)
  }
  /** As another board, or as an organizer: the one that it was made from stays as it is. */
  async function copy(board: OnShelf, title: string, organizer = false): Promise<boolean> {
    const done = await attempt(async () => {
      const { board: whole } = await askFor<{ board: Board }>(`/api/boards/${board.id}`)
      const body = { title: [...title].slice(0, 120).join(''), board: whole, organizer }
      await ask('/api/boards', { method: 'POST', body })
      return true
    })
    await again()
    return done === true
  }
  return { boards, trouble, set, copy }
}
