<script setup lang="ts">
import type { SlateView } from '~/composables/slate/useSlate'

definePageMeta({ for: 'student', key: route => route.fullPath })
const { t } = useWords()
useOffline()
const route = useRoute()
const { attempt, trouble } = useAsking()
const read = () => attempt(() => askKept<SlateView>(`/api/slates/${String(route.params.id)}`))
const view = shallowRef(await read())
/** Another edition lies under the slate, or another member works on it: everything is asked for anew. */
const asked = ref(0)
async function readAgain() {
  const fresh = await read()
  if (!fresh) return
  view.value = fresh
  asked.value++
}
/** This slate isn't theirs any more: they go on where they work now, or to their desk. */
async function goAlong() {
  const desk = await attempt(() => ask<{ id: string; handout: string }[]>('/api/desk'))
  const other = desk?.find(slate => slate.handout === view.value?.handout && slate.id !== view.value.id)
  if (desk) await navigateTo(other ? `/slate/${other.id}` : '/desk', { replace: true })
}
</script>

<template>
  <SlateWork v-if="view" :key="asked" :view="view" @outdated="readAgain" @elsewhere="goAlong" />
  <main v-else class="mx-auto max-w-lg p-8">
    <p class="trouble mb-4" role="alert">{{ trouble }}</p>
    <NuxtLink to="/desk" class="button">{{ t('slate.toDesk') }}</NuxtLink>
  </main>
</template>
