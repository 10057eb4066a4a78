/** How much a page holds. Apart from the schemas, so that whoever only counts doesn't need them. */
export const MOST_PIECES = 1000
/** Of a board. */
export const MOST_PAGES = 60
/** Of a page, or of one of its activities. */
export const MOST_HINTS = 5
