<script setup lang="ts">
import { useFindings, type FindingsView } from '~/composables/review/useFindings'

definePageMeta({ for: 'teacher', key: route => route.fullPath })
const { t } = useWords()
const route = useRoute()
const handout = String(route.params.id)
const { attempt, trouble } = useAsking()
const view = shallowRef((await attempt(() => ask<FindingsView>(`/api/handouts/${handout}/findings`))) ?? null)
useHead({ title: () => t('findings.of', { title: view.value?.board.title ?? '' }) })
const parts = useFindings(() => view.value)
</script>

<template>
  <div>
    <UiTopBar :title="t('findings.title')" :below="view?.board.title ?? ''">
      <template #start
        ><NuxtLink :to="`/handout/${handout}`" class="button button-dark"
          ><Icon name="lucide:layout-grid" />{{ t('review.toWalk') }}</NuxtLink
        ></template
      >
    </UiTopBar>
    <main class="mx-auto flex max-w-6xl flex-col gap-5 p-5">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <template v-if="view">
        <p v-if="!view.slates.length" class="panel text-lg">{{ t('findings.nobody') }}</p>
        <template v-else>
          <div class="flex flex-wrap items-center gap-4">
            <p>{{ t('findings.from', { count: view.slates.length }) }}</p>
            <p v-if="view.unmarked" class="note-line">{{ t('findings.unmarked', { count: view.unmarked }) }}</p>
          </div>
          <section
            v-for="part in parts"
            :key="part.name"
            class="panel flex flex-col gap-3"
            :aria-label="t(`findings.part.${part.name}`)"
            :data-test="`finding-${part.name}`">
            <h2 class="text-lg font-bold">{{ t(`findings.part.${part.name}`) }}</h2>
            <p class="text-lg">{{ part.says }}</p>
            <p v-if="part.more" class="note-line">{{ part.more }}</p>
            <ul v-if="part.list" class="flex flex-col gap-1">
              <li v-for="line in part.list" :key="line">
                <bdi>{{ line }}</bdi>
              </li>
            </ul>
            <FindingsFindingTable
              v-if="part.table"
              :title="t(`findings.part.${part.name}`)"
              :columns="part.table.columns"
              :rows="part.table.rows"
              :file="`${view.board.title} - ${t(`findings.part.${part.name}`)}`" />
          </section>
        </template>
      </template>
    </main>
  </div>
</template>
