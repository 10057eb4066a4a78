import type { Board } from '~~/core/board/board'
import { makeEdition } from '~~/core/board/edition'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import { fleissKappa } from '~~/core/findings/agreement'
import { changeOf } from '~~/core/findings/change'
import { homesOf, wrongTogether } from '~~/core/findings/homes'
import { paceOf, type FirstPut } from '~~/core/findings/pace'
import { itemFindings } from '~~/core/findings/items'
import { reliabilityOf } from '~~/core/findings/reliability'
import { totalsOf, type Scores } from '~~/core/findings/scores'
import { clustersOf, groupsAt, leavesOf, togetherness } from '~~/core/findings/sorts'
import { quantile } from '~~/core/findings/counts'
import { wrongHomes } from '~~/core/findings/wrongHomes'
import type { Lies } from '~~/core/keys/outcomes'
import type { SlateStatus } from '~~/core/slate/status'
import type { Column, TableRow } from '~/components/findings/FindingTable.vue'

export interface FindingsView {
  readonly board: Board
  readonly slates: readonly { slate: string; name: string; group: string | null; status: SlateStatus }[]
  readonly scores: Scores
  readonly lies: readonly Lies[]
  readonly before: Scores | null
  readonly puts: readonly FirstPut[]
  readonly hints: { readonly slates: number; readonly looks: number }
  readonly unmarked: number
}

export interface FindingPart {
  readonly name: 'whole' | 'homes' | 'items' | 'together' | 'change' | 'sorts' | 'pace'
  /** In one sentence, first. */
  readonly says: string
  readonly more?: string
  readonly list?: readonly string[]
  readonly table?: { readonly columns: readonly Column[]; readonly rows: readonly TableRow[] }
}

/** Seconds before a card that say nothing of it. */
const SHORTEST_HALT = 2
/** Pieces that more than half of the sorts put together make a group. */
const GROUPED_AT = 0.5

const percent = (share: number | null) => (share === null ? '–' : `${Math.round(share * 100)} %`)
/** Minutes and seconds. */
const time = (seconds: number) =>
  `${Math.floor(Math.round(seconds) / 60)}:${String(Math.round(seconds) % 60).padStart(2, '0')}`
const decimal = (value: number | null) => (value === null ? '–' : value.toFixed(2).replace('-', '−'))

/** What a handout tells of how its students think. */
export function useFindings(view: () => FindingsView | null) {
  const { t } = useWords()
  const edition = computed(() => makeEdition(view()!.board))
  const names = useNames(() => edition.value)
  const itemName = useItemName(() => edition.value)
  const scores = computed(() => view()!.scores)
  const lies = computed(() => view()!.lies)
  const nameOfItem = (name: string) => {
    const item = scores.value.items.find(one => one.name === name)
    return item ? itemName(item) : name
  }
  const placeName = (place: string | null) => (place === null ? t('findings.noPlace') : names.heading(place as PlaceId))

  function whole(): FindingPart | null {
    const of = scores.value.items.reduce((sum, item) => sum + item.of, 0)
    if (!of) return null
    const totals = totalsOf(scores.value).toSorted((a, b) => a - b)
    const [low, middle, high] = [0.25, 0.5, 0.75].map(share => Math.round(quantile(totals, share) * 2) / 2)
    const found = reliabilityOf(scores.value)
    return {
      name: 'whole',
      says: t('findings.wholeSays', { middle: middle!, low: low!, high: high!, of }),
      more: t(`findings.reliability.${found.kind}`, { value: 'value' in found ? decimal(found.value) : '' }),
    }
  }

  function homes(): FindingPart | null {
    const page = edition.value.board.pages
    const pieces = page
      .flatMap(one => one.pieces.map(piece => piece.id as string))
      .filter(p => lies.value.some(l => p in l))
    const places = page
      .flatMap(one => one.places.map(place => place.id as string))
      .filter(p => lies.value.some(one => Object.values(one).includes(p)))
    if (!pieces.length || !places.length) return null
    const { counts, places: columns } = homesOf(lies.value, pieces, places)
    const [worst] = wrongHomes(scores.value, lies.value)
    const laid = counts.map(row => row.reduce((sum, n) => sum + n, 0))
    // Of those who placed every card, or who placed few would seem to disagree.
    const complete = lies.value.filter(one => pieces.every(piece => piece in one))
    const kappa = fleissKappa(homesOf(complete, pieces, places).counts)
    return {
      name: 'homes',
      says: worst
        ? t('findings.homesSays', {
            piece: names.piece(worst.piece as PieceId),
            place: placeName(worst.place),
            count: worst.count,
            of: worst.of,
          })
        : t('findings.homesRight'),
      more: kappa === null ? undefined : t('findings.agreed', { value: decimal(kappa), count: complete.length }),
      table: {
        columns: [{ name: t('findings.piece') }, ...columns.map(place => ({ name: placeName(place), number: true }))],
        rows: counts.map((row, i) => {
          const all = Math.max(1, laid[i]!)
          return {
            key: pieces[i]!,
            cells: [names.piece(pieces[i] as PieceId), ...row],
            shares: [null, ...row.map(n => n / all)],
          }
        }),
      },
    }
  }

  function items(): FindingPart | null {
    const found = itemFindings(scores.value)
    if (!found.length) return null
    const hardest = found.toSorted((a, b) => (a.facility ?? 2) - (b.facility ?? 2))
    const [first] = hardest
    return {
      name: 'items',
      says: t('findings.itemsSays', { item: nameOfItem(first!.item.name), share: percent(first!.facility) }),
      more: t('findings.itemsHow'),
      table: {
        columns: [
          { name: t('findings.item') },
          ...(['facility', 'right', 'wrong', 'notPlaced', 'undecided', 'discrimination', 'upperLower'] as const).map(
            column => ({ name: t(`findings.column.${column}`), number: true }),
          ),
        ],
        rows: hardest.map(one => ({
          key: one.item.name,
          cells: [
            nameOfItem(one.item.name),
            percent(one.facility),
            one.right,
            one.wrong,
            one.notPlaced,
            one.undecided,
            decimal(one.discrimination),
            decimal(one.upperLower),
          ],
          shares: [null, one.facility],
        })),
      },
    }
  }

  function together(): FindingPart | null {
    const pairs = wrongTogether(scores.value)
    const [first] = pairs
    if (!first) return null
    return {
      name: 'together',
      says: t('findings.togetherSays', {
        one: nameOfItem(first.one),
        other: nameOfItem(first.other),
        both: first.both,
        either: first.either,
      }),
      table: {
        columns: [
          { name: t('findings.item') },
          { name: t('findings.with') },
          { name: t('findings.both'), number: true },
          { name: t('findings.either'), number: true },
        ],
        rows: pairs.map(pair => ({
          key: `${pair.one} ${pair.other}`,
          cells: [nameOfItem(pair.one), nameOfItem(pair.other), pair.both, pair.either],
        })),
      },
    }
  }

  function change(): FindingPart | null {
    const before = view()?.before
    if (!before) return null
    const found = changeOf(before, scores.value)
    if (!found.slates) return null
    const [gained, lost] = (['gained', 'lost'] as const).map(what =>
      found.items.reduce((sum, one) => sum + one[what], 0),
    )
    return {
      name: 'change',
      says: t('findings.changeSays', {
        before: percent(found.before),
        after: percent(found.after),
        gained: gained!,
        lost: lost!,
        count: found.slates,
      }),
      more: found.gain === null ? undefined : t('findings.gain', { value: decimal(found.gain) }),
      table: {
        columns: [
          { name: t('findings.item') },
          ...(['keptRight', 'gained', 'lost', 'keptWrong', 'chance'] as const).map(column => ({
            name: t(`findings.column.${column}`),
            number: true,
          })),
        ],
        rows: found.items.map(one => ({
          key: one.name,
          cells: [
            nameOfItem(one.name),
            one.keptRight,
            one.gained,
            one.lost,
            one.keptWrong,
            one.gained + one.lost ? decimal(one.p) : '–',
          ],
        })),
      },
    }
  }

  /** Of boards that students sort as they like. */
  function sorts(): FindingPart | null {
    if (edition.value.board.keys.some(key => key.kind === 'sort')) return null
    const pieces = edition.value.board.pages
      .flatMap(page => page.pieces.map(piece => piece.id as string))
      .filter(piece => lies.value.filter(one => one[piece]).length > 1)
    if (pieces.length < 3) return null
    const together = togetherness(lies.value, pieces)
    const tree = clustersOf(together, pieces)
    const order = leavesOf(tree)
    const groups = groupsAt(tree, GROUPED_AT)
    const name = (piece: string) => names.piece(piece as PieceId)
    return {
      name: 'sorts',
      says: t('findings.sortsSays', { count: groups.filter(one => one.length > 1).length }),
      list: groups.map(one => one.map(name).join(', ')),
      table: {
        columns: [{ name: t('findings.piece') }, ...order.map(piece => ({ name: name(piece), number: true }))],
        rows: order.map(one => {
          const shares = order.map(other => together[pieces.indexOf(one)]![pieces.indexOf(other)]!)
          return { key: one, cells: [name(one), ...shares.map(percent)], shares: [null, ...shares] }
        }),
      },
    }
  }

  function pace(): FindingPart | null {
    const { puts, hints } = view()!
    const pieces = edition.value.board.pages.flatMap(page => page.pieces.map(piece => piece.id as string))
    const found = paceOf(puts, pieces)
    const slowest = found.toSorted((a, b) => b.after - a.after)[0]
    if (!slowest) return null
    return {
      name: 'pace',
      says:
        slowest.after < SHORTEST_HALT
          ? t('findings.paceEven')
          : t('findings.paceSays', { piece: names.piece(slowest.piece as PieceId), time: time(slowest.after) }),
      more: `${t('findings.paceHow')} ${t('findings.hints', { count: hints.slates, looks: hints.looks })}`,
      table: {
        columns: [
          { name: t('findings.piece') },
          { name: t('findings.column.put'), number: true },
          ...(['early', 'middle', 'late', 'after'] as const).map(column => ({
            name: t(`findings.column.${column}`),
            number: true,
          })),
        ],
        rows: found.map(one => ({
          key: one.piece,
          cells: [names.piece(one.piece as PieceId), one.count, ...one.quartiles.map(time), time(one.after)],
        })),
      },
    }
  }

  const parts = computed(() =>
    view()?.slates.length
      ? [whole(), homes(), items(), together(), change(), sorts(), pace()].filter(part => part !== null)
      : [],
  )
  return parts
}
