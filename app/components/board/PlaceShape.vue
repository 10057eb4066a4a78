<script lang="ts">
import type { PropType } from 'vue'
import type { Place } from '~~/core/board/place'
import { drawPart, drawPlace } from '~~/core/drawing/place'

/** A place, with whose part it is where it is somebody's. */
export default defineComponent({
  props: { place: { type: Object as PropType<Place>, required: true }, lit: Boolean, clear: Boolean },
  setup(props) {
    return () => {
      const { place, lit, clear } = props
      return h('g', [...drawnMarks(drawPlace(place, { lit, clear }), ''), ...drawnMarks(drawPart(place), 'part')])
    }
  },
})
</script>
