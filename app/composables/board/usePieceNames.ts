import type { Master, Piece } from '~~/core/board/piece'
import { aloudOf, pieceName } from '~~/core/board/pieceName'

/**
 * What pieces are called aloud. It begins with what is seen of them, so that whoever speaks to the device is understood
 * (WCAG 2.2, 2.5.3).
 */
export function usePieceNames() {
  const { t, said } = useWords()
  return function spokenName(piece: Piece, master: Pick<Master, 'fixed'>): string {
    const name = pieceName(piece)
    const aloud = aloudOf(piece, master)
    if (!aloud) return name
    if (aloud.kind === 'letter') return t('stage.letter', { name })
    const { negative, count, parts } = aloud
    const part = said(`stage.parts.${parts}`, 'stage.parts.other', { count })
    return t(negative ? 'stage.minusFraction' : 'stage.fraction', { name, count, part })
  }
}
