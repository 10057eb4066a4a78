<script setup lang="ts">
import type { StudentWork } from '~~/core/findings/year'
import { saidStatus } from '~~/core/slate/status'

/** One student over many handouts: no other name stands on it, so that it can be printed for a talk with parents. */
definePageMeta({ for: 'teacher', key: route => route.fullPath })
const { t } = useWords()
const route = useRoute()
const [classId, student] = [String(route.params.id), String(route.params.student)]
const found = await ask(`/api/classes/${classId}/students/${student}/year`)
const { tags, table, percent } = useYear(() => found.works)
/** Beside the class, as a whole and without a name; whoever prints it for others may leave that out. */
const withClass = ref(true)
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeZone: 'UTC' })
const reached = computed(() => found.works.filter(work => work.share !== null))
const chart = computed(() => ({
  labels: reached.value.map(work => work.title),
  of: t('year.handout'),
  count: t('year.percent'),
  lying: true,
  series: [
    { name: found.name, tone: 'leaf' as const, values: reached.value.map(work => Math.round(work.share! * 100)) },
  ],
}))
const worth = ({ points, mostPoints, levels }: StudentWork) =>
  points !== null && mostPoints !== null
    ? t('year.points', { points, of: mostPoints })
    : levels.map(one => `${one.criterion}: ${one.level}`).join('; ')
const columns = computed(() => [
  { name: t('year.day') },
  { name: t('year.handout') },
  { name: t('year.state') },
  { name: t('year.byKey'), number: true },
  ...(withClass.value ? [{ name: t('year.class'), number: true }] : []),
  { name: t('year.given') },
  { name: t('year.said') },
])
const rows = computed(() =>
  found.works.map(work => ({
    key: work.slate,
    cells: [
      day.format(new Date(work.day)),
      work.group ? t('year.inGroup', { title: work.title, group: work.group }) : work.title,
      t(`walk.status.${saidStatus(work.status, work)}`),
      percent(work.share),
      ...(withClass.value ? [percent(work.classMean)] : []),
      worth(work),
      work.comment,
    ],
    shares: [null, null, null, work.share],
  })),
)
const print = () => window.print()
useHead({ title: () => found.name })
</script>

<template>
  <div>
    <UiTeacherBar class="print:hidden" />
    <main class="mx-auto flex max-w-6xl flex-col gap-5 p-6">
      <div class="flex flex-wrap items-center gap-4">
        <div class="flex-1">
          <h1 class="text-2xl font-bold">{{ found.name }}</h1>
          <p>{{ found.className }}</p>
        </div>
        <label class="flex min-h-9 items-center gap-2 print:hidden"
          ><input v-model="withClass" type="checkbox" class="h-5 w-5" />{{ t('year.withClass') }}</label
        >
        <button type="button" class="button print:hidden" @click="print">
          <Icon name="lucide:printer" />{{ t('year.print') }}
        </button>
        <NuxtLink :to="`/classes/${classId}/year`" class="button print:hidden"
          ><Icon name="lucide:arrow-left" />{{ t('year.title') }}</NuxtLink
        >
      </div>
      <p v-if="!found.works.length" class="panel">{{ t('year.nothing') }}</p>
      <section v-else class="panel flex flex-col gap-3" :aria-label="t('year.works')" data-test="works">
        <h2 class="text-lg font-bold">{{ t('year.works') }}</h2>
        <LazyFindingsFindingChart v-if="reached.length > 1" :bars="chart" :label="t('year.works')" />
        <FindingsFindingTable
          :title="t('year.works')"
          :columns="columns"
          :rows="rows"
          :file="`${found.name} - ${t('year.title')}`" />
      </section>
      <section v-if="tags.length" class="panel flex flex-col gap-3" :aria-label="t('year.byTag')">
        <h2 class="text-lg font-bold">{{ t('year.byTag') }}</h2>
        <FindingsFindingTable
          :title="t('year.byTag')"
          :columns="table.columns"
          :rows="table.rows"
          :file="`${found.name} - ${t('year.byTag')}`" />
      </section>
    </main>
  </div>
</template>
