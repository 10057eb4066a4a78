<script setup lang="ts">
import { LONGEST_ALONE, type Alone, type Review } from '~~/core/handout/review'
import type { Author } from '~~/core/slate/actor'
import type { Member } from '~/composables/slate/useSlate'

/** What each of several gets alone, beside what they get together; with how much of it was moved by each. */
const { members, moves, most } = defineProps<{
  members: readonly Member[]
  moves: Readonly<Record<string, number>>
  /** The most points there are; null where it counts for none. */
  most: number | null
}>()
const emit = defineEmits<{ changed: [] }>()
const alone = defineModel<Review['alone']>({ required: true })
const { t } = useWords()
const NOTHING: Alone = { points: null, comment: '' }
const all = computed(() => Object.values(moves).reduce((sum, count) => sum + count, 0))
function set(author: Author, change: Partial<Alone>) {
  const next = { ...(alone.value[author] ?? NOTHING), ...change }
  const { [author]: _, ...others } = alone.value
  alone.value = next.points === null && next.comment === '' ? others : { ...others, [author]: next }
  emit('changed')
}
function points(author: Author, text: string) {
  const number = Number(text)
  set(author, { points: text === '' || Number.isNaN(number) ? null : Math.min(Math.max(0, number), most ?? 0) })
}
</script>

<template>
  <section class="flex flex-col gap-2" data-test="alone">
    <h2 class="label">{{ t('review.alone.title') }}</h2>
    <fieldset v-for="member in members" :key="member.hand" class="flex flex-wrap items-center gap-2">
      <legend>
        <bdi class="font-semibold">{{ member.name }}</bdi>:
        <span class="text-sm">{{ t('review.alone.moves', { count: moves[authorOf(member)] ?? 0, all }) }}</span>
      </legend>
      <UiTyped
        v-if="most !== null"
        type="number"
        class="min-h-10 w-20 py-1"
        min="0"
        :max="most"
        step="0.5"
        :value="alone[authorOf(member)]?.points ?? ''"
        :aria-label="t('review.alone.points', { name: member.name, of: most })"
        @change="points(authorOf(member), ($event.target as HTMLInputElement).value)" />
      <input
        dir="auto"
        class="field min-h-10 min-w-0 flex-1 py-1"
        :maxlength="LONGEST_ALONE"
        :value="alone[authorOf(member)]?.comment ?? ''"
        :aria-label="t('review.alone.comment', { name: member.name })"
        :placeholder="t('review.alone.word')"
        @change="set(authorOf(member), { comment: ($event.target as HTMLInputElement).value.trim() })" />
    </fieldset>
  </section>
</template>
