<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { Rubric } from '~~/core/handout/counting'
import type { MarginEntry, ReviewEntry } from '~/composables/slate/margin'
import type { Said, TalkLine } from '~~/core/handout/talk'
import type { Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'
import { anchorOf, pinnedItems, stillAsks, type Pinned } from '~~/core/margin/pinned'

/** What the teacher wrote, as a list beside the page: the signs on the page carry the same numbers. */
const {
  edition,
  state,
  margin,
  review,
  editable = false,
  quiet = false,
  talk = [],
  speak = null,
} = defineProps<{
  edition: Edition
  state: SlateState
  margin: readonly MarginEntry[]
  review: ReviewEntry | null
  points: number | null
  rubric: Rubric | null
  editable?: boolean
  /** It opened by itself. */
  quiet?: boolean
  talk?: readonly TalkLine[]
  speak?: ((said: Said) => Promise<void>) | null
}>()
const emit = defineEmits<{ make: [move: Move]; close: [] }>()
const { t } = useWords()
const { nameOf, isThere } = useAnchors(
  () => edition,
  () => state.texts,
)
const items = computed(() =>
  pinnedItems(margin)
    .filter(({ item }) => isThere(anchorOf(item)))
    .map(pinned => ({
      ...pinned,
      name: nameOf(anchorOf(pinned.item)),
      asks: stillAsks(pinned.item, state),
      says: sayingOf(pinned),
    })),
)
function sayingOf({ item }: Pinned): readonly string[] {
  const asks = stillAsks(item, state)
  if (item.kind === 'note') return [item.text]
  if (item.kind === 'spoken') return []
  if (item.kind === 'flag') return [t(asks ? 'margin.lookAgain' : 'margin.moved')]
  return [...(item.why ? [item.why] : []), t(asks ? 'margin.setAside' : 'margin.placedAgain')]
}
/** What this reader gets alone. */
const own = computed(() => Object.values(review?.alone ?? {})[0])
const ticked = computed(() =>
  margin.flatMap(({ item }) => (item.kind === 'tick' && isThere(item.at) ? [nameOf(item.at)] : [])),
)
function putBack({ item }: Pinned) {
  if (item.kind === 'second-thought') emit('make', { kind: 'put', piece: item.piece, ...item.lay })
}
</script>

<template>
  <SlateSidePanel
    class="border-l-4 border-l-bilberry-700"
    :title="t('margin.title')"
    :quiet="quiet"
    @close="emit('close')">
    <SlateWorth
      v-if="review && (review.points !== null || own?.points != null || Object.keys(review.levels).length)"
      :points="points"
      :rubric="rubric"
      :review="review" />
    <p v-if="own?.comment" class="text-base whitespace-pre-line">
      <strong>{{ t('margin.toYou') }}</strong> <bdi>{{ own.comment }}</bdi>
    </p>
    <p v-if="review?.comment" class="text-base whitespace-pre-line">{{ review.comment }}</p>
    <ol class="flex flex-col gap-2">
      <li v-for="pinned in items" :key="pinned.id" class="flex gap-3">
        <MarginNumber :number="pinned.number" :done="!pinned.asks" />
        <span class="min-w-0"
          ><strong>{{ pinned.name }}</strong
          ><bdi v-for="line in pinned.says" :key="line" class="block break-words">{{ line }}</bdi>
          <MarginHeard v-if="pinned.item.kind === 'spoken'" :spoken="pinned.item" :name="pinned.name" />
          <button
            v-if="pinned.item.kind === 'second-thought' && pinned.asks && editable"
            type="button"
            class="button mt-1 px-3 py-1"
            @click="putBack(pinned)">
            <Icon name="lucide:undo-2" size="18" />{{ t('margin.putBack') }}
          </button>
          <SlateAnswers :about="pinned.id" :lines="talk" :speak="speak" />
        </span>
      </li>
    </ol>
    <p v-if="ticked.length" class="flex gap-2">
      <Icon name="lucide:check" class="shrink-0 text-bilberry-700" /><span
        ><strong>{{ t('margin.ticked') }}</strong> <bdi>{{ ticked.join(', ') }}</bdi></span
      >
    </p>
    <p
      v-if="
        !review?.comment
        && !own
        && ticked.length === 0
        && items.length === 0
        && review?.points == null
        && Object.keys(review?.levels ?? {}).length === 0
      "
      class="note-line">
      {{ t('margin.onlyInk') }}
    </p>
  </SlateSidePanel>
</template>
