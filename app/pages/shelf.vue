<script setup lang="ts">
import type { Board } from '~~/core/board/board'

definePageMeta({ for: 'teacher' })
interface OnShelf { id: string, title: string, updatedAt: string, pieces: number, picture: Board, handouts: { id: string, className: string, at: string }[] }

const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const boards = await ask<OnShelf[]>('/api/boards')
const naming = ref(false)
const title = ref('')
const search = ref('')
useHead({ title: () => t('shelf.title') })

const found = computed(() => {
  const words = search.value.trim().toLocaleLowerCase('en')
  return boards.filter(b => [b.title, ...b.handouts.map(h => h.className)].some(text => text.toLocaleLowerCase('en').includes(words)))
})

async function create() {
  const made = await attempt(() => ask<{ id: string }>('/api/boards', { method: 'POST', body: { title: title.value } }))
  if (made) await navigateTo(`/board/${made.id}`)
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto max-w-6xl p-6">
      <div class="mb-6 flex flex-wrap items-center gap-4">
        <h1 class="text-2xl font-bold">{{ t('shelf.title') }}</h1>
        <label v-if="boards.length > 3" class="ml-auto flex items-center gap-2">
          <span class="sr-only">{{ t('shelf.search') }}</span>
          <input v-model="search" type="search" class="field w-60" :placeholder="t('shelf.search')">
        </label>
        <button type="button" class="button button-action" :class="boards.length > 3 ? '' : 'ml-auto'" @click="naming = true"><Icon name="lucide:plus" />{{ t('shelf.new') }}</button>
      </div>
      <p v-if="boards.length === 0" class="panel text-lg">{{ t('shelf.empty') }}</p>
      <p v-else-if="found.length === 0" class="panel text-lg">{{ t('shelf.notFound', { words: search }) }}</p>
      <ul class="grid gap-x-6 gap-y-8 sm:grid-cols-2 lg:grid-cols-3">
        <li v-for="board in found" :key="board.id" class="flex flex-col gap-2">
          <NuxtLink :to="`/board/${board.id}`" class="block rounded-lg">
            <BoardThumbnail :board="board.picture" :label="t('shelf.open', { title: board.title })" ledge />
            <span class="mt-2 block text-lg font-bold">{{ board.title }}</span>
          </NuxtLink>
          <p class="note-line">{{ t('shelf.pieces', { count: board.pieces }) }}</p>
          <p v-for="handout in board.handouts.slice(0, 2)" :key="handout.id">
            <NuxtLink :to="`/handout/${handout.id}`" class="inline-flex min-h-8 items-center gap-2 font-semibold text-action underline">
              <Icon name="lucide:users" />{{ t('shelf.givenTo', { name: handout.className }) }}
            </NuxtLink>
          </p>
        </li>
      </ul>
    </main>
    <UiAsk :open="naming" :title="t('shelf.nameFirst')" @close="naming = false">
      <form id="name-board" @submit.prevent="create">
        <label><span class="label">{{ t('shelf.name') }}</span><input v-model="title" class="field text-lg" maxlength="120" required></label>
        <p v-if="trouble" class="trouble mt-3" role="alert">{{ trouble }}</p>
      </form>
      <template #buttons>
        <button type="button" class="button" @click="naming = false">{{ t('app.cancel') }}</button>
        <button form="name-board" class="button button-action" :disabled="busy || !title.trim()">{{ t('shelf.create') }}</button>
      </template>
    </UiAsk>
  </div>
</template>
