<script lang="ts">
import type { PropType } from 'vue'
import type { Master, Piece } from '~~/core/board/piece'
import { drawPiece } from '~~/core/drawing/piece'

/** A piece around the origin. `written` is what a student wrote on a note. */
export default defineComponent({
  props: {
    piece: { type: Object as PropType<Piece>, required: true },
    master: { type: Object as PropType<Master>, required: true },
    held: Boolean,
    flipped: { type: Boolean as PropType<boolean | undefined>, default: undefined },
    written: { type: String as PropType<string | undefined>, default: undefined },
  },
  setup(props) {
    const language = useBoardLanguage()
    return () => h('g', drawnMarks(drawPiece({ ...props, language: language() }), ''))
  },
})
</script>
