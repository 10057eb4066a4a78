<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import { pieceName } from '~~/core/board/pieceName'
import type { Said, TalkLine } from '~~/core/handout/talk'
import { pinnedItems, stillAsks, type Pinned } from '~~/core/margin/pinned'
import type { SlateState } from '~~/core/slate/state'
import type { MarginEntry } from '~/composables/slate/margin'

/** What this teacher left at pieces, with the answers to it. */
const { edition, state, margin, talk, speak } = defineProps<{
  edition: Edition
  state: SlateState
  margin: readonly MarginEntry[]
  /** Whether what isn't shown is still kept back. */
  keptBack: boolean
  talk: readonly TalkLine[]
  speak: (said: Said) => Promise<void>
}>()
const emit = defineEmits<{ remove: [id: string] }>()
const { t } = useWords()
const shown = computed(() => new Map(margin.map(entry => [entry.id, entry.shown])))
/** A piece that a correction took away is nobody's to look at. */
const items = computed(() => pinnedItems(margin).filter(({ item }) => edition.pieces.get(item.piece)))
function sayingOf({ item }: Pinned): string {
  const asks = stillAsks(item, state)
  if (item.kind === 'note') return item.text
  if (item.kind === 'flag') return t(asks ? 'marginDesk.flagged' : 'marginDesk.flagMoved')
  return [item.why, t(asks ? 'marginDesk.waitsAside' : 'marginDesk.backOnPage')].filter(Boolean).join(' · ')
}
</script>

<template>
  <section v-if="items.length" class="border-l-4 border-l-bilberry-700 pl-3" data-test="margin">
    <h2 class="label">{{ t('marginDesk.notes') }}</h2>
    <ol class="flex flex-col gap-1">
      <li v-for="pinned in items" :key="pinned.id" class="flex items-center gap-2">
        <MarginNumber :number="pinned.number" :done="!stillAsks(pinned.item, state)" />
        <span class="min-w-0 flex-1"
          ><strong>{{ pieceName(edition.pieces.get(pinned.item.piece)!.piece) }}</strong
          >: <bdi class="break-words">{{ sayingOf(pinned) }}</bdi><span
            v-if="keptBack && !shown.get(pinned.id)"
            class="block text-sm text-ink-soft"
            >{{ t('marginDesk.onceBack') }}</span
          ><SlateAnswers :about="pinned.id" :lines="talk" :speak="speak"
        /></span>
        <button
          type="button"
          class="button button-quiet w-11 px-0"
          :aria-label="t('marginDesk.removeNote', { number: pinned.number })"
          @click="emit('remove', pinned.id)">
          <Icon name="lucide:trash-2" />
        </button>
      </li>
    </ol>
  </section>
</template>
