import type { PieceId } from '~~/core/board/ids'

type Waiting = () => { readonly has: (piece: PieceId) => boolean }
const KEY: InjectionKey<Waiting> = Symbol('pieces that wait for second thoughts')
const NONE: Waiting = () => new Set()

/** Which pieces the teacher has set aside: on the ledge they stand apart. */
export const provideSecondThoughts = (waiting: Waiting) => provide(KEY, waiting)
export const useSecondThoughts = (): Waiting => inject(KEY, NONE)
