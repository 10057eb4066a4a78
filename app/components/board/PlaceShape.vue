<script lang="ts">
import type { PropType } from 'vue'
import type { Place } from '~~/core/board/place'
import { drawPart, drawPlace } from '~~/core/drawing/place'

/** A place, with whose part it is where it is somebody's. */
export default defineComponent({
  props: { place: { type: Object as PropType<Place>, required: true }, lit: Boolean, clear: Boolean },
  setup(props) {
    const { t } = useWords()
    return () => {
      const { place, lit, clear } = props
      const marks = drawnMarks(drawPlace(place, { lit, clear }), '')
      if (!place.part) return h('g', marks)
      const label = t('marks.part', { number: place.part })
      return h('g', [...marks, h('g', { role: 'img', 'aria-label': label }, drawnMarks(drawPart(place), ''))])
    }
  },
})
</script>
