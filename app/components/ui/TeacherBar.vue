<script setup lang="ts">
const { t } = useWords()
const store = useMe()
async function leave() {
  await store.leave()
  await navigateTo('/')
}
const link =
  'flex min-h-11 items-center rounded-lg px-3 font-semibold text-stone-200 hover:bg-stone-800 aria-[current=page]:bg-stone-700 aria-[current=page]:text-white'
</script>

<template>
  <UiTopBar>
    <NuxtLink to="/shelf" class="text-lg font-bold">{{ t('app.name') }}</NuxtLink>
    <nav :aria-label="t('app.main')" class="flex flex-wrap gap-1">
      <NuxtLink to="/shelf" :class="link">{{ t('shelf.title') }}</NuxtLink>
      <NuxtLink to="/handouts" :class="link">{{ t('handouts.title') }}</NuxtLink>
      <NuxtLink to="/classes" :class="link">{{ t('classes.title') }}</NuxtLink>
    </nav>
    <template #end>
      <NuxtLink to="/mine" :class="link" :title="t('mine.title')">{{ store.me?.name }}</NuxtLink>
      <button type="button" class="button button-dark" @click="leave">{{ t('app.leave') }}</button>
    </template>
  </UiTopBar>
</template>
