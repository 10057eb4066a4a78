import type { PasswordPicture } from '~~/core/roster/picturePassword'
import type { KnownStudent } from '~~/core/roster/listPlan'

export interface OneStudent {
  id: string
  name: string
  preferred: string | null
  level: string | null
  record: string | null
  left: boolean
  linked: boolean
  here: boolean
  pictures: PasswordPicture[]
}
export interface ClassPage {
  id: string
  name: string
  code: string
  levels: string[]
  record: string | null
  mayChange: boolean
  putAway: boolean
  students: OneStudent[]
}

/** A class as the server has it, those who left it included. */
export async function useClass(id: string) {
  const path = `/api/classes/${id}`
  const page = ref(await askFor<ClassPage>(path))
  const here = computed(() => page.value.students.filter(student => !student.left))
  const left = computed(() => page.value.students.filter(student => student.left))
  const known = computed<KnownStudent[]>(() =>
    page.value.students.map(({ id, name, preferred, level, record, left: gone }) => ({
      id,
      name,
      left: gone,
      ...(preferred && { preferred }),
      ...(level && { level }),
      ...(record && { record }),
    })),
  )
  async function again() {
    page.value = await askFor<ClassPage>(path)
  }
  return { path, page, here, left, known, again }
}
