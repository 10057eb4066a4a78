<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import type { SlateStatus } from '~~/core/slate/status'

definePageMeta({ for: 'student' })
interface OnDesk { id: string, title: string, status: SlateStatus, at: string, handout?: string, picture: Board }

const { t } = useWords()
const store = useMe()
const route = useRoute()
const slates = await ask<OnDesk[]>('/api/desk')
// A link to one handout leads straight to this student's own slate of it.
const linked = slates.find(s => s.handout === route.query.handout)
if (linked) await navigateTo(`/slate/${linked.id}`, { replace: true })
useHead({ title: () => t('desk.title') })

const ORDER: SlateStatus[] = ['under-way', 'not-opened', 'handed-back', 'handed-in']
const sorted = slates.toSorted((a, b) => ORDER.indexOf(a.status) - ORDER.indexOf(b.status))

async function leave() {
  await store.leave()
  await navigateTo('/join')
}
</script>

<template>
  <div>
    <UiTopBar :title="t('desk.title')" :below="store.me?.name">
      <template #end><button type="button" class="button button-dark" @click="leave">{{ t('desk.leave') }}</button></template>
    </UiTopBar>
    <main class="mx-auto max-w-5xl p-6">
      <p v-if="sorted.length === 0" class="panel text-lg">{{ t('desk.empty') }}</p>
      <ul class="grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
        <li v-for="slate in sorted" :key="slate.id">
          <NuxtLink :to="`/slate/${slate.id}`" class="panel block p-3 shadow-sm hover:border-stone-500">
            <BoardThumbnail :board="slate.picture" :label="slate.title" ledge />
            <span class="mt-3 block text-lg font-bold">{{ slate.title }}</span>
            <span class="flex items-center gap-2 text-base" :class="slate.status === 'handed-back' ? 'font-semibold text-action' : 'text-ink-soft'">
              <UiStatusIcon :status="slate.status" />{{ t(`desk.status.${slate.status}`) }}
            </span>
          </NuxtLink>
        </li>
      </ul>
    </main>
  </div>
</template>
