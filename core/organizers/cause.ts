import { column, row, type Organizer } from './plan'

export const CAUSE: readonly Organizer[] = [
  {
    name: 'cause-effect-chain',
    title: 'Cause and effect chain',
    purpose: 'cause',
    subjects: ['Science', 'History'],
    words: ['because', 'so', 'consequence'],
    instructions: 'What brought about what? Put the cards in the chain.',
    page: make => {
      const boxes = row({ x: 24, y: 170, width: 912, height: 130 }, 4, 48)
      return {
        places: boxes.map((box, i) => make.slot(i ? 'so' : 'Because', box)),
        lines: boxes.slice(1).map(box => make.line([box.x - 44, 235], [box.x - 4, 235], 'one', 5)),
      }
    },
  },
  {
    name: 'fishbone',
    title: 'Fishbone',
    purpose: 'cause',
    subjects: ['Science', 'History'],
    words: ['causes', 'why', 'Ishikawa'],
    instructions: 'Put each cause on the bone that it belongs to.',
    page: make => ({
      places: [
        ...row({ x: 40, y: 48, width: 650, height: 120 }, 3, 28).map((box, i) => make.zone(`Cause ${i + 1}`, box)),
        ...row({ x: 40, y: 332, width: 650, height: 120 }, 3, 28).map((box, i) => make.zone(`Cause ${i + 4}`, box)),
        make.zone('Effect', { x: 772, y: 180, width: 164, height: 140 }),
      ],
      lines: [
        make.line([30, 250], [762, 250], 'one', 6),
        ...[140, 366, 592].flatMap(x => [
          make.line([x, 172], [x + 50, 246], 'none', 4),
          make.line([x, 290], [x + 50, 254], 'none', 4),
        ]),
      ],
    }),
  },
  {
    name: 'problem-solution',
    title: 'Problem and solution',
    purpose: 'cause',
    subjects: ['English', 'Science'],
    words: ['solve', 'ideas', 'outcome'],
    instructions: 'Sort the cards: the problem, what was tried, and what came of it.',
    page: make => ({
      places: [
        make.zone('Problem', { x: 24, y: 60, width: 240, height: 396 }),
        ...column({ x: 340, y: 60, width: 280, height: 396 }, 2, 56).map((box, i) =>
          make.zone(i ? 'Another way' : 'One way', box),
        ),
        make.zone('What came of it', { x: 696, y: 60, width: 240, height: 396 }),
      ],
      lines: [
        make.line([268, 200], [336, 150], 'one'),
        make.line([268, 300], [336, 370], 'one'),
        make.line([624, 150], [692, 220], 'one'),
        make.line([624, 370], [692, 300], 'one'),
      ],
    }),
  },
  {
    name: 'prediction',
    title: 'Prediction chart',
    purpose: 'cause',
    subjects: ['English', 'Science'],
    words: ['guess', 'evidence', 'what will happen'],
    instructions: 'Say what you think will happen and why. Afterwards write what did.',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 3, 24).map((box, i) =>
        make.writing(['I think that', 'because', 'What happened'][i]!, box),
      ),
    }),
  },
]
