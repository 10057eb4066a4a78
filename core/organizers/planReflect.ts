import { column, row, type Organizer } from './plan'

export const PLAN: readonly Organizer[] = [
  {
    name: 'plan-doing-done',
    title: 'To do, doing, done',
    purpose: 'plan',
    subjects: ['Any'],
    words: ['project', 'tasks', 'columns'],
    instructions: 'Write each task on a note, and move it on as the work goes on.',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 3, 24).map((box, i) =>
        make.zone(['To do', 'Doing', 'Done'][i]!, box),
      ),
    }),
    pieces: [{ form: 'note', texts: ['A task'], bin: true }],
  },
  {
    name: 'paragraph-plan',
    title: 'Plan of a text',
    purpose: 'plan',
    subjects: ['English'],
    words: ['writing', 'opening', 'paragraphs', 'ending'],
    instructions: 'Plan what each part of your text will say.',
    page: make => ({
      places: column({ x: 24, y: 44, width: 912, height: 416 }, 5, 36).map((box, i) =>
        make.writing(['Opening', 'First point', 'Second point', 'Third point', 'Ending'][i]!, box),
      ),
    }),
  },
  {
    name: 'fair-test',
    title: 'Plan of a fair test',
    purpose: 'plan',
    subjects: ['Science'],
    words: ['experiment', 'change', 'measure', 'keep the same'],
    instructions: 'What will you change, what will you measure, and what stays the same?',
    page: make => ({
      places: [
        make.writing('Our question', { x: 24, y: 48, width: 912, height: 64 }),
        ...row({ x: 24, y: 168, width: 912, height: 288 }, 3, 24).map((box, i) =>
          make.zone(['We change', 'We measure', 'We keep the same'][i]!, box),
        ),
      ],
    }),
  },
]

export const REFLECT: readonly Organizer[] = [
  {
    name: 'know-wonder-learned',
    title: 'Know, wonder, learned',
    purpose: 'reflect',
    subjects: ['Any'],
    words: ['KWL chart', 'questions', 'before and after'],
    instructions: 'Write what you know and what you wonder. Come back at the end for what you learned.',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 3, 24).map((box, i) =>
        make.writing(['What I know', 'What I wonder', 'What I learned'][i]!, box),
      ),
    }),
  },
  {
    name: 'how-sure',
    title: 'How sure are you?',
    purpose: 'reflect',
    subjects: ['Any'],
    words: ['spectrum', 'from-to', 'confidence', 'exit'],
    instructions: 'Put each card where you stand.',
    page: make => ({
      places: [
        make.scale(
          'How sure am I?',
          { x: 60, y: 200, width: 840, height: 110 },
          { least: '0', most: '1', step: null, ends: ['not yet', 'very sure'] },
        ),
      ],
    }),
  },
  {
    name: 'agree-disagree',
    title: 'Agree or not',
    purpose: 'reflect',
    subjects: ['Any'],
    words: ['opinion', 'debate', 'spectrum', 'vote'],
    instructions: 'Where do you stand on each sentence?',
    page: make => ({
      places: [
        make.scale(
          'Where do you stand?',
          { x: 60, y: 200, width: 840, height: 110 },
          { least: '0', most: '1', step: null, ends: ['I disagree', 'I agree'] },
        ),
      ],
    }),
  },
  {
    name: 'vote',
    title: 'Vote',
    purpose: 'reflect',
    subjects: ['Any'],
    words: ['choose', 'tokens', 'survey'],
    instructions: 'Put your tokens on what you choose.',
    page: make => ({
      places: row({ x: 24, y: 130, width: 912, height: 240 }, 4, 24).map((box, i) => make.zone(`Choice ${i + 1}`, box)),
    }),
    pieces: [{ form: 'token', texts: ['your vote', 'your second vote', 'your third vote'], bin: false }],
  },
  {
    name: 'three-two-one',
    title: 'Three, two, one',
    purpose: 'reflect',
    subjects: ['Any'],
    words: ['exit ticket', 'end of lesson', 'questions'],
    instructions: 'Three things you learned, two that surprised you, one you still ask.',
    page: make => ({
      places: row({ x: 24, y: 56, width: 912, height: 400 }, 3, 24).map((box, i) =>
        make.writing(['Three things I learned', 'Two surprises', 'One question'][i]!, box),
      ),
    }),
  },
]
