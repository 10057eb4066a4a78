<script setup lang="ts">
import type { Spoken } from '~~/core/board/clip'
import { LONGEST_NOTE } from '~~/core/margin/item'
import type { useMarginTools } from '~/composables/review/useMarginTools'

/** Finds the words for a note, written or spoken. */
const { tools: desk } = defineProps<{ tools: ReturnType<typeof useMarginTools> }>()
const { wording } = desk
const { t } = useWords()
const text = ref('')
watch(wording, () => (text.value = ''))
const title = (as: 'note' | 'spoken') =>
  wording.value ? t(`marginDesk.to.${as}`, { name: desk.nameOf(wording.value.at) }) : ''
const about = computed(() => {
  const at = wording.value?.at
  return at?.to === 'piece' ? at.piece : at?.to === 'place' ? at.place : undefined
})
const ready = (['why', 'look', 'tell', 'good'] as const).map(one => t(`sentences.note.${one}`))
const pin = () => text.value.trim() && desk.worded({ text: text.value.trim() })
const recorded = ({ file, seconds }: Spoken) => desk.worded({ file, seconds })
</script>

<template>
  <UiAsk :open="wording?.as === 'note'" :title="title('note')" @close="wording = null">
    <form id="note" @submit.prevent="pin">
      <label
        ><span class="label">{{ t('marginDesk.noteText') }}</span
        ><textarea v-model="text" dir="auto" rows="3" :maxlength="LONGEST_NOTE" class="field" required />
      </label>
      <LessonSentences v-model="text" :ready="ready" :longest="LONGEST_NOTE" :about="about" />
    </form>
    <template #buttons>
      <button type="button" class="button" @click="wording = null">{{ t('app.cancel') }}</button>
      <button form="note" class="button button-action" :disabled="!text.trim()">{{ t('marginDesk.pin') }}</button>
    </template>
  </UiAsk>
  <LazyWorkbenchRecorder
    v-if="wording?.as === 'spoken'"
    :title="title('spoken')"
    @done="recorded"
    @close="wording = null" />
</template>
