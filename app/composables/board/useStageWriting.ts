import type { PieceId } from '~~/core/board/ids'
import { PIECE_TRAITS } from '~~/core/board/pieceTraits'
import { boxAround } from '~~/core/geometry/outline'
import type { Box } from '~~/core/geometry/shape'
import { fitWords, heightForAll, noteRoom, NOTE_TEXT } from '~~/core/layout/fitWords'
import type { Table } from '~~/core/placement/table'
import type { Author } from '~~/core/slate/actor'
import type { Move } from '~~/core/slate/move'
import { bare } from '~~/core/slate/moves/own'
import { LONGEST_OWN_TEXT, ownMoved, TEXT_SIZES, type Own, type OwnOnSlate } from '~~/core/slate/own'
import { LONGEST_TEXT } from '~~/core/slate/state'
import { editMove, nameOfText } from '~~/core/slate/texts'
import type { TextEdit, Weave } from '~~/core/slate/weave'
import { LINE_HEIGHT } from '~~/core/text/measure'
import { changeMove, takeAwayMove } from '~~/core/tools/making'

/** What words are written on. */
export type Words = Extract<Own, { kind: 'text' | 'note' }>

/** What stands in the one field over the page. The box is in points of the page. */
export interface WrittenNow {
  /** Of the thing that is written on. */
  readonly name: string
  readonly box: Box
  readonly textSize: number
  readonly label: string
  readonly placeholder: string
  readonly text: string
  readonly weave: Weave | undefined
  readonly longest: number
  /** What was typed before the field was there. */
  readonly starts: string
}

type On =
  | { readonly on: 'own'; readonly thing: string; readonly as: Words; readonly starts: string }
  | { readonly on: 'piece'; readonly piece: PieceId; readonly starts: string }

/** Words are written where they lie, whatever they stand on: one's own text or note, or a note of the board. */
export function useStageWriting(view: {
  readonly table: () => Table
  readonly by: () => Author
  readonly make: (move: Move) => void
}) {
  const { t } = useWords()
  const writing = shallowRef<On | null>(null)
  const ownOf = (thing: string): (OwnOnSlate & Words) | undefined => {
    const own = view.table().state.own[thing]
    return own && !own.gone && (own.kind === 'text' || own.kind === 'note') ? (own as OwnOnSlate & Words) : undefined
  }

  /** On something that is there, or that comes to be with its first letter. */
  function writeOwn(thing: string, as?: Own, starts = '') {
    const own = as ?? ownOf(thing)
    if (own?.kind === 'text' || own?.kind === 'note') writing.value = { on: 'own', thing, as: own, starts }
  }
  const isWritten = (piece: PieceId) => {
    const { pieces } = view.table().edition
    return PIECE_TRAITS[pieces.get(piece)!.piece.kind].written && !!view.table().state.pieces[piece]
  }
  function writePiece(piece: PieceId, starts = '') {
    if (isWritten(piece)) writing.value = { on: 'piece', piece, starts }
  }

  const now = computed((): WrittenNow | null => {
    const what = writing.value
    if (!what) return null
    return what.on === 'own' ? ownNow(what) : pieceNow(what)
  })
  function ownNow({ thing, as, starts }: Extract<On, { on: 'own' }>): WrittenNow {
    const there = ownOf(thing)
    const own = there ?? as
    const size = own.kind === 'text' ? TEXT_SIZES[own.size] : fitWords(own.text, noteRoom(own), NOTE_TEXT).size
    const height = own.kind === 'text' ? Math.max(own.height, size * LINE_HEIGHT * 2) : own.height
    const { x, y, width } = boxAround(own, own)
    return {
      name: thing,
      box: { x, y, width, height },
      textSize: size,
      label: t(own.kind === 'text' ? 'tools.writeText' : 'tools.writeNote'),
      placeholder: '',
      text: there?.text ?? '',
      weave: there && view.table().state.weaves?.[nameOfText({ of: 'own', name: thing })],
      longest: LONGEST_OWN_TEXT,
      starts,
    }
  }
  function pieceNow({ piece, starts }: Extract<On, { on: 'piece' }>): WrittenNow | null {
    const { state, edition } = view.table()
    const lies = state.pieces[piece]
    const known = edition.pieces.get(piece)
    if (!lies || !known) return null
    const text = state.texts[piece] ?? ''
    const { width, height, textSize } = known.master
    return {
      name: piece,
      box: boxAround(lies, known.master),
      textSize: fitWords(text, noteRoom({ width, height }), textSize).size,
      label: t('stage.writeOn', { name: known.piece.text }),
      placeholder: known.piece.text,
      text,
      weave: state.weaves?.[nameOfText({ of: 'text', name: piece })],
      longest: LONGEST_TEXT,
      starts,
    }
  }

  function edited(edit: TextEdit, words: string) {
    const what = writing.value
    if (!what) return
    if (what.on === 'piece') return view.make(editMove({ of: 'text', name: what.piece }, edit))
    const { thing, as } = what
    if (ownOf(thing)) return view.make(editMove({ of: 'own', name: thing }, edit))
    // What is written becomes a thing with its first letter.
    if (words.trim()) view.make({ kind: 'own', thing, as: { ...as, text: words }, by: view.by() })
  }
  /** Without any letter left a thing goes again; a note grows where its words find no room. */
  function leave() {
    const what = writing.value
    writing.value = null
    const own = what?.on === 'own' ? ownOf(what.thing) : undefined
    if (what?.on !== 'own' || !own) return
    if (!own.text.trim()) view.make(takeAwayMove(what.thing, own))
    else if (own.kind === 'note') {
      const room = noteRoom(own)
      if (!fitWords(own.text, room, NOTE_TEXT).cut) return
      const { page } = view.table()
      const height = Math.min(page.height, own.height + heightForAll(own.text, room.width) - room.height)
      const grown = { ...(bare(own) as Words), height, y: own.y + (height - own.height) / 2 }
      view.make(changeMove(what.thing, own, ownMoved(grown, 0, 0, page)))
    }
  }
  // What is gone, or was put back on the ledge by somebody, is written on no more.
  watch(now, (is, was) => was && !is && (writing.value = null))

  return { writing, now, writeOwn, writePiece, isWritten, edited, leave }
}
