/**
 * The colours of our own that boards are drawn with, by what they are for. Colours that a teacher or a student chose
 * stand in the drawing as they are.
 */
const PALETTE = {
  ink: '#14191a',
  line: '#1d2526',
  join: '#3c494a',
  outline: '#526061',
  faint: '#6b7a7a',
  dot: '#93a1a0',
  ruling: '#b9c4c2',
  ground: '#ffffff',
  /** The light that falls on what is meant: where a piece would land, what is held. */
  light: '#fdf3dc',
  lightEdge: '#a86a05',
  shadow: '#14191a',
  cover: '#3c494a',
  token: '#e9ad3f',
  /** The paper of notes, and their spine where nobody chose another. */
  slip: '#fdfcf7',
  note: '#7fa98d',
  target: '#dfeaf5',
  turned: '#d8dfdc',
  missing: '#f2f1ec',
  written: '#1c3f6b',
  badge: '#e9ad3f',
  badgeEdge: '#7a4b00',
  printedLink: '#6d5732',
  small: '#46524f',
  /** The teacher's margin, and nothing else. */
  margin: '#4a34a0',
  marginLight: '#6d58c6',
  right: '#26704c',
  wrong: '#8c2840',
  unsure: '#f8e2b2',
  quiet: '#e8ece9',
} as const
export type Token = keyof typeof PALETTE
export type Hex = `#${string}`
export type Colour = Token | Hex

/** A colour that somebody chose, as documents keep it: their schemas let nothing else through. */
export const chosen = (colour: string): Hex => colour as Hex

/** From a colour to what is put on the paper or the screen. */
export type Theme = (colour: Colour) => Hex

const isToken = (colour: Colour): colour is Token => colour in PALETTE

/** As it is seen on a screen, and printed in colour. */
export const onScreen: Theme = colour => (isToken(colour) ? PALETTE[colour] : colour)

/** Luma of what is seen on a screen (ITU-R BT.709), for printers that have black alone. */
export const inGrey: Theme = colour => {
  const [r, g, b] = [1, 3, 5].map(at => Number.parseInt(fullHex(onScreen(colour)).slice(at, at + 2), 16))
  const grey = Math.round(0.2126 * r! + 0.7152 * g! + 0.0722 * b!)
    .toString(16)
    .padStart(2, '0')
  return `#${grey}${grey}${grey}`
}
const fullHex = (hex: Hex) => (hex.length === 4 ? `#${[...hex.slice(1)].map(digit => digit + digit).join('')}` : hex)
