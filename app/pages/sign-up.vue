<script setup lang="ts">
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const store = useMe()
const name = ref('')
const email = ref('')
const password = ref('')
useHead({ title: () => t('signUp.title') })

async function create() {
  const me = await attempt(() =>
    ask('/api/teachers', { method: 'POST', body: { name: name.value, email: email.value, password: password.value } }),
  )
  if (!me) return
  if (!(await attempt(async () => (await store.came(me), true)))) return
  await navigateTo('/shelf')
}
</script>

<template>
  <UiEntryForm :title="t('signUp.title')" :action="t('signUp.action')" :trouble="trouble" :busy="busy" @submit="create">
    <label
      ><span class="label">{{ t('signUp.name') }}</span
      ><input v-model="name" class="field" autocomplete="name" maxlength="80" required
    /></label>
    <label
      ><span class="label">{{ t('signIn.email') }}</span
      ><input v-model="email" class="field" type="email" autocomplete="username" required
    /></label>
    <label
      ><span class="label">{{ t('signIn.password') }}</span
      ><input
        v-model="password"
        class="field"
        type="password"
        autocomplete="new-password"
        minlength="10"
        required /><span class="note-line">{{ t('signUp.passwordRule') }}</span></label
    >
  </UiEntryForm>
</template>
