<script setup lang="ts">
import { NuxtLink } from '#components'
import type { Board } from '~~/core/board/board'
import type { Due } from '~~/core/handout/settings'
import type { HandoutMode } from '~~/core/slate/kind'

definePageMeta({ for: 'teacher' })
interface Row {
  id: string
  boardId: string
  title: string
  className: string
  newcomers: boolean
  mode: HandoutMode
  picture: Board
  createdAt: string
  givenAt: string | null
  givesAt: string | null
  hindered: string | null
  due: Due | null
  closed: boolean
  all: number
  handedIn: number
  underWay: number
}
const PARTS = ['running', 'review', 'waiting', 'rest'] as const

const { t, said } = useWords()
const dueWords = useDue()
const { attempt, trouble, busy } = useAsking()
const rows = ref(await askFor<Row[]>('/api/handouts'))
const search = ref('')
const gave = ref('')
/** A draft that was dropped just now: it can be had back. */
const gone = ref<{ row: Row; body: Record<string, unknown> } | null>(null)
const day = (iso: string) => new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(new Date(iso))
const moment = (iso: string) =>
  new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(iso))
useHead({ title: () => t('handouts.title') })

const partOf = (row: Row): (typeof PARTS)[number] =>
  row.givenAt === null ? 'waiting' : row.handedIn ? 'review' : row.closed ? 'rest' : 'running'
const found = computed(() => {
  const words = search.value.trim().toLocaleLowerCase('en')
  return rows.value.filter(row => [row.title, row.className].some(text => text.toLocaleLowerCase('en').includes(words)))
})
const parts = computed(() =>
  PARTS.map(part => ({ part, rows: found.value.filter(row => partOf(row) === part) })).filter(
    ({ rows: some }) => some.length,
  ),
)

async function giveNow(row: Row) {
  if (!(await attempt(() => ask(`/api/handouts/${row.id}/give-out`, { method: 'POST', body: {} })))) return
  gave.value = t('handouts.gave', { title: row.title, name: row.className })
  rows.value = await askFor<Row[]>('/api/handouts')
}
async function drop(row: Row) {
  const done = await attempt(() =>
    askFor<{ dropped?: Record<string, unknown> }>(`/api/handouts/${row.id}`, { method: 'DELETE' }),
  )
  if (!done) return
  rows.value = rows.value.filter(other => other.id !== row.id)
  gone.value = done.dropped ? { row, body: done.dropped } : null
}
/** As a draft: when it was to go out by itself may be over. */
async function bringBack() {
  const back = gone.value!
  if (
    !(await attempt(() =>
      askFor(`/api/boards/${back.row.boardId}/handouts`, {
        method: 'POST',
        body: { ...back.body, when: { kind: 'draft' } },
      }),
    ))
  )
    return
  gone.value = null
  rows.value = await askFor<Row[]>('/api/handouts')
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-5xl flex-col gap-5 p-6">
      <div class="flex flex-wrap items-center gap-4">
        <h1 class="text-2xl font-bold">{{ t('handouts.title') }}</h1>
        <label v-if="rows.length" class="ml-auto"
          ><span class="sr-only">{{ t('handouts.search') }}</span
          ><input v-model="search" type="search" class="field w-60" :placeholder="t('handouts.search')"
        /></label>
        <a v-if="rows.some(row => row.due)" href="/api/handouts/due" class="button"
          ><Icon name="lucide:calendar-days" />{{ t('handouts.calendar') }}</a
        >
      </div>
      <p v-if="gave" role="status">{{ gave }}</p>
      <p v-if="gone" role="status" class="flex flex-wrap items-center gap-3">
        {{ t('handouts.dropped', { title: gone.row.title })
        }}<button type="button" class="button min-h-9 py-1" :disabled="busy" @click="bringBack">
          {{ t('handouts.bringBack') }}
        </button>
      </p>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <div v-if="rows.length === 0" class="panel flex flex-wrap items-center gap-4 text-lg">
        <p>{{ t('handouts.empty') }}</p>
        <NuxtLink to="/shelf" class="button button-action">{{ t('handouts.toShelf') }}</NuxtLink>
      </div>
      <p v-else-if="found.length === 0" class="panel">{{ t('handouts.notFound', { words: search }) }}</p>
      <section v-for="{ part, rows: some } in parts" :key="part">
        <h2 class="mb-2 text-lg font-bold">{{ t(`handouts.parts.${part}`) }}</h2>
        <ul class="flex flex-col gap-3">
          <li v-for="row in some" :key="row.id" class="panel flex flex-wrap items-center gap-x-5 gap-y-2 p-3">
            <BoardThumbnail :board="row.picture" :label="row.title" class="w-32 shrink-0" />
            <component
              :is="row.givenAt ? NuxtLink : 'div'"
              :to="row.givenAt ? `/handout/${row.id}` : undefined"
              :aria-label="row.givenAt ? t('handouts.open', { title: row.title, name: row.className }) : undefined"
              class="min-w-48 grow"
              :class="row.givenAt ? 'hover:underline' : ''">
              <span class="block text-lg font-bold">{{ row.title }}</span>
              <span class="note-line"
                >{{ row.newcomers ? t('giveOut.newcomers') : row.className }} · {{ t(`giveOut.mode.${row.mode}`) }} ·
                {{ day(row.givenAt ?? row.createdAt) }}</span
              >
              <span v-if="row.hindered" class="block font-semibold text-danger">{{
                said(`handouts.hindered.${row.hindered}`, 'handouts.hindered.not-found')
              }}</span>
            </component>
            <span class="flex flex-col items-end gap-1 text-right">
              <span v-if="row.due" class="font-semibold">{{ t('handouts.due', { day: dueWords(row.due) }) }}</span>
              <span v-if="row.givenAt">{{
                t('handouts.counts', { underWay: row.underWay, handedIn: row.handedIn, all: row.all })
              }}</span>
              <template v-else>
                <span>{{ row.givesAt ? t('handouts.goes', { day: moment(row.givesAt) }) : t('handouts.draft') }}</span>
                <span class="flex gap-2"
                  ><button type="button" class="button min-h-10 py-1" :disabled="busy" @click="giveNow(row)">
                    {{ t('handouts.now') }}</button
                  ><button type="button" class="button button-danger min-h-10 py-1" :disabled="busy" @click="drop(row)">
                    {{ t('handouts.drop') }}
                  </button></span
                >
              </template>
            </span>
          </li>
        </ul>
      </section>
    </main>
  </div>
</template>
