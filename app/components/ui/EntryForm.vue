<script setup lang="ts">
/** The card on an empty desk at which one comes in. */
const { title } = defineProps<{ title: string; trouble?: string; action: string; busy?: boolean }>()
const { t } = useWords()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <main class="mx-auto flex min-h-dvh max-w-md flex-col justify-center gap-5 p-6">
    <RouterLink to="/" class="flex items-center gap-3 text-lg font-bold"><UiMark />{{ t('app.name') }}</RouterLink>
    <form class="panel flex flex-col gap-4 shadow-md" @submit.prevent="emit('submit')">
      <h1 class="text-2xl font-bold">{{ title }}</h1>
      <slot />
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <button class="button button-action" :disabled="busy">{{ action }}</button>
    </form>
    <slot name="below" />
  </main>
</template>
