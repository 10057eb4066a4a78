<script setup lang="ts">
import type { ComingInList } from '~~/core/paper/parcel'

/** Files with all that a teacher has that were brought from elsewhere: how far each is, and what came out of it. */
const { t } = useWords()
const { attempt, trouble } = useAsking()
const parcels = shallowRef<readonly ComingInList[]>([])
const read = () => attempt(async () => (parcels.value = await ask('/api/everything/in')))
onMounted(() => void read())
const underWay = computed(() => parcels.value.some(({ status }) => status === 'waiting' || status === 'making'))
const EVERY = 1500
const { pause, resume } = useIntervalFn(() => void read(), EVERY, { immediate: false })
watch(underWay, now => (now ? resume() : pause()))
defineExpose({ read })
const format = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
const SORTS = ['boards', 'classes', 'slates', 'rubrics'] as const
const words = ({ came }: ComingInList) => SORTS.map(sort => t(`mine.${sort}`, { count: came[sort] })).join(' ')
</script>

<template>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  <ul v-if="parcels.length" class="mt-3 flex flex-col gap-3" aria-live="polite" data-test="coming">
    <li v-for="parcel in parcels" :key="parcel.id">
      <p class="flex flex-wrap items-center gap-3">
        <span>{{ format.format(new Date(parcel.askedAt)) }}</span>
        <span v-if="parcel.status === 'waiting'">{{ t('paper.parcels.waits') }}</span>
        <template v-else-if="parcel.status === 'making'"
          ><progress
            :value="parcel.of ? parcel.done / parcel.of : 0"
            :aria-label="t('mine.comes', { done: parcel.done, of: parcel.of })" />{{
            t('mine.comes', { done: parcel.done, of: parcel.of })
          }}</template
        >
        <strong v-else-if="parcel.status === 'failed'">{{ t('mine.brokeOff') }}</strong>
      </p>
      <p v-if="parcel.status === 'ready' || parcel.status === 'failed'">
        {{ words(parcel) }}
        <strong v-if="parcel.came.unread">{{ t('mine.unread', { count: parcel.came.unread }) }}</strong>
      </p>
    </li>
  </ul>
</template>
