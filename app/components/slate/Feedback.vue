<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Feedback } from '~~/core/keys/feedback'
import type { SlateState } from '~~/core/slate/state'
import { kindSign } from '~~/core/drawing/verdict'
import { byNeed } from '~/composables/board/verdicts'

/** How a student's own work stands, in kind words and without the answers. What needs another look comes first. */
const { edition, state, items, quiet } = defineProps<{
  edition: Edition
  state: SlateState
  items: readonly Feedback[]
  /** It opened by itself. */
  quiet: boolean
}>()
const emit = defineEmits<{ close: [] }>()
const { t, said } = useWords()
const itemName = useItemName(() => edition)
const listed = computed(() => items.toSorted((a, b) => byNeed(a.verdict, b.verdict)))
const allRight = computed(() => items.length > 0 && items.every(item => item.verdict === 'right'))
const reasonWords = useReasonWords(
  () => edition,
  () => state.texts,
  boardWords,
)
const words = ({ verdict, reason }: Feedback) =>
  verdict === 'right'
    ? t('feedback.verdict.right')
    : said(`feedback.why.${reason.code}`, `feedback.verdict.${verdict}`, reasonWords(reason))
</script>

<template>
  <SlateSidePanel :title="t('feedback.title')" :quiet="quiet" data-test="feedback" @close="emit('close')">
    <p v-if="allRight" class="font-semibold text-action">{{ t('feedback.allRight') }}</p>
    <ul v-else class="flex min-h-0 flex-col gap-2 overflow-auto" tabindex="0" :aria-label="t('feedback.title')">
      <li v-for="(item, i) in listed" :key="i" class="flex gap-3">
        <ReviewVerdictSign :verdict="kindSign(item.verdict)" />
        <span
          ><strong
            ><BoardWords>{{ itemName(item) }}</BoardWords></strong
          ><br /><BoardMixed :sentence="words(item)"
        /></span>
      </li>
    </ul>
    <button type="button" class="button button-action" @click="emit('close')">{{ t('feedback.close') }}</button>
  </SlateSidePanel>
</template>
