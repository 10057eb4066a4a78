<script setup lang="ts">
import { usePointer } from '~/composables/lesson/usePointer'
import { useScreen } from '~/composables/lesson/useScreen'

/** The class screen: a window of its own, for the wall. It shows what the teacher has put there, and nothing else. */
definePageMeta({ for: 'teacher' })
const { t, said } = useWords()
const handout = String(useRoute().params.handout)
const onScreen = useScreen(handout)
const { screen, slates, trouble, connection } = onScreen
const { at } = usePointer(handout, onScreen)
useHead({ title: () => screen.value?.title ?? t('screen.title') })
</script>

<template>
  <main
    class="flex h-dvh flex-col gap-4 p-6"
    :style="{ '--screen-height': slates.length > 1 ? 'min(75vh, 34vw)' : 'min(80vh, 60vw)' }">
    <header class="flex min-h-12 flex-wrap items-center gap-6">
      <h1 v-if="screen && screen.kind !== 'nothing'" class="text-2xl font-bold" dir="auto">{{ screen.title }}</h1>
      <span class="ml-auto flex items-center gap-4">
        <span v-if="connection !== 'open'" class="text-ink-soft" role="status">{{ t('walk.offline') }}</span>
        <LessonTimeLeft v-if="screen?.timer" :timer="screen.timer" large />
      </span>
    </header>
    <p v-if="trouble" class="trouble" role="alert">{{ said(`refused.${trouble}`, 'refused.trouble') }}</p>
    <LessonScreen v-if="screen" :handout="handout" :screen="screen" :slates="slates" :pointed="at" />
  </main>
</template>
