<script lang="ts">
import type { PropType } from 'vue'
import type { Page } from '~~/core/board/board'
import type { Place } from '~~/core/board/place'
import { drawPart, drawPlace } from '~~/core/drawing/place'

/** A place; on a page with whose part it is, where it is somebody's. */
export default defineComponent({
  props: {
    place: { type: Object as PropType<Place>, required: true },
    page: { type: Object as PropType<Page | undefined>, default: undefined },
    lit: Boolean,
    clear: Boolean,
  },
  setup(props) {
    return () => {
      const { place, page, lit, clear } = props
      return h('g', [
        ...drawnMarks(drawPlace(place, { lit, clear }), ''),
        ...(page ? drawnMarks(drawPart(place, page), 'part') : []),
      ])
    }
  },
})
</script>
