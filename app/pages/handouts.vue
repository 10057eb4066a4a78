<script setup lang="ts">
definePageMeta({ for: 'teacher' })
interface Row { id: string, title: string, className: string, createdAt: string, all: number, handedIn: number, underWay: number }

const { t } = useWords()
const rows = await ask<Row[]>('/api/handouts')
const day = (iso: string) => new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium' }).format(new Date(iso))
useHead({ title: () => t('handouts.title') })
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-4xl flex-col gap-6 p-6">
      <h1 class="text-2xl font-bold">{{ t('handouts.title') }}</h1>
      <div v-if="rows.length === 0" class="panel flex flex-wrap items-center gap-4 text-lg">
        <p>{{ t('handouts.empty') }}</p><NuxtLink to="/shelf" class="button button-action">{{ t('handouts.toShelf') }}</NuxtLink>
      </div>
      <ul class="flex flex-col gap-3">
        <li v-for="row in rows" :key="row.id">
          <NuxtLink :to="`/handout/${row.id}`" class="panel flex flex-wrap items-center gap-x-5 gap-y-1 hover:border-stone-500">
            <span><span class="block text-lg font-bold">{{ row.title }}</span><span class="note-line">{{ row.className }} · {{ day(row.createdAt) }}</span></span>
            <span class="ml-auto">{{ t('handouts.counts', { underWay: row.underWay, handedIn: row.handedIn, all: row.all }) }}</span>
          </NuxtLink>
        </li>
      </ul>
    </main>
  </div>
</template>
