import { mayChangeOwn } from '~~/core/slate/ownership'
import type { Point } from '~~/core/geometry/shape'
import type { Author } from '~~/core/slate/actor'
import type { Move } from '~~/core/slate/move'
import { changeMove, takeAwayMove } from '~~/core/tools/making'
import { bare } from '~~/core/slate/moves/own'
import { ownMoved, type OwnOnSlate } from '~~/core/slate/own'
import type { SlateState } from '~~/core/slate/state'
import type { Table } from '~~/core/placement/table'
import type { Taker } from '~/composables/board/useGestures'
import { ARROW_KEYS } from '~/composables/board/arrowKeys'

/** How things that somebody made stand on a page on which they can be touched. */
export interface OwnView {
  readonly picked: string | null
  readonly shown: (thing: string, own: OwnOnSlate) => OwnOnSlate
  readonly attrs: (thing: string, own: OwnOnSlate, label: string) => object
}

const NUDGE = 8

/** Moving, picking and taking away what one has made: with a pointer, and with keys. What others made isn't touched. */
export function useOwnHands(view: {
  table: () => Table
  state: () => SlateState
  by: () => Author
  editable: () => boolean
  toPage: (client: Point) => Point | null
  make: (move: Move) => void
  /** Words are to be written on it, and what was typed already. */
  write: (thing: string, starts?: string) => void
}) {
  const picked = ref<string | null>(null)
  const dragged = shallowRef<{ thing: string; from: Point; by: Point } | null>(null)
  const ownOf = (thing: string): OwnOnSlate | undefined => {
    const own = view.table().state.own[thing]
    return own && !own.gone ? own : undefined
  }
  const mine = (own: OwnOnSlate) => view.editable() && mayChangeOwn(own, view.by())

  const thingOf = (element: Element) => (element as HTMLElement).dataset['own']!
  function follow(client: Point): Point | null {
    const now = dragged.value
    const at = now && view.toPage(client)
    if (!now || !at) return null
    const by = { x: at.x - now.from.x, y: at.y - now.from.y }
    dragged.value = { ...now, by }
    return by
  }
  /** One tap on words writes on them; anything else is picked, or let be. */
  function choose(thing: string, writes: boolean) {
    picked.value = picked.value === thing && !isWords(thing) ? null : thing
    if (writes && isWords(thing)) view.write(thing)
  }
  const isWords = (thing: string) => {
    const kind = ownOf(thing)?.kind
    return kind === 'text' || kind === 'note'
  }
  const taker: Taker = {
    as: 'thing',
    tap: ({ element, by }) => choose(thingOf(element), by !== 'click'),
    longPress: ({ element }) => (picked.value = thingOf(element)),
    begin({ element, from }) {
      const thing = thingOf(element)
      const at = view.toPage(from)
      const own = ownOf(thing)
      if (own && at && mine(own)) dragged.value = { thing, from: at, by: { x: 0, y: 0 } }
    },
    go: ({ at }) => void follow(at),
    end({ at }) {
      const by = follow(at)
      const now = dragged.value
      dragged.value = null
      if (!now || !by) return
      picked.value = now.thing
      move(now.thing, by)
    },
    letBe: () => (dragged.value = null),
  }

  function move(thing: string, { x, y }: Point) {
    const own = ownOf(thing)
    if (own) view.make(changeMove(thing, own, ownMoved(bare(own), x, y, view.table().page)))
  }
  function key(event: KeyboardEvent, thing: string) {
    const own = ownOf(thing)
    if (!own || !mine(own)) return
    const arrow = ARROW_KEYS[event.key]
    if (isWords(thing) && (event.key === 'Enter' || typesLetter(event))) {
      picked.value = thing
      view.write(thing, event.key === 'Enter' ? '' : event.key)
    } else if (arrow)
      move(thing, { x: arrow.x * (event.shiftKey ? 1 : NUDGE), y: arrow.y * (event.shiftKey ? 1 : NUDGE) })
    else if (event.key === 'Enter' || event.key === ' ') picked.value = picked.value === thing ? null : thing
    else if (event.key === 'Delete' || event.key === 'Backspace') view.make(takeAwayMove(thing, own))
    else return
    event.preventDefault()
  }
  /** Where a thing is shown: under the hand while it is dragged. */
  const shown = (thing: string, own: OwnOnSlate): OwnOnSlate => {
    const now = dragged.value
    return now?.thing === thing ? { ...own, ...ownMoved(bare(own), now.by.x, now.by.y, view.table().page) } : own
  }
  /**
   * One's own can be caught and reached by keys; the rest, and ink, which is only rubbed out, lets everything through.
   */
  const attrs = (thing: string, own: OwnOnSlate): object =>
    !mine(own) || own.kind === 'ink' || own.kind === 'colour'
      ? {}
      : {
          role: 'button',
          tabindex: 0,
          class: 'own cursor-grab',
          'data-hand': 'own',
          'data-own': thing,
          'aria-pressed': picked.value === thing,
          onKeydown: (event: KeyboardEvent) => key(event, thing),
        }
  watch(view.state, () => {
    if (picked.value && !ownOf(picked.value)) picked.value = null
  })
  const onPage = computed((): OwnView => ({ picked: picked.value, shown, attrs }))
  return { picked, ownOf, onPage, taker }
}
