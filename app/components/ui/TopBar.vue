<script setup lang="ts">
/** The dark stone along the top of every screen. */
const {
  title = '',
  below = '',
  language,
} = defineProps<{
  title?: string
  below?: string
  /** Of the title, where it isn't the interface's own. */
  language?: string | undefined
}>()
</script>

<template>
  <header
    class="flex min-h-14 shrink-0 flex-wrap items-center gap-x-4 gap-y-2 bg-stone-900 px-4 py-2 text-white sm:px-5">
    <slot name="start"><UiMark /></slot>
    <div v-if="title" class="min-w-0">
      <h1 class="truncate text-lg font-bold leading-tight" dir="auto" :lang="language">{{ title }}</h1>
      <p v-if="below" class="truncate text-sm text-stone-300">{{ below }}</p>
    </div>
    <slot />
    <div class="ml-auto flex flex-wrap items-center gap-3"><slot name="end" /></div>
  </header>
</template>
