import type { Edition } from '../board/edition'
import type { Author } from './actor'
import { carry } from './carry'
import { isKnown, perform, type Move } from './move'
import { startOf, type SlateState } from './state'
import { knowTexts } from './withTexts'

/** A move as it was made. */
export interface MadeMove {
  /** Counts from 1 in each slate. */
  readonly number: number
  readonly move: Move
  readonly by: Author
  /** Milliseconds since 1970. */
  readonly at: number
}

/** Moves that were made over one edition; the next chapter begins where another was laid under the slate. */
export interface Chapter {
  readonly edition: Edition
  readonly moves: readonly MadeMove[]
}

/** A slate as it stood over an edition. */
export interface Stand {
  readonly edition: Edition
  readonly state: SlateState
}

export interface Replay {
  readonly moves: readonly MadeMove[]
  /** How it stood after so many of its moves: 0 as it was given out, all of them (or more) as it is now. */
  readonly after: (count: number) => Stand
}

/** From one snapshot to the next: so many moves are made anew at most, wherever one looks. */
const BETWEEN_SNAPSHOTS = 50

/**
 * How a slate came about, to be looked at from any moment of it. Gone through once; what a later
 * application made of it changes nothing. Throws where there is no chapter.
 */
export function replayOf(chapters: readonly Chapter[]): Replay {
  knowTexts()
  const first = chapters[0]
  if (!first) throw new Error('a slate lies over an edition from the start')
  const moves = chapters.flatMap(chapter => chapter.moves)
  const editions = chapters.flatMap(({ edition, moves: those }) => those.map(() => edition))
  const snapshots: Stand[] = [{ edition: first.edition, state: startOf(first.edition) }]
  let now = snapshots[0]!
  for (let made = 0; made < moves.length; made++) {
    now = withMove(over(now, editions[made]!), moves[made]!)
    if ((made + 1) % BETWEEN_SNAPSHOTS === 0) snapshots.push(now)
  }
  const last = over(now, chapters.at(-1)!.edition)
  return {
    moves,
    after(count) {
      if (count >= moves.length) return last
      const from = Math.floor(Math.max(0, count) / BETWEEN_SNAPSHOTS)
      let stand = snapshots[from]!
      for (let made = from * BETWEEN_SNAPSHOTS; made < count; made++)
        stand = withMove(over(stand, editions[made]!), moves[made]!)
      return stand
    },
  }
}

const over = (stand: Stand, edition: Edition): Stand =>
  stand.edition === edition ? stand : { edition, state: carry(stand.state, stand.edition, edition).state }

function withMove({ edition, state }: Stand, { move, by, number }: MadeMove): Stand {
  return { edition, state: isKnown(move) ? perform(state, move, { edition, author: by, number }) : state }
}
