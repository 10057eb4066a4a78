<script setup lang="ts">
import { LIST_COLUMNS } from '~~/core/roster/listColumns'
import { MISSING, planCounts, type KnownStudent, type ListChange, type ListPlan } from '~~/core/roster/listPlan'

/** A class list comes in: what is on it, what is wrong with it, what it will change, and then all of it or nothing. */
const {
  open,
  classId,
  name,
  known,
  record,
  draw = null,
} = defineProps<{
  open: boolean
  classId: string
  name: string
  known: readonly KnownStudent[]
  record: string | null
  draw?: string | null
}>()
const emit = defineEmits<{ close: []; taken: [plan: ListPlan]; outdated: [] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const list = useClassList(computed(() => known))
const {
  text,
  columns,
  headed,
  missing,
  rosters,
  roster,
  passedOver,
  fileTrouble,
  reading,
  rows,
  odd,
  problems,
  students,
  plan,
  absent,
  ready,
  sure,
  fromRecords,
} = list
const width = computed(() => columns.value.length)
const sample = computed(() => list.list.value.table.rows.slice(0, 3))
const changes = computed(() => planCounts(plan.value).reduce((a, b) => a + b))
const elsewhere = ref(false)
const { studentsOf, trouble: recordsTrouble } = useRecords()
watch(
  () => open,
  now => {
    if (!now) return
    list.clear()
    elsewhere.value = false
    if (draw) void drawAtOnce(draw)
  },
  { immediate: true },
)

/** The class was chosen in the records before it was made here. */
async function drawAtOnce(from: string) {
  const read = await studentsOf({ record: from })
  if (read) list.drawn(read.roster, read.passedOver)
}

/** A long list is cut: what counts is how many more there are. */
const MOST_NAMED = 12
const named = (some: readonly { name: string }[]) =>
  [
    ...some.slice(0, MOST_NAMED).map(s => s.name),
    ...(some.length > MOST_NAMED ? [t('classList.more', { count: some.length - MOST_NAMED })] : []),
  ].join(', ')
/** Who only gets the number by which the records know them is changed in nothing that anybody sees. */
const onlyNumbered = (change: ListChange) =>
  change.from.record === undefined
  && change.from.name === change.to.name
  && change.from.preferred === change.to.preferred
  && change.from.level === change.to.level
const numbered = computed(() => plan.value.changed.filter(onlyNumbered).map(change => change.to))
const changed = computed(() =>
  plan.value.changed
    .filter(change => !onlyNumbered(change))
    .map(({ from, to }) => (from.name === to.name ? to.name : t('classList.change', { from: from.name, to: to.name })))
    .join(', '),
)

async function take() {
  elsewhere.value = false
  const body = {
    students: students.value,
    missing: missing.value,
    agreed: planCounts(plan.value),
    ...(fromRecords.value && roster.value && { record: roster.value.record }),
  }
  const taken = await attempt(() =>
    ask(`/api/classes/${classId}/list`, { method: 'POST', body }).catch((error: unknown) => {
      if (!(error instanceof Refused) || error.code !== 'changed-elsewhere') throw error
      elsewhere.value = true
      emit('outdated')
    }),
  )
  if (taken) emit('taken', taken)
}
</script>

<template>
  <UiAsk :open="open" :title="t('classList.title', { name })" wide @close="emit('close')">
    <p class="mb-3">{{ t('classList.how') }}</p>
    <div class="grid gap-5 md:grid-cols-2">
      <div class="flex flex-col gap-3">
        <label v-if="!roster"
          ><span class="label">{{ t('classList.text') }}</span
          ><textarea v-model="text" rows="9" class="field" spellcheck="false" data-test="names" />
        </label>
        <fieldset v-if="rosters && roster" class="flex max-h-64 flex-col gap-1 overflow-auto">
          <legend class="label">{{ t(fromRecords ? 'records.drawn' : 'classList.whichClass') }}</legend>
          <label v-for="one in rosters" :key="one.record" class="flex min-h-9 items-center gap-2"
            ><input v-model="roster" type="radio" :value="one" />{{
              t('classList.ofClass', { title: one.title || name, count: one.students.length })
            }}</label
          >
          <p v-if="passedOver" class="note-line">
            {{ t(fromRecords ? 'records.passedOver' : 'classList.passedOver', { count: passedOver }) }}
          </p>
        </fieldset>
        <label class="button w-fit"
          ><Icon name="lucide:file-up" />{{ reading ? t('classList.reading') : t('classList.load')
          }}<input
            type="file"
            multiple
            accept=".csv,.tsv,.txt,.xlsx,.ods,.zip,text/csv,text/plain,application/zip"
            class="sr-only"
            data-test="list-file"
            @change="
              list.load([...(($event.target as HTMLInputElement).files ?? [])])
              ;($event.target as HTMLInputElement).value = ''
            "
        /></label>
        <ClassFromRecords :record="record" @drawn="list.drawn" />
        <p v-if="recordsTrouble" class="trouble" role="alert">{{ recordsTrouble }}</p>
        <p v-if="fileTrouble" class="trouble" role="alert">
          {{
            t(`classList.trouble.${fileTrouble.trouble}`, {
              file: fileTrouble.file ?? '',
              column: fileTrouble.column ?? '',
            })
          }}
        </p>
        <div v-if="!roster && width > 1" class="overflow-x-auto">
          <p v-if="!sure" class="mb-2 font-semibold">{{ t('classList.check') }}</p>
          <table class="text-sm">
            <thead>
              <tr>
                <th v-for="(_, i) in columns" :key="i" class="min-w-32 p-1 text-left">
                  <select
                    v-model="columns[i]"
                    class="field min-h-9 py-1"
                    :aria-label="t('classList.column', { number: i + 1 })">
                    <option v-for="kind in LIST_COLUMNS" :key="kind" :value="kind">
                      {{ t(`classList.columns.${kind}`) }}
                    </option>
                  </select>
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in sample" :key="row.line">
                <td v-for="(_, i) in columns" :key="i" class="max-w-40 truncate p-1">
                  <bdi>{{ row.cells[i] }}</bdi>
                </td>
              </tr>
            </tbody>
          </table>
          <label class="mt-1 flex items-center gap-2"
            ><input v-model="headed" type="checkbox" />{{ t('classList.headed') }}</label
          >
        </div>
      </div>
      <div class="flex flex-col gap-3" role="status">
        <div v-if="odd.length" class="trouble max-h-80 overflow-auto">
          <p v-if="problems.length" class="mb-2 font-semibold">
            {{ t('classList.problems', { count: problems.length }) }}
          </p>
          <div v-for="row in odd" :key="row.line" class="mb-2">
            <p>
              <strong>{{ t('classList.line', { line: row.line }) }}</strong>&#32;<bdi>{{ row.student.name }}</bdi
              >&#32;<template v-if="row.problem">{{ t(`classList.problem.${row.problem}`) }}</template>
            </p>
            <div class="flex gap-2">
              <input
                class="field min-h-9 py-1"
                :value="row.student.name"
                :aria-label="t('classList.mend', { line: row.line })"
                :aria-invalid="!!row.problem"
                @input="list.mend(row.line, ($event.target as HTMLInputElement).value)" /><button
                type="button"
                class="button min-h-9 whitespace-nowrap py-1"
                :aria-label="`${t('classList.leaveOut')}: ${t('classList.line', { line: row.line })}`"
                @click="list.mend(row.line, null)">
                {{ t('classList.leaveOut') }}
              </button>
            </div>
          </div>
          <button v-if="problems.length > 1" type="button" class="button" @click="list.leaveOut">
            {{ t('classList.leaveAllOut') }}
          </button>
        </div>
        <p v-for="clash in plan.clashes" :key="clash.student.name" class="trouble">
          {{ t('classList.clash', { name: clash.student.name, other: clash.with }) }}
        </p>
        <p v-if="plan.tooMany" class="trouble">{{ t('classList.tooMany') }}</p>
        <fieldset v-if="rows.length && absent.length">
          <legend class="label">{{ t('classList.missing', { names: named(absent) }) }}</legend>
          <label v-for="what in MISSING" :key="what" class="flex min-h-9 items-center gap-2"
            ><input v-model="missing" type="radio" :value="what" />{{ t(`classList.${what}`) }}</label
          >
        </fieldset>
        <section v-if="ready" class="told p-4" data-test="plan">
          <h3 class="mb-1 font-bold">{{ t('classList.plan') }}</h3>
          <ul class="flex max-h-56 flex-col gap-1 overflow-auto">
            <li v-if="plan.added.length">{{ t('classList.added', { names: named(plan.added) }) }}</li>
            <li v-if="changed">{{ t('classList.changed', { names: changed }) }}</li>
            <li v-if="numbered.length">{{ t('classList.numbered', { names: named(numbered) }) }}</li>
            <li v-if="plan.back.length">{{ t('classList.back', { names: named(plan.back.map(b => b.to)) }) }}</li>
            <li v-if="plan.leaving.length">{{ t('classList.leaving', { names: named(plan.leaving) }) }}</li>
            <li v-if="plan.same.length && changes">{{ t('classList.same', { count: plan.same.length }) }}</li>
            <li v-if="!changes">{{ t('classList.nothing') }}</li>
          </ul>
        </section>
      </div>
    </div>
    <p v-if="elsewhere" class="trouble mt-3" role="alert">{{ t('classList.elsewhere') }}</p>
    <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" :disabled="busy || !ready || !changes" @click="take">
        {{ t('classList.take', { count: changes }) }}
      </button>
    </template>
  </UiAsk>
</template>
