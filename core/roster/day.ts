import * as v from 'valibot'

/** A day of the calendar, as ISO 8601 writes it; days that no calendar has are refused. */
export const DaySchema = v.pipe(v.string(), v.isoDate(), v.check(isDay, 'There is no such day.'))

function isDay(text: string): boolean {
  const date = new Date(`${text}T12:00:00Z`)
  return !Number.isNaN(date.getTime()) && date.toISOString().slice(0, 10) === text
}
