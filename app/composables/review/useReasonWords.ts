import type { Edition } from '~~/core/board/edition'
import type { Reason, Word } from '~~/core/keys/reason'

type Names = Pick<ReturnType<typeof useNames>, 'heading' | 'piece' | 'figure' | 'cell'>

/** The words of a reason, with the names of what it is about; `named` may mark them as the board's. */
export function useReasonWords(
  edition: () => Edition,
  texts: () => Readonly<Record<string, string>>,
  named: (name: string) => string = name => name,
) {
  const { t } = useWords()
  const { heading, piece, figure, cell } = useNames(edition, texts)
  const names: Names = {
    heading: place => named(heading(place)),
    piece: id => named(piece(id)),
    figure: id => named(figure(id)),
    cell: (grid, name) => named(cell(grid, name)),
  }
  return ({ words }: Reason): Record<string, string | number> =>
    Object.fromEntries(Object.entries(words).map(([name, word]) => [name, said(word, names) || t('marks.nothing')]))
}

function said(word: Word, names: Names): string | number {
  if (typeof word !== 'object') return word
  if ('anyPlace' in word) return word.anyPlace.map(names.heading).join(' / ')
  if ('allPlaces' in word) return word.allPlaces.map(names.heading).join(' + ')
  if ('pieces' in word) return word.pieces.map(names.piece).join(', ')
  if ('anyPiece' in word) return word.anyPiece.map(names.piece).join(' / ')
  if ('figures' in word) return word.figures.map(names.figure).join(', ')
  if ('joins' in word) return word.joins.map(pair => pair.map(names.figure).join(' – ')).join(', ')
  if ('arrows' in word)
    return word.arrows.map(pair => pair.map(names.piece).join(word.bothWays ? ' – ' : ' → ')).join(', ')
  return word.cells.map(cell => names.cell(word.grid, cell)).join(', ')
}
