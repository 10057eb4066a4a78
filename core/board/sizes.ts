/** How much a page holds. Apart from the schemas, so that whoever only counts doesn't need them. */
export const MOST_PIECES = 1000
