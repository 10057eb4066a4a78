import { isCounted } from '~~/core/keys/kinds'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import { makeEdition } from '~~/core/board/edition'
import type { Findings } from '~~/core/findings/findings'
import type { FindingsView } from '~/composables/review/useFindings'
import type { Bars } from '~/components/findings/FindingChart.vue'
import type { Column, TableRow } from '~/components/findings/FindingTable.vue'

export interface FindingPart {
  readonly name: 'whole' | 'homes' | 'items' | 'together' | 'orders' | 'alone' | 'change' | 'sorts' | 'pace'
  /** In one sentence, first. */
  readonly says: string
  readonly more?: string
  readonly list?: readonly string[]
  /** Drawn on the board, or beside it. */
  readonly picture?: 'piles' | 'tree'
  readonly chart?: Bars
  readonly table?: { readonly columns: readonly Column[]; readonly rows: readonly TableRow[] }
}

/** Seconds before a card that say nothing of it. */
const SHORTEST_HALT = 2
/** Points on one bar of the picture of the whole, so that there are no more bars than this. */
const MOST_BARS = 20

const percent = (share: number | null) => (share === null ? '–' : `${Math.round(share * 100)} %`)
/** Minutes and seconds. */
const time = (seconds: number) =>
  `${Math.floor(Math.round(seconds) / 60)}:${String(Math.round(seconds) % 60).padStart(2, '0')}`
/** To a hundredth; what is hardly below nought is nought. */
const decimal = (value: number | null) =>
  value === null ? '–' : ((Math.round(value * 100) || 0) / 100).toFixed(2).replace('-', '−')

/** What a handout tells of how its students think, in words, tables and pictures. */
export function useFindingParts(view: () => FindingsView | null, findings: () => Findings | null) {
  const { t } = useWords()
  const edition = computed(() => makeEdition(view()!.board))
  const names = useNames(() => edition.value)
  const itemName = useItemName(() => edition.value)
  const found = () => findings()!
  const nameOfItem = (name: string) => {
    const item = found().scores.items.find(one => one.name === name)
    return item ? itemName(item) : name
  }
  const placeName = (place: string | null) => (place === null ? t('findings.noPlace') : names.heading(place as PlaceId))

  function whole(): FindingPart | null {
    const { whole } = found()
    if (!whole) return null
    const [low, middle, high] = whole.quartiles.map(value => Math.round(value * 2) / 2)
    const { reliability, totals, of } = whole
    const wide = Math.max(1, Math.ceil((of + 1) / MOST_BARS))
    const bars = Array.from({ length: Math.ceil((of + 1) / wide) }, (_, i) => i * wide)
    return {
      name: 'whole',
      says: t('findings.wholeSays', { middle: middle!, low: low!, high: high!, of }),
      more: t(`findings.reliability.${reliability.kind}`, {
        value: 'value' in reliability ? decimal(reliability.value) : '',
      }),
      chart: {
        labels: bars.map(from => (wide === 1 ? String(from) : `${from}–${Math.min(of, from + wide - 1)}`)),
        of: t('findings.chart.points'),
        count: t('findings.chart.students'),
        series: [
          {
            name: t('findings.chart.students'),
            tone: 'leaf',
            values: bars.map(from => totals.filter(one => one >= from && one < from + wide).length),
          },
        ],
      },
      table: {
        columns: [{ name: t('findings.chart.points') }, { name: t('findings.chart.students'), number: true }],
        rows: bars.map(from => {
          const count = totals.filter(one => one >= from && one < from + wide).length
          return { key: String(from), cells: [wide === 1 ? from : `${from}–${Math.min(of, from + wide - 1)}`, count] }
        }),
      },
    }
  }

  /** Votes and stands are no answers: nothing of them is right or wrong. */
  const onlyCounted = () => edition.value.board.keys.every(isCounted)

  function homes(): FindingPart | null {
    const { homes, wrongHomes, agreed } = found()
    if (!homes) return null
    const { pieces, places, counts } = homes
    const [worst] = wrongHomes
    return {
      name: 'homes',
      says: worst
        ? t('findings.homesSays', {
            piece: names.piece(worst.piece as PieceId),
            place: placeName(worst.place),
            count: worst.count,
            of: worst.of,
          })
        : t(onlyCounted() ? 'findings.homesCounted' : 'findings.homesRight'),
      more:
        agreed.kappa === null
          ? undefined
          : t('findings.agreed', { value: decimal(agreed.kappa), count: agreed.complete }),
      picture: 'piles',
      table: {
        columns: [{ name: t('findings.piece') }, ...places.map(place => ({ name: placeName(place), number: true }))],
        rows: counts.map((row, i) => {
          const all = Math.max(
            1,
            row.reduce((sum, n) => sum + n, 0),
          )
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
    if (!found().items.length) return null
    const hardest = found().items.toSorted((a, b) => (a.facility ?? 2) - (b.facility ?? 2))
    const [first] = hardest
    return {
      name: 'items',
      says: t('findings.itemsSays', { item: nameOfItem(first!.item.name), share: percent(first!.facility) }),
      more: t('findings.itemsHow'),
      chart: {
        labels: hardest.map(one => nameOfItem(one.item.name)),
        of: t('findings.item'),
        count: t('findings.chart.students'),
        lying: true,
        series: (
          [
            ['right', 'leaf'],
            ['wrong', 'berry'],
            ['undecided', 'sunfleck'],
            ['notPlaced', 'stone'],
          ] as const
        ).map(([what, tone]) => ({ name: t(`findings.column.${what}`), tone, values: hardest.map(one => one[what]) })),
      },
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
    const pairs = found().wrongPairs
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

  /** How far they agree on what stands in a row. */
  function orders(): FindingPart | null {
    const { orders } = found()
    const [first] = orders
    if (!first) return null
    const name = (piece: string) => names.piece(piece as PieceId)
    return {
      name: 'orders',
      says: t('findings.ordersSays', {
        place: placeName(first.place),
        order: first.ranks.map(one => name(one.piece)).join(', '),
        count: first.complete,
      }),
      more: first.w === null ? undefined : t('findings.ordersAgree', { value: decimal(first.w) }),
      table: {
        columns: [
          { name: t('findings.piece') },
          { name: t('findings.row') },
          { name: t('findings.column.rank'), number: true },
        ],
        rows: orders.flatMap(({ place, ranks }) =>
          ranks.map(({ piece, rank }) => ({
            key: `${place} ${piece}`,
            cells: [name(piece), placeName(place), rank.toFixed(1)],
          })),
        ),
      },
    }
  }

  function alone(): FindingPart | null {
    const { slates } = found()
    const groups = (view()!.alone?.groups ?? []).filter(one => slates.some(({ slate }) => slate === one.slate))
    if (!groups.length) return null
    const nameOf = (slate: string) => slates.find(one => one.slate === slate)?.name ?? ''
    return {
      name: 'alone',
      says: t('findings.aloneSays', { count: groups.filter(one => one.together > one.best).length, of: groups.length }),
      table: {
        columns: [
          { name: t('findings.group') },
          ...(['together', 'alone', 'best', 'members'] as const).map(column => ({
            name: t(`findings.column.${column}`),
            number: true,
          })),
        ],
        rows: groups.map(one => ({
          key: one.slate,
          cells: [nameOf(one.slate), percent(one.together), percent(one.alone), percent(one.best), one.members],
          shares: [null, one.together, one.alone, one.best],
        })),
      },
    }
  }

  function change(): FindingPart | null {
    const { change: made } = found()
    if (!made) return null
    const [gained, lost] = (['gained', 'lost'] as const).map(what =>
      made.items.reduce((sum, one) => sum + one[what], 0),
    )
    return {
      name: 'change',
      says: t('findings.changeSays', {
        before: percent(made.before),
        after: percent(made.after),
        gained: gained!,
        lost: lost!,
        count: made.slates,
      }),
      more: made.gain === null ? undefined : t('findings.gain', { value: decimal(made.gain) }),
      chart: {
        labels: made.items.map(one => nameOfItem(one.name)),
        of: t('findings.item'),
        count: t('findings.chart.students'),
        lying: true,
        series: (
          [
            ['keptRight', 'leaf'],
            ['gained', 'sunfleck'],
            ['lost', 'berry'],
            ['keptWrong', 'stone'],
          ] as const
        ).map(([what, tone]) => ({
          name: t(`findings.column.${what}`),
          tone,
          values: made.items.map(one => one[what]),
        })),
      },
      table: {
        columns: [
          { name: t('findings.item') },
          ...(['keptRight', 'gained', 'lost', 'keptWrong', 'chance'] as const).map(column => ({
            name: t(`findings.column.${column}`),
            number: true,
          })),
        ],
        rows: made.items.map(one => ({
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
    const { sorts } = found()
    if (!sorts) return null
    const { pieces, together, groups, agreement, complete } = sorts
    const name = (piece: string) => names.piece(piece as PieceId)
    return {
      name: 'sorts',
      says: t('findings.sortsSays', { count: groups.filter(one => one.pieces.length > 1).length }),
      more: agreement === null ? undefined : t('findings.sortsAgree', { value: decimal(agreement), count: complete }),
      list: groups.map(group => {
        const said = group.names.map(one => t('findings.called', { name: one.name, count: one.count })).join(', ')
        return [group.pieces.map(name).join(', '), said].filter(Boolean).join(' – ')
      }),
      picture: 'tree',
      table: {
        columns: [{ name: t('findings.piece') }, ...pieces.map(piece => ({ name: name(piece), number: true }))],
        rows: pieces.map((one, i) => {
          const shares = together[i]!
          return { key: one, cells: [name(one), ...shares.map(percent)], shares: [null, ...shares] }
        }),
      },
    }
  }

  function pace(): FindingPart | null {
    const { hints } = view()!
    const { pace } = found()
    const slowest = pace.toSorted((a, b) => b.after - a.after)[0]
    if (!slowest) return null
    return {
      name: 'pace',
      says:
        slowest.after < SHORTEST_HALT
          ? t('findings.paceEven')
          : t('findings.paceSays', { piece: names.piece(slowest.piece as PieceId), time: time(slowest.after) }),
      more: `${t('findings.paceHow')} ${t('findings.hints', { count: hints.slates, looks: hints.looks })}`,
      chart: {
        labels: pace.map(one => names.piece(one.piece as PieceId)),
        of: t('findings.piece'),
        count: t('findings.chart.minutes'),
        lying: true,
        series: [
          {
            name: t('findings.column.middle'),
            tone: 'leaf',
            values: pace.map(one => Math.round((one.quartiles[1] / 60) * 100) / 100),
          },
        ],
      },
      table: {
        columns: [
          { name: t('findings.piece') },
          { name: t('findings.column.put'), number: true },
          ...(['early', 'middle', 'late', 'after'] as const).map(column => ({
            name: t(`findings.column.${column}`),
            number: true,
          })),
        ],
        rows: pace.map(one => ({
          key: one.piece,
          cells: [names.piece(one.piece as PieceId), one.count, ...one.quartiles.map(time), time(one.after)],
        })),
      },
    }
  }

  const parts = computed(() =>
    view() && findings()?.slates.length
      ? [homes(), whole(), items(), together(), orders(), alone(), change(), sorts(), pace()].filter(
          part => part !== null,
        )
      : [],
  )
  return { parts, edition }
}
