<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import type { Due } from '~~/core/handout/settings'
import type { SlateKind } from '~~/core/slate/kind'
import type { SlateState } from '~~/core/slate/state'
import { saidStatus, type SlateStatus } from '~~/core/slate/status'

definePageMeta({ for: 'student' })
interface OnDesk {
  id: string
  title: string
  status: SlateStatus
  kind: SlateKind
  mark: string | null
  group: string | null
  word: string
  due: Due | null
  handIn: boolean
  at: string
  handout?: string
  picture: Board
  state: SlateState | null
}

const { t } = useWords()
const leftHanded = useLeftHanded()
useOffline()
const store = useMe()
const route = useRoute()
interface ToBegin {
  handout: string
  begin: 'page' | 'frame'
  title: string
  due: Due | null
  picture: Board
}
const [slates, toBegin] = await Promise.all([askKept<OnDesk[]>('/api/desk'), askKept<ToBegin[]>('/api/beginnings')])
const { attempt, trouble, busy } = useAsking()
// A link to one handout leads straight to this student's own slate of it.
const linked = slates.find(s => s.handout === route.query.handout)
if (linked) await navigateTo(`/slate/${linked.id}`, { replace: true })
const linkedToBegin = toBegin.find(one => one.handout === route.query.handout)
if (linkedToBegin) await begin(linkedToBegin)
useHead({ title: () => t('desk.title') })

const byStatus = byRank<SlateStatus>({ 'under-way': 0, 'not-opened': 1, 'handed-back': 2, 'handed-in': 3 })
/** What is to do first, and of that what is due first. */
const sorted = slates.toSorted(
  (a, b) => byStatus(a.status, b.status) || (a.due?.day ?? '9').localeCompare(b.due?.day ?? '9'),
)
const dueWords = useDue()
const toDo = (status: SlateStatus) => status === 'not-opened' || status === 'under-way'

/** A frame is chosen; a page of one's own is made. */
async function begin({ handout, begin: what }: ToBegin) {
  if (what === 'frame') return navigateTo(`/choose/${handout}`)
  const page = await attempt(() => ask(`/api/handouts/${handout}/page`, { method: 'POST', body: {} }))
  if (page) await navigateTo(`/slate/${page.id}`)
}

async function leave() {
  await store.leave()
  await navigateTo('/join')
}
</script>

<template>
  <div>
    <UiTopBar :title="t('desk.title')" :below="store.me?.name">
      <template #end
        ><button type="button" class="button button-dark" @click="leave">{{ t('desk.leave') }}</button></template
      >
    </UiTopBar>
    <main class="mx-auto max-w-5xl p-6">
      <p v-if="trouble" class="trouble mb-4" role="alert">{{ trouble }}</p>
      <p v-if="sorted.length + toBegin.length === 0" class="panel text-lg">{{ t('desk.empty') }}</p>
      <ul class="grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
        <li v-for="one in toBegin" :key="one.handout">
          <button
            type="button"
            class="panel block w-full p-3 text-left shadow-sm hover:border-stone-500"
            :disabled="busy"
            @click="begin(one)">
            <BoardThumbnail :board="one.picture" ledge />
            <span class="mt-3 block text-lg font-bold">{{ one.title }}</span>
            <span class="flex items-center gap-2 font-semibold text-action"
              ><Icon :name="one.begin === 'page' ? 'lucide:file-plus' : 'lucide:users'" />{{
                t(`desk.begin.${one.begin}`)
              }}</span
            >
            <span v-if="one.due" class="block">{{ t('desk.due', { day: dueWords(one.due) }) }}</span>
          </button>
        </li>
        <li v-for="slate in sorted" :key="slate.id">
          <RouterLink :to="`/slate/${slate.id}`" class="panel block p-3 shadow-sm hover:border-stone-500">
            <BoardThumbnail :slate="slate.id" :board="slate.picture" :state="slate.state ?? undefined" ledge />
            <span class="mt-3 block text-lg font-bold">{{ slate.title }}</span>
            <span
              class="flex items-center gap-2 text-base"
              :class="slate.status === 'handed-back' ? 'font-semibold text-action' : 'text-ink-soft'">
              <UiStatusIcon :status="slate.status" />{{ t(`desk.status.${saidStatus(slate.status, slate)}`) }}
            </span>
            <span
              v-if="slate.due && toDo(slate.status)"
              class="block"
              :class="slate.due.day < today() ? 'font-semibold text-danger' : ''"
              >{{ t(slate.due.day < today() ? 'desk.late' : 'desk.due', { day: dueWords(slate.due) }) }}</span
            >
            <span v-if="slate.kind === 'frame'" class="mt-1 flex items-center gap-2"
              ><ClassGroupMark v-if="slate.mark" :mark="slate.mark" />{{ slate.group }}</span
            >
            <span v-else-if="slate.kind === 'class'" class="mt-1 flex items-center gap-2"
              ><Icon name="lucide:users" />{{ t('desk.everyone') }}</span
            >
          </RouterLink>
        </li>
      </ul>
      <label class="mt-8 flex min-h-11 items-center gap-2"
        ><input v-model="leftHanded" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{
          t('keys.left')
        }}</label
      >
    </main>
  </div>
</template>
