<script setup lang="ts">
import { LINE_ORDERS } from '~~/core/review/line'
import { shortNames } from '~~/core/roster/names'
import { useLine, type ToReview } from '~/composables/review/useLine'

// One view for the whole line: what it has read of the next slate is there when one goes on.
definePageMeta({ for: 'teacher', key: route => `review ${String(route.params.id)}` })
const { t } = useWords()
const route = useRoute()
const handout = String(route.params.id)
const slate = computed(() => String(route.params.slate))
const { attempt, trouble } = useAsking()
const { line, order, read, open, readAhead, beside, nextWaiting } = useLine(handout)
const found = shallowRef<ToReview | null>(null)
const view = computed(() => found.value?.view)
/** Another edition lies under it now, or it was changed elsewhere: it is read anew. */
const version = ref(0)
const reviewed = useTemplateRef<{ flush: () => Promise<void> }>('reviewed')
async function show(id: string, { anew = false } = {}) {
  // Who comes back before another was there has never left: what is decided meanwhile is decided here.
  if (!anew && found.value?.view.id === id) return
  // What was decided last on the one that is left is there for whoever comes back to it.
  await reviewed.value?.flush()
  const opened = await attempt(() => open(id))
  // Who has gone on meanwhile looks at another.
  if (id !== slate.value) return
  if (opened) version.value++
  found.value = opened ?? null
  readAhead(beside(id, 1)?.id)
}
await Promise.all([show(slate.value), read()])
readAhead(beside(slate.value, 1)?.id)
watch(slate, id => void show(id))
onBeforeRouteLeave(async () => {
  await reviewed.value?.flush()
})

const to = (id: string) => `/handout/${handout}/review/${id}`
const next = computed(() => nextWaiting(slate.value))
async function on() {
  await read()
  if (next.value) await navigateTo(to(next.value.id))
}
function step(by: 1 | -1) {
  const other = beside(slate.value, by)
  if (other) void navigateTo(to(other.id))
}
onKeyStroke(['PageDown', 'PageUp'], event => {
  if (!event.altKey) return
  event.preventDefault()
  step(event.key === 'PageDown' ? 1 : -1)
})
// What was decided on the slate that is left shows in the line.
watch(slate, () => void read())

const lineNav = useTemplateRef<HTMLElement>('lineNav')
const showCurrent = () =>
  lineNav.value?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' })
onMounted(showCurrent)
watch(slate, () => void nextTick(showCurrent))
const short = computed(() => shortNames(line.value.map(one => one.name)))
/** One board for everyone is nobody's, and has no name. */
const nameOf = ({ name }: { name: string }) => name || t('desk.everyone')
const shortNameOf = ({ name }: { name: string }) => (name ? short.value(name) : t('desk.everyone'))
useHead({ title: () => (view.value ? `${nameOf(view.value)} · ${view.value.board.title}` : '') })
</script>

<template>
  <div class="flex h-dvh min-h-[38rem] flex-col">
    <UiTopBar :title="view ? nameOf(view) : ''" :below="view?.board.title ?? ''">
      <template #start
        ><NuxtLink :to="`/handout/${handout}`" class="button button-dark"
          ><Icon name="lucide:layout-grid" />{{ t('review.toWalk') }}</NuxtLink
        ></template
      >
      <template #end>
        <NuxtLink v-if="beside(slate, -1)" :to="to(beside(slate, -1)!.id)" class="button button-dark"
          ><Icon name="lucide:arrow-left" />{{ shortNameOf(beside(slate, -1)!) }}</NuxtLink
        >
        <NuxtLink v-if="beside(slate, 1)" :to="to(beside(slate, 1)!.id)" class="button button-dark"
          >{{ shortNameOf(beside(slate, 1)!) }}<Icon name="lucide:arrow-right"
        /></NuxtLink>
      </template>
    </UiTopBar>
    <main class="flex min-h-0 flex-1 flex-col gap-3 overflow-auto p-4">
      <p v-if="!found" class="trouble" role="alert">{{ trouble }}</p>
      <ReviewSlate
        v-else
        ref="reviewed"
        :key="`${found.view.id} ${version}`"
        :view="found.view"
        :outcomes="found.outcomes"
        @outdated="show(slate, { anew: true })"
        @on="on" />
      <div class="flex shrink-0 items-center gap-3">
        <label class="flex shrink-0 items-center gap-2"
          >{{ t('review.lineOrder')
          }}<select v-model="order" class="field min-h-10 w-auto py-1">
            <option v-for="one in LINE_ORDERS" :key="one" :value="one">{{ t(`review.lineOrders.${one}`) }}</option>
          </select></label
        >
        <nav ref="lineNav" class="flex min-w-0 flex-1 gap-2 overflow-x-auto p-1" :aria-label="t('review.line')">
          <NuxtLink
            v-for="other in line"
            :key="other.id"
            :to="to(other.id)"
            :aria-current="other.id === slate ? 'page' : undefined"
            class="button min-h-10 shrink-0 px-3 py-1 text-sm"
            :class="other.id === slate ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
            ><UiStatusIcon :status="other.status" />{{ shortNameOf(other)
            }}<Icon
              v-if="other.reviewed && other.status === 'handed-in'"
              name="lucide:check"
              size="16"
              :aria-label="t('review.reviewed')" /><span
              v-if="other.unsure && other.status !== 'handed-back'"
              class="rounded bg-sunfleck-200 px-1.5 font-bold text-stone-950"
              :aria-label="t('review.unsure', { count: other.unsure })"
              >{{ other.unsure }}</span
            ></NuxtLink
          >
        </nav>
        <NuxtLink v-if="next" :to="to(next.id)" class="button button-action shrink-0"
          >{{ t('review.nextWaiting', { name: shortNameOf(next) }) }}<Icon name="lucide:arrow-right" /></NuxtLink
        ><span v-else class="shrink-0 text-sm">{{ t('review.noneWaits') }}</span>
      </div>
    </main>
  </div>
</template>
