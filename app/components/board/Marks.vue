<script lang="ts">
import type { PropType } from 'vue'
import type { Primitive } from '~~/core/drawing/primitive'

/** Draws what the core says of one thing. */
export default defineComponent({
  props: { marks: { type: Array as PropType<readonly Primitive[]>, required: true } },
  setup(props) {
    const uid = useId()
    return () => h('g', drawnMarks(props.marks, uid))
  },
})
</script>
