<script setup lang="ts">
/**
 * What can be done with a slate as a whole: look at others', ask how it stands, hand it in, take it back, once more.
 */
const { others, feedback, unsent, takeBack, again, done } = defineProps<{
  /** The handout whose other work may be looked at; null where it may not. */
  others: string | null
  feedback: boolean
  /** Something is on its way: the server would say how it stood before. */
  unsent: boolean
  takeBack: boolean
  again: boolean
  /** Whether it is handed in, or being finished is enough; null where it is neither. */
  done: 'handIn' | 'finish' | null
}>()
const emit = defineEmits<{ feedback: []; takeBack: []; again: []; done: [] }>()
const { t } = useWords()
</script>

<template>
  <RouterLink v-if="others" :to="`/others/${others}`" class="button button-dark"
    ><Icon name="lucide:layout-grid" size="20" />{{ t('others.title') }}</RouterLink
  >
  <button v-if="feedback" type="button" class="button button-dark" :disabled="unsent" @click="emit('feedback')">
    <Icon name="lucide:search-check" size="20" />{{ t('feedback.ask') }}
  </button>
  <button v-if="takeBack" type="button" class="button button-dark" @click="emit('takeBack')">
    <Icon name="lucide:undo-2" size="20" />{{ t('again.takeBack') }}
  </button>
  <button v-if="again" type="button" class="button button-dark" :title="t('again.says')" @click="emit('again')">
    <Icon name="lucide:rotate-ccw" size="20" />{{ t('again.begin') }}
  </button>
  <button v-if="done" type="button" class="button button-action" @click="emit('done')">{{ t(`slate.${done}`) }}</button>
</template>
