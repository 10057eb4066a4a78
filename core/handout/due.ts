import { DateTime, IANAZone } from 'luxon'
import type { Due } from './settings'

/** Whether the zone is one that this machine knows (IANA time zone database). */
export const isZone = (zone: string) => IANAZone.isValidZone(zone)

/**
 * The moment at which it is due: that time on the day, or the day's last second, where the class is. A time that a
 * clock passes over in spring is as much later as the clock was put forward; one that comes twice in autumn is the
 * first of the two (as RFC 5545, 3.3.5, reads local times).
 */
export function dueMoment({ day, time }: Due, zone: string): Date {
  const at = DateTime.fromISO(`${day}T${time ?? '23:59:59'}`, { zone })
  if (!at.isValid) return DateTime.fromISO(`${day}T${time ?? '23:59:59'}`, { zone: 'utc' }).toJSDate()
  return at
    .getPossibleOffsets()
    .reduce((first, other) => (other < first ? other : first))
    .toJSDate()
}

/** When the n-th of a series is due: as long after its own day as the first is after the first's. */
export function dueOfSeries(due: Due, first: Pick<Due, 'day'>, own: Pick<Due, 'day'>): Due {
  const days = (a: string, b: string) =>
    DateTime.fromISO(b, { zone: 'utc' }).diff(DateTime.fromISO(a, { zone: 'utc' }), 'days').days
  return {
    ...due,
    day: DateTime.fromISO(due.day, { zone: 'utc' })
      .plus({ days: days(first.day, own.day) })
      .toISODate()!,
  }
}

/** Whole days from the day it is there now to the day it is due: 0 is today, negative is past. */
export function daysUntil({ day }: Pick<Due, 'day'>, zone: string, now: Date): number {
  const today = DateTime.fromJSDate(now, { zone }).startOf('day')
  return Math.round(DateTime.fromISO(day, { zone }).startOf('day').diff(today, 'days').days)
}
