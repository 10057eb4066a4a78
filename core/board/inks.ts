/**
 * Inks by name: dark enough for 7 : 1 on every page colour, and none near the margin's own. They differ in lightness as
 * little as that allows, so a name goes with each wherever it is chosen or told.
 */
export const INKS = { graphite: '#1d2526', sea: '#0a4a63', moss: '#2c4f1a', brick: '#7d240f', bark: '#5e3c05' } as const
export type Ink = keyof typeof INKS
export const INK_NAMES = Object.keys(INKS) as [Ink, ...Ink[]]

/**
 * Light colours to fill and to highlight with; each has a pattern of its own where it fills, so that none hangs on
 * colour alone.
 */
export const FILLS = { straw: '#f7e27a', mint: '#a8e3c3', rose: '#f7bcb4', sky: '#a9d5ef', sand: '#e2c79a' } as const
export type Fill = keyof typeof FILLS
export const FILL_NAMES = Object.keys(FILLS) as [Fill, ...Fill[]]
export const PATTERNS = {
  straw: 'plain',
  mint: 'slanted',
  rose: 'dotted',
  sky: 'level',
  sand: 'crossed',
} as const satisfies Record<Fill, string>

/** The colours that a page can have. */
export const PAGE_COLOURS = {
  chalk: '#fbf9f3',
  white: '#ffffff',
  mist: '#e8ece9',
  sand: '#f6ecd8',
  leaf: '#e6f1ea',
  sky: '#e3eef5',
} as const
