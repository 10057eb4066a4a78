<script setup lang="ts">
import { LOST, type Lost } from '~~/core/reading/lost'

/** What a board can't keep of a file, sort by sort, with the pages where it was. */
const { lost } = defineProps<{ lost: readonly Lost[] }>()
const { t } = useWords()
const MOST_NAMED = 8
const sorts = computed(() =>
  LOST.flatMap(code => {
    const some = lost.filter(one => one.code === code)
    if (some.length === 0) return []
    const pages = [...new Set(some.flatMap(one => one.page ?? []))].toSorted((a, b) => a - b)
    const count = some.reduce((sum, one) => sum + one.count, 0)
    const named = pages.slice(0, MOST_NAMED).join(', ') + (pages.length > MOST_NAMED ? ' …' : '')
    return [{ code, count, pages: named }]
  }),
)
</script>

<template>
  <section class="mt-4" data-test="lost">
    <p v-if="sorts.length === 0">{{ t('readIn.nothingLost') }}</p>
    <template v-else>
      <h3 class="font-bold">{{ t('readIn.lost') }}</h3>
      <ul class="mt-1 list-disc pl-5">
        <li v-for="{ code, count, pages } in sorts" :key="code">
          {{ t(`readIn.codes.${code}`, { count })
          }}<template v-if="pages"> ({{ t('readIn.onPages', { pages }) }})</template>
        </li>
      </ul>
    </template>
  </section>
</template>
