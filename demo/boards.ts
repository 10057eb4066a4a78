import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { IconifyJSON } from '@iconify/types'
import type { Tool } from '../core/board/tools'
import { makeLibrary } from '../server/files/library'

/**
 * What the demo boards are made from: headings with the words or pictures that belong there, in the order a teacher
 * would type them.
 */
export interface BoardPlan {
  readonly title: string
  readonly instructions: string
  readonly seed: number
  /** What the board is about: the year of a class is looked at by it. */
  readonly subject?: string
  readonly tags?: readonly string[]
  readonly textSize?: number
  readonly backdrop?: {
    colour?: string
    ruling?: { kind: 'squares' | 'dots' | 'lines'; spacing: number }
    picture?: { svg: string; alt: string }
  }
  /** A sound on the page, with its words. */
  readonly sound?: {
    readonly name: string
    readonly words: string
    readonly box: { x: number; y: number; width: number; height: number }
  }
  /** A zone that is one member's of a group has the number of their part. */
  readonly zones: readonly {
    heading: string
    part?: number
    box?: { x: number; y: number; width: number; height: number }
    words?: readonly string[]
    pictures?: readonly string[]
  }[]
  /** What students are given beside the cards. */
  readonly tools?: readonly Tool[]
  /** What stands around the page: reasons, notes, hints, cards that are read aloud. */
  readonly around?: {
    readonly explain?: 'page' | 'places'
    readonly notes?: boolean
    readonly hints?: readonly string[]
    readonly readPieces?: boolean
  }
  /** What many of a class think, and isn't so: words with the wrong home that they would give them. */
  readonly misbelief?: Readonly<Record<string, string>>
  /** Words with more than one right home, or with none. */
  readonly special?: readonly { word: string; homes: readonly string[] }[]
}

const library = makeLibrary({
  icons: createRequire(import.meta.url)('@iconify-json/fluent-emoji-flat/icons.json') as IconifyJSON,
  names: {},
  keywords: {},
  categories: {},
})

/** A picture of the openly licensed collection as an SVG of its own. */
export function pictureSvg(name: string): string {
  const svg = library.svg(name)
  if (!svg) throw new Error(`the picture library has no ${name}`)
  return svg
}

const boat = readFileSync(new URL('./pictures/boat.svg', import.meta.url), 'utf8')

export const HOLD_ON: BoardPlan = {
  title: 'How do they hold on?',
  instructions: 'Put each animal where it belongs. How does it stay on the rock when the waves come?',
  around: {
    explain: 'page',
    hints: [
      'Think of a day with high waves. Who stays where it is?',
      'Which of them have feet, or something like feet?',
    ],
  },
  seed: 11,
  subject: 'Science',
  tags: ['the shore'],
  zones: [
    { heading: 'Clings to rock', words: ['limpet', 'barnacle', 'mussel', 'anemone', 'sponge'] },
    { heading: 'Crawls about', words: ['shore crab', 'sea star', 'dog whelk', 'sea urchin'] },
    { heading: 'Swims free', words: ['prawn', 'goby', 'blenny'] },
  ],
  // What sits still while one looks seems to cling.
  misbelief: { 'dog whelk': 'Clings to rock', 'sea urchin': 'Clings to rock', blenny: 'Crawls about' },
}

export const WHERE_SEEN: BoardPlan = {
  title: 'Where do we see them?',
  instructions: 'Look at each picture. Do we see it in the water, on the shore or in the air?',
  seed: 23,
  subject: 'Science',
  tags: ['the shore'],
  backdrop: { colour: '#e3eef5' },
  zones: [
    { heading: 'In the water', pictures: ['fish', 'octopus', 'dolphin', 'shark'] },
    { heading: 'On the shore', pictures: ['crab', 'spiral-shell', 'snail', 'turtle'] },
    { heading: 'In the air', pictures: ['eagle', 'dove', 'butterfly', 'honeybee'] },
  ],
}

const BEATS: BoardPlan = {
  title: 'How many beats?',
  instructions: 'Say the word and clap it. How many beats do you hear?',
  around: {
    notes: true,
    readPieces: true,
    hints: ['Put your hand under your chin and say the word. Each time the chin drops is a beat.'],
  },
  seed: 5,
  subject: 'Language',
  tags: ['sounds of words'],
  textSize: 22,
  backdrop: { ruling: { kind: 'dots', spacing: 24 } },
  zones: [
    { heading: 'One beat', words: ['boat', 'gull', 'net', 'tide'] },
    { heading: 'Two beats', words: ['anchor', 'harbour', 'mussel', 'pebble'] },
    { heading: 'Three beats', words: ['octopus', 'jellyfish', 'sandpiper', 'cormorant'] },
  ],
}

const WEATHER: BoardPlan = {
  title: 'Weather words from the harbour wall',
  instructions:
    'Sort the words. Two of them could go in more than one place, and one belongs nowhere. Say why on a note.',
  tools: ['note', 'highlighter', 'picture'],
  seed: 42,
  backdrop: { colour: '#f6ecd8' },
  zones: [
    { heading: 'Wind', words: ['breeze', 'gale', 'gust'] },
    { heading: 'Water', words: ['drizzle', 'hail', 'downpour', 'sleet'] },
    { heading: 'Light', words: ['glare', 'dusk', 'gleam'] },
  ],
  special: [
    { word: 'squall', homes: ['Wind', 'Water'] },
    { word: 'sea mist', homes: ['Water', 'Light'] },
    { word: 'mooring', homes: [] },
  ],
}

export const BOAT: BoardPlan = {
  title: 'Parts of a boat',
  tools: ['write', 'pen', 'arrow', 'photo'],
  instructions: 'Put each word on the part of the boat where you would look for it.',
  seed: 77,
  textSize: 16,
  backdrop: { picture: { svg: boat, alt: 'A small sailing boat on calm water, seen from the side' } },
  zones: [
    {
      heading: 'Above the deck',
      box: { x: 24, y: 56, width: 288, height: 200 },
      words: ['mast', 'sail', 'boom', 'flag'],
    },
    {
      heading: 'Hull and deck',
      box: { x: 704, y: 56, width: 232, height: 200 },
      words: ['cabin', 'porthole', 'plank'],
    },
    { heading: 'Under water', box: { x: 704, y: 312, width: 232, height: 144 }, words: ['keel', 'rudder'] },
  ],
}

const corner = (x: number, y: number) => ({ x, y, width: 300, height: 196 })

/** Each of four writes in a corner of their own; what they agree on goes into the middle. */
export const HARBOUR: BoardPlan = {
  title: 'What makes a good harbour?',
  tools: ['note', 'write', 'picture'],
  instructions: 'Write your ideas on notes in your own part. Then agree on three and put them into the middle.',
  around: { explain: 'page' },
  seed: 3,
  backdrop: { colour: '#e3eef5' },
  sound: {
    name: 'The horn of our harbour',
    words: 'Two long, low blasts of a horn, far away.',
    box: { x: 340, y: 12, width: 280, height: 60 },
  },
  zones: [
    { heading: '', part: 1, box: corner(16, 40) },
    { heading: '', part: 2, box: corner(644, 40) },
    { heading: '', part: 3, box: corner(16, 268) },
    { heading: '', part: 4, box: corner(644, 268) },
    { heading: 'We all agree', box: { x: 340, y: 128, width: 280, height: 336 } },
  ],
}

export const BOARDS = [HOLD_ON, WHERE_SEEN, BEATS, WEATHER, BOAT, HARBOUR]
