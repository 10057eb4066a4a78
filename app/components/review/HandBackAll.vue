<script setup lang="ts">
import { waits, type InLine } from '~~/core/review/line'

/** Hands back all that was handed in, or some of it, after it was said what is still to be looked at. */
const { open, handout, slates } = defineProps<{
  open: boolean
  handout: string
  /** Those meant; absent for all. */
  slates: readonly string[] | undefined
}>()
const emit = defineEmits<{ close: [said: string] }>()
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const line = shallowRef<readonly InLine[] | null>(null)
const again = ref(false)
watch(
  () => open,
  async now => {
    if (!now) return
    again.value = false
    line.value = null
    line.value = (await attempt(() => ask<InLine[]>(`/api/handouts/${handout}/line`))) ?? null
  },
)
const meant = computed(() => (line.value ?? []).filter(slate => waits(slate) && (!slates || slates.includes(slate.id))))
const unseen = computed(() => meant.value.filter(slate => !slate.reviewed).length)
const unsure = computed(() => meant.value.reduce((sum, slate) => sum + slate.unsure, 0))
async function handBack() {
  const body = { again: again.value, ...(slates && { slates }) }
  const done = await attempt(() =>
    ask<{ count: number }>(`/api/handouts/${handout}/hand-back`, { method: 'POST', body }),
  )
  if (done) emit('close', t('handBackAll.done', { count: done.count }))
}
</script>

<template>
  <UiAsk :open="open" :title="t('handBackAll.title')" @close="emit('close', '')">
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <template v-if="line">
      <p>{{ t('handBackAll.says', { count: meant.length }) }}</p>
      <p v-if="unseen" class="mt-2">{{ t('handBackAll.unseen', { count: unseen }) }}</p>
      <p v-if="unsure" class="mt-2">{{ t('handBackAll.unsure', { count: unsure }) }}</p>
      <label v-if="meant.length" class="mt-3 flex items-center gap-2"
        ><input v-model="again" type="checkbox" class="h-5 w-5" />{{ t('handBackAll.again') }}</label
      >
    </template>
    <template #buttons>
      <button type="button" class="button" @click="emit('close', '')">{{ t('app.cancel') }}</button>
      <button type="button" class="button button-action" :disabled="busy || !meant.length" @click="handBack">
        {{ t('handBackAll.button', { count: meant.length }) }}
      </button>
    </template>
  </UiAsk>
</template>
