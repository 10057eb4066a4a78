import type { Edition } from '~~/core/board/edition'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import type { Key } from '~~/core/board/key'
import { pieceName } from '~~/core/board/piece'
import { quantity, quantityText } from '~~/core/exact/quantity'
import { closure } from '~~/core/keys/partialOrder'

/** A key read back in plain words: what counts as right. A sort is read back by its zones, in the panel itself. */
export function useKeySentence(edition: () => Edition) {
  const { t } = useWords()
  const name = (id: PieceId) => pieceName(edition().pieces.get(id)!.piece)
  const heading = (slot: string) => edition().places.get(slot.split(':')[0] as PlaceId)?.place.heading || t('stage.unnamedPlace')
  const number = (text: string) => quantityText(quantity(text))
  const all = <T>(record: Readonly<Record<PieceId, T>>, say: (name: string, value: T) => string) =>
    (Object.entries(record) as [PieceId, T][]).map(([id, value]) => say(name(id), value)).join(', ')

  return function sentence(key: Exclude<Key, { kind: 'sort' }>): string {
    switch (key.kind) {
      case 'order': {
        const after = closure(key.before)
        const total = after && [...after].toSorted(([, a], [, b]) => b.size - a.size)
        // A total order is one in which the numbers of followers count down without a gap.
        if (total?.every(([, followers], i) => followers.size === total.length - 1 - i)) return t('answers.sentence.order', { place: heading(key.lane), names: total.map(([id]) => name(id)).join(', ') })
        return t('answers.sentence.partial', { place: heading(key.lane), pairs: key.before.map(([a, b]) => t('answers.sentence.before', { a: name(a), b: name(b) })).join(', ') })
      }
      case 'slots': return [
        t('answers.sentence.slots', { slots: Object.entries(key.fits).map(([slot, pieces]) => t('answers.sentence.slot', { place: heading(slot), names: pieces.map(name).join(' / ') })).join('; ') }),
        ...(key.alike?.length ? [t('answers.sentence.alike')] : []),
      ].join(' ')
      case 'total': return [
        t('answers.sentence.total', { place: heading(key.place), target: number(key.target) }),
        ...(key.standardForm ? [t('answers.sentence.standard')] : []), ...(key.tiles ? [t('answers.sentence.tiles', { count: key.tiles })] : []),
      ].join(' ')
      case 'balance': return t('answers.sentence.balance', { left: heading(key.left), right: heading(key.right) })
      case 'scale': return t('answers.sentence.scale', { place: heading(key.scale), tolerance: number(key.tolerance), values: all(key.values, (n, value) => t('answers.sentence.value', { name: n, value: number(value) })) })
      case 'label': return t('answers.sentence.label', { pins: all(key.pins, (n, pins) => t('answers.sentence.pin', { name: n, place: pins.map(heading).join(' / ') })) })
    }
  }
}
