import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { Tool } from '~~/core/board/tools'

/** CSS pixels: a row of the bar, and what lies between it and the page. */
const ROW = 44
const GAP = 12
/** CSS pixels: what the buttons at the end of the ledge take of it, on a phone and elsewhere. */
const END = { narrow: 64, wide: 170 }
const NARROW = 640

/**
 * How the page, the bar below it and the ledge share the stage. Room is kept for the bar wherever it may be needed, so
 * that nothing jumps when a piece is picked: a row of it, or what it takes.
 */
export function useStageRoom(stage: {
  readonly room: Ref<HTMLElement | null>
  readonly barElement: Ref<HTMLElement | null>
  readonly page: () => Page
  readonly edition: () => Edition
  readonly editable: () => boolean
  /** The page keeps its size whatever may be done on it now, and is whole at first. */
  readonly steady: () => boolean
  readonly ledge: () => boolean
  readonly works: () => boolean
  readonly mayBeGiven: () => readonly Tool[]
  readonly readable: () => boolean
  /** Whether anything stands at the end of the ledge. */
  readonly ended: () => boolean
}) {
  const { width } = useElementSize(stage.room)
  const { height: barHeight } = useElementSize(stage.barElement)
  const mayBar = computed(() => {
    const page = stage.page()
    return (
      stage.mayBeGiven().length > 0
      || page.pieces.length === 0
      || stage.readable()
      || !!page.arrows
      || page.places.some(p => p.kind === 'drawing')
      || page.pieces.some(p => p.turns || p.kind === 'note' || (p.kind === 'tile' && p.other))
    )
  })
  const barred = computed(() => stage.works() && mayBar.value)
  const bar = computed(() =>
    mayBar.value && (stage.works() || stage.steady()) ? Math.max(ROW, barHeight.value) + GAP : 0,
  )
  const size = useStageSize({
    room: stage.room,
    page: stage.page,
    edition: stage.edition,
    editable: stage.editable,
    steady: stage.steady,
    ledge: stage.ledge,
    endWidth: () => (stage.ended() ? (width.value < NARROW ? END.narrow : END.wide) : 0),
    barHeight: () => bar.value,
  })
  return { barred, bar, size }
}
