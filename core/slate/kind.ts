/**
 * Whose a slate is: one student's *copy*, a group's *frame*, one student's own *page* on a class board, or the
 * *class*'s.
 */
export const SLATE_KINDS = ['copy', 'frame', 'page', 'class'] as const
export type SlateKind = (typeof SLATE_KINDS)[number]

/** Whether several work on it at once. */
export const isOfSeveral = (kind: SlateKind) => kind === 'frame' || kind === 'class'

/** How a board is given out. */
export const HANDOUT_MODES = ['copy-each', 'frame-per-group', 'one-for-everyone'] as const
export type HandoutMode = (typeof HANDOUT_MODES)[number]
