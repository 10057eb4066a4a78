<script setup lang="ts">
/**
 * What stands beside the page, with a way to close it. Whoever opens it stands at its heading, and is back where they
 * were when it closes; what opens by itself is *quiet*.
 */
const { title, quiet = false } = defineProps<{ title: string; quiet?: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const root = useTemplateRef<HTMLElement>('root')
const heading = useTemplateRef<HTMLElement>('heading')
const opener = document.activeElement instanceof HTMLElement ? document.activeElement : null
onMounted(() => !quiet && heading.value?.focus({ preventScroll: true }))
onBeforeUnmount(() => {
  if (root.value?.contains(document.activeElement) && opener?.isConnected) opener.focus({ preventScroll: true })
})
</script>

<template>
  <aside
    ref="root"
    class="panel flex min-h-0 flex-col gap-3 overflow-auto p-4"
    :aria-label="title"
    @keydown.escape.stop="emit('close')">
    <div class="flex items-center justify-between gap-2">
      <h2 ref="heading" tabindex="-1" class="text-lg font-bold">{{ title }}</h2>
      <button type="button" class="button w-11 px-0" :aria-label="t('app.close')" @click="emit('close')">
        <Icon name="lucide:x" />
      </button>
    </div>
    <slot />
  </aside>
</template>
