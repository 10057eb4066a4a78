<script setup lang="ts">
/** What stands beside the page, with a way to close it. */
const { title } = defineProps<{ title: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
</script>

<template>
  <aside class="panel flex min-h-0 flex-col gap-3 overflow-auto p-4" :aria-label="title">
    <div class="flex items-center justify-between gap-2">
      <h2 class="text-lg font-bold">{{ title }}</h2>
      <button type="button" class="button w-11 px-0" :aria-label="t('app.close')" @click="emit('close')">
        <Icon name="lucide:x" />
      </button>
    </div>
    <slot />
  </aside>
</template>
