import { row, type Organizer } from './plan'

export const SEQUENCE: readonly Organizer[] = [
  {
    name: 'first-next-last',
    title: 'First, next, then, last',
    purpose: 'sequence',
    subjects: ['English'],
    words: ['order', 'retell', 'steps'],
    instructions: 'Put what happened in its order.',
    page: make => {
      const boxes = row({ x: 24, y: 130, width: 912, height: 230 }, 4, 40)
      return {
        places: boxes.map((box, i) => make.zone(['First', 'Next', 'Then', 'Last'][i]!, box)),
        lines: boxes.slice(1).map(box => make.line([box.x - 36, 245], [box.x - 4, 245], 'one', 4)),
      }
    },
  },
  {
    name: 'sequence-lane',
    title: 'One after the other',
    purpose: 'sequence',
    subjects: ['Science', 'English'],
    words: ['lane', 'order', 'process', 'recipe'],
    instructions: 'Put the cards into the lane in their order.',
    page: make => ({ places: [make.lane('From first to last', { x: 24, y: 190, width: 912, height: 110 })] }),
  },
  {
    name: 'flow-chart',
    title: 'Flow chart',
    purpose: 'sequence',
    subjects: ['Science', 'Computing'],
    words: ['process', 'decision', 'algorithm', 'steps'],
    instructions: 'Put each step in its place. The question has two ways out.',
    page: make => ({
      places: [
        make.slot('Start', { x: 24, y: 60, width: 180, height: 90 }),
        make.slot('Step', { x: 272, y: 60, width: 180, height: 90 }),
        make.slot('Question', { x: 520, y: 60, width: 200, height: 90 }),
        make.slot('If yes', { x: 788, y: 60, width: 148, height: 90 }),
        make.slot('If no', { x: 530, y: 300, width: 180, height: 90 }),
        make.slot('End', { x: 788, y: 300, width: 148, height: 90 }),
      ],
      lines: [
        make.line([206, 105], [268, 105], 'one'),
        make.line([454, 105], [516, 105], 'one'),
        make.line([722, 105], [784, 105], 'one'),
        make.line([620, 152], [620, 262], 'one'),
        make.line([712, 345], [784, 345], 'one'),
        make.line([862, 152], [862, 262], 'one'),
      ],
    }),
  },
  {
    name: 'cycle',
    title: 'Cycle',
    purpose: 'sequence',
    subjects: ['Science'],
    words: ['life cycle', 'water cycle', 'round'],
    instructions: 'Put each stage in its place on the way round.',
    page: make => ({
      places: [
        make.slot('1', { x: 395, y: 48, width: 170, height: 96 }),
        make.slot('2', { x: 690, y: 190, width: 170, height: 96 }),
        make.slot('3', { x: 395, y: 360, width: 170, height: 96 }),
        make.slot('4', { x: 100, y: 190, width: 170, height: 96 }),
      ],
      lines: [
        make.line([575, 104], [740, 156], 'one', 4),
        make.line([770, 294], [580, 400], 'one', 4),
        make.line([385, 404], [195, 296], 'one', 4),
        make.line([200, 156], [388, 104], 'one', 4),
      ],
    }),
  },
  {
    name: 'timeline',
    title: 'Timeline',
    purpose: 'sequence',
    subjects: ['History'],
    words: ['dates', 'years', 'when'],
    instructions: 'Put each event at its time.',
    page: make => ({
      places: [
        make.scale('Years', { x: 40, y: 210, width: 880, height: 120 }, { least: '1900', most: '2000', step: '10' }),
      ],
    }),
  },
  {
    name: 'story-map',
    title: 'Story map',
    purpose: 'sequence',
    subjects: ['English'],
    words: ['characters', 'setting', 'plot', 'beginning', 'middle', 'end'],
    instructions: 'Where does each card belong in the story?',
    page: make => ({
      places: [
        ...row({ x: 24, y: 52, width: 912, height: 120 }, 2, 24).map((box, i) =>
          make.zone(i ? 'Where and when' : 'Who', box),
        ),
        ...row({ x: 24, y: 226, width: 912, height: 230 }, 3, 40).map((box, i) =>
          make.zone(['Beginning', 'Middle', 'End'][i]!, box),
        ),
      ],
      lines: [make.line([304, 340], [340, 340], 'one'), make.line([622, 340], [656, 340], 'one')],
    }),
  },
]
