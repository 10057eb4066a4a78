import type { ClassInRecords } from '~~/core/roster/oneRosterRest'
import type { RosterClass } from '~~/core/roster/oneRoster'

/** The school's records, asked for a teacher's classes and the students of one. */
export function useRecords() {
  const { attempt, trouble, refusal, busy } = useAsking()
  const classes = ref<readonly ClassInRecords[] | null>(null)
  const letterSent = ref(false)

  async function look() {
    classes.value = (await attempt(() => askFor<{ classes: ClassInRecords[] }>('/api/records')))?.classes ?? null
  }
  async function studentsOf({
    record,
  }: Pick<ClassInRecords, 'record'>): Promise<{ roster: RosterClass; passedOver: number } | null> {
    const read = await attempt(() =>
      askFor<{ title: string; students: RosterClass['students']; passedOver: number }>(
        `/api/records/students?record=${encodeURIComponent(record)}`,
      ),
    )
    return read ? { roster: { record, title: read.title, students: read.students }, passedOver: read.passedOver } : null
  }
  /** A letter by which the teacher shows that the address is theirs. */
  async function sendLetter() {
    letterSent.value = !!(await attempt(() => ask('/api/teachers/address', { method: 'POST', body: {} })))
  }
  return {
    classes,
    trouble,
    unproven: computed(() => refusal.value === 'unproven'),
    busy,
    letterSent,
    look,
    studentsOf,
    sendLetter,
  }
}
