import * as v from 'valibot'
import { LONGEST_COUNTDOWN, LONGEST_TIMER, TIMER_ENDS, type TimerSetting } from './timer'

const seconds = (most: number, least = 0) => v.pipe(v.number(), v.integer(), v.minValue(least), v.maxValue(most))

/** A timer as it is set. */
export const TimerSchema = v.strictObject({
  seconds: seconds(LONGEST_TIMER, 1),
  /** Seconds that are counted down one by one at its end. */
  countdown: seconds(LONGEST_COUNTDOWN),
  atEnd: v.picklist(TIMER_ENDS),
  /** Whether students see it on their slates. */
  onSlates: v.boolean(),
}) satisfies v.GenericSchema<unknown, TimerSetting>
