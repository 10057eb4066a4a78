<script lang="ts">
/** A sentence of the application with words of a board in it, each in its own language and direction. */
export default defineComponent({
  props: { sentence: { type: String, required: true } },
  setup(props) {
    const language = useBoardLanguage()
    return () =>
      partsOfSentence(props.sentence).map(({ words, ofBoard }) =>
        ofBoard ? h('bdi', { lang: language() }, words) : words,
      )
  },
})
</script>
