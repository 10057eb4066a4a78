<script setup lang="ts">
import type { RefusalCode } from '~~/core/sync/refusals'

/** What went wrong, what was kept, and what to do. */
const { refused, setAside, unkept, picture, others } = defineProps<{
  refused: RefusalCode | null
  /** How many moves lie aside on this device. */
  setAside: number
  /** How many moves the device has no room for. */
  unkept: number
  picture: string
  others: readonly string[]
}>()
const { t, said } = useWords()
</script>

<template>
  <p v-if="refused" class="trouble" role="alert">{{ t(`moveRefused.${refused}`) }}</p>
  <p v-if="setAside" class="trouble" role="status">{{ t('slate.setAside', { count: setAside }) }}</p>
  <p v-if="unkept" class="trouble" role="alert">{{ t('slate.deviceFull', { count: unkept }) }}</p>
  <p v-if="picture" class="trouble" role="alert">
    {{ said(`picture.refused.${picture}`, 'picture.refused.other') }}
  </p>
  <template v-for="(words, i) in others" :key="i">
    <p v-if="words" class="trouble" role="alert">{{ words }}</p>
  </template>
</template>
