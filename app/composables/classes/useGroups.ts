import { wrap } from 'comlink'
import { LEAVES, markOf } from '~~/core/groups/marks'
import type { Grouping } from '~~/core/groups/partners'
import type { Grouped, Likeness } from '~~/core/groups/search'
import { groupSizes } from '~~/core/groups/sizes'
import type { Wish } from '~~/core/groups/wishes'
import type { GroupsWorker } from '~/workers/groups'
import { lookForGroups } from '~/workers/lookForGroups'

export interface InGroups {
  id: string
  name: string
  preferred: string | null
  level: string | null
}
export interface OneGroup {
  name: string
  mark: string
  students: string[]
}
export interface StudentWish {
  kind: Wish['kind']
  students: string[]
}
interface GroupsPage {
  id: string
  name: string
  code: string
  levels: string[]
  students: InGroups[]
  absent: string[]
  wishes: StudentWish[]
  sets: { id: string; name: string; groups: (OneGroup & { id: string })[] }[]
}
export interface Outcome {
  readonly sizes: readonly number[]
  readonly notKept: readonly StudentWish[]
  readonly contradiction: readonly StudentWish[]
  readonly repeated: number | null
}

/** The sets of groups of a class, the one on the table, and the making of new ones. */
export async function useGroups(classId: string) {
  const { t } = useWords()
  const nameOfGroup = useGroupName()
  const path = `/api/classes/${classId}`
  const day = today()
  /** What was on the table and not kept, or was removed: it can be brought back, also after leaving the page. */
  const aside = useSessionStorage<{ set: string | null; name: string; groups: OneGroup[] } | null>(
    `groups-aside-${classId}`,
    null,
    { serializer: { read: text => JSON.parse(text) as never, write: value => JSON.stringify(value) } },
  )
  let leaving = () => {}
  onScopeDispose(() => leaving())
  const page = ref(await askFor<GroupsPage>(`${path}/groups?day=${day}`))
  /** The set on the table; null for a new one. */
  const open = ref<string | null>(page.value.sets[0]?.id ?? null)
  const name = ref('')
  const groups = ref<OneGroup[]>([])
  const kept = ref('')
  const outcome = ref<Outcome | null>(null)
  const progress = ref<number | null>(null)
  let worker: Worker | null = null

  const content = computed(() => JSON.stringify([name.value, groups.value]))
  const changed = computed(() => groups.value.length > 0 && content.value !== kept.value)
  const putAside = () => (aside.value = { set: open.value, name: name.value, groups: groups.value })
  leaving = () => {
    worker?.terminate()
    if (changed.value) putAside()
  }
  function show(id: string | null) {
    if (changed.value) putAside()
    open.value = id
    const set = page.value.sets.find(s => s.id === id)
    name.value = set?.name ?? freshName()
    groups.value =
      set?.groups.map(group => ({ name: group.name, mark: group.mark, students: [...group.students] })) ?? []
    kept.value = content.value
    outcome.value = null
  }
  function bringBack() {
    const back = aside.value
    if (!back) return
    show(page.value.sets.some(set => set.id === back.set) ? back.set : null)
    name.value = back.name
    groups.value = back.groups
    aside.value = null
  }
  function freshName(): string {
    const taken = new Set(page.value.sets.map(set => set.name.toLocaleLowerCase('en')))
    for (let number = page.value.sets.length + 1; ; number++) {
      const fresh = t('groups.setNumber', { number })
      if (!taken.has(fresh.toLocaleLowerCase('en'))) return fresh
    }
  }
  show(open.value)

  const absent = computed(() => new Set(page.value.absent))
  const present = computed(() => page.value.students.filter(student => !absent.value.has(student.id)))
  const placed = computed(() => new Set(groups.value.flatMap(group => group.students)))
  const loose = computed(() => present.value.filter(student => !placed.value.has(student.id)))

  /** Groups are looked for anew among those who are here. */
  async function make({
    by,
    number,
    likeness,
    newPartners,
  }: {
    by: 'size' | 'number'
    number: number
    likeness: Likeness
    newPartners: boolean
  }) {
    const ids = present.value.map(student => student.id)
    const sizes = groupSizes(ids.length, by === 'size' ? { by, size: number } : { by, number })
    if (!sizes.ok) return sizes.reason
    const at = new Map(ids.map((id, i) => [id, i]))
    const toWish = ({ kind, students }: StudentWish): Wish => ({
      kind,
      students: students.flatMap(id => at.get(id) ?? []),
    })
    const wishes = page.value.wishes.map(toWish).filter(wish => wish.students.length > 1)
    const past: Grouping[] = newPartners
      ? page.value.sets
          .filter(set => set.id !== open.value)
          .map(set => set.groups.map(group => group.students.flatMap(id => at.get(id) ?? [])))
      : []
    const levels = present.value.map(({ level }) => (level === null ? null : page.value.levels.indexOf(level)))
    worker = new Worker(new URL('../../workers/groups.ts', import.meta.url), { type: 'module' })
    progress.value = 0
    try {
      const task = {
        students: ids.length,
        sizes: sizes.value,
        wishes,
        levels,
        likeness,
        past,
        seed: crypto.getRandomValues(new Uint32Array(1))[0]!,
      }
      take(await lookForGroups(wrap<GroupsWorker>(worker), task, far => (progress.value = far)), ids, past.length > 0)
    } finally {
      worker.terminate()
      worker = null
      progress.value = null
    }
    return null
  }
  function take(found: Grouped, ids: readonly string[], hasPast: boolean) {
    const back = ({ kind, students }: Wish): StudentWish => ({ kind, students: students.map(i => ids[i]!) })
    const before = groups.value
    groups.value = found.groups.map((group, i) => ({
      name: before[i]?.name ?? nameOfGroup(i),
      mark: before[i]?.mark ?? markOf(i),
      students: group.map(student => ids[student]!),
    }))
    outcome.value = {
      sizes: found.groups.map(group => group.length),
      notKept: found.notKept.map(back),
      contradiction: found.contradiction.map(back),
      repeated: hasPast ? found.repeated : null,
    }
  }
  const stop = () => worker && wrap<GroupsWorker>(worker).stop()

  /** By hand: into the group with this number; null takes them out of all. */
  function put(students: readonly string[], group: number | null) {
    groups.value = groups.value.map((one, i) => ({
      ...one,
      students: [...one.students.filter(id => !students.includes(id)), ...(i === group ? students : [])],
    }))
    outcome.value = null
  }
  function addGroup() {
    const marks = new Set(groups.value.map(group => group.mark))
    const unused = LEAVES.findIndex((_, i) => !marks.has(markOf(i)))
    const index = unused < 0 ? groups.value.length : unused
    groups.value = [...groups.value, { name: nameOfGroup(index), mark: markOf(index), students: [] }]
  }
  function removeGroup(index: number) {
    groups.value = groups.value.filter((_, i) => i !== index)
  }

  async function again() {
    page.value = await askFor<GroupsPage>(`${path}/groups?day=${day}`)
  }
  async function keep(once: string) {
    const body = { name: name.value, groups: groups.value }
    const { id } = open.value
      ? await askFor<{ id: string }>(`${path}/sets/${open.value}`, { method: 'PUT', body })
      : await askFor<{ id: string }>(`${path}/sets`, { method: 'POST', body, once })
    await again()
    open.value = id
    kept.value = content.value
  }
  async function drop() {
    putAside()
    await askFor(`${path}/sets/${open.value}`, { method: 'DELETE' })
    await again()
    kept.value = content.value
    show(page.value.sets[0]?.id ?? null)
  }
  async function wish(wishes: readonly StudentWish[]) {
    await askFor(`${path}/wishes`, { method: 'PUT', body: { wishes } })
    await again()
  }
  async function setAbsent(students: readonly string[], away: boolean) {
    for (const student of students)
      await askFor(`${path}/students/${student}/absent`, { method: 'PUT', body: { day, absent: away } })
    await again()
    if (away) put(students, null)
  }
  return {
    page,
    open,
    name,
    groups,
    changed,
    outcome,
    progress,
    present,
    loose,
    aside,
    bringBack,
    show,
    make,
    stop,
    put,
    addGroup,
    removeGroup,
    keep,
    drop,
    wish,
    setAbsent,
  }
}
