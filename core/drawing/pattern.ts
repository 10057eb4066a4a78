import type { Fill, PATTERNS } from '../board/inks'

type Pattern = (typeof PATTERNS)[Fill]

/** Points: each pattern repeats in a square of this side. */
export const PATTERN_SIZE = 12

const LINE = { width: 1.2, opacity: 0.45 } as const
/** What tells light colours apart without their colour: lines or dots over them. */
export const PATTERN_PATHS: Record<Pattern, { readonly d: string; readonly width: number; readonly opacity: number }> =
  {
    plain: { ...LINE, d: '' },
    slanted: { ...LINE, d: 'M-2 2L2 -2M0 12L12 0M10 14L14 10' },
    dotted: { d: 'M3 3h0.1M9 9h0.1', width: 3, opacity: 0.45 },
    level: { ...LINE, d: 'M0 3h12M0 9h12' },
    crossed: { ...LINE, d: 'M0 6h12M6 0v12' },
  }
