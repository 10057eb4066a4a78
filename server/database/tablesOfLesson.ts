import type { ColumnType, Generated } from 'kysely'
import type { Built } from '../../core/lesson/callOut'
import type { Show } from '../../core/lesson/show'
import type { TimerEnd } from '../../core/lesson/timer'
import type { Fixed, Json, SetOnce, Timestamp } from './columns'

/** What a lesson is led by while it goes on. */
export interface TablesOfLesson {
  /** Targets that were called in a lesson; at most one of a handout is open. */
  callouts: {
    id: Generated<string>
    handout_id: Fixed<string>
    number: Fixed<number>
    page: Fixed<number>
    target: Fixed<string>
    called_at: SetOnce
    ended_at: ColumnType<Date | null, never, Date | null>
  }
  builds: {
    callout_id: Fixed<string>
    slate_id: Fixed<string>
    number: Fixed<number>
    is_there: Fixed<Built['is']>
    way: Fixed<string>
    after_s: Fixed<number | null>
  }
  /** The question jar of a handout. */
  jars: { handout_id: Fixed<string>; is_open: boolean; named: boolean }
  questions: {
    id: Fixed<string>
    number: ColumnType<string, never, never>
    handout_id: Fixed<string>
    student_id: Fixed<string>
    words: Fixed<string>
    /** As the jar was when it was asked. */
    named: Fixed<boolean>
    at: SetOnce
    answered_at: ColumnType<Date | null, never, Date | null>
    hidden_at: ColumnType<Date | null, never, Date | null>
    hidden_by: ColumnType<string | null, never, string | null>
  }
  question_votes: { question_id: Fixed<string>; student_id: Fixed<string>; vote: number }
  /** What stands on the class screen of a handout's lesson. */
  screens: { handout_id: Fixed<string>; show: Json<Show>; shown_at: Timestamp }
  /** The timer of a handout's lesson: at most one. */
  timers: {
    handout_id: Fixed<string>
    ends_at: Timestamp
    countdown_s: number
    at_end: TimerEnd
    on_slates: boolean
    /** When what is to come at its end was done. */
    done_at: ColumnType<Date | null, never, Date | null>
  }
}
