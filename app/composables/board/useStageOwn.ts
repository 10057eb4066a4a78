import { nanoid } from 'nanoid'
import type { Place } from '~~/core/board/place'
import type { Point, Size } from '~~/core/geometry/shape'
import type { Table } from '~~/core/placement/table'
import type { Author } from '~~/core/slate/actor'
import type { Move } from '~~/core/slate/move'
import type { Own } from '~~/core/slate/own'
import { pictureFrom } from '~~/core/tools/making'
import { rubbedAt } from '~~/core/tools/rubbing'
import type { OwnPicture } from '~/composables/board/pictures'

interface Making {
  readonly table: () => Table
  readonly by: () => Author
  readonly works: () => boolean
  readonly drawings: () => readonly Place[]
  /** Things can be caught: no tool and no piece is in hand. */
  readonly free: () => boolean
  readonly putTool: () => void
  readonly toPage: (client: Point) => Point | null
  readonly make: (move: Move) => void
  readonly room: () => HTMLElement | null
}

const MOST_FRAMES = 120

/** What a student makes on the page beside moving pieces: caught, written, laid and rubbed out. */
export function useStageOwn({ table, by, works, drawings, free, putTool, toPage, make, room }: Making) {
  const words = useStageWriting({ table, by, make })
  const own = useOwnHands({
    table,
    state: () => table().state,
    by,
    editable: free,
    toPage,
    make,
    write: (thing, starts) => words.writeOwn(thing, undefined, starts),
  })
  const pickedOwn = computed(() => (works() && own.picked.value ? (own.ownOf(own.picked.value) ?? null) : null))
  const drawn = (thing: string) => room()?.querySelector<SVGElement>(`[data-own="${thing}"]`)
  /**
   * Taken by the rubber already in this gesture, though the page hasn't been drawn anew since: rubbing twice would be a
   * step of undo that does nothing.
   */
  let rubbed = new Set<string>()
  const beginRubbing = () => void (rubbed = new Set())
  const rub = (at: Point) => {
    const { state, page } = table()
    const spaces = drawings().map(place => place.id)
    rubbedAt({ state, page: page.id, spaces, at, by: by(), gone: rubbed }).forEach(make)
  }
  /** The keyboard goes on from what was written. */
  async function doneWriting(key: string) {
    words.leave()
    await nextTick()
    const there = drawn(key) ?? room()?.querySelector<SVGElement>(`[data-frame] [data-piece="${key}"]`)
    if (document.activeElement === document.body) there?.focus({ preventScroll: true })
  }
  /** The middle of what is seen of the page. */
  function inSight(): Point {
    const seen = room()?.querySelector('[data-frame]')?.getBoundingClientRect()
    const middle = seen && toPage({ x: seen.left + seen.width / 2, y: seen.top + seen.height / 2 })
    const { width, height } = table().page
    return middle ?? { x: width / 2, y: height / 2 }
  }
  async function lay(picture: Pick<OwnPicture, 'picture' | 'from' | 'alt'>, size: Size) {
    const thing = nanoid(12)
    make({ kind: 'own', thing, as: pictureFrom(picture, size, table(), inSight()), by: by() })
    putTool()
    own.picked.value = thing
    // The dialog gives the keyboard back to where it came from in a moment of its own, and what draws the first thing
    // may still be fetched.
    for (let frame = 0; frame < MOST_FRAMES; frame++) {
      await new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
      const there = drawn(thing)
      if (there) return there.focus()
    }
  }
  function write(thing: string, as: Own) {
    words.writeOwn(thing, as)
    putTool()
  }
  return { own, words, pickedOwn, beginRubbing, rub, doneWriting, lay, write }
}
