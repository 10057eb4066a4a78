import type { Edition } from '~~/core/board/edition'
import { pieceName } from '~~/core/board/pieceName'
import type { Need } from '~~/core/lesson/needs'

/** Why somebody needs the teacher, in words; and how it is with the others, where it is measured by them. */
export function useNeedWords(edition: () => Edition) {
  const { t } = useWords()
  return function needWords(need: Need): { readonly says: string; readonly than: string | undefined } {
    switch (need.kind) {
      case 'asks':
        return { says: t('walk.need.asks', { count: need.minutes }), than: undefined }
      case 'quiet':
        return {
          says: t('walk.need.quiet', { count: need.minutes }),
          than: t('walk.than.quiet', { count: need.usual + 1 }),
        }
      case 'circles': {
        const known = edition().pieces.get(need.piece)
        const name = known ? pieceName(known.piece) : ''
        return {
          says: t('walk.need.circles', { name, count: need.times }),
          than: t('walk.than.circles', { count: need.usual }),
        }
      }
      case 'wrong':
        return { says: t('walk.need.wrong', { count: need.wrong }), than: t('walk.than.wrong', { count: need.usual }) }
      case 'stuck':
        return { says: t('walk.need.stuck', { count: need.moves }), than: t('walk.than.stuck', { count: need.usual }) }
      case 'hint':
        return { says: t('walk.need.hint', { count: need.hints }), than: t('walk.than.hint', { count: need.usual }) }
    }
  }
}
