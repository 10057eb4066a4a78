<script lang="ts">
import type { PropType } from 'vue'
import type { Master, Piece } from '~~/core/board/piece'
import { drawPiece } from '~~/core/drawing/piece'
import type { OnPage } from '~~/core/slate/state'
import { spotOf } from '~/composables/board/spotOf'

/** Points around a piece at which it is marked. */
const AROUND = 4

/**
 * A piece that lies on a page under somebody's hands. Drawn anew when something of this very piece has changed; one
 * component, for there may be hundreds of them.
 */
export default defineComponent({
  props: {
    piece: { type: Object as PropType<Piece>, required: true },
    master: { type: Object as PropType<Master>, required: true },
    at: { type: Object as PropType<OnPage>, required: true },
    /** CSS pixels for a point of the page. */
    scale: { type: Number, required: true },
    /** What it is called and where it lies. */
    label: { type: String, required: true },
    editable: Boolean,
    /** Held, in whatever way. */
    taken: Boolean,
    chosen: Boolean,
    /** Another picture of it is under a hand. */
    faint: Boolean,
    marked: Boolean,
    written: { type: String as PropType<string | undefined>, default: undefined },
  },
  emits: { key: (_event: KeyboardEvent, _piece: Piece['id']) => true },
  setup(props, { emit }) {
    const idOf = useThingIds()
    const language = useBoardLanguage()
    const onKeydown = (event: KeyboardEvent) => emit('key', event, props.piece.id)
    /** A tile that is small under a finger is caught around its edges, too. */
    const room = () =>
      props.editable && props.piece.kind === 'tile' && props.master.look?.kind !== 'sector'
        ? h('rect', { ...fingerRoom(props.master, props.scale), fill: 'transparent' })
        : null
    function mark() {
      const { width, height } = props.master
      return h('rect', {
        x: -width / 2 - AROUND,
        y: -height / 2 - AROUND,
        width: width + 2 * AROUND,
        height: height + 2 * AROUND,
        rx: 9,
        fill: 'none',
        stroke: '#a86a05',
        'stroke-width': 4,
      })
    }
    return () => {
      const { piece, master, at, editable, chosen, written } = props
      const look = { piece, master, held: chosen, flipped: at.flipped, written, language: language() }
      return h(
        'g',
        {
          id: idOf(piece.id),
          'data-piece': piece.id,
          'data-hand': editable ? 'piece' : undefined,
          transform: spotOf(at),
          class: ['piece', editable && 'cursor-grab', props.faint && 'opacity-25'],
          role: editable ? 'button' : 'img',
          tabindex: editable ? 0 : undefined,
          'aria-label': props.label,
          'aria-pressed': editable ? props.taken : undefined,
          onKeydown,
        },
        [room(), h('g', drawnMarks(drawPiece(look), '')), props.marked ? mark() : null],
      )
    }
  },
})
</script>
