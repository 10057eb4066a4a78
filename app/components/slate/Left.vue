<script setup lang="ts">
import type { Board } from '~~/core/board/board'
import type { Left } from '~~/core/placement/tasks'

/** What is still empty before it is handed in, by page and activity, with a way there. */
const { board, left } = defineProps<{ board: Board; left: readonly Left[] }>()
const emit = defineEmits<{ go: [left: Left] }>()
const { t } = useWords()
function nameOf({ page, step }: Left): string {
  const number = board.pages[page]!.steps?.findIndex(one => one.id === step) ?? -1
  return [
    board.pages.length > 1 ? t('pages.page', { number: page + 1 }) : '',
    number >= 0 ? t('steps.step', { number: number + 1 }) : '',
  ]
    .filter(Boolean)
    .join(', ')
}
const whatIn = ({ pieces, spaces }: Left) =>
  [
    pieces.length ? t('slate.leftPieces', { count: pieces.length }) : '',
    spaces.length ? t('slate.leftSpaces', { count: spaces.length }) : '',
  ]
    .filter(Boolean)
    .join(t('stage.and'))
</script>

<template>
  <p class="text-lg">{{ t('slate.notYet') }}</p>
  <ul class="mt-2 flex flex-col gap-2" data-test="left">
    <li v-for="one in left" :key="`${one.page} ${one.step}`" class="flex flex-wrap items-center gap-3">
      <span class="grow"
        ><strong v-if="nameOf(one)">{{ nameOf(one) }}: </strong>{{ whatIn(one) }}</span
      >
      <button type="button" class="button min-h-11" @click="emit('go', one)">{{ t('slate.goThere') }}</button>
    </li>
  </ul>
</template>
