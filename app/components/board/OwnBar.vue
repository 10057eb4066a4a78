<script setup lang="ts">
import { changeMove, hasSize, resized, takeAwayMove } from '~~/core/tools/making'
import type { Move } from '~~/core/slate/move'
import type { Page } from '~~/core/board/board'
import { bare } from '~~/core/slate/moves/own'
import type { OwnOnSlate } from '~~/core/slate/own'

/** What can be done to the thing that is picked, besides moving it. */
const { thing, own, page } = defineProps<{ thing: string; own: OwnOnSlate; page: Page }>()
const emit = defineEmits<{ make: [move: Move]; write: [] }>()
const { t } = useWords()
const size = (larger: boolean) => emit('make', changeMove(thing, own, resized(bare(own), larger, page)))
</script>

<template>
  <button v-if="own.kind === 'text' || own.kind === 'note'" type="button" class="button" @click="emit('write')">
    <Icon name="lucide:text-cursor-input" size="20" /><span class="max-lg:sr-only">{{ t('tools.words') }}</span>
  </button>
  <template v-if="hasSize(own)">
    <button
      type="button"
      class="button w-11 px-0"
      :aria-label="t('tools.smaller')"
      :title="t('tools.smaller')"
      @click="size(false)">
      <Icon name="lucide:minus" size="20" />
    </button>
    <button
      type="button"
      class="button w-11 px-0"
      :aria-label="t('tools.larger')"
      :title="t('tools.larger')"
      @click="size(true)">
      <Icon name="lucide:plus" size="20" />
    </button>
  </template>
  <button type="button" class="button" @click="emit('make', takeAwayMove(thing, own))">
    <Icon name="lucide:trash-2" size="20" /><span class="max-lg:sr-only">{{ t('tools.takeAway') }}</span>
  </button>
</template>
