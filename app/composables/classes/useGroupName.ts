import { leafOf, markOf, roundOf } from '~~/core/groups/marks'

/**
 * What the group with this number is called, counting from 0, unless its teacher calls it something else: by its leaf.
 */
export function useGroupName() {
  const { t } = useWords()
  return (index: number): string =>
    [t(`groups.leaves.${leafOf(markOf(index))}`), roundOf(markOf(index))].filter(Boolean).join(' ')
}
