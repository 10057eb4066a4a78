<script setup lang="ts">
import { shortNames } from '~~/core/roster/names'
import type { SlateView } from '~/composables/slate/useSlate'
import type { OutcomesView } from '~/composables/review/useReview'
import type { WalkView } from '~/composables/review/useWalk'

definePageMeta({ for: 'teacher', key: route => route.fullPath })
const { t } = useWords()
const route = useRoute()
const handout = String(route.params.id)
const slate = String(route.params.slate)
const { attempt, trouble } = useAsking()
const read = () =>
  attempt(async () => {
    const [view, outcomes] = await Promise.all([
      ask<SlateView>(`/api/slates/${slate}`),
      // Without it, it is reviewed by the teacher alone.
      ask<OutcomesView>(`/api/slates/${slate}/outcomes`).catch(() => null),
    ])
    return { view, outcomes }
  })
const found = shallowRef(await read())
const view = computed(() => found.value?.view)
/** Another edition lies under it now. */
const again = async () => (found.value = (await read()) ?? found.value)
const line = (await attempt(() => ask<WalkView>(`/api/handouts/${handout}`)))?.slates ?? []
const at = line.findIndex(s => s.id === slate)
const lineNav = useTemplateRef<HTMLElement>('lineNav')
onMounted(() => lineNav.value?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' }))
const short = shortNames(line.map(one => one.name))
/** One board for everyone is nobody's, and has no name. */
const nameOf = ({ name }: { name: string }) => name || t('desk.everyone')
const shortNameOf = ({ name }: { name: string }) => (name ? short(name) : t('desk.everyone'))
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
        <NuxtLink v-if="at > 0" :to="`/handout/${handout}/review/${line[at - 1]!.id}`" class="button button-dark"
          ><Icon name="lucide:arrow-left" />{{ shortNameOf(line[at - 1]!) }}</NuxtLink
        >
        <NuxtLink
          v-if="at >= 0 && at < line.length - 1"
          :to="`/handout/${handout}/review/${line[at + 1]!.id}`"
          class="button button-dark"
          >{{ shortNameOf(line[at + 1]!) }}<Icon name="lucide:arrow-right"
        /></NuxtLink>
      </template>
    </UiTopBar>
    <main class="flex min-h-0 flex-1 flex-col gap-3 overflow-auto p-4">
      <p v-if="!view" class="trouble" role="alert">{{ trouble }}</p>
      <ReviewSlate v-else :key="view.edition" :view="view" :outcomes="found?.outcomes ?? null" @outdated="again" />
      <nav ref="lineNav" class="flex shrink-0 gap-2 overflow-x-auto p-1" :aria-label="t('review.line')">
        <NuxtLink
          v-for="other in line"
          :key="other.id"
          :to="`/handout/${handout}/review/${other.id}`"
          :aria-current="other.id === slate ? 'page' : undefined"
          class="button min-h-10 shrink-0 px-3 py-1 text-sm"
          :class="other.id === slate ? 'border-sunfleck-600 bg-sunfleck-200 text-stone-950' : ''"
          ><UiStatusIcon :status="other.status" />{{ shortNameOf(other) }}</NuxtLink
        >
      </nav>
    </main>
  </div>
</template>
