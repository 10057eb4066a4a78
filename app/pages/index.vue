<script setup lang="ts">
const { t } = useWords()
const store = useMe()
if (store.me) await navigateTo(store.me.kind === 'teacher' ? '/shelf' : '/desk')
</script>

<template>
  <main class="mx-auto flex min-h-dvh max-w-4xl flex-col items-center justify-center gap-8 p-6">
    <div class="flex items-center gap-4">
      <UiMark class="scale-150" />
      <h1 class="text-4xl font-bold">{{ t('app.name') }}</h1>
    </div>
    <p class="max-w-xl text-center text-lg">{{ t('welcome.what') }}</p>
    <div class="grid w-full gap-5 sm:grid-cols-2">
      <NuxtLink
        to="/join"
        class="panel flex flex-col items-center gap-3 p-8 text-center shadow-md hover:border-stone-500">
        <Icon name="lucide:shapes" size="44" class="text-action" />
        <span class="text-2xl font-bold">{{ t('welcome.student') }}</span>
        <span class="note-line">{{ t('welcome.studentHow') }}</span>
      </NuxtLink>
      <NuxtLink
        to="/sign-in"
        class="panel flex flex-col items-center gap-3 p-8 text-center shadow-md hover:border-stone-500">
        <Icon name="lucide:presentation" size="44" class="text-action" />
        <span class="text-2xl font-bold">{{ t('welcome.teacher') }}</span>
        <span class="note-line">{{ t('welcome.teacherHow') }}</span>
      </NuxtLink>
    </div>
  </main>
</template>
