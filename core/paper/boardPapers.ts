/** The ways in which a board comes onto paper; apart from what checks them, which no form needs. */
export const BOARD_PAPERS = ['pages', 'poster', 'cut-out', 'two-sided'] as const

/** Sets of pieces to cut out, one for each group, at most. */
export const MOST_SETS = 12
