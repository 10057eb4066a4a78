import type { Operation, Perform } from './operation'

/**
 * By which rules a move is performed. A move says it itself, wherever it is kept and sent; without it was made by the
 * first. Raised when moves come to do something else than before; what they did then stays with their operation.
 */
export const MOVE_VERSION = 1

export const versionOf = (move: object): number => ('version' in move ? Number(move.version) : 1)

/** Whether this application knows how the move is performed; a later one may have stored it. */
export const isKnownVersion = (move: object): boolean => versionOf(move) <= MOVE_VERSION

/** The move as it is stored and sent on, with the version by which it is performed. */
export const stamped = <Move extends object>(move: Move): Move =>
  MOVE_VERSION > 1 ? { ...move, version: MOVE_VERSION } : move

/** How a move of this version is performed. Throws for a version that is not known yet. */
export function performing<Kind extends string, Move extends { readonly kind: Kind }>(
  { perform, formerly = [] }: Operation<Kind, Move>,
  version: number,
  latest = MOVE_VERSION,
): Perform<Move> {
  if (version > latest) throw new Error(`a move of version ${version} was made by a later application`)
  return formerly.find(({ upTo }) => version <= upTo)?.perform ?? perform
}
