<script setup lang="ts">
/** What the keyboard does, key by key, and whatever else belongs to it. */
const { open, title, keys } = defineProps<{
  open: boolean
  title: string
  keys: readonly { readonly name: string; readonly press: string; readonly does: string }[]
}>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
</script>

<template>
  <UiAsk :open="open" :title="title" @close="emit('close')">
    <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
      <template v-for="key in keys" :key="key.name">
        <dt class="font-bold">{{ key.press }}</dt>
        <dd>{{ key.does }}</dd>
      </template>
    </dl>
    <slot />
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
