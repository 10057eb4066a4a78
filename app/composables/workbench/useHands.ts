import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { Page } from '~~/core/board/board'
import { FigureIdSchema, PlaceIdSchema, type PlaceId } from '~~/core/board/ids'
import type { Sheet } from '~~/core/board/rename'
import { addChoice } from '~~/core/design/choices'
import { activityOf, clipOf, cutItems, pasteClip, repeatItems } from '~~/core/design/clip'
import {
  bringTo,
  group,
  grouped,
  itemsOf,
  moveItems,
  movingWith,
  removeItems,
  setBoxes,
  ungroup,
  type Item,
  type Layer,
} from '~~/core/design/items'
import { turnItems } from '~~/core/design/turning'
import type { Box } from '~~/core/geometry/shape'
import {
  align,
  around,
  sameSize,
  spaceEvenly,
  tidy,
  type Alignment,
  type Axis,
  type Boxes,
} from '~~/core/layout/arrange'
import type { Workbench } from '~/composables/workbench/useWorkbench'

/** Points between things that are tidied into rows. */
const TIDY_GAP = 16
const PASTE_SHIFT = 16

/** What is selected on the open layer of a page, and what can be done to it. Every act is one step of undo. */
export function useHands(bench: Workbench, page: () => Page, layer: () => Layer | null) {
  const selected = shallowRef<ReadonlySet<string>>(new Set())
  const items = computed(() => {
    const open = layer()
    return open ? itemsOf(bench.board.value, page().id, open) : []
  })
  const chosen = computed(() => items.value.filter(item => selected.value.has(item.id)))
  const boxes = computed(() => new Map(chosen.value.map(item => [item.id, item.box])))
  const only = computed(() => (chosen.value.length === 1 ? chosen.value[0]! : null))
  /** What is selected is one group, and nothing beside it. */
  const isGroup = computed(() =>
    (page().groups ?? []).some(
      members => members.length === selected.value.size && members.every(id => selected.value.has(id)),
    ),
  )

  watch([() => page().id, layer], () => (selected.value = new Set()))

  /** With `more` the thing joins what is selected, or leaves it. */
  function select(ids: Iterable<string>, more = false) {
    const whole = grouped(page(), ids)
    if (!more) return (selected.value = whole)
    const leaves = [...whole].every(id => selected.value.has(id))
    return (selected.value = new Set(
      leaves ? [...selected.value].filter(id => !whole.has(id)) : [...selected.value, ...whole],
    ))
  }

  const put = (next: Boxes, what = '') => bench.change(setBoxes(bench.board.value, page().id, next), what)

  const whole = () => activityOf(bench.board.value, page().id, selected.value)
  function laid({ board, ids }: { board: typeof bench.board.value; ids: string[] }) {
    bench.change(board)
    selected.value = new Set(ids)
  }
  function paste(clip: Sheet) {
    laid(
      pasteClip({
        board: bench.board.value,
        pageId: page().id,
        clip,
        by: { dx: PASTE_SHIFT, dy: PASTE_SHIFT },
        fresh: nanoid,
      }),
    )
  }

  /** The drawing space of the question whose choices are being outlined; null while none are. */
  const outlining = shallowRef<PlaceId | null>(null)
  watch([() => page().id, layer], () => (outlining.value = null))
  function outline(box: Box) {
    if (!outlining.value) return
    const figure = v.parse(FigureIdSchema, nanoid())
    bench.change(addChoice({ board: bench.board.value, pageId: page().id, place: outlining.value, figure, box }))
  }

  return {
    items,
    outlining: shallowReadonly(outlining),
    outline,
    /**
     * Choices that are printed are shown where they are, one after the other, until the teacher is done: those of a
     * drawing space that there is, or of a new one.
     */
    beginOutlines: (place?: PlaceId) => (outlining.value = place ?? v.parse(PlaceIdSchema, nanoid())),
    endOutlines: () => (outlining.value = null),
    selected: shallowReadonly(selected),
    chosen,
    only,
    isGroup,
    select,
    paste,
    clear: () => (selected.value = new Set<string>()),
    all: () => (selected.value = new Set(items.value.map(item => item.id))),
    moving: () => movingWith(bench.board.value, page().id, selected.value),
    move: (dx: number, dy: number) =>
      bench.change(moveItems({ board: bench.board.value, pageId: page().id, ids: selected.value, dx, dy })),
    nudge: (dx: number, dy: number) =>
      bench.change(
        moveItems({ board: bench.board.value, pageId: page().id, ids: selected.value, dx, dy }),
        `nudge ${[...selected.value].join()}`,
      ),
    resize: (item: Item, box: Box) => put(new Map([[item.id, box]]), `box ${item.id}`),
    align: (to: Alignment) => put(align(boxes.value, to)),
    space: (axis: Axis) => put(spaceEvenly(boxes.value, axis)),
    tidy: () => put(tidy(boxes.value, page(), TIDY_GAP)),
    sameSize: () => chosen.value[0] && put(sameSize(boxes.value, chosen.value[0].box, page())),
    remove() {
      bench.change(removeItems(bench.board.value, page().id, selected.value))
      selected.value = new Set()
    },
    group: () => bench.change(group(bench.board.value, page().id, [...selected.value])),
    ungroup: () => bench.change(ungroup(bench.board.value, page().id, [...selected.value])),
    bring: (end: 'front' | 'back') => bench.change(bringTo(bench.board.value, page().id, selected.value, end)),
    clip: () => clipOf(bench.board.value, page().id, whole()),
    cut() {
      bench.change(cutItems(bench.board.value, page().id, whole()))
      selected.value = new Set()
    },
    turn: (degrees: number) => bench.change(turnItems(bench.board.value, page().id, selected.value, degrees)),
    /** So many more, each beside or below the last with a gap between them. */
    repeat(axis: Axis, times: number) {
      const { width, height } = around(boxes.value.values())
      const by = axis === 'across' ? { dx: width + TIDY_GAP, dy: 0 } : { dx: 0, dy: height + TIDY_GAP }
      laid(repeatItems({ board: bench.board.value, pageId: page().id, ids: whole(), by, times, fresh: nanoid }))
    },
  }
}
export type Hands = ReturnType<typeof useHands>
