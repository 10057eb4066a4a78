import { emptyPage } from '../board/board'
import { PageIdSchema } from '../board/ids'
import * as v from 'valibot'
import { column, row, type Organizer } from './plan'

export const NUMBER: readonly Organizer[] = [
  {
    name: 'number-line',
    title: 'Number line',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['0 to 20', 'count on', 'order numbers'],
    instructions: 'Put each number where it belongs on the line.',
    page: make => ({
      places: [
        make.scale('0 to 20', { x: 40, y: 200, width: 880, height: 110 }, { least: '0', most: '20', step: '1' }),
      ],
    }),
  },
  {
    name: 'hundred-chart',
    title: 'Hundred chart',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['hundred square', 'multiples', 'patterns'],
    instructions: 'Cover the numbers that are asked for.',
    page: make => ({
      places: [
        make.grid(
          '',
          { x: 210, y: 10, width: 540, height: 460 },
          { rows: 10, columns: 10, printed: Array.from({ length: 100 }, (_, i) => String(i + 1)) },
        ),
      ],
    }),
    pieces: [{ form: 'cover', texts: ['cover'], bin: true, size: { width: 50, height: 42 } }],
  },
  {
    name: 'ten-frame',
    title: 'Ten frames',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['ten frame', 'make ten', 'dots'],
    instructions: 'Show the number with dots.',
    page: make => ({
      places: row({ x: 40, y: 130, width: 880, height: 190 }, 2, 60).map((box, i) =>
        make.grid(i ? 'Second frame' : 'First frame', box, { rows: 2, columns: 5 }),
      ),
    }),
    pieces: [{ family: 'dots', of: '1' }],
  },
  {
    name: 'part-part-whole',
    title: 'Part, part, whole',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['number bonds', 'add', 'take away', 'bar'],
    instructions: 'Both parts together make the whole.',
    page: make => ({
      places: [
        make.zone('Whole', { x: 340, y: 48, width: 280, height: 150 }),
        ...row({ x: 120, y: 290, width: 720, height: 160 }, 2, 80).map((box, i) => make.zone(i ? 'Part' : 'Part', box)),
      ],
      lines: [make.line([400, 202], [290, 256], 'none', 4), make.line([560, 202], [670, 256], 'none', 4)],
    }),
    pieces: [{ family: 'counters', of: '1' }],
  },
  {
    name: 'place-value',
    title: 'Place-value mat',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['hundreds', 'tens', 'ones', 'base-ten'],
    instructions: 'Make the number with hundreds, tens and ones.',
    page: make => ({
      places: [
        make.zone('Hundreds', { x: 24, y: 48, width: 400, height: 408 }),
        make.zone('Tens', { x: 448, y: 48, width: 264, height: 408 }),
        make.zone('Ones', { x: 736, y: 48, width: 200, height: 408 }),
      ],
    }),
    pieces: [{ family: 'base-ten', of: '1 10 100' }],
  },
  {
    name: 'fraction-wall',
    title: 'Fraction wall',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['fractions', 'equivalent', 'halves', 'quarters'],
    instructions: 'Build each row until it is as long as the whole.',
    // Each row is as long as the whole bar, and as high as a bar.
    page: make => ({
      places: column({ x: 232, y: 24, width: 496, height: 432 }, 6, 12).map(box => make.lane('', box)),
      figures: column({ x: 24, y: 24, width: 196, height: 432 }, 6, 12).map((box, i) =>
        make.words(['Whole', 'Halves', 'Thirds', 'Quarters', 'Sixths', 'Eighths'][i]!, box),
      ),
    }),
    pieces: [{ family: 'fraction-bars', of: '1 2 3 4 6 8' }],
  },
  {
    name: 'balance',
    title: 'Balance mat',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['equation', 'equals', 'algebra', 'scales'],
    instructions: 'Both sides must hold the same.',
    page: make => ({
      places: row({ x: 40, y: 60, width: 880, height: 280 }, 2, 80).map((box, i) =>
        make.pan(i ? 'Right side' : 'Left side', box),
      ),
      lines: [
        make.line([60, 356], [900, 356], 'none', 6),
        make.line([480, 356], [440, 440], 'none', 6),
        make.line([480, 356], [520, 440], 'none', 6),
      ],
    }),
    pieces: [{ family: 'counters', of: '1 5' }],
  },
  {
    name: 'coordinate-grid',
    title: 'Coordinate grid',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['axes', 'points', 'x and y', 'quadrants'],
    instructions: 'Mark the points on the grid.',
    page: make => {
      const { backdrop } = emptyPage(v.parse(PageIdSchema, 'page-1'))
      return {
        backdrop: { ...backdrop, ruling: { kind: 'axes', spacing: 34 } },
        places: [make.drawing('', { x: 40, y: 24, width: 880, height: 432 })],
      }
    },
    pieces: [{ form: 'token', texts: ['point'], bin: true }],
  },
  {
    name: 'algebra-mat',
    title: 'Mat for algebra tiles',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['polynomial', 'expression', 'factor', 'zero pairs'],
    instructions: 'Show the expression with tiles.',
    page: make => ({ places: [make.zone('Expression', { x: 24, y: 48, width: 912, height: 408 })] }),
    pieces: [{ family: 'algebra', of: 'x^2 x 1' }],
  },
  {
    name: 'letter-boxes',
    title: 'Letter boxes',
    purpose: 'number',
    subjects: ['English'],
    words: ['spelling', 'sounds', 'letters', 'phonics'],
    instructions: 'Say the word, and put a letter into the box for each sound.',
    page: make => ({
      places: [
        make.drawing('The word as a picture', { x: 330, y: 48, width: 300, height: 180 }),
        ...row({ x: 210, y: 300, width: 540, height: 100 }, 5, 12).map(box => make.slot('', box)),
      ],
    }),
    pieces: [{ family: 'letters', of: 'a e i o u b c d g l m n p r s t' }],
  },
  {
    name: 'array',
    title: 'Rows and columns',
    purpose: 'number',
    subjects: ['Maths'],
    words: ['array', 'multiplication', 'area', 'groups'],
    instructions: 'Show the product as rows and columns.',
    page: make => ({ places: [make.grid('', { x: 180, y: 24, width: 600, height: 432 }, { rows: 8, columns: 10 })] }),
    pieces: [{ family: 'dots', of: '1' }],
  },
]
