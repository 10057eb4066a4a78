import type { Figure } from '~~/core/board/backdrop'
import type { Edition } from '~~/core/board/edition'
import type { FigureId, PieceId, PlaceId } from '~~/core/board/ids'
import { pieceName } from '~~/core/board/pieceName'

/** What everything on a board is called. `texts` are a slate's: students name notes and places themselves. */
export function useNames(edition: () => Edition, texts: () => Readonly<Record<string, string>> = () => ({})) {
  const { t } = useWords()
  const place = (id: PlaceId) => edition().places.get(id)?.place
  const { headingOf } = useHeadings()
  function heading(id: PlaceId): string {
    const known = edition().places.get(id)
    return known ? headingOf(known.place, known.page, texts()) : t('marks.gone')
  }
  /** By its words, or the name that it was given; else by its number among the nameless ones of its page. */
  function figure(id: FigureId): string {
    const figures = edition()
      .board.pages.map(page => page.backdrop.figures ?? [])
      .find(some => some.some(f => f.id === id))
    const nameOf = (f: Figure | undefined) => f?.text.trim() || f?.name?.trim() || ''
    const known = figures?.find(f => f.id === id)
    const nameless = (figures ?? []).filter(f => !nameOf(f))
    return nameOf(known) || (known ? t('marks.figure', { number: nameless.indexOf(known) + 1 }) : t('marks.gone'))
  }

  /** What stands in a cell, or its number, counted row by row from 1. */
  function cell(grid: PlaceId, name: string): string {
    const known = place(grid)
    const [row, column] = name.split(',').map(Number) as [number, number]
    if (known?.kind !== 'grid') return name
    return known.printed?.[row * known.columns + column] || String(row * known.columns + column + 1)
  }
  return {
    heading,
    cell,
    piece(id: PieceId): string {
      const piece = edition().pieces.get(id)?.piece
      return piece ? (piece.kind === 'note' && texts()[id]) || pieceName(piece) : t('marks.gone')
    },
    figure,
    /** A place by its heading, a gap by its number, a cell by row and column as people count. */
    spot(name: string): string {
      const [id, within] = name.split(':') as [PlaceId, string | undefined]
      if (!within) return heading(id)
      const [row, column] = within.split(',').map(n => Number(n) + 1)
      return place(id)?.kind === 'gaps'
        ? t('stage.gap', { number: column ?? row! })
        : t('marks.cell', { heading: heading(id), row: row!, column: column! })
    },
  }
}
