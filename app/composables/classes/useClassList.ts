import { wrap } from 'comlink'
import { asText } from '~~/core/reading/sheets/sheet'
import { checked, listRows, readList, type ListedStudent, type ListRow } from '~~/core/roster/classList'
import type { ListColumn } from '~~/core/roster/listColumns'
import { planList, type KnownStudent, type Missing } from '~~/core/roster/listPlan'
import type { RosterClass } from '~~/core/roster/oneRoster'
import type { ClassListWorker, ReadFile } from '~/workers/classList'

const LARGEST_FILE = 20 * 1024 * 1024
type FileTrouble =
  | (ReadFile & { kind: 'trouble' })
  | { readonly trouble: 'too-big' | 'no-list'; readonly file?: string; readonly column?: string }

/**
 * A class list on its way in: what was typed, pasted or loaded, what its columns are, what was mended, and what it
 * would change.
 */
export function useClassList(known: Ref<readonly KnownStudent[]>) {
  const text = ref('')
  const columns = ref<ListColumn[]>([])
  const headed = ref(false)
  const missing = ref<Missing>('stay')
  /** By line: what a person wrote instead, or null for a row that is left out. */
  const mended = ref(new Map<number, string | null>())
  const rosters = shallowRef<readonly RosterClass[] | null>(null)
  const roster = shallowRef<RosterClass | null>(null)
  const passedOver = ref(0)
  const fileTrouble = shallowRef<FileTrouble | null>(null)
  const reading = ref(false)
  /** It comes from the school's records, and can be refreshed from there. */
  const fromRecords = ref(false)

  const list = computed(() => readList(text.value))
  watch(
    list,
    ({ guess }) => {
      columns.value = [...guess.columns]
      headed.value = guess.headed
      mended.value = new Map()
    },
    { immediate: true },
  )

  const raw = computed<{ line: number; student: ListedStudent }[]>(() =>
    roster.value
      ? roster.value.students.map((student, i) => ({ line: i + 1, student }))
      : listRows(list.value.table, { columns: columns.value, headed: headed.value }).map(({ line, student }) => ({
          line,
          student,
        })),
  )
  const rows = computed<ListRow[]>(() =>
    checked(
      raw.value.flatMap(({ line, student }) => {
        const name = mended.value.get(line)
        return name === null
          ? []
          : [{ line, student: name === undefined ? student : { ...student, name: name.trim() } }]
      }),
    ),
  )
  /** Rows that need a look, and those that were mended: they stay where they are while somebody types. */
  const odd = computed(() => rows.value.filter(row => row.problem || mended.value.has(row.line)))
  const problems = computed(() => rows.value.filter(row => row.problem))
  const students = computed(() => rows.value.filter(row => !row.problem).map(row => row.student))
  const plan = computed(() => planList(known.value, students.value, missing.value))
  const absent = computed(() => planList(known.value, students.value, 'leave').leaving)
  const ready = computed(
    () =>
      rows.value.length > 0 && problems.value.length === 0 && plan.value.clashes.length === 0 && !plan.value.tooMany,
  )
  const sure = computed(() => roster.value !== null || list.value.guess.sure)

  async function load(files: readonly File[]) {
    fileTrouble.value = null
    rosters.value = roster.value = null
    fromRecords.value = false
    if (files.reduce((sum, file) => sum + file.size, 0) > LARGEST_FILE)
      return void (fileTrouble.value = { trouble: 'too-big' })
    const [sheet] = files
    if (files.length === 1 && /\.(xlsx|ods)$/i.test(sheet!.name)) return loadSheet(sheet!)
    const worker = new Worker(new URL('../../workers/classList.ts', import.meta.url), { type: 'module' })
    reading.value = true
    try {
      const buffers = await Promise.all(files.map(file => file.arrayBuffer()))
      const read = await wrap<ClassListWorker>(worker).read(buffers)
      if (read.kind === 'trouble') fileTrouble.value = read
      else if (read.kind === 'text') text.value = read.text
      else {
        rosters.value = read.roster.classes
        passedOver.value = read.roster.passedOver
        roster.value = read.roster.classes[0] ?? null
        mended.value = new Map()
      }
    } finally {
      reading.value = false
      worker.terminate()
    }
  }
  /** A spreadsheet is read by the server; of several sheets the first that has anything. */
  async function loadSheet(file: File) {
    reading.value = true
    try {
      const read = await readInFile(file)
      const words = read.kind === 'sheets' ? (read.sheets.map(asText).find(Boolean) ?? '') : ''
      if (words) text.value = words
      else fileTrouble.value = { trouble: 'no-list' }
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      fileTrouble.value = { trouble: error.code === 'too-heavy' || error.code === 'too-big' ? 'too-big' : 'no-list' }
    } finally {
      reading.value = false
    }
  }
  /** A class of the school's records, read already. */
  function drawn(one: RosterClass, passed: number) {
    fileTrouble.value = null
    rosters.value = [one]
    roster.value = one
    passedOver.value = passed
    mended.value = new Map()
    fromRecords.value = true
    // Who is no longer in the records has left, most likely; the person is asked in any case.
    missing.value = 'leave'
  }
  function mend(line: number, name: string | null) {
    mended.value = new Map(mended.value).set(line, name)
  }
  function leaveOut() {
    mended.value = new Map([...mended.value, ...problems.value.map(row => [row.line, null] as const)])
  }
  function clear() {
    text.value = ''
    rosters.value = roster.value = fileTrouble.value = null
    mended.value = new Map()
    missing.value = 'stay'
    fromRecords.value = false
  }
  return {
    text,
    columns,
    headed,
    missing,
    rosters,
    roster,
    passedOver,
    fileTrouble,
    reading,
    list,
    rows,
    odd,
    problems,
    students,
    plan,
    absent,
    ready,
    sure,
    fromRecords,
    load,
    drawn,
    mend,
    leaveOut,
    clear,
  }
}
