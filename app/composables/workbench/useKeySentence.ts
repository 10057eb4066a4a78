import type { Edition } from '~~/core/board/edition'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import type { InkKey } from '~~/core/keys/ink/key'
import type { Key } from '~~/core/keys/key'
import { polynomial, polynomialText } from '~~/core/exact/polynomial'
import { quantity, quantityText } from '~~/core/exact/quantity'
import { closure } from '~~/core/keys/partialOrder'

/** A key read back in plain words: what counts as right. A sort is read back by its zones, in the panel itself. */
export function useKeySentence(edition: () => Edition) {
  const { t } = useWords()
  const { piece: name, figure, spot: spaceName, cell: cellName, heading: headingOf } = useNames(edition)
  const heading = (slot: string) => headingOf(slot.split(':')[0] as PlaceId)
  const number = (text: string) => quantityText(quantity(text))
  const all = <T>(record: Readonly<Record<PieceId, T>>, say: (name: string, value: T) => string) =>
    (Object.entries(record) as [PieceId, T][]).map(([id, value]) => say(name(id), value)).join(', ')

  function inkSentence(task: InkKey['task']): string {
    switch (task.what) {
      case 'symmetry':
        return t('answers.sentence.symmetry', {
          find: t(`answers.sentence.find.${task.find}`),
          figures: task.figures.map(figure).join(', '),
        })
      case 'circle':
        return t('answers.sentence.circle', { figures: task.answers.map(figure).join(', ') })
      case 'join':
        return t('answers.sentence.join', { pairs: task.pairs.map(pair => pair.map(figure).join(' – ')).join(', ') })
    }
  }

  return function sentence(key: Exclude<Key, { kind: 'sort' }>): string {
    switch (key.kind) {
      case 'order': {
        const after = closure(key.before)
        const total = after && [...after].toSorted(([, a], [, b]) => b.size - a.size)
        // A total order is one in which the numbers of followers count down without a gap.
        if (total?.every(([, followers], i) => followers.size === total.length - 1 - i))
          return t('answers.sentence.order', {
            place: heading(key.lane),
            names: total.map(([id]) => name(id)).join(', '),
          })
        return t('answers.sentence.partial', {
          place: heading(key.lane),
          pairs: key.before.map(([a, b]) => t('answers.sentence.before', { a: name(a), b: name(b) })).join(', '),
        })
      }
      case 'slots':
        return [
          t('answers.sentence.slots', {
            slots: Object.entries(key.fits)
              .map(([slot, pieces]) =>
                t('answers.sentence.slot', { place: heading(slot), names: pieces.map(name).join(' / ') }),
              )
              .join('; '),
          }),
          ...(key.alike?.length ? [t('answers.sentence.alike')] : []),
        ].join(' ')
      case 'total':
        return [
          t('answers.sentence.total', { place: heading(key.place), target: key.target }),
          ...(key.ways?.length ? [t('answers.sentence.ways', { places: key.ways.map(heading).join(', ') })] : []),
          ...(key.standardForm ? [t('answers.sentence.standard')] : []),
          ...(key.tiles ? [t('answers.sentence.tiles', { count: key.tiles })] : []),
        ].join(' ')
      case 'balance':
        return [
          t('answers.sentence.balance', { left: heading(key.left), right: heading(key.right) }),
          ...(key.unknown ? [t('answers.sentence.unknown', { value: number(key.unknown) })] : []),
          ...(key.solve ? [t('answers.sentence.solve')] : []),
        ].join(' ')
      case 'match':
        return [
          t('answers.sentence.match', { sets: key.sets.map(set => set.map(name).join(' + ')).join('; ') }),
          ...(key.where.length
            ? [t('answers.sentence.matchWhere', { places: key.where.map(heading).join(', ') })]
            : []),
        ].join(' ')
      case 'expression':
        return [
          t('answers.sentence.expression', {
            place: heading(key.place),
            target: polynomialText(polynomial(key.target)),
          }),
          ...(key.as ? [t(`answers.sentence.as.${key.as}`)] : []),
        ].join(' ')
      case 'cover':
        return key.array
          ? t('answers.sentence.array', { place: heading(key.grid), ...key.array })
          : t('answers.sentence.cover', {
              place: heading(key.grid),
              cells: key.cells.map(cell => cellName(key.grid, cell)).join(', '),
            })
      case 'arrows':
        return [
          t('answers.sentence.arrows', {
            arrows: key.arrows.map(pair => pair.map(name).join(key.bothWays ? ' – ' : ' → ')).join(', '),
          }),
          ...(key.bothWays ? [t('answers.sentence.bothWays')] : []),
        ].join(' ')
      case 'write':
        return t('answers.sentence.write', {
          answers: Object.entries(key.answers)
            .map(([space, { accepts }]) =>
              t('answers.sentence.answer', {
                place: spaceName(space),
                accepts: accepts.join(t('answers.sentence.orElse')),
              }),
            )
            .join('; '),
        })
      case 'ink':
        return inkSentence(key.task)
      case 'vote':
        return t('answers.sentence.vote', { places: key.places.map(heading).join(', ') })
      case 'spectrum':
        return t('answers.sentence.spectrum', { names: key.pieces.map(name).join(', '), place: heading(key.scale) })
      case 'scale':
        return t('answers.sentence.scale', {
          place: heading(key.scale),
          tolerance: number(key.tolerance),
          values: all(key.values, (n, value) => t('answers.sentence.value', { name: n, value: number(value) })),
        })
      case 'label':
        return t('answers.sentence.label', {
          pins: all(key.pins, (n, pins) =>
            t('answers.sentence.pin', { name: n, place: pins.map(heading).join(' / ') }),
          ),
        })
    }
  }
}
