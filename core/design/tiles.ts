import type { Board } from '../board/board'
import type { PageId } from '../board/ids'
import type { Master, Piece } from '../board/piece'
import { readMeasure } from '../exact/measure'
import { quantity, readQuantity } from '../exact/quantity'
import { addPieces, type Ids } from './pieces'
import { masterOf } from './styles'

export const FAMILIES = [
  'base-ten',
  'fraction-bars',
  'fraction-circles',
  'counters',
  'two-sided',
  'money',
  'algebra',
  'rods',
  'dots',
  'digits',
  'letters',
  'clock',
] as const
export type Family = (typeof FAMILIES)[number]

/** A few words or numbers that a family is made from; what each family does with them is said in `tilesOf`. */
export interface FamilyPlan {
  readonly family: Family
  /** Numbers or words between commas or spaces; empty: what the family usually is. */
  readonly of: string
  /** Piles that never run out; otherwise so many of each. */
  readonly bins: boolean
  readonly each: number
}

/** One tile with its own style. */
export interface TilePlan {
  readonly master: Omit<Master, 'id'>
  readonly piece: DistributiveOmit<Piece, 'id' | 'master' | 'bin'>
}
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never

/** Points: the side of the unit that a family's other sizes are whole multiples of. */
export const UNIT = { 'base-ten': 14, rods: 22, one: 26 } as const
export const WHOLE_BAR = 480
const BAR_HEIGHT = 42
const WHOLE_CIRCLE = 168
/** The x of an algebra tile is no whole number of ones long, so that nobody can measure it. */
export const ALGEBRA_X = 26 * Math.E

/** Light enough for black words: at least 7 : 1 each. Neighbours differ in lightness as well as in hue. */
const COLOURS = [
  '#d9ecdf',
  '#f8e2b2',
  '#cfe3f3',
  '#f3d9d2',
  '#e6dcf2',
  '#dfe6c4',
  '#fbe9d7',
  '#cdeae6',
  '#efe2d0',
  '#e3e8ee',
] as const
const colour = (i: number) => COLOURS[i % COLOURS.length]!
/** Values that are asked for most, neighbours apart from each other in colour. */
const LADDERS = {
  tens: ['1', '10', '100', '1000'],
  parts: ['1', '2', '3', '4', '5', '6', '8', '10', '12', '7'],
  money: ['0.01', '0.02', '0.05', '0.1', '0.2', '0.5', '1', '2', '5', '10', '20', '50', '100', '200', '500'],
  ones: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10'],
} as const
/** A value has the same colour in every set of its family, whatever stands beside it. */
function colourOf(value: string, ladder: keyof typeof LADDERS): string {
  const amount = quantity(value)
  const at = LADDERS[ladder].findIndex(step => amount.equals(quantity(step)))
  return colour(at >= 0 ? at : Number((amount.n + amount.d) % BigInt(COLOURS.length)))
}
const NEGATIVE = '#f3c9c0'

const USUAL: Readonly<Record<Family, string>> = {
  'base-ten': '1 10 100',
  'fraction-bars': '1 2 3 4 5 6 8 10 12',
  'fraction-circles': '1 2 3 4 6 8',
  counters: '1',
  'two-sided': '1',
  money: '1 2 5 10 20 50',
  algebra: 'x^2 x 1',
  rods: '1 2 3 4 5 6 7 8 9 10',
  dots: '1',
  digits: '0 1 2 3 4 5 6 7 8 9',
  letters: 'a b c d e f g h i j k l m n o p q r s t u v w x y z',
  clock: '',
}

const MOST_KINDS = 40

/**
 * The tiles of a family, one of each, in the order asked for; what can't be one of the family is left out.
 * - base-ten: 1, 10, 100 and 1000. A ten is as long as ten ones, a hundred is ten tens side by side; a thousand is a
 *   block with the face of a hundred.
 * - fraction bars and circles: denominators from 1 to 24. A half is as long, or as wide at the middle, as two quarters.
 * - counters, two-sided counters (with their negative behind), ten-frame dots: a value each.
 * - money: values, which may have a decimal point; coins grow with their value, the upper half of more than four are
 *   notes.
 * - algebra: x^2, x, 1 (and with other letters): sides of length x and 1, the negative behind.
 * - rods: whole numbers from 1 to 20, as long as their number.
 * - digits with their value; letters, or whatever else is asked for, as square cards; a clock's two hands.
 */
export function tilesOf(family: Family, of: string): TilePlan[] {
  const words = [...new Set((of.trim() || USUAL[family]).split(/[\s,;]+/).filter(Boolean))].slice(0, MOST_KINDS)
  switch (family) {
    case 'base-ten':
      return words.flatMap(word => baseTen(word) ?? [])
    case 'fraction-bars':
      return denominators(words).map(n =>
        tile(fraction(n), fraction(n), {
          width: WHOLE_BAR / n,
          height: BAR_HEIGHT,
          colour: colourOf(String(n), 'parts'),
          textSize: n > 12 ? 10 : 15,
        }),
      )
    case 'fraction-circles':
      return denominators(words).map(n =>
        tile(
          fraction(n),
          fraction(n),
          {
            width: WHOLE_CIRCLE,
            height: WHOLE_CIRCLE,
            colour: colourOf(String(n), 'parts'),
            textSize: n > 8 ? 11 : 15,
            look: n === 1 ? { kind: 'round' } : { kind: 'sector', share: `1/${n}` },
          },
          { turns: n > 1 },
        ),
      )
    case 'counters':
      return values(words).map(value => tile(value, value, round(40, colourOf(value, 'ones'))))
    case 'two-sided':
      return values(words).map(value =>
        tile(value, value, round(44, colourOf(value, 'ones')), {
          other: { text: negative(value), value: negate(value), colour: NEGATIVE },
        }),
      )
    case 'dots':
      return values(words).map(value =>
        tile('', value, round(34, '#d98b3a'), { alt: value === '1' ? 'dot' : `dot for ${value}` }),
      )
    case 'money':
      return money(values(words))
    case 'algebra':
      return words.flatMap(word => algebra(word) ?? [])
    case 'rods':
      return words
        .map(Number)
        .filter(n => Number.isInteger(n) && n >= 1 && n <= 20)
        .map(n =>
          tile(String(n), String(n), {
            width: n * UNIT.rods,
            height: UNIT.rods,
            colour: colourOf(String(n), 'ones'),
            textSize: 13,
            look: { kind: 'units', across: n, down: 1 },
          }),
        )
    case 'digits':
      return words
        .filter(word => /^\d$/.test(word))
        .map(digit => tile(digit, digit, { width: 48, height: 48, colour: '#ffffff', textSize: 24 }))
    case 'letters':
      return words
        .filter(word => [...word].length <= 4)
        .map(text => ({
          master: { kind: 'card', width: 48, height: 48, textSize: [...text].length > 2 ? 18 : 24, fixed: true },
          piece: { kind: 'card', text },
        }))
    case 'clock':
      return [hand('hour', 132, 13), hand('minute', 210, 9)]
  }
}

/** Tiles of a family on the ledge, as bins or so many of each. Styles that the board has are used again. */
export function addFamily(board: Board, page: PageId, { family, of, bins, each }: FamilyPlan, ids: Ids): Board {
  const plans = tilesOf(family, of)
  let masters: readonly Master[] = board.masters
  const pieces = plans.flatMap(({ master, piece }) => {
    const { id: style, masters: all } = masterOf(masters, master, ids.master)
    masters = all
    return Array.from(
      { length: bins ? 1 : each },
      () => ({ ...piece, id: ids.piece(), master: style, ...(bins && { bin: true }) }) as Piece,
    )
  })
  return addPieces({ ...board, masters: [...masters] }, page, pieces, 'as-given')
}

type Style = Omit<Master, 'id' | 'kind'>
function tile(
  text: string,
  value: string,
  style: Style,
  more: Partial<Extract<TilePlan['piece'], { kind: 'tile' }>> = {},
): TilePlan {
  return { master: { kind: 'tile', ...style }, piece: { kind: 'tile', text, value, ...more } }
}
const round = (size: number, fill: string): Style => ({
  width: size,
  height: size,
  colour: fill,
  textSize: 15,
  look: { kind: 'round' },
})

function baseTen(word: string): TilePlan | null {
  const side = UNIT['base-ten']
  const shapes: Readonly<Record<string, readonly [number, number]>> = {
    1: [1, 1],
    10: [1, 10],
    100: [10, 10],
    1000: [10, 10],
  }
  const [across, down] = shapes[word] ?? []
  if (!across || !down) return null
  return tile(
    word === '1000' ? '1000' : '',
    word,
    {
      width: across * side,
      height: down * side,
      colour: colourOf(word, 'tens'),
      textSize: 24,
      ...(word !== '1000' && { look: { kind: 'units', across, down } }),
    },
    { alt: TEN_NAMES[word] },
  )
}
const TEN_NAMES: Readonly<Record<string, string>> = { 1: 'one', 10: 'ten', 100: 'hundred', 1000: 'thousand' }

const denominators = (words: readonly string[]) =>
  words.map(Number).filter(n => Number.isInteger(n) && n >= 1 && n <= 24)
const fraction = (n: number) => (n === 1 ? '1' : `1/${n}`)
const values = (words: readonly string[]) =>
  words.filter(word => readQuantity(word) !== null && readMeasure(word) !== null)
const negative = (value: string) => `−${value}`
const negate = (value: string) => quantity(value).neg().toFraction()

/** Coins by rank, since true diameters are a country's own; notes are wider than any coin. */
function money(all: readonly string[]): TilePlan[] {
  const order = all.toSorted((a, b) => quantity(a).compare(quantity(b)))
  const coins = order.length > 4 ? Math.ceil(order.length / 2) : order.length
  return order.map((value, i) =>
    i < coins
      ? tile(value, value, { ...round(38 + i * 5, colourOf(value, 'money')), textSize: 16 })
      : tile(value, value, { width: 84 + (i - coins) * 8, height: 46, colour: colourOf(value, 'money'), textSize: 18 }),
  )
}

/**
 * Each letter has a length of its own, none a whole number of ones, and no two of them alike or near it: x is the
 * shortest, the others follow it in the alphabet at steps that no ones fit into.
 */
export const algebraLength = (letter: string): number =>
  ALGEBRA_LENGTHS[(letter.charCodeAt(0) - 'x'.charCodeAt(0) + 26) % 26]!

/** Points: by how much lengths differ at the least, from each other and from whole ones. */
const LENGTHS_APART = 4
const ALGEBRA_LENGTHS = Array.from({ length: 80 }, (_, i) => ALGEBRA_X + i * 4.7)
  .filter(length => Math.abs(length - Math.round(length / UNIT.one) * UNIT.one) >= LENGTHS_APART)
  .slice(0, 26)

/** By how many letters a term has, so that what can stand for each other looks alike in every set. */
const TERM_COLOURS = ['#e3e8ee', '#efe2d0', '#e6dcf2'] as const

/** Up to two letters in all: x^2 and xy have two sides, x has one and a unit. */
function algebra(word: string): TilePlan | null {
  const sides = [...word.replace(/\^?[2²]/, m => (m ? '#' : '')).matchAll(/[a-z]#?/g)].flatMap(([letter]) =>
    letter!.endsWith('#') ? [letter![0]!, letter![0]!] : [letter!],
  )
  if (word !== '1' && (sides.length === 0 || sides.length > 2 || !/^[a-z]{1,2}$|^[a-z](\^2|²)$/.test(word))) return null
  const length = (letter: string | undefined) => (letter === undefined ? UNIT.one : algebraLength(letter))
  const [a, b] = sides
  const text = word.replace('^2', '²')
  return tile(
    text,
    '1',
    { width: length(a), height: length(b), colour: TERM_COLOURS[sides.length]!, textSize: 15 },
    { term: word, turns: a !== b, other: { text: negative(text), value: '-1', colour: NEGATIVE } },
  )
}

function hand(name: string, length: number, width: number): TilePlan {
  return {
    master: {
      kind: 'token',
      width: length,
      height: length,
      colour: '#3c494a',
      textSize: width,
      look: { kind: 'hand' },
    },
    piece: { kind: 'token', text: '', alt: `${name} hand`, turns: true },
  }
}
