import { SUBJECTS, type Subject } from '~~/core/board/librarySubjects'

interface Picture {
  readonly name: string
  readonly words: string
}
interface Hits {
  readonly pictures: readonly Picture[]
  readonly of: number
}

/** The pictures that ship: all of a subject, or those that words lead to, a page at a time. */
export function useLibrary() {
  const { attempt, trouble } = useAsking()
  const question = ref('')
  const subject = ref<Subject>(SUBJECTS[0])
  /** Null before the first answer. */
  const found = shallowRef<Hits | null>(null)
  const busy = ref(false)
  const read = (from: number) =>
    attempt(() => ask(`/api/library?${new URLSearchParams({ ...asked(), from: String(from) })}`))
  const asked = () => ({ q: question.value, subject: subject.value })
  const sameAs = (one: ReturnType<typeof asked>) =>
    one.q === question.value && (one.q.trim() !== '' || one.subject === subject.value)

  async function look() {
    const now = asked()
    const hits = await read(0)
    // An answer to an older question is passed over.
    if (sameAs(now)) found.value = hits ?? null
  }
  async function more() {
    if (!found.value || busy.value) return
    busy.value = true
    const [now, before] = [asked(), found.value]
    const next = await read(before.pictures.length)
    if (next && sameAs(now) && found.value === before)
      found.value = { of: next.of, pictures: [...before.pictures, ...next.pictures] }
    busy.value = false
  }
  /** The first picture for what is asked now, without waiting for hands that type fast. */
  async function first(): Promise<Picture | null> {
    if (!question.value.trim()) return null
    await look()
    return found.value?.pictures[0] ?? null
  }
  const lookSoon = useDebounceFn(look, 200)
  watch(question, () => void lookSoon())
  watch(subject, () => void look())
  onMounted(() => void look())
  return { question, subject, found, more, first, busy, attempt, trouble }
}
