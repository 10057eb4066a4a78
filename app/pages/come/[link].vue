<script setup lang="ts">
/** A personal link leads a student straight to their desk. */
const { t } = useWords()
const route = useRoute()
const store = useMe()
const { attempt, trouble } = useAsking()
useHead({ title: () => t('join.title') })
onMounted(async () => {
  const me = await attempt(() => ask('/api/join/link', { method: 'POST', body: { link: String(route.params.link) } }))
  if (!me) return
  if (!(await attempt(async () => (await store.came(me), true)))) return
  await navigateTo('/desk', { replace: true })
})
</script>

<template>
  <main class="mx-auto flex min-h-dvh max-w-xl flex-col justify-center gap-5 p-6">
    <div class="flex items-center gap-3 text-lg font-bold"><UiMark />{{ t('app.name') }}</div>
    <template v-if="trouble">
      <p class="trouble" role="alert">{{ trouble }}</p>
      <RouterLink to="/join" class="button button-action w-fit">{{ t('join.byCode') }}</RouterLink>
    </template>
    <p v-else role="status" class="text-xl">{{ t('join.coming') }}</p>
  </main>
</template>
