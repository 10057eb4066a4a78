<script setup lang="ts">
import type { SlateView } from '~/composables/slate/useSlate'

definePageMeta({ for: 'teacher', key: route => route.fullPath })
const { t } = useWords()
const route = useRoute()
const [handout, slate] = [String(route.params.id), String(route.params.slate)]
const { attempt, trouble } = useAsking()
const read = () => attempt(() => askFor<SlateView>(`/api/slates/${slate}`))
const view = shallowRef(await read())
/** Another edition lies under the slate: everything is asked for anew. */
const asked = ref(0)
async function again() {
  const fresh = await read()
  if (!fresh) return
  view.value = fresh
  asked.value++
}
const name = computed(() => view.value?.name || t('desk.everyone'))
useHead({ title: () => (view.value ? `${name.value} · ${view.value.board.title}` : '') })
</script>

<template>
  <div class="flex h-dvh min-h-[38rem] flex-col">
    <UiTopBar :title="view?.name ? t('sort.title', { name }) : t('sort.open')" :below="view?.board.title ?? ''">
      <template #start
        ><NuxtLink :to="`/handout/${handout}/review/${slate}`" class="button button-dark"
          ><Icon name="lucide:arrow-left" />{{ name }}</NuxtLink
        ></template
      >
    </UiTopBar>
    <main class="flex min-h-0 flex-1 flex-col gap-3 overflow-auto p-4">
      <p v-if="!view" class="trouble" role="alert">{{ trouble }}</p>
      <ReviewSortTogether v-else :key="asked" :view="view" @outdated="again" />
    </main>
  </div>
</template>
