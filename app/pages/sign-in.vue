<script setup lang="ts">
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const store = useMe()
const route = useRoute()
const email = ref('')
const password = ref('')
useHead({ title: () => t('signIn.title') })

async function enter() {
  const me = await attempt(() =>
    ask('/api/session', { method: 'POST', body: { email: email.value, password: password.value } }),
  )
  if (!me) return
  if (!(await attempt(async () => (await store.came(me), true)))) return
  await navigateTo(innerPath(route.query.to) ?? '/shelf')
}
</script>

<template>
  <UiEntryForm :title="t('signIn.title')" :action="t('signIn.action')" :trouble="trouble" :busy="busy" @submit="enter">
    <label
      ><span class="label">{{ t('signIn.email') }}</span
      ><input v-model="email" class="field" type="email" autocomplete="username" required
    /></label>
    <label
      ><span class="label">{{ t('signIn.password') }}</span
      ><input v-model="password" class="field" type="password" autocomplete="current-password" required
    /></label>
    <template #below>
      <p>
        <NuxtLink to="/new-password" class="font-semibold text-action underline">{{
          t('newPassword.forgot')
        }}</NuxtLink>
      </p>
      <p>
        {{ t('signIn.new') }}
        <NuxtLink to="/sign-up" class="font-semibold text-action underline">{{ t('signUp.title') }}</NuxtLink>
      </p>
    </template>
  </UiEntryForm>
</template>
