import type { Due } from '~~/core/handout/settings'

let format: Intl.DateTimeFormat | undefined
/** What dates are written with is made when there is one to write: it takes a slow device a while. */
const inWords = (day: string) =>
  (format ??= new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })).format(new Date(`${day}T12:00:00Z`))

/** A due day in words: today and tomorrow by name, others by weekday and date. */
export function useDue() {
  const { t } = useWords()
  return ({ day, time }: Due): string => {
    const days = Math.round((Date.parse(day) - Date.parse(today())) / 86_400_000)
    const named = days === 0 ? t('due.today') : days === 1 ? t('due.tomorrow') : inWords(day)
    return time ? t('due.at', { day: named, time }) : named
  }
}
