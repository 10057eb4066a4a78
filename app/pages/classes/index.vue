<script setup lang="ts">
import { codeInGroups } from '~~/core/roster/picturePassword'

definePageMeta({ for: 'teacher' })
interface ClassRow {
  id: string
  name: string
  code: string
  students: number
  helping: boolean
  record: string | null
  putAway: boolean
}

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const all = ref(await ask('/api/classes'))
const classes = computed(() => all.value.filter(row => !row.putAway))
const away = computed(() => all.value.filter(row => row.putAway))
const said = ref('')
const name = ref('')
useHead({ title: () => t('classes.title') })

/** A class of the records is made here under its title, and its list is then looked at and taken over. */
async function drawFrom({ record, title }: { record: string; title: string }) {
  const body = { name: [...title].slice(0, 60).join(''), zone: Intl.DateTimeFormat().resolvedOptions().timeZone }
  const made = await attempt(() => ask('/api/classes', { method: 'POST', body, once: keyFor(body) }))
  if (made) await navigateTo(`/classes/${made.id}?records=${encodeURIComponent(record)}`)
}
const { keyFor } = useOnce()
async function takeBack(row: ClassRow) {
  const done = await attempt(() => ask(`/api/classes/${row.id}`, { method: 'PUT', body: { putAway: false } }))
  if (!done) return
  all.value = await ask('/api/classes')
  said.value = t('classes.didTakeBack', { name: row.name })
}
async function create() {
  const body = { name: name.value, zone: Intl.DateTimeFormat().resolvedOptions().timeZone }
  const made = await attempt(() => ask('/api/classes', { method: 'POST', body, once: keyFor(body) }))
  if (made) await navigateTo(`/classes/${made.id}`)
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-4xl flex-col gap-6 p-6">
      <h1 class="text-2xl font-bold">{{ t('classes.title') }}</h1>
      <ul class="flex flex-col gap-3">
        <li v-for="row in classes" :key="row.id">
          <NuxtLink :to="`/classes/${row.id}`" class="panel flex flex-wrap items-center gap-4 hover:border-stone-500">
            <Icon name="lucide:users" size="26" class="text-action" />
            <span class="text-lg font-bold">{{ row.name }}</span>
            <span class="note-line"
              >{{ t('classes.students', { count: row.students })
              }}<template v-if="row.helping"> · {{ t('help.youHelp') }}</template></span
            >
            <span class="ml-auto font-bold tracking-widest">{{ codeInGroups(row.code) }}</span>
          </NuxtLink>
        </li>
      </ul>
      <p v-if="said" role="status">{{ said }}</p>
      <details v-if="away.length" class="panel">
        <summary class="cursor-pointer font-semibold">{{ t('classes.away', { count: away.length }) }}</summary>
        <ul class="mt-2 flex flex-col gap-2">
          <li v-for="row in away" :key="row.id" class="flex flex-wrap items-center gap-3">
            <NuxtLink :to="`/classes/${row.id}`" class="font-semibold underline"
              ><bdi>{{ row.name }}</bdi></NuxtLink
            >
            <button
              v-if="!row.helping"
              type="button"
              class="button min-h-9 py-1"
              :aria-label="`${t('classes.takeBack')}: ${row.name}`"
              @click="takeBack(row)">
              {{ t('classes.takeBack') }}
            </button>
          </li>
        </ul>
      </details>
      <form class="panel flex flex-wrap items-end gap-4" @submit.prevent="create">
        <label class="grow"
          ><span class="label">{{ t('classes.newName') }}</span
          ><input v-model="name" class="field" maxlength="60" required
        /></label>
        <button class="button button-action" :disabled="busy">{{ t('classes.create') }}</button>
        <p v-if="trouble" class="trouble w-full" role="alert">{{ trouble }}</p>
      </form>
      <ClassFromRecords
        :record="null"
        :have="classes.flatMap(row => [row.name, ...(row.record ? [row.record] : [])])"
        @chosen="drawFrom" />
    </main>
  </div>
</template>
