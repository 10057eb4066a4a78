<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import { pieceName } from '~~/core/board/pieceName'
import type { Rubric } from '~~/core/handout/counting'
import type { MarginEntry, ReviewEntry } from '~/composables/slate/margin'
import type { Said, TalkLine } from '~~/core/handout/talk'
import { numberedNotes } from '~/composables/slate/numberedNotes'

/** What the teacher wrote, as a list beside the page: the flags on the page carry the same numbers. */
const {
  edition,
  margin,
  review,
  talk = [],
  speak = null,
} = defineProps<{
  edition: Edition
  margin: readonly MarginEntry[]
  review: ReviewEntry | null
  points: number | null
  rubric: Rubric | null
  talk?: readonly TalkLine[]
  speak?: ((said: Said) => Promise<void>) | null
}>()
const { t } = useWords()
const notes = computed(() => numberedNotes(margin))
</script>

<template>
  <aside class="panel flex flex-col gap-3 border-l-4 border-l-bilberry-700 p-4" :aria-label="t('margin.title')">
    <h2 class="text-lg font-bold">{{ t('margin.title') }}</h2>
    <SlateWorth
      v-if="review && (review.points !== null || Object.keys(review.levels).length)"
      :points="points"
      :rubric="rubric"
      :review="review" />
    <p v-if="review?.comment" class="text-base whitespace-pre-line">{{ review.comment }}</p>
    <ol class="flex flex-col gap-2">
      <li v-for="note in notes" :key="note.id" class="flex gap-3">
        <span
          class="flex h-7 w-7 shrink-0 items-center justify-center rounded-md bg-bilberry-700 text-sm font-bold text-white"
          >{{ note.number }}</span
        >
        <span
          ><strong>{{ pieceName(edition.pieces.get(note.item.piece)!.piece) }}</strong
          ><br />{{ note.item.text }}
          <SlateAnswers :about="note.id" :lines="talk" :speak="speak" />
        </span>
      </li>
    </ol>
    <p
      v-if="
        !review?.comment
        && notes.length === 0
        && review?.points == null
        && Object.keys(review?.levels ?? {}).length === 0
      "
      class="note-line">
      {{ t('margin.onlyInk') }}
    </p>
  </aside>
</template>
