<script setup lang="ts">
import type { ParcelInList } from '~~/core/paper/parcel'

/** Files of one sort that take a while to pack: how far each is, and the way to those that are ready. */
const { path, going = true } = defineProps<{
  /** Where they are asked for, and each is fetched. */
  path: string
  /** They are looked at just now. */
  going?: boolean
}>()
const { t } = useWords()
const { attempt, trouble } = useAsking()
const parcels = shallowRef<readonly ParcelInList[]>([])
const underWay = computed(() => parcels.value.some(({ status }) => status === 'waiting' || status === 'making'))
const read = () => attempt(async () => (parcels.value = await askFor<ParcelInList[]>(path)))
watch(
  () => going,
  now => now && void read(),
  { immediate: true },
)
const EVERY = 1500
const { pause, resume } = useIntervalFn(() => void read(), EVERY, { immediate: false })
watch(
  () => going && underWay.value,
  now => (now ? resume() : pause()),
)
let asking = false
/** Asks for one more; pressed twice in a row it is asked for once. */
async function order(body: Record<string, unknown> = {}) {
  if (asking) return
  asking = true
  await attempt(async () => {
    await askFor(path, { method: 'POST', body })
    await read()
  }).finally(() => (asking = false))
}
defineExpose({ order })
const format = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
const ready = ({ sheets }: ParcelInList) =>
  sheets === null ? t('paper.parcels.fetch') : t('paper.slates.open', { count: sheets })
</script>

<template>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  <ul v-if="parcels.length" class="mt-3 flex flex-col gap-2" aria-live="polite" data-test="papers">
    <li v-for="parcel in parcels" :key="parcel.id" class="flex flex-wrap items-center gap-3">
      <span>{{ format.format(new Date(parcel.askedAt)) }}</span>
      <a
        v-if="parcel.status === 'ready'"
        class="button min-h-10 py-1"
        :href="`${path}/${parcel.id}`"
        :download="parcel.sheets === null ? '' : undefined"
        :target="parcel.sheets === null ? undefined : '_blank'"
        rel="noopener"
        ><Icon :name="parcel.sheets === null ? 'lucide:package' : 'lucide:file-text'" />{{ ready(parcel) }}</a
      >
      <strong v-else-if="parcel.status === 'failed'">{{ t('paper.slates.failed') }}</strong>
      <span v-else-if="parcel.of === 0">{{ t('paper.parcels.waits') }}</span>
      <template v-else
        ><progress
          :value="parcel.of ? parcel.done / parcel.of : 0"
          :aria-label="t('paper.slates.making', { done: parcel.done, of: parcel.of })" />{{
          t('paper.slates.making', { done: parcel.done, of: parcel.of })
        }}</template
      >
    </li>
  </ul>
</template>
