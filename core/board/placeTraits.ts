import type { Size } from '../geometry/shape'
import type { PlaceKind } from './place'

interface PlaceTraits {
  /** Points: the workbench makes it no smaller. */
  readonly smallest: Size
  /**
   * How it can be turned: into any shape, by quarters as what is always a rectangle, or not at all, for it is round.
   */
  readonly turns: 'freely' | 'by-quarters' | 'never'
  /** What it is for stands in it or around it, so that it needs no heading. */
  readonly saysItself: boolean
  /** What students put into it: pieces, a piece's tip, words, ink, or whichever the place itself says. */
  readonly takes: 'pieces' | 'tips' | 'words' | 'ink' | 'words-or-pieces'
}

const SMALL: Size = { width: 24, height: 20 }
/** Has room for a heading and a card. */
const ROOMY: Size = { width: 48, height: 48 }
const DOT: Size = { width: 12, height: 12 }

/** All that must be known of each kind of place, once. How each claims a piece: `placement/claim.ts`. */
export const PLACE_TRAITS: { readonly [Kind in PlaceKind]: PlaceTraits } = {
  zone: { smallest: ROOMY, turns: 'freely', saysItself: false, takes: 'pieces' },
  lane: { smallest: ROOMY, turns: 'by-quarters', saysItself: false, takes: 'pieces' },
  slot: { smallest: SMALL, turns: 'freely', saysItself: false, takes: 'pieces' },
  grid: { smallest: SMALL, turns: 'by-quarters', saysItself: true, takes: 'pieces' },
  scale: { smallest: SMALL, turns: 'by-quarters', saysItself: true, takes: 'pieces' },
  pin: { smallest: DOT, turns: 'never', saysItself: false, takes: 'tips' },
  pan: { smallest: ROOMY, turns: 'freely', saysItself: false, takes: 'pieces' },
  writing: { smallest: SMALL, turns: 'by-quarters', saysItself: false, takes: 'words' },
  gaps: { smallest: SMALL, turns: 'by-quarters', saysItself: true, takes: 'words-or-pieces' },
  drawing: { smallest: SMALL, turns: 'by-quarters', saysItself: true, takes: 'ink' },
}
