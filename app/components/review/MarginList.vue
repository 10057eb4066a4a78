<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Said, TalkLine } from '~~/core/handout/talk'
import { anchorOf, pinnedItems, stillAsks, type Pinned } from '~~/core/margin/pinned'
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
const { nameOf, isThere } = useAnchors(
  () => edition,
  () => state.texts,
)
const items = computed(() => pinnedItems(margin).filter(({ item }) => isThere(anchorOf(item))))
const ticks = computed(() =>
  margin.flatMap(({ id, item }) => (item.kind === 'tick' && isThere(item.at) ? [{ id, name: nameOf(item.at) }] : [])),
)
/** Strokes by page: of ink that lies over ink one stroke can't be told from another, so the last goes first. */
const drawn = computed(() => {
  const strokes = margin.filter(({ item }) => item.kind === 'ink')
  return edition.board.pages.flatMap((page, i) => {
    const here = strokes.filter(({ item }) => item.page === page.id)
    return here.length ? [{ page: i + 1, count: here.length, last: here.at(-1)!.id }] : []
  })
})
function sayingOf({ item }: Pinned): string {
  const asks = stillAsks(item, state)
  if (item.kind === 'note') return item.text
  if (item.kind === 'spoken') return ''
  if (item.kind === 'flag') return t(asks ? 'marginDesk.flagged' : 'marginDesk.flagMoved')
  return [item.why, t(asks ? 'marginDesk.waitsAside' : 'marginDesk.backOnPage')].filter(Boolean).join(' · ')
}
</script>

<template>
  <section
    v-if="items.length || ticks.length || drawn.length"
    class="border-l-4 border-l-bilberry-700 pl-3"
    data-test="margin">
    <h2 class="label">{{ t('marginDesk.notes') }}</h2>
    <ol class="flex flex-col gap-1">
      <li v-for="pinned in items" :key="pinned.id" class="flex items-center gap-2">
        <MarginNumber :number="pinned.number" :done="!stillAsks(pinned.item, state)" />
        <span class="min-w-0 flex-1"
          ><strong>{{ nameOf(anchorOf(pinned.item)) }}</strong
          ><template v-if="sayingOf(pinned)"
            >: <bdi class="break-words">{{ sayingOf(pinned) }}</bdi></template
          ><MarginHeard
            v-if="pinned.item.kind === 'spoken'"
            :spoken="pinned.item"
            :name="nameOf(anchorOf(pinned.item))" /><span
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
    <ul v-if="ticks.length" class="mt-1 flex flex-wrap gap-1" :aria-label="t('margin.ticked')">
      <li v-for="tick in ticks" :key="tick.id">
        <button
          type="button"
          class="button min-h-9 gap-1 px-2 py-1 font-normal"
          :aria-label="t('marginDesk.untick', { name: tick.name })"
          @click="emit('remove', tick.id)">
          <Icon name="lucide:check" size="18" class="text-bilberry-700" /><bdi>{{ tick.name }}</bdi
          ><Icon name="lucide:x" size="16" />
        </button>
      </li>
    </ul>
    <p v-for="one in drawn" :key="one.page" class="mt-1 flex items-center gap-2">
      <span class="flex-1">{{ t('marginDesk.drawn', { count: one.count, page: one.page }) }}</span>
      <button type="button" class="button min-h-9 px-2 py-1" @click="emit('remove', one.last)">
        <Icon name="lucide:eraser" size="18" />{{ t('marginDesk.lastStroke') }}
      </button>
    </p>
  </section>
</template>
