<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Actor } from '~~/core/slate/actor'
import { changedThings } from '~~/core/slate/hands'
import { startedAgain } from '~~/core/slate/moves/startAgain'
import type { SlateState } from '~~/core/slate/state'

/** On a page of several: what starting again would take back, which is what nobody but this student has touched. */
const { open, edition, state, actor } = defineProps<{
  open: boolean
  edition: Edition
  state: SlateState
  actor: Actor
}>()
const emit = defineEmits<{ close: []; again: [] }>()
const { t } = useWords()
const count = computed(() => {
  if (!open) return 0
  const { author, part, several: mine } = actor
  const own = { by: author, ...(part !== 'all' && { part }), ...(mine && { mine }) }
  return changedThings(state, startedAgain(state, own, edition)).length
})
</script>

<template>
  <UiAsk :open="open" :title="t('slate.startAgainTitle')" @close="emit('close')">
    <p>{{ t(count ? 'slate.startAgainSays' : 'slate.startAgainNothing', { count }) }}</p>
    <template #buttons>
      <button type="button" class="button" @click="emit('close')">{{ t('slate.keepWorking') }}</button>
      <button v-if="count" type="button" class="button button-action" @click="emit('again')">
        {{ t('slate.startAgainNow') }}
      </button>
    </template>
  </UiAsk>
</template>
