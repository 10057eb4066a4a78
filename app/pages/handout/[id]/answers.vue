<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import { makeEdition } from '~~/core/board/edition'
import { gatherAnswers } from '~~/core/review/answers'
import { shortNames } from '~~/core/roster/names'
import type { Decision } from '~~/core/keys/mark'
import type { AnswerView } from '~/components/review/AlikeAnswers.vue'

definePageMeta({ for: 'teacher', key: route => route.fullPath })
const { t } = useWords()
const route = useRoute()
const handout = String(route.params.id)
const item = String(route.query.item ?? '')
const { attempt, trouble } = useAsking()
interface View {
  readonly boards: Record<string, Board>
  readonly answers: readonly AnswerView[]
}
const view = shallowRef<View | null>(null)
const read = async () =>
  (view.value =
    (await attempt(() => askFor<View>(`/api/handouts/${handout}/answers?item=${encodeURIComponent(item)}`)))
    ?? view.value)
await read()
const editions = computed(
  () => new Map(Object.entries(view.value?.boards ?? {}).map(([hash, board]) => [hash, makeEdition(board)])),
)
const groups = computed(() => gatherAnswers(view.value?.answers ?? []))
const first = computed(() => view.value?.answers[0])
const edition = computed(() => (first.value ? editions.value.get(first.value.edition)! : null))
const itemName = useItemName(() => edition.value!)
const name = computed(() => (first.value && edition.value ? itemName(first.value.mark) : ''))
const short = computed(() => shortNames(view.value?.answers.map(answer => answer.name) ?? []))
useHead({ title: () => name.value || t('across.title') })

const said = ref('')
const MOST_AT_ONCE = 200
async function decide(slates: readonly string[], verdict: Decision | null) {
  const parts = Array.from({ length: Math.ceil(slates.length / MOST_AT_ONCE) }, (_, i) =>
    slates.slice(i * MOST_AT_ONCE, (i + 1) * MOST_AT_ONCE),
  )
  const count = await attempt(async () => {
    let all = 0
    for (const part of parts) {
      const body = { item, verdict, slates: part }
      all += (await ask(`/api/handouts/${handout}/decisions`, { method: 'PUT', body })).slates
    }
    return all
  })
  if (count !== undefined)
    said.value = t(`across.said.${typeof verdict === 'number' ? 'part' : (verdict ?? 'back')}`, {
      count,
      points: verdict ?? 0,
    })
  await read()
}

interface Change {
  readonly slate: string
  readonly name: string
  readonly before: number
  readonly after: number
}
/** What was done on this slate is asked to be right for all; who changes by that is said before. */
const asking = ref<{ slate: string; changes: readonly Change[] } | null>(null)
const shelf = ref(false)
const alsoRight = (slate: string, apply: boolean) =>
  attempt(() =>
    ask(`/api/handouts/${handout}/also-right`, { method: 'POST', body: { item, slate, apply, shelf: shelf.value } }),
  )
async function askAlso(slate: string) {
  const preview = await alsoRight(slate, false)
  shelf.value = false
  if (preview) asking.value = { slate, changes: preview.changes }
}
async function keepAlso() {
  const { slate } = asking.value!
  asking.value = null
  const kept = await alsoRight(slate, true)
  if (kept)
    said.value = t(kept.onShelf === null ? 'across.kept' : kept.onShelf ? 'across.keptShelf' : 'across.notOnShelf')
  await read()
}

const cards = useTemplateRef<{ focus: () => void }[]>('cards')
const go = (to: number) => cards.value?.[to]?.focus()
onMounted(() => go(0))
</script>

<template>
  <div>
    <UiTopBar :title="name || t('across.title')" :below="edition?.board.title ?? ''">
      <template #start
        ><NuxtLink :to="`/handout/${handout}`" class="button button-dark"
          ><Icon name="lucide:layout-grid" />{{ t('review.toWalk') }}</NuxtLink
        ></template
      >
    </UiTopBar>
    <main class="mx-auto flex max-w-[100rem] flex-col gap-4 p-5">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <p v-if="view && !view.answers.length" class="panel text-lg">{{ t('across.nobody') }}</p>
      <p v-else class="note-line">{{ t('across.how') }}</p>
      <p role="status" :class="said ? 'told font-semibold' : 'sr-only'">{{ said }}</p>
      <ReviewAlikeAnswers
        v-for="(group, i) in groups"
        ref="cards"
        :key="`${group.answers[0]!.slate} ${group.verdict}`"
        :group="group"
        :editions="editions"
        :item="item"
        :handout="handout"
        :name-of="answer => short(answer.name) || t('desk.everyone')"
        @decide="decide"
        @also="askAlso"
        @go="by => go(i + by)" />
    </main>
    <UiAsk :open="asking !== null" :title="t('across.alsoTitle')" @close="asking = null">
      <template v-if="asking">
        <p class="mb-3">{{ t('across.alsoSays') }}</p>
        <p class="font-semibold">{{ t('across.changes', { count: asking.changes.length }) }}</p>
        <ul class="max-h-72 overflow-y-auto">
          <li v-for="change in asking.changes" :key="change.slate" class="flex justify-between gap-4 py-1">
            <bdi>{{ change.name || t('desk.everyone') }}</bdi><span>{{
              t('across.change', { before: change.before, after: change.after })
            }}</span>
          </li>
        </ul>
        <label class="mt-3 flex items-center gap-2"
          ><input v-model="shelf" type="checkbox" class="h-5 w-5" />{{ t('across.alsoShelf') }}</label
        >
      </template>
      <template #buttons>
        <button type="button" class="button" @click="asking = null">{{ t('app.cancel') }}</button>
        <button type="button" class="button button-action" @click="keepAlso">{{ t('across.keep') }}</button>
      </template>
    </UiAsk>
  </div>
</template>
