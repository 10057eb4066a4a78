<script setup lang="ts">
/** All that a class has made, as one file that opens without the application. */
const { open, classId, name } = defineProps<{ open: boolean; classId: string; name: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const parcels = useTemplateRef('parcels')
</script>

<template>
  <UiAsk :open="open" :title="t('paper.archive.title', { name })" @close="emit('close')">
    <p>{{ t('paper.archive.how') }}</p>
    <button type="button" class="button button-action mt-3" @click="parcels?.order()">
      <Icon name="lucide:package" />{{ t('paper.archive.make') }}
    </button>
    <PaperParcels ref="parcels" :path="`/api/classes/${classId}/archive`" :going="open" />
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
