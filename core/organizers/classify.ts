import { row, type Organizer } from './plan'

export const CLASSIFY: readonly Organizer[] = [
  {
    name: 'sort-three',
    title: 'Sort into three',
    purpose: 'classify',
    subjects: ['English', 'Science'],
    words: ['word sort', 'closed sort', 'categories'],
    instructions: 'Put each card where it belongs.',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 3, 24).map((box, i) =>
        make.zone(['First group', 'Second group', 'Third group'][i]!, box),
      ),
    }),
  },
  {
    name: 'open-sort',
    title: 'Open sort',
    purpose: 'classify',
    subjects: ['English'],
    words: ['own groups', 'name the groups', 'word sort'],
    instructions: 'Make groups of your own, and name each one.',
    page: make => ({ places: row({ x: 24, y: 56, width: 912, height: 400 }, 4, 20).map(box => make.blank(box)) }),
  },
  {
    name: 'tree',
    title: 'Tree of groups',
    purpose: 'classify',
    subjects: ['Science'],
    words: ['branches', 'taxonomy', 'key'],
    instructions: 'Put each card under its branch.',
    page: make => ({
      places: [
        make.slot('All of them', { x: 390, y: 48, width: 180, height: 76 }),
        ...row({ x: 24, y: 236, width: 912, height: 220 }, 3, 28).map((box, i) => make.zone(`Branch ${i + 1}`, box)),
      ],
      lines: [
        make.line([480, 126], [170, 196], 'none', 4),
        make.line([480, 126], [480, 196], 'none', 4),
        make.line([480, 126], [790, 196], 'none', 4),
      ],
    }),
  },
  {
    name: 'pyramid',
    title: 'Pyramid',
    purpose: 'classify',
    subjects: ['Geography', 'Science'],
    words: ['levels', 'food pyramid', 'importance'],
    instructions: 'What stands at the top, and what carries it?',
    page: make => ({
      // Three levels of one triangle with its point at the top.
      places: [
        make.free('', [
          [480, 24],
          [582, 160],
          [378, 160],
        ]),
        make.free('', [
          [372, 168],
          [588, 168],
          [690, 304],
          [270, 304],
        ]),
        make.free('', [
          [264, 312],
          [696, 312],
          [804, 456],
          [156, 456],
        ]),
      ],
      figures: [
        make.words('Top', { x: 620, y: 70, width: 200, height: 44 }, { fromLeft: true }),
        make.words('Middle', { x: 720, y: 214, width: 200, height: 44 }, { fromLeft: true }),
        make.words('Base', { x: 826, y: 362, width: 110, height: 44 }, { fromLeft: true }),
      ],
    }),
  },
  {
    name: 'main-idea',
    title: 'Main idea and details',
    purpose: 'classify',
    subjects: ['English'],
    words: ['details', 'topic', 'paragraph'],
    instructions: 'Find the main idea, and the details that carry it.',
    page: make => ({
      places: [
        make.slot('Main idea', { x: 280, y: 52, width: 400, height: 96 }),
        ...row({ x: 24, y: 236, width: 912, height: 220 }, 3, 24).map((box, i) => make.zone(`Detail ${i + 1}`, box)),
      ],
      lines: [make.line([480, 150], [240, 196]), make.line([480, 150], [480, 196]), make.line([480, 150], [720, 196])],
    }),
  },
  {
    name: 'steps-and-reasons',
    title: 'Two-column proof',
    purpose: 'classify',
    subjects: ['Maths'],
    words: ['proof', 'geometry', 'statements', 'reasons'],
    instructions: 'Put the steps in their order, and its reason beside each.',
    page: make => ({
      places: [
        make.grid('Statement, and its reason', { x: 24, y: 48, width: 912, height: 412 }, { rows: 5, columns: 2 }),
      ],
    }),
  },
]
