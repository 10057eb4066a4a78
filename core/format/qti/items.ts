import type { Edition } from '../../board/edition'
import type { Key } from '../../keys/key'
import { matchItem, orderItem, sortItem } from './choices'
import type { Carried, LeftOut } from './frame'
import { labelItem, slotsItem, writeItem } from './gaps'
import { coverItem, inkItem } from './hotspots'

/** A key as an item. A page whose key it is must be on the board. */
export function itemFor(key: Key, edition: Edition): Carried {
  const page = edition.board.pages.find(one => one.id === key.page)!
  const of = { edition, page }
  const also: readonly LeftOut[] = key.also?.length ? ['also'] : []
  const carried = ((): Carried => {
    switch (key.kind) {
      case 'sort':
        return sortItem({ key, ...of })
      case 'match':
        return matchItem({ key, ...of })
      case 'order':
        return orderItem({ key, ...of })
      case 'slots':
        return slotsItem({ key, ...of })
      case 'label':
        return labelItem({ key, ...of })
      case 'write':
        return writeItem({ key, ...of })
      case 'ink':
        return inkItem({ key, ...of })
      case 'cover':
        return coverItem({ key, ...of })
      case 'arrows':
      case 'balance':
      case 'expression':
      case 'scale':
      case 'spectrum':
      case 'total':
      case 'vote':
        return { item: null, left: ['kind'] }
    }
  })()
  return { ...carried, left: [...carried.left, ...(carried.item === null ? [] : also)] }
}
