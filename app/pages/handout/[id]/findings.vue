<script setup lang="ts">
import { saidStatus } from '~~/core/slate/status'
import { useFindingParts } from '~/composables/review/useFindingParts'
import { useFindings } from '~/composables/review/useFindings'

definePageMeta({ for: 'teacher', key: route => route.fullPath })
const { t } = useWords()
const route = useRoute()
const handout = String(route.params.id)
const { view, statuses, findings, share, trouble, read } = useFindings(handout)
await read()
useHead({ title: () => t('findings.of', { title: view.value?.board.title ?? '' }) })
const { parts, edition } = useFindingParts(
  () => view.value,
  () => findings.value,
)
const exporting = ref(false)
const STATES = ['under-way', 'handed-in', 'handed-back'] as const
const countOf = (status: (typeof STATES)[number]) => view.value!.slates.filter(one => one.status === status).length
const toggle = (status: (typeof STATES)[number]) =>
  (statuses.value = statuses.value.includes(status)
    ? statuses.value.filter(one => one !== status)
    : [...statuses.value, status])
</script>

<template>
  <div>
    <UiTopBar :title="t('findings.title')" :below="view?.board.title ?? ''">
      <template #start
        ><NuxtLink :to="`/handout/${handout}`" class="button button-dark"
          ><Icon name="lucide:layout-grid" />{{ t('review.toWalk') }}</NuxtLink
        ></template
      >
      <template #end
        ><button type="button" class="button button-dark" @click="exporting = true">
          <Icon name="lucide:printer" />{{ t('paper.open') }}
        </button></template
      >
    </UiTopBar>
    <main class="mx-auto flex max-w-6xl flex-col gap-5 p-5">
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <template v-if="view">
        <p v-if="!view.slates.length" class="panel text-lg">{{ t('findings.nobody') }}</p>
        <template v-else>
          <div class="flex flex-wrap items-center gap-4">
            <p role="status">
              {{ t('findings.from', { count: findings?.slates.length ?? 0 }) }}
            </p>
            <progress v-if="share !== null && !findings" :value="share" :aria-label="t('findings.working')" />
            <fieldset class="flex flex-wrap items-center gap-3">
              <legend class="sr-only">{{ t('findings.which') }}</legend>
              <label v-for="status in STATES" :key="status" class="flex min-h-9 items-center gap-2"
                ><input
                  type="checkbox"
                  class="h-5 w-5"
                  :checked="statuses.includes(status)"
                  @change="toggle(status)" />{{
                  t('findings.states', { state: t(`walk.status.${saidStatus(status, view)}`), count: countOf(status) })
                }}</label
              >
            </fieldset>
            <p v-if="view.idle.length" class="note-line w-full">
              {{ t('findings.idle', { count: view.idle.length, names: view.idle.join(', ') }) }}
            </p>
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
            <FindingsPiles
              v-if="part.picture === 'piles' && findings?.homes"
              :edition="edition"
              :homes="findings.homes"
              :wrong="findings.wrongHomes" />
            <FindingsTree
              v-if="part.picture === 'tree' && findings?.sorts?.tree"
              :edition="edition"
              :tree="findings.sorts.tree" />
            <LazyFindingsFindingChart v-if="part.chart" :bars="part.chart" :label="part.says" />
            <!-- Where there is a picture the numbers come when they are asked for. -->
            <details v-if="part.table" :open="!part.picture && !part.chart">
              <summary class="min-h-9 cursor-pointer content-center font-semibold">{{ t('findings.numbers') }}</summary>
              <FindingsFindingTable
                :title="t(`findings.part.${part.name}`)"
                :columns="part.table.columns"
                :rows="part.table.rows"
                :file="`${view.board.title} - ${t(`findings.part.${part.name}`)}`" />
            </details>
          </section>
        </template>
      </template>
    </main>
    <LazyPaperSlates v-if="exporting" :open="exporting" :handout="handout" @close="exporting = false" />
  </div>
</template>
