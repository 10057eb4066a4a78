<script lang="ts">
import type { PropType, VNode } from 'vue'
import type { Edition } from '~~/core/board/edition'
import type { Page } from '~~/core/board/board'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import { treeOf, type Branch, type BranchOf, type Tree } from '~~/core/drawing/tree'
import type { Placement } from '~~/core/placement/placement'
import type { SlateState } from '~~/core/slate/state'

/**
 * The page for whoever doesn't see it: a tree of places with what lies in them, in reading order. What can be done
 * something with stands where it is drawn, and belongs here by its id; `reached` says which spots have a field or a
 * sheet of their own.
 */
export default defineComponent({
  props: {
    edition: { type: Object as PropType<Edition>, required: true },
    page: { type: Object as PropType<Page>, required: true },
    state: { type: Object as PropType<SlateState>, required: true },
    reached: { type: Function as PropType<(spot: string) => boolean>, required: true },
    placements: { type: Array as PropType<readonly Placement[]>, required: true },
    nameOf: { type: Function as PropType<(piece: PieceId) => string>, required: true },
    placeName: { type: Function as PropType<(place: PlaceId) => string>, required: true },
  },
  setup(props) {
    const { t } = useWords()
    const idOf = useThingIds()
    const tree = computed(() => treeOf(props))
    const language = () => props.edition.board.language

    const words = (text: string, tag = 'span') => h(tag, { lang: language(), dir: 'auto' }, text)
    const owner = (id: string) => h('span', { 'aria-owns': idOf(id) })
    const all = (within: Tree): VNode[] => within.flatMap(shown)
    const group = (label: string, within: Tree) => h('div', { role: 'group', 'aria-label': label }, all(within))

    type Tellers = { readonly [Is in Branch['is']]: (branch: BranchOf<Is>) => VNode | VNode[] }
    const TELL: Tellers = {
      printed: ({ words: text }) => words(text, 'p'),
      picture: ({ words: alt }) => (alt ? h('span', { role: 'img', 'aria-label': alt, lang: language() }) : []),
      pressed: ({ id, words: text }) => (props.reached(id) ? owner(id) : words(text, 'p')),
      step: ({ number, words: text, within }) =>
        h('div', { role: 'group', 'aria-label': t('tree.step', { number }) }, [words(text, 'p'), ...all(within)]),
      place: placed,
      both: ({ places, within }) =>
        group(
          t('tree.both', { places: places.map(props.placeName).join(t('stage.and')), count: within.length }),
          within,
        ),
      cell: ({ row, column, words: text, within }) =>
        within.length
          ? group(
              t(text ? 'tree.printedCell' : 'tree.cell', { row: row + 1, column: column + 1, printed: text }),
              within,
            )
          : words(`${text} `),
      row: ({ row, words: text }) => h('p', [h('span', `${t('tree.row', { row: row + 1 })} `), words(text)]),
      words: ({ words: text }) => words(text),
      gap: ({ id, number, words: text, within }) => {
        if (props.reached(id)) return owner(id)
        if (within.length) return h('span', all(within))
        return text ? words(text) : h('span', t('tree.emptyGap', { number }))
      },
      written: ({ id, words: text }) => (props.reached(id) ? owner(id) : text ? words(text, 'p') : []),
      ink: ({ id, lines }) => [
        ...(props.reached(id) ? [owner(id)] : []),
        ...(lines ? [h('p', t('tree.lines', { count: lines }))] : []),
      ],
      piece: ({ id }) => owner(id),
      loose: ({ within }) => group(t('tree.loose', { count: within.length }), within),
      join: ({ from, to }) => h('p', t('stage.connect', { from: props.nameOf(from), to: props.nameOf(to) })),
      own: ({ id }) => owner(id),
    }
    // A branch's kind picks its own teller; TypeScript can't follow that pairing through the lookup.
    const shown = (branch: Branch) => (TELL[branch.is] as (branch: Branch) => VNode | VNode[])(branch)

    /** A name that the board gives is told with what kind of place it is; without one the kind is its name. */
    function placed({ id, place, pieces, things, within }: BranchOf<'place'>): VNode | VNode[] {
      const name = props.placeName(id)
      const named = place.kind !== 'pin' && (place.heading || props.state.texts[id])
      const what = named ? t('tree.place', { name, kind: t(`tree.kind.${place.kind}`) }) : name
      const whose = place.part ? t('tree.whose', { part: t('marks.part', { number: place.part }) }) : ''
      const holds = (it: string) =>
        !pieces && things ? it : t(pieces ? 'tree.holds' : 'tree.empty', { place: it, count: pieces })
      switch (place.kind) {
        // Their fields say themselves what they are called.
        case 'writing':
        case 'drawing':
          return place.part ? group(t('marks.part', { number: place.part }), within) : all(within)
        case 'gaps':
          return group(what + whose, within)
        case 'grid':
          return group(holds(t('tree.size', { place: what, rows: place.rows, columns: place.columns })) + whose, within)
        case 'zone':
        case 'lane':
        case 'slot':
        case 'scale':
        case 'pin':
        case 'pan':
          return group(holds(what) + whose, within)
      }
    }
    return () => h('div', { class: 'sr-only', 'data-test': 'tree' }, all(tree.value))
  },
})
</script>
