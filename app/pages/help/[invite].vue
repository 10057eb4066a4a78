<script setup lang="ts">
definePageMeta({ for: 'teacher' })
/** A teacher who was asked to help with a class says yes. */
const { t } = useWords()
const route = useRoute()
const { attempt, trouble, busy } = useAsking()
useHead({ title: () => t('help.comeTitle') })
async function accept() {
  const joined = await attempt(() =>
    ask('/api/invitations', { method: 'POST', body: { invite: String(route.params.invite) } }),
  )
  if (joined) await navigateTo('/handouts', { replace: true })
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-xl flex-col gap-4 p-6">
      <h1 class="text-2xl font-bold">{{ t('help.comeTitle') }}</h1>
      <p>{{ t('help.comeHow') }}</p>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <button type="button" class="button button-action w-fit" :disabled="busy" @click="accept">
        {{ t('help.come') }}
      </button>
    </main>
  </div>
</template>
