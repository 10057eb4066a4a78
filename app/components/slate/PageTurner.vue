<script setup lang="ts">
/** Turns the pages of a board that has several. */
const { count, reading = false } = defineProps<{ count: number; reading?: boolean }>()
const at = defineModel<number>({ required: true })
const { t } = useWords()
</script>

<template>
  <nav v-if="count > 1" class="flex items-center justify-center gap-2" :aria-label="t('pages.title')">
    <button type="button" class="button w-11 px-0" :disabled="at === 0" :aria-label="t('pages.previous')" @click="at--">
      <Icon name="lucide:chevron-left" size="22" />
    </button>
    <span class="min-w-32 text-center font-semibold" role="status" data-test="page-of"
      >{{ t('pages.of', { number: at + 1, count })
      }}<span v-if="reading" class="font-normal"> · {{ t('pages.toRead') }}</span></span
    >
    <button
      type="button"
      class="button w-11 px-0"
      :disabled="at === count - 1"
      :aria-label="t('pages.next')"
      @click="at++">
      <Icon name="lucide:chevron-right" size="22" />
    </button>
  </nav>
</template>
