import type { Board } from '~~/core/board/board'
import { versionOf, type Version } from '~~/core/handout/version'

export interface DraftVersion {
  name: string
  what: 'less' | 'another'
  board: string
  pages: string[]
  pieces: string[]
  students: string[]
}

/** The versions of a handout as they are being made: what each is, and for whom. */
export function useVersions(board: () => Board) {
  const { t } = useWords()
  const drafts = ref<DraftVersion[]>([])
  const add = () =>
    drafts.value.push({
      name: t('versions.numbered', { number: drafts.value.length + 2 }),
      what: 'less',
      board: '',
      pages: [],
      pieces: [],
      students: [],
    })
  const without = ({ what, pages, pieces }: DraftVersion) =>
    (what === 'less' ? { pages, pieces } : { pages: [], pieces: [] }) as NonNullable<Version['without']>
  /** Whether it is something else, for somebody, and leaves something. */
  const whole = (one: DraftVersion) =>
    one.name.trim() !== ''
    && one.students.length > 0
    && (one.what === 'another'
      ? one.board !== ''
      : (one.pages.length > 0 || one.pieces.length > 0) && versionOf(board(), without(one)).ok)
  const incomplete = computed(() => drafts.value.some(one => !whole(one)))
  /** Nobody has two: who is put into one is taken out of the others. */
  function give(to: DraftVersion, student: string, on: boolean) {
    for (const one of drafts.value) one.students = one.students.filter(id => id !== student)
    if (on) to.students.push(student)
  }
  const body = () =>
    drafts.value.map(one => ({
      name: one.name.trim(),
      students: one.students,
      without: without(one),
      ...(one.what === 'another' && { board: one.board }),
    }))
  const sentences = computed(() =>
    drafts.value.map(one => t('versions.say', { count: one.students.length, name: one.name })),
  )
  return { drafts, add, give, incomplete, body, sentences, clear: () => (drafts.value = []) }
}
