<script setup lang="ts">
import { useOthers, type OtherSlate } from '~/composables/slate/useOthers'

definePageMeta({ for: 'student' })
const { t } = useWords()
const { view, slates, trouble, again } = useOthers(String(useRoute().params.handout))
const page = ref(0)
const large = ref<string | null>(null)
const shown = computed(() => slates.value.find(slate => slate.id === large.value) ?? null)
const pages = computed(() => Math.max(1, ...slates.value.map(slate => slate.edition.board.pages.length)))
const nameOf = (slate: OtherSlate) => [slate.heading, slate.people.join(', ')].filter(Boolean).join(' · ')
// Who comes now appears by and by.
useIntervalFn(again, 20_000)
useHead({ title: () => t('others.title') })
</script>

<template>
  <div>
    <UiTopBar :title="view?.title ?? t('others.title')" :below="t('others.title')">
      <template #start
        ><RouterLink to="/desk" :aria-label="t('slate.toDesk')" class="flex min-h-11 items-center"
          ><UiMark /></RouterLink
      ></template>
      <template #end
        ><RouterLink v-if="view?.own" :to="`/slate/${view.own}`" class="button button-dark">{{
          t('others.toOwn')
        }}</RouterLink></template
      >
    </UiTopBar>
    <main class="mx-auto flex max-w-6xl flex-col gap-4 p-6">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <p v-if="view && !trouble && slates.length === 0" class="panel text-lg">{{ t('others.nobody') }}</p>
      <SlatePageTurner v-if="slates.length" v-model="page" :count="pages" />
      <section v-if="shown" class="panel flex flex-col gap-3">
        <div class="flex flex-wrap items-center gap-4">
          <h2 class="grow text-xl font-bold">
            <bdi>{{ nameOf(shown) }}</bdi>
          </h2>
          <button type="button" class="button" @click="large = null">{{ t('others.all') }}</button>
        </div>
        <BoardThumbnail
          :slate="shown.id"
          :edition="shown.edition"
          :state="shown.replica.shown"
          :page="page"
          :label="nameOf(shown)" />
      </section>
      <ul v-else class="grid gap-4 sm:grid-cols-2 lg:grid-cols-3">
        <li v-for="slate in slates" :key="slate.id">
          <button type="button" class="block w-full rounded-xl p-1 text-left hover:bg-field" @click="large = slate.id">
            <BoardThumbnail
              :slate="slate.id"
              :edition="slate.edition"
              :state="slate.replica.shown"
              :page="page"
              :label="nameOf(slate)" />
            <span class="mt-1 flex items-center gap-2 px-1"
              ><ClassGroupMark v-if="slate.mark" :mark="slate.mark" small /><span class="truncate font-semibold"
                ><bdi>{{ nameOf(slate) }}</bdi></span
              ><span v-if="slate.mine" class="ml-auto shrink-0 text-sm">{{ t('others.mine') }}</span></span
            >
          </button>
        </li>
      </ul>
    </main>
  </div>
</template>
