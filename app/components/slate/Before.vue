<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { NamedGains } from '~~/core/review/gained'
import { whatMoved } from '~~/core/placement/whatMoved'
import type { SlateState } from '~~/core/slate/state'

/**
 * The page as it was before this try, what really lies elsewhere now, and what that gained and lost where a student may
 * know. It can be read, not changed.
 */
const { edition, page, before, now, gains } = defineProps<{
  edition: Edition
  page: Page
  before: SlateState
  now: SlateState
  gains: NamedGains | null
}>()
const { t } = useWords()
const moved = computed(() => whatMoved(before, now, edition).filter(one => one.page === page.id))
const { nameOf, whereIs } = useWhereabouts(() => edition)
</script>

<template>
  <section class="flex min-h-64 min-w-0 flex-1 flex-col gap-2" :aria-label="t('again.before')" data-test="before">
    <h2 class="text-center font-bold">{{ t('again.before') }}</h2>
    <BoardStage :edition="edition" :page="page" :state="before" :ledge="false" />
    <SlateGains v-if="gains" :edition="edition" :gains="gains" />
    <div
      class="max-h-36 overflow-auto rounded-lg border border-panel-line p-2"
      tabindex="0"
      role="group"
      :aria-label="t('again.what')">
      <p v-if="!moved.length" class="note-line">{{ t('again.nothingMoved') }}</p>
      <ul v-else>
        <li v-for="one in moved" :key="one.piece">
          <BoardMixed
            :sentence="
              t('again.moved', {
                name: nameOf(one.piece, now),
                from: whereIs(one.from, before),
                to: whereIs(one.to, now),
              })
            " />
        </li>
      </ul>
    </div>
  </section>
</template>
