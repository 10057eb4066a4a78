import { createEvents, type EventAttributes } from 'ics'
import { dueMoment } from '../../core/handout/due'
import type { Due } from '../../core/handout/settings'

export interface DueEntry {
  readonly id: string
  readonly title: string
  readonly due: Due
  readonly zone: string
  readonly made: Date
}

/** An empty calendar too is one. */
const EMPTY = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'CALSCALE:GREGORIAN',
  'PRODID:Dappled Slate',
  'METHOD:PUBLISH',
  'END:VCALENDAR',
  '',
].join('\r\n')

/** Due days as a calendar (RFC 5545): a day as a whole day, a day with a time as that moment, in UTC. */
export function calendarOf(entries: readonly DueEntry[]): string {
  if (entries.length === 0) return EMPTY
  const { error, value } = createEvents(
    entries.map(({ id, title, due, zone, made }): EventAttributes => {
      const common = {
        uid: `${id}@dappled-slate`,
        title,
        productId: 'Dappled Slate',
        calName: 'Dappled Slate',
        created: made.getTime(),
      }
      const [year, month, day] = due.day.split('-').map(Number) as [number, number, number]
      if (!due.time) return { ...common, start: [year, month, day], duration: { days: 1 } }
      return {
        ...common,
        start: dueMoment(due, zone).getTime(),
        startInputType: 'utc',
        startOutputType: 'utc',
        duration: { minutes: 5 },
      }
    }),
  )
  if (error || !value) throw error ?? new Error('no calendar was made')
  return value
}
