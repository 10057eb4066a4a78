import { DateTime } from 'luxon'
import * as v from 'valibot'

/** A day of the calendar, as ISO 8601 writes it; days that no calendar has are refused. */
export const DaySchema = v.pipe(
  v.string(),
  v.isoDate(),
  v.check(text => DateTime.fromISO(text).isValid, 'There is no such day.'),
)
