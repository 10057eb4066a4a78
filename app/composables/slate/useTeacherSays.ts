import type { MarginEntry, ReviewEntry } from '~/composables/slate/margin'

/** What the teacher said of a slate, and whether it stands beside the page. */
export function useTeacherSays({
  margin,
  review,
  back,
  further,
  told,
  dragging,
}: {
  readonly margin: Readonly<Ref<readonly MarginEntry[]>>
  readonly review: Readonly<Ref<ReviewEntry | null>>
  readonly back: Readonly<Ref<boolean>>
  /** It is a further try. */
  readonly further: Readonly<Ref<boolean>>
  /** What the key says. */
  readonly told: Readonly<Ref<readonly unknown[] | null>>
  readonly dragging: Readonly<Ref<boolean>>
}) {
  /** What is written while they work is there at once; what was said of the try before in the next one too. */
  const noted = computed(() => back.value || margin.value.length > 0 || (further.value && !!review.value?.comment))
  /** The same, but nothing comes onto the page under a hand that drags. */
  const notes = ref(noted.value)
  watch([noted, dragging], () => !dragging.value && (notes.value = noted.value))
  const isThere = computed(() => notes.value || !!told.value)
  /** It is there until it is closed; what comes opens it. */
  const isOpen = ref(noted.value)
  /** What is opened by hand takes the keyboard along; what comes by itself doesn't. */
  const asked = ref(false)
  watch([() => margin.value.length, notes, told], ([now, are, items], [before, were, had]) => {
    if (now <= before && !(are && !were) && !(items && !had)) return
    asked.value = false
    isOpen.value = true
  })
  function toggle() {
    asked.value = true
    isOpen.value = !isOpen.value
  }
  return { notes: readonly(notes), isThere, isOpen, asked: readonly(asked), toggle }
}
