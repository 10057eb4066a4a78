import * as v from 'valibot'
import { MOST_POINTS, RubricSchema, type Counting, type Counts, type Rubric } from '~~/core/handout/counting'

export interface KeptRubric {
  id: string
  name: string
  criteria: Rubric['criteria']
}
/** A criterion while it is written: its levels one on a line, with what each means behind a colon. */
export interface DraftCriterion {
  name: string
  levels: string
}

const levelsOf = (text: string) =>
  text
    .split('\n')
    .map(line => line.trim())
    .filter(Boolean)
    .map(line => {
      const [name = '', ...rest] = line.split(':')
      return { name: name.trim(), means: rest.join(':').trim() }
    })
const textOf = (levels: Rubric['criteria'][number]['levels']) =>
  levels.map(({ name, means }) => (means ? `${name}: ${means}` : name)).join('\n')

/** What a handout counts for, and the teacher's rubrics. */
export function useCounting() {
  const counts = ref<Counts>('nothing')
  const points = ref(10)
  const rubrics = ref<KeptRubric[]>([])
  const chosen = ref('')
  const draft = ref<{ name: string; criteria: DraftCriterion[] } | null>(null)
  const rubric = computed(() => rubrics.value.find(one => one.id === chosen.value))

  async function load() {
    // Before anything is asked for: what is chosen meanwhile stays.
    counts.value = 'nothing'
    draft.value = null
    rubrics.value = await ask('/api/rubrics')
    chosen.value = rubrics.value[0]?.id ?? ''
  }
  function write(from?: KeptRubric) {
    draft.value = {
      name: from?.name ?? '',
      criteria: from?.criteria.map(({ name, levels }) => ({ name, levels: textOf(levels) })) ?? [
        { name: '', levels: '' },
      ],
    }
  }
  /** What was written, as a rubric; null while something is missing. */
  const written = computed(() => {
    const read = v.safeParse(
      RubricSchema,
      draft.value && {
        name: draft.value.name,
        criteria: draft.value.criteria.map(({ name, levels }) => ({ name, levels: levelsOf(levels) })),
      },
    )
    return read.success ? read.output : null
  })
  async function keep() {
    if (!written.value) return
    const { id } = await ask('/api/rubrics', { method: 'PUT', body: written.value })
    rubrics.value = await ask('/api/rubrics')
    chosen.value = id
    draft.value = null
  }
  async function drop() {
    await ask(`/api/rubrics/${chosen.value}`, { method: 'DELETE' })
    await load()
    counts.value = 'rubric'
  }
  const ready = computed(
    () =>
      counts.value === 'nothing'
      || (counts.value === 'points'
        ? Number.isInteger(points.value) && points.value >= 1 && points.value <= MOST_POINTS
        : !!rubric.value && draft.value === null),
  )
  const counting = (): Counting =>
    counts.value === 'points'
      ? { counts: 'points', points: points.value }
      : counts.value === 'rubric' && rubric.value
        ? { counts: 'rubric', rubric: { name: rubric.value.name, criteria: rubric.value.criteria } }
        : { counts: 'nothing' }
  return { counts, points, rubrics, chosen, rubric, draft, written, ready, load, write, keep, drop, counting }
}
