<script setup lang="ts">
/** With a link that was mailed a new password is chosen; without one it is asked for. */
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const store = useMe()
const route = useRoute()
const link = computed(() => route.hash.slice(1))
const email = ref('')
const password = ref('')
const sent = ref(false)
useHead({ title: () => t('newPassword.title') })

async function send() {
  sent.value = !!(await attempt(() => ask('/api/teachers/link', { method: 'POST', body: { email: email.value } })))
}
async function choose() {
  const me = await attempt(() =>
    ask('/api/teachers/password', { method: 'POST', body: { link: link.value, password: password.value } }),
  )
  if (!me) return
  if (!(await attempt(async () => (await store.came(me), true)))) return
  await navigateTo('/shelf', { replace: true })
}
</script>

<template>
  <UiEntryForm
    v-if="link"
    :title="t('newPassword.title')"
    :action="t('newPassword.choose')"
    :trouble="trouble"
    :busy="busy"
    @submit="choose">
    <label
      ><span class="label">{{ t('newPassword.new') }}</span
      ><input
        v-model="password"
        class="field"
        type="password"
        autocomplete="new-password"
        minlength="10"
        maxlength="200"
        required /><span class="note-line">{{ t('signUp.passwordRule') }}</span></label
    >
    <template #below
      ><NuxtLink to="/new-password" class="font-semibold text-action underline">{{
        t('newPassword.again')
      }}</NuxtLink></template
    >
  </UiEntryForm>
  <UiEntryForm
    v-else
    :title="t('newPassword.title')"
    :action="t('newPassword.send')"
    :trouble="trouble"
    :busy="busy"
    @submit="send">
    <label
      ><span class="label">{{ t('signIn.email') }}</span
      ><input v-model="email" class="field" type="email" autocomplete="username" required
    /></label>
    <p v-if="sent" role="status" class="told">
      {{ t('newPassword.sent') }}
    </p>
    <template #below
      ><NuxtLink to="/sign-in" class="font-semibold text-action underline">{{ t('signIn.title') }}</NuxtLink></template
    >
  </UiEntryForm>
</template>
