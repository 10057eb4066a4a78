import { tagsOver, type Work } from '~~/core/findings/year'

const percent = (share: number | null) => (share === null ? '–' : `${Math.round(share * 100)} %`)
const monthName = new Intl.DateTimeFormat('en-GB', { month: 'short', year: '2-digit', timeZone: 'UTC' })

/** How each subject and tag went, month by month, as a table. */
export function useYear(works: () => readonly Work[]) {
  const { t } = useWords()
  const tags = computed(() => tagsOver(works()))
  const months = computed(() => [...new Set(tags.value.flatMap(tag => tag.months.map(one => one.month)))].toSorted())
  const table = computed(() => ({
    columns: [
      { name: t('year.tag') },
      { name: t('year.count'), number: true },
      { name: t('year.mean'), number: true },
      ...months.value.map(month => ({ name: monthName.format(new Date(`${month}-15`)), number: true })),
    ],
    rows: tags.value.map(({ tag, count, mean, months: each }) => {
      const of = months.value.map(month => each.find(one => one.month === month)?.mean ?? null)
      return { key: tag, cells: [tag, count, percent(mean), ...of.map(percent)], shares: [null, null, mean, ...of] }
    }),
  }))
  return { tags, table, percent }
}
