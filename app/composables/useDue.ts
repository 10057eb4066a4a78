import type { Due } from '~~/core/handout/settings'

/** A due day in words: today and tomorrow by name, others by weekday and date. */
export function useDue() {
  const { t } = useWords()
  const format = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' })
  return ({ day, time }: Due): string => {
    const days = Math.round((Date.parse(day) - Date.parse(today())) / 86_400_000)
    const named = days === 0 ? t('due.today') : days === 1 ? t('due.tomorrow') : format.format(new Date(`${day}T12:00:00Z`))
    return time ? t('due.at', { day: named, time }) : named
  }
}
