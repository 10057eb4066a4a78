<script setup lang="ts">
definePageMeta({ for: 'teacher' })
/** The link that was mailed to prove that an address is the teacher's own. */
const { t } = useWords()
const { attempt, trouble, busy } = useAsking()
const route = useRoute()
const link = computed(() => route.hash.slice(1))
useHead({ title: () => t('records.addressTitle') })
const proven = ref(false)
async function prove() {
  proven.value = !!(await attempt(() => ask('/api/teachers/address', { method: 'POST', body: { link: link.value } })))
}
</script>

<template>
  <div>
    <UiTeacherBar />
    <main class="mx-auto flex max-w-xl flex-col gap-4 p-6">
      <h1 class="text-2xl font-bold">{{ t('records.addressTitle') }}</h1>
      <p role="status">{{ t(proven ? 'records.addressProven' : 'records.addressHow') }}</p>
      <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
      <NuxtLink v-if="proven" to="/classes" class="button button-action w-fit">{{ t('classes.title') }}</NuxtLink>
      <button v-else type="button" class="button button-action w-fit" :disabled="busy" @click="prove">
        {{ t('records.addressMine') }}
      </button>
    </main>
  </div>
</template>
