<script setup lang="ts">
import type { SlateView } from '~/composables/useSlate'

definePageMeta({ for: 'student' })
const { t } = useWords()
const route = useRoute()
const { attempt, trouble } = useAsking()
const view = await attempt(() => ask<SlateView>(`/api/slates/${String(route.params.id)}`))
</script>

<template>
  <SlateWork v-if="view" :view="view" />
  <main v-else class="mx-auto max-w-lg p-8">
    <p class="trouble mb-4" role="alert">{{ trouble }}</p>
    <NuxtLink to="/desk" class="button">{{ t('slate.toDesk') }}</NuxtLink>
  </main>
</template>
