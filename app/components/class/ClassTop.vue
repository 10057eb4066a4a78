<script setup lang="ts">
import { codeInGroups } from '~~/core/roster/picturePassword'

/** The head of every view of a class. */
const { id, name, code, helping = false } = defineProps<{ id: string; name: string; code: string; helping?: boolean }>()
const { t } = useWords()
const link =
  'flex min-h-11 items-center border-b-4 border-transparent px-1 font-semibold hover:border-panel-line aria-[current=page]:border-leaf-600'
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
    <h1 class="text-2xl font-bold">{{ name }}</h1>
    <nav :aria-label="t('classes.parts')" class="flex gap-5">
      <NuxtLink :to="`/classes/${id}`" :class="link">{{ t('classes.list') }}</NuxtLink>
      <NuxtLink v-if="!helping" :to="`/classes/${id}/groups`" :class="link">{{ t('groups.title') }}</NuxtLink>
      <NuxtLink :to="`/classes/${id}/year`" :class="link">{{ t('year.title') }}</NuxtLink>
    </nav>
    <p class="text-lg">
      {{ t('classes.code') }}
      <strong class="tracking-widest" data-test="class-code">{{ codeInGroups(code) }}</strong><slot name="code" />
    </p>
    <div class="ml-auto flex flex-wrap gap-3"><slot /></div>
  </div>
</template>
