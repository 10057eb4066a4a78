import { rings } from '../design/newPlaces'
import { column, row, type Organizer } from './plan'

export const COMPARE: readonly Organizer[] = [
  {
    name: 'two-rings',
    title: 'Two rings',
    purpose: 'compare',
    subjects: ['English', 'Science'],
    words: ['Venn diagram', 'both', 'alike', 'different'],
    instructions: 'Put each card in a ring, in both where both are right, or outside.',
    page: make => ({ places: rings(make, 2).map((box, i) => make.zone(i ? 'The other' : 'The one', box, 'ellipse')) }),
  },
  {
    name: 'three-rings',
    title: 'Three rings',
    purpose: 'compare',
    subjects: ['Maths', 'Science'],
    words: ['Venn diagram', 'sets', 'overlap'],
    instructions: 'Put each card in all the rings to which it belongs, or outside.',
    page: make => ({
      places: rings(make, 3).map((box, i) =>
        make.zone(['The first', 'The second', 'The third'][i]!, i === 2 ? { ...box, y: box.y - 8 } : box, 'ellipse'),
      ),
    }),
  },
  {
    name: 't-chart',
    title: 'T-chart',
    purpose: 'compare',
    subjects: ['English', 'History'],
    words: ['two sides', 'for and against', 'pros and cons'],
    instructions: 'Put each card on its side.',
    page: make => ({
      places: row({ x: 24, y: 92, width: 912, height: 364 }, 2, 36).map((box, i) =>
        make.zone(i ? 'Against' : 'For', box),
      ),
      lines: [make.line([480, 16], [480, 464], 'none', 5), make.line([24, 87], [936, 87], 'none', 3)],
    }),
  },
  {
    name: 'comparison-matrix',
    title: 'Comparison matrix',
    purpose: 'compare',
    subjects: ['Science', 'Geography'],
    words: ['table', 'criteria', 'features'],
    instructions: 'Say of each thing how it is.',
    page: make => ({
      places: column({ x: 200, y: 72, width: 736, height: 384 }, 3, 10)
        .flatMap(line => row(line, 4, 10))
        .map(box => make.zone('', { ...box, y: box.y + 4, height: box.height - 4 })),
      figures: [
        ...column({ x: 24, y: 72, width: 164, height: 384 }, 3, 10).map((box, i) =>
          make.words(`Thing ${i + 1}`, box, { bold: true }),
        ),
        ...row({ x: 200, y: 20, width: 736, height: 44 }, 4, 10).map((box, i) =>
          make.words(`Feature ${i + 1}`, box, { bold: true }),
        ),
      ],
    }),
  },
  {
    name: 'yes-no-table',
    title: 'Yes or no, two ways',
    purpose: 'compare',
    subjects: ['Maths', 'Science'],
    words: ['Carroll diagram', 'two-way table', 'sort by two questions'],
    instructions: 'Ask both questions of each card.',
    page: make => ({
      places: column({ x: 190, y: 64, width: 746, height: 392 }, 2, 12)
        .flatMap(line => row(line, 2, 12))
        .map(box => make.zone('', box)),
      figures: [
        ...row({ x: 190, y: 14, width: 746, height: 44 }, 2, 12).map((box, i) =>
          make.words(i ? 'is not …' : 'is …', box, { bold: true }),
        ),
        ...column({ x: 24, y: 64, width: 156, height: 392 }, 2, 12).map((box, i) =>
          make.words(i ? 'has no …' : 'has …', box, { bold: true }),
        ),
      ],
    }),
  },
  {
    name: 'alike-and-different',
    title: 'Alike and different',
    purpose: 'compare',
    subjects: ['English', 'History'],
    words: ['similarities', 'differences'],
    instructions: 'What do they share, and in what do they differ?',
    page: make => ({
      places: [
        make.zone('Both', { x: 264, y: 52, width: 432, height: 160 }),
        ...row({ x: 24, y: 268, width: 912, height: 188 }, 2, 36).map((box, i) =>
          make.zone(i ? 'Only the other' : 'Only the one', box),
        ),
      ],
      lines: [make.line([380, 214], [330, 230], 'one'), make.line([580, 214], [630, 230], 'one')],
    }),
  },
]
