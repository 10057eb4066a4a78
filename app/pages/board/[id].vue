<script setup lang="ts">
import type { Board } from '~~/core/board/board'

definePageMeta({ for: 'teacher' })
const { t } = useWords()
const route = useRoute()
const { attempt, trouble } = useAsking()
const id = String(route.params.id)
const read = () => attempt(() => askFor<{ board: Board; version: number }>(`/api/boards/${id}`))
const loaded = shallowRef(await read())
const again = async () => (loaded.value = (await read()) ?? loaded.value)
</script>

<template>
  <WorkbenchBench
    v-if="loaded"
    :id="id"
    :key="loaded.version"
    :first="loaded.board"
    :version="loaded.version"
    @again="again" />
  <main v-else class="mx-auto max-w-lg p-8">
    <p class="trouble mb-4" role="alert">{{ trouble }}</p>
    <NuxtLink to="/shelf" class="button">{{ t('workbench.toShelf') }}</NuxtLink>
  </main>
</template>
