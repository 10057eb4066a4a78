<script setup lang="ts">
/** Whether all that was done here is kept, and where. */
const { unsent, connected, pictures } = defineProps<{ unsent: number; connected: boolean; pictures: number }>()
const { t } = useWords()
const kept = computed(() => {
  if (unsent === 0) return connected ? t('slate.kept') : t('slate.keptOffline')
  return connected ? t('slate.sending') : t('slate.keptHere', { count: unsent })
})
/** Read aloud when the connection goes, and when all is kept again; not after each move. */
const said = ref('')
let away = false
watch([() => connected, () => unsent === 0], ([on, all]) => {
  if (on && !(away && all)) return
  away = !on
  said.value = kept.value
})
</script>

<template>
  <!-- One line, whatever it says; on a phone its sign alone. -->
  <p class="flex items-center gap-2 text-sm whitespace-nowrap text-stone-200 sm:min-w-44" :title="kept">
    <Icon :name="connected ? 'lucide:check' : 'lucide:cloud-off'" />
    <span class="max-sm:sr-only" :class="pictures ? 'sr-only' : ''" data-test="kept">{{ kept }}</span>
    <span v-if="pictures" role="status" class="max-sm:sr-only" data-test="on-way">{{
      t('picture.onWay', { count: pictures })
    }}</span>
  </p>
  <p class="sr-only" role="status">{{ said }}</p>
</template>
