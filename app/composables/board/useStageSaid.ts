import { progress } from '~~/core/placement/tasks'
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import type { Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'
import type { Held } from '~/composables/board/useStage'

interface Shown {
  readonly edition: () => Edition
  readonly page: () => Page
  readonly state: () => SlateState
}

/** What is said of the hands to who can't see them: what is picked up, over what it is, where it lies now. */
export function useStageSaid(shown: Shown) {
  const { t } = useWords()
  const { nameOf: plainName, labels, placed, placeName, told } = useStageNames(shown)
  const { nameOf, whereIs, targetName } = told
  const words = ref('')
  /** The same words a second time are said a second time. */
  const times = ref(0)
  const said = computed({
    get: () => words.value,
    set(now) {
      words.value = now
      times.value++
    },
  })
  /** What was done with what was held is said by the move; that nothing was, when it is let go. */
  let moved = false

  /** As soon as a move is made, before what was held is held no more. Turning doesn't put a piece down. */
  const noteMove = (move: Move) => void (moved = move.kind !== 'turn')
  /** Once the page shows what the move has done. */
  function sayMove(move: Move, piece: PieceId) {
    if (move.kind === 'connect' || move.kind === 'disconnect')
      said.value = t(`stage.${move.kind}`, { from: nameOf(move.from), to: nameOf(move.to) })
    else if (move.kind === 'turn') {
      const side = move.flipped ? t('stage.flipped') : ''
      said.value = t('stage.turned', { name: nameOf(piece), degrees: move.turn, side })
    } else {
      const { placed, of } = progress(shown.state(), shown.edition())
      said.value = t('stage.settled', { name: nameOf(piece), where: whereIs(piece), placed, of })
    }
  }
  function sayHeld(now: Held | null, before: Held | null) {
    if (!now && before && before.way !== 'drag' && !moved) said.value = t('stage.letGo', { name: nameOf(before.piece) })
    moved = false
    if (!now || now.way === 'drag') return
    if (now.way === 'tap') said.value = t('stage.picked', { name: nameOf(now.piece) })
    else if (before?.way !== 'key')
      said.value = t('stage.pickedUp', { name: nameOf(now.piece), where: targetName(now.target) })
    else said.value = t('stage.over', { where: targetName(now.target) })
  }
  const sayJoining = (from: PieceId | null) => void (from && (said.value = t('stage.joining', { name: nameOf(from) })))
  return { said, times, nameOf: plainName, labels, placed, placeName, noteMove, sayMove, sayHeld, sayJoining }
}
