import type { ActorName } from './cast'
import type { Lesson } from './lesson'

/** Who is let through one route. */
export interface Row {
  readonly path: (l: Lesson, extra: Extra) => string
  readonly body?: (l: Lesson, extra: Extra) => unknown
  /** Who is let through; everybody else gets 401 (nobody) or 403. */
  readonly allowed: readonly ActorName[]
}
export interface Extra {
  file: string
  clip: string
  shown: string
  margin: string
  board: object
  version: () => Promise<number>
}
