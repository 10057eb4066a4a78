import { column, row, type Organizer } from './plan'

export const DESCRIBE: readonly Organizer[] = [
  {
    name: 'word-study',
    title: 'Four boxes round a word',
    purpose: 'describe',
    subjects: ['English', 'Science'],
    words: ['Frayer', 'vocabulary', 'definition', 'examples'],
    instructions: 'Say what the word means, what belongs to it, and what does not.',
    page: make => ({
      places: [
        make.writing('What it means', { x: 24, y: 48, width: 440, height: 152 }),
        make.writing('What it is like', { x: 496, y: 48, width: 440, height: 152 }),
        make.zone('Examples', { x: 24, y: 318, width: 440, height: 140 }),
        make.zone('Not examples', { x: 496, y: 318, width: 440, height: 140 }),
        make.slot('The word', { x: 372, y: 242, width: 216, height: 60 }),
      ],
    }),
  },
  {
    name: 'concept-web',
    title: 'Web of ideas',
    purpose: 'describe',
    subjects: ['English', 'Geography'],
    words: ['concept map', 'mind map', 'spider', 'arrows'],
    instructions: 'Put the cards round the middle, and draw arrows between those that go together.',
    page: make => ({
      arrows: true,
      places: [
        make.slot('In the middle', { x: 380, y: 196, width: 200, height: 96 }),
        ...[
          [24, 52],
          [24, 316],
          [716, 52],
          [716, 316],
        ].map(([x, y], i) => make.zone(`Idea ${i + 1}`, { x: x!, y: y!, width: 220, height: 140 })),
      ],
      lines: [
        make.line([248, 140], [376, 214]),
        make.line([248, 370], [376, 276]),
        make.line([712, 140], [584, 214]),
        make.line([712, 370], [584, 276]),
      ],
    }),
  },
  {
    name: 'five-senses',
    title: 'Five senses',
    purpose: 'describe',
    subjects: ['English', 'Science'],
    words: ['see', 'hear', 'smell', 'taste', 'touch'],
    instructions: 'With which sense do we notice it?',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 5, 18).map((box, i) =>
        make.zone(['See', 'Hear', 'Smell', 'Taste', 'Touch'][i]!, box),
      ),
    }),
  },
  {
    name: 'character',
    title: 'A person in a story',
    purpose: 'describe',
    subjects: ['English'],
    words: ['character', 'says', 'thinks', 'does', 'feels'],
    instructions: 'What does the person say, think, do and feel?',
    page: make => ({
      places: [
        make.drawing('The person', { x: 350, y: 48, width: 260, height: 408 }),
        ...column({ x: 24, y: 52, width: 296, height: 404 }, 2, 44).map((box, i) =>
          make.zone(i ? 'Does' : 'Says', box),
        ),
        ...column({ x: 640, y: 52, width: 296, height: 404 }, 2, 44).map((box, i) =>
          make.zone(i ? 'Feels' : 'Thinks', box),
        ),
      ],
    }),
  },
  {
    name: 'who-what-where',
    title: 'Who, what, where, when, why',
    purpose: 'describe',
    subjects: ['English', 'History'],
    words: ['questions', 'report', 'five w'],
    instructions: 'Which question does each card answer?',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 5, 18).map((box, i) =>
        make.zone(['Who?', 'What?', 'Where?', 'When?', 'Why?'][i]!, box),
      ),
    }),
  },
  {
    name: 'label-a-picture',
    title: 'A picture with labels',
    purpose: 'describe',
    subjects: ['Science', 'Geography'],
    words: ['diagram', 'parts', 'label'],
    instructions: 'Draw it, then put the words beside its parts.',
    page: make => ({
      places: [
        make.drawing('Your drawing', { x: 200, y: 48, width: 560, height: 408 }),
        ...[24, 784].flatMap(x =>
          column({ x, y: 52, width: 152, height: 404 }, 3, 48).map((box, i) =>
            make.slot(`Part ${i + (x === 24 ? 1 : 4)}`, box),
          ),
        ),
      ],
    }),
  },
]
