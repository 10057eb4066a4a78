import answers from './teachers/answers'
import classes from './teachers/classes'
import givingOut from './teachers/givingOut'
import lesson from './teachers/lesson'
import paper from './teachers/paper'
import placesAndPieces from './teachers/placesAndPieces'
import afterLesson from './teachers/afterLesson'
import readIn from './teachers/readIn'
import review from './teachers/review'
import shelf from './teachers/shelf'
import workbench from './teachers/workbench'

/** What only teachers read: it comes with the first of their views, so that a student's device doesn't load it. */
export default {
  ...shelf,
  ...classes,
  ...workbench,
  ...placesAndPieces,
  ...answers,
  ...givingOut,
  ...lesson,
  ...review,
  ...afterLesson,
  ...paper,
  ...readIn,
}
