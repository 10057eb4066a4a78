import { CLASSES, TEACHER } from '../demo/school'
import type { RecordedClass, RecordedSchool } from './records'

const person = (name: string, id: string) => {
  const [given = '', family = ''] = name.split(' ')
  return { id, given, family }
}
const listOf = (id: string, title: string, names: readonly string[]): RecordedClass => ({
  id,
  title,
  students: names.map((name, i) => person(name, `${id}-${String(i + 1).padStart(2, '0')}`)),
})
const [older, younger] = [CLASSES[0], CLASSES[1]]
const yearFive = listOf('y56', older.name, older.students)

/**
 * The Ternhaven school as its office has it: since the list of Year 5/6 was typed, one came, one left, and one is
 * called otherwise.
 */
export const TERNHAVEN: RecordedSchool = {
  teachers: [
    { id: 't-holt', email: TEACHER.email, classes: ['y56', 'y2', 'y34'] },
    { id: 't-bray', email: 'col.bray@ternhaven.example', classes: ['y1'] },
  ],
  classes: [
    {
      ...yearFive,
      students: [
        ...yearFive.students.map(student =>
          student.given === 'Noor'
            ? { ...student, preferred: 'Nour' }
            : student.given === 'Piet'
              ? { ...student, status: 'tobedeleted' }
              : student,
        ),
        person('Tilde Groyne', 'y56-25'),
        { ...person('Hal Bight', 'y56-90'), role: 'aide' },
      ],
    },
    listOf('y2', younger.name, younger.students),
    listOf('y34', 'Year 3/4', [
      'Alba Shoal',
      'Bo Tansley',
      'Cleo Marsden',
      'Dov Sandy',
      'Elke Weir',
      'Finn Gully',
      'Greta Spit',
      'Hugo Lagoon',
      'Imke Swell',
      'Jan Ebb',
      'Kian Surf',
      'Lotte Haven',
    ]),
    listOf('y1', 'Year 1', ['Mo Pebble', 'Nell Cray']),
  ],
}
