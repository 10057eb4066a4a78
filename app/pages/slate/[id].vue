<script setup lang="ts">
import { needLearning } from '~~/core/sync/slateSession'
import { learnTexts } from '~/composables/slate/learnTexts'
import type { SlateView } from '~/composables/slate/useSlate'
import { keptOf } from '~/sync/outbox'

definePageMeta({ for: 'student', key: route => route.fullPath })
const { t } = useWords()
useOffline()
const route = useRoute()
const { attempt, trouble } = useAsking()
const id = String(route.params.id)
/** The slate, with what this device has made on it and the server hasn't got. */
async function read() {
  const [view, kept] = await Promise.all([attempt(() => askKept<SlateView>(`/api/slates/${id}`)), keptOf(id)])
  if (needLearning(kept)) await learnTexts()
  return view && { view, kept }
}
const opened = shallowRef(await read())
/** Another edition lies under the slate, or another member works on it: everything is asked for anew. */
const asked = ref(0)
async function readAgain() {
  const fresh = await read()
  if (!fresh) return
  opened.value = fresh
  asked.value++
}
/** This slate isn't theirs any more: they go on where they work now, or to their desk. */
async function goAlong() {
  const desk = await attempt(() => askFor<{ id: string; handout: string }[]>('/api/desk'))
  const other = desk?.find(slate => slate.handout === opened.value?.view.handout && slate.id !== id)
  if (desk) await navigateTo(other ? `/slate/${other.id}` : '/desk', { replace: true })
}
</script>

<template>
  <SlateWork
    v-if="opened"
    :key="asked"
    :view="opened.view"
    :kept="opened.kept"
    @outdated="readAgain"
    @elsewhere="goAlong" />
  <main v-else class="mx-auto max-w-lg p-8">
    <p class="trouble mb-4" role="alert">{{ trouble }}</p>
    <RouterLink to="/desk" class="button">{{ t('slate.toDesk') }}</RouterLink>
  </main>
</template>
