import { suggestMode } from '~~/core/handout/suggest'
import { dueOfSeries } from '~~/core/handout/due'
import { markOf, MOST_GROUPS } from '~~/core/groups/marks'
import { NO_RULES } from '~~/core/handout/noRules'
import type { Rules } from '~~/core/handout/rules'
import { MOST_IN_FRAME, type Due, type HandoutSettings, type Looking, type When } from '~~/core/handout/settings'
import type { Board } from '~~/core/board/board'
import { heldBackOn } from '~~/core/handout/heldBack'
import type { HandoutMode } from '~~/core/slate/kind'

export interface ClassRow {
  id: string
  name: string
  code: string
  students: number
  helping: boolean
  putAway: boolean
  sets: { id: string; name: string; groups: number; members: number }[]
}
/** `code` is that of the class of whoever comes. */
export interface GivenOut {
  id: string
  classId: string
  slates: number
  code?: string
}

/** What is asked before a board is given out, and what would come of it. */
export function useGiveOut(board: () => Board) {
  const { t } = useWords()
  const dueWords = useDue()
  const groupName = useGroupName()
  const classes = ref<ClassRow[]>([])
  const suggestion = computed(() => suggestMode(board()))
  const mode = ref<HandoutMode>('copy-each')
  /** Of one for everyone: each student makes an own page. */
  const ownPages = ref(false)
  /**
   * Of a frame per group: students take them. Frames, if null: as many frames as the students of the largest class
   * need.
   */
  const chosenFree = ref(false)
  const size = ref(2)
  const wantedFrames = ref<number | null>(null)
  const looking = ref<Looking>('never')
  /** To whoever comes by a code of its own. */
  const newcomers = ref(false)
  // Whoever comes has no groups, and comes now; what was chosen for classes is there again without them.
  const free = computed({
    get: () => chosenFree.value || newcomers.value,
    set: (on: boolean) => void (chosenFree.value = on),
  })
  const chosen = ref<string[]>([])
  /** By class: the set of groups that frames are made from. */
  const sets = ref<Record<string, string>>({})
  /** Of one class: some of its students; null for all. */
  const some = ref<Set<string> | null>(null)
  const versions = useVersions(board)
  const counting = useCounting()
  const names = ref<{ id: string; name: string }[]>([])
  const word = ref('')
  const day = ref('')
  const time = ref('')
  const handIn = ref(true)
  const rules = ref<Rules>(NO_RULES)
  const chosenWhen = ref<When['kind']>('now')
  const when = computed({
    get: () => (newcomers.value ? 'now' : chosenWhen.value),
    set: (kind: When['kind']) => void (chosenWhen.value = kind),
  })
  const later = ref<{ day: string; time: string }>({ day: '', time: '08:00' })
  /** So many times in all, each so many days after the one before. */
  const times = ref(1)
  const every = ref(7)
  const due = computed<Due | null>(() =>
    day.value ? { day: day.value, ...(time.value && { time: time.value }) } : null,
  )
  const past = computed(() => day.value !== '' && day.value < today())

  const rows = computed(() => classes.value.filter(row => chosen.value.includes(row.id)))
  const setOf = (row: ClassRow) => row.sets.find(set => set.id === sets.value[row.id]) ?? row.sets[0]
  const byGroups = computed(() => mode.value === 'frame-per-group' && !free.value)
  const taken = computed(() => mode.value === 'frame-per-group' && free.value)
  const pagesOf = computed(() => mode.value === 'one-for-everyone' && ownPages.value)
  /** Whether several work on one slate. */
  const several = computed(
    () => mode.value === 'frame-per-group' || (mode.value === 'one-for-everyone' && !ownPages.value),
  )
  const canLook = computed(() => mode.value === 'frame-per-group' || pagesOf.value)
  const enough = computed(() =>
    Math.max(
      1,
      Math.ceil(
        Math.max(newcomers.value ? NEWCOMERS : 0, ...rows.value.map(row => row.students)) / Math.max(1, size.value),
      ),
    ),
  )
  const frameCount = computed({
    get: () => wantedFrames.value ?? enough.value,
    set: (count: number) => void (wantedFrames.value = count),
  })
  const badFrames = computed(
    () =>
      taken.value
      && !(
        Number.isInteger(size.value)
        && size.value >= 1
        && size.value <= MOST_IN_FRAME
        && Number.isInteger(frameCount.value)
        && frameCount.value >= 1
        && frameCount.value <= MOST_GROUPS
      ),
  )
  const lacksSet = computed(() => (byGroups.value ? rows.value.filter(row => !setOf(row)?.members) : []))
  const moments = computed(() =>
    later.value.day
      ? Array.from({ length: times.value }, (_, i) => ({
          day: daysAfter(later.value.day, i * every.value),
          time: later.value.time,
        }))
      : [],
  )
  const dueBefore = computed(
    () =>
      when.value === 'later' && day.value !== '' && moments.value[0] !== undefined && moments.value[0].day > day.value,
  )
  const ready = computed(
    () =>
      !dueBefore.value
      && counting.ready.value
      && !(mode.value === 'copy-each' && versions.incomplete.value)
      && (when.value !== 'later' || (moments.value.length > 0 && later.value.day >= today()))
      && (rows.value.length > 0 || newcomers.value)
      && !badFrames.value
      && lacksSet.value.length === 0
      && !past.value
      && some.value?.size !== 0,
  )
  const students = computed(() => some.value?.size ?? rows.value.reduce((sum, row) => sum + row.students, 0))
  const frames = computed(() => rows.value.reduce((sum, row) => sum + (setOf(row)?.groups ?? 0), 0))
  /** How many slates there will be. */
  const slates = computed(
    () =>
      ({
        'copy-each': students.value,
        'frame-per-group': free.value
          ? frameCount.value * (rows.value.length + (newcomers.value ? 1 : 0))
          : frames.value,
        'one-for-everyone': rows.value.length + (newcomers.value ? 1 : 0),
      })[mode.value],
  )
  const form = computed(() => (taken.value ? 'free' : pagesOf.value ? 'pages' : mode.value))

  /** Who will have what, and may do what, before anything is sent. */
  const sentence = computed(() => {
    const whom = [...rows.value.map(row => row.name), ...(newcomers.value ? [t('giveOut.whoeverComes')] : [])].join(
      ', ',
    )
    const parts = [
      rows.value.length === 0 && !taken.value && !pagesOf.value
        ? t(`giveOut.sentenceOpen.${mode.value}`)
        : t(`giveOut.sentence.${form.value}`, {
            count: taken.value ? frameCount.value : slates.value,
            name: whom,
            size: size.value,
          }),
    ]
    if (newcomers.value) parts.push(t('giveOut.newcomersSay'))
    if (byGroups.value) {
      const outside = rows.value.reduce((sum, row) => sum + row.students - (setOf(row)?.members ?? 0), 0)
      if (outside > 0) parts.push(t('giveOut.outside', { count: outside }))
    }
    if (canLook.value) parts.push(t(`giveOut.lookingSays.${looking.value}`))
    if (when.value === 'later' && moments.value.length)
      parts.unshift(
        t('giveOut.goesOut', {
          count: moments.value.length,
          days: moments.value.map(moment => dueWords(moment)).join(', '),
        }),
      )
    if (when.value === 'draft') parts.unshift(t('giveOut.staysDraft'))
    if (mode.value === 'copy-each') parts.push(...versions.sentences.value)
    const counts = counting.counting()
    if (counts.counts !== 'nothing')
      parts.push(
        t(
          `counting.say.${counts.counts}`,
          counts.counts === 'points' ? { count: counts.points } : { name: counts.rubric.name },
        ),
      )
    if (due.value)
      parts.push(
        when.value === 'later' && moments.value.length > 1
          ? t('giveOut.dueEach', {
              days: moments.value
                .map(moment => dueWords(dueOfSeries(due.value!, moments.value[0]!, moment)))
                .join(', '),
            })
          : t('giveOut.dueOn', { day: dueWords(due.value) }),
      )
    const held = heldBackOn(board())
    if (held) parts.push(t('giveOut.heldBack', { count: held }))
    parts.push(t(handIn.value ? 'giveOut.theyHandIn' : 'giveOut.doneIsEnough'))
    const { talk, approve, handInBy, takeBack, secondTry, changeOthers, keepParts } = ruled()
    if (changeOthers !== 'as-usual') parts.push(t(`rules.says.changeOthers.${changeOthers}`))
    if (keepParts) parts.push(t('rules.says.keepParts'))
    if (handInBy === 'all-done') parts.push(t('rules.says.allDone'))
    if (approve) parts.push(t('rules.says.approve'))
    if (talk) parts.push(t(several.value ? 'rules.says.talk' : 'rules.says.line'))
    if (takeBack) parts.push(t('rules.says.takeBack'))
    if (secondTry) parts.push(t('rules.says.secondTry'))
    return parts.join(' ')
  })

  /** As it is at first. All at once, before anything is asked for: what is chosen meanwhile stays. */
  function begin() {
    mode.value = suggestion.value.mode
    ownPages.value = free.value = newcomers.value = false
    size.value = 2
    wantedFrames.value = null
    looking.value = 'never'
    sets.value = {}
    some.value = null
    versions.clear()
    word.value = day.value = time.value = ''
    handIn.value = true
    rules.value = NO_RULES
    when.value = 'now'
    later.value = { day: '', time: '08:00' }
    times.value = 1
  }
  async function load() {
    begin()
    const [rows] = await Promise.all([ask('/api/classes'), counting.load()])
    classes.value = rows.filter(row => !row.helping && !row.putAway)
    const first = classes.value.find(row => row.students > 0)
    chosen.value = first ? [first.id] : []
  }
  /** Frames need groups: a class that has some is chosen rather than one that has none. */
  watch(mode, now => {
    if (now !== 'frame-per-group' || rows.value.some(row => setOf(row)?.members)) return
    const grouped = classes.value.find(row => setOf(row)?.members)
    if (grouped) chosen.value = [grouped.id]
  })
  /** Only a class alone can be cut down to some of its students. */
  watch(chosen, async ([one, ...others]) => {
    some.value = null
    versions.clear()
    names.value = []
    if (!one || others.length) return
    names.value = (await ask(`/api/classes/${one}`)).students.filter(student => !student.left)
  })
  /** Pages of one's own are made to be seen. */
  watch(pagesOf, now => (looking.value = now ? 'always' : 'never'))
  /** What is said to be allowed is allowed only where it means something. */
  const ruled = (): Rules => ({
    ...rules.value,
    approve: rules.value.approve && mode.value !== 'copy-each',
    changeOthers: several.value ? rules.value.changeOthers : 'as-usual',
    handInBy: handIn.value && mode.value === 'frame-per-group' ? rules.value.handInBy : 'anyone',
    keepParts: rules.value.keepParts && mode.value === 'frame-per-group',
    takeBack: rules.value.takeBack && handIn.value,
    secondTry: rules.value.secondTry && handIn.value,
  })
  const settings = (): HandoutSettings => ({
    mode: mode.value,
    word: word.value,
    due: due.value,
    handIn: handIn.value,
    rules: ruled(),
    counting: counting.counting(),
    ownPages: pagesOf.value,
    looking: canLook.value ? looking.value : 'never',
    free: taken.value
      ? {
          size: size.value,
          frames: Array.from({ length: frameCount.value }, (_, i) => ({ mark: markOf(i), name: groupName(i) })),
        }
      : null,
  })
  const body = () => ({
    ...settings(),
    newcomers: newcomers.value,
    when: when.value === 'later' ? { kind: 'later', at: moments.value } : { kind: when.value },
    to: rows.value.map(row => ({
      classId: row.id,
      ...(byGroups.value && { set: setOf(row)!.id }),
      ...(mode.value === 'copy-each' && some.value && { students: [...some.value] }),
      ...(mode.value === 'copy-each' && versions.drafts.value.length && { versions: versions.body() }),
    })),
  })
  return {
    classes,
    suggestion,
    mode,
    form,
    ownPages,
    free,
    size,
    frameCount,
    looking,
    canLook,
    newcomers,
    chosen,
    sets,
    setOf,
    some,
    versions,
    counting,
    names,
    word,
    day,
    time,
    handIn,
    rules,
    several,
    when,
    later,
    times,
    every,
    past,
    dueBefore,
    rows,
    lacksSet,
    ready,
    slates,
    sentence,
    load,
    body,
  }
}

/** When it isn't known how many come. */
const NEWCOMERS = 30

/** A day so many days later, by the calendar. */
function daysAfter(day: string, days: number): string {
  return new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
}
