import type { OnPage } from '~~/core/slate/state'

/** Where a piece is drawn, as SVG says it. */
export const spotOf = ({ x, y, turn }: Pick<OnPage, 'x' | 'y' | 'turn'>) =>
  `translate(${x} ${y})${turn ? ` rotate(${turn})` : ''}`
