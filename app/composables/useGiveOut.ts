import { suggestMode } from '~~/core/handout/suggest'
import type { Due, When } from '~~/core/handout/settings'
import type { Board } from '~~/core/board/board'
import type { HandoutMode } from '~~/core/slate/kind'

export interface ClassRow { id: string, name: string, code: string, students: number, helping: boolean, sets: { id: string, name: string, groups: number, members: number }[] }
export interface GivenOut { id: string, classId: string, slates: number }

/** What is asked before a board is given out, and what would come of it. */
export function useGiveOut(board: () => Board) {
  const { t } = useWords()
  const dueWords = useDue()
  const classes = ref<ClassRow[]>([])
  const suggestion = computed(() => suggestMode(board()))
  const mode = ref<HandoutMode>('copy-each')
  const chosen = ref<string[]>([])
  /** By class: the set of groups that frames are made from. */
  const sets = ref<Record<string, string>>({})
  /** Of one class: some of its students; null for all. */
  const some = ref<Set<string> | null>(null)
  const names = ref<{ id: string, name: string }[]>([])
  const word = ref('')
  const day = ref('')
  const time = ref('')
  const handIn = ref(true)
  const when = ref<When['kind']>('now')
  const later = ref<{ day: string, time: string }>({ day: '', time: '08:00' })
  /** So many times in all, each so many days after the one before. */
  const times = ref(1)
  const every = ref(7)
  const due = computed<Due | null>(() => day.value ? { day: day.value, ...time.value && { time: time.value } } : null)
  const past = computed(() => day.value !== '' && day.value < today())

  const rows = computed(() => classes.value.filter(row => chosen.value.includes(row.id)))
  const setOf = (row: ClassRow) => row.sets.find(set => set.id === sets.value[row.id]) ?? row.sets[0]
  const lacksSet = computed(() => mode.value === 'frame-per-group' ? rows.value.filter(row => !setOf(row)?.members) : [])
  const moments = computed(() => later.value.day ? Array.from({ length: times.value }, (_, i) => ({ day: daysAfter(later.value.day, i * every.value), time: later.value.time })) : [])
  const dueBefore = computed(() => when.value === 'later' && day.value !== '' && moments.value.some(moment => moment.day > day.value))
  const ready = computed(() => !dueBefore.value && (when.value !== 'later' || (moments.value.length > 0 && later.value.day >= today())) && rows.value.length > 0 && lacksSet.value.length === 0 && !past.value && some.value?.size !== 0)
  const students = computed(() => some.value?.size ?? rows.value.reduce((sum, row) => sum + row.students, 0))
  const frames = computed(() => rows.value.reduce((sum, row) => sum + (setOf(row)?.groups ?? 0), 0))
  /** How many slates there will be. */
  const slates = computed(() => ({ 'copy-each': students.value, 'frame-per-group': frames.value, 'one-for-everyone': rows.value.length })[mode.value])

  /** Who will have what, and may do what, before anything is sent. */
  const sentence = computed(() => {
    const whom = rows.value.map(row => row.name).join(', ')
    const parts = [t(`giveOut.sentence.${mode.value}`, { count: slates.value, name: whom })]
    if (mode.value === 'frame-per-group') {
      const outside = rows.value.reduce((sum, row) => sum + row.students - (setOf(row)?.members ?? 0), 0)
      if (outside > 0) parts.push(t('giveOut.outside', { count: outside }))
      parts.push(t('giveOut.othersNot'))
    }
    if (when.value === 'later' && moments.value.length) parts.unshift(t('giveOut.goesOut', { count: moments.value.length, days: moments.value.map(moment => dueWords(moment)).join(', ') }))
    if (when.value === 'draft') parts.unshift(t('giveOut.staysDraft'))
    if (due.value) parts.push(t('giveOut.dueOn', { day: dueWords(due.value) }))
    parts.push(t(handIn.value ? 'giveOut.theyHandIn' : 'giveOut.doneIsEnough'))
    return parts.join(' ')
  })

  async function load() {
    classes.value = (await ask<ClassRow[]>('/api/classes')).filter(row => !row.helping)
    mode.value = suggestion.value.mode
    const first = classes.value.find(row => row.students > 0)
    chosen.value = first ? [first.id] : []
    sets.value = {}
    some.value = null
    word.value = day.value = time.value = ''
    handIn.value = true
    when.value = 'now'
    later.value = { day: '', time: '08:00' }
    times.value = 1
  }
  /** Frames need groups: a class that has some is chosen rather than one that has none. */
  watch(mode, (now) => {
    if (now !== 'frame-per-group' || rows.value.some(row => setOf(row)?.members)) return
    const grouped = classes.value.find(row => setOf(row)?.members)
    if (grouped) chosen.value = [grouped.id]
  })
  /** Only a class alone can be cut down to some of its students. */
  watch(chosen, async ([one, ...others]) => {
    some.value = null
    names.value = []
    if (!one || others.length) return
    names.value = (await ask<{ students: { id: string, name: string, left: boolean }[] }>(`/api/classes/${one}`)).students.filter(student => !student.left)
  })
  const body = () => ({
    when: when.value === 'later' ? { kind: 'later', at: moments.value } : { kind: when.value },
    mode: mode.value, word: word.value, due: due.value, handIn: handIn.value,
    to: rows.value.map(row => ({
      classId: row.id,
      ...mode.value === 'frame-per-group' && { set: setOf(row)!.id },
      ...mode.value === 'copy-each' && some.value && { students: [...some.value] },
    })),
  })
  return { classes, suggestion, mode, chosen, sets, setOf, some, names, word, day, time, handIn, when, later, times, every, past, dueBefore, rows, lacksSet, ready, slates, sentence, load, body }
}

/** A day so many days later, by the calendar. */
function daysAfter(day: string, days: number): string {
  return new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
}
