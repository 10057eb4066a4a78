/** The pictures that ship, found by words. */
export function useLibrary() {
  const { attempt, trouble } = useAsking()
  const question = ref('')
  /** Null before anything was asked. */
  const found = shallowRef<readonly { name: string; words: string }[] | null>(null)
  const look = useDebounceFn(async () => {
    const asked = question.value
    const pictures = asked.trim()
      ? await attempt(() => ask<{ name: string; words: string }[]>(`/api/library?q=${encodeURIComponent(asked)}`))
      : null
    // An answer to an older question is passed over.
    if (asked === question.value) found.value = pictures ?? null
  }, 200)
  watch(question, () => void look())
  return { question, found, attempt, trouble }
}
