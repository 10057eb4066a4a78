<script setup lang="ts">
import type { Board } from '~~/core/board/board'

definePageMeta({ for: 'teacher' })
const { t } = useWords()
const route = useRoute()
const { attempt, trouble } = useAsking()
const id = String(route.params.id)
const loaded = await attempt(() => ask<{ board: Board; version: number }>(`/api/boards/${id}`))
</script>

<template>
  <WorkbenchBench v-if="loaded" :id="id" :first="loaded.board" :version="loaded.version" />
  <main v-else class="mx-auto max-w-lg p-8">
    <p class="trouble mb-4" role="alert">{{ trouble }}</p>
    <NuxtLink to="/shelf" class="button">{{ t('workbench.toShelf') }}</NuxtLink>
  </main>
</template>
