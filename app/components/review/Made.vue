<script setup lang="ts">
import { isStudent } from '~~/core/slate/actor'
import { isOfSeveral, type SlateKind } from '~~/core/slate/kind'
import type { OwnOnSlate } from '~~/core/slate/own'
import type { SlateState } from '~~/core/slate/state'
import { libraryAddress, pictureAddress, type PictureView } from '~/composables/board/pictures'
import type { Member } from '~/composables/slate/useSlate'

/**
 * Words and pictures that students put on the page, with who did: what doesn't belong is hidden, pictures that wait are
 * let through.
 */
const { slate, kind, state, pictures, members, approves } = defineProps<{
  slate: string
  kind: SlateKind
  state: SlateState
  pictures: readonly PictureView[]
  members: readonly Member[]
  approves: boolean
}>()
const emit = defineEmits<{ hide: [thing: string, hidden: boolean]; approve: [picture: string, approved: boolean] }>()
const { t } = useWords()
/** On a copy there is nobody to hide it from. */
const shown = computed(() => isOfSeveral(kind) || kind === 'page')
type Seen = Extract<OwnOnSlate, { kind: 'text' | 'note' | 'picture' }>
const things = computed(() =>
  Object.entries(state.own).filter(
    (entry): entry is [string, Seen] =>
      !entry[1].gone && (entry[1].kind === 'text' || entry[1].kind === 'note' || entry[1].kind === 'picture'),
  ),
)
const waiting = (thing: Seen) => thing.kind === 'picture' && pictures.some(one => one.id === thing.picture && one.waits)
const passed = (thing: Seen) =>
  approves
  && thing.kind === 'picture'
  && thing.from !== 'library'
  && pictures.some(one => one.id === thing.picture && !one.waits)
const sorted = computed(() => things.value.toSorted(([, a], [, b]) => Number(waiting(b)) - Number(waiting(a))))
const nameOf = ({ by }: Seen) =>
  members.find(member => authorOf(member) === by)?.name ?? t(isStudent(by) ? 'together.someone' : 'together.teacher')
const labelOf = (thing: Seen) => (thing.kind === 'picture' ? thing.alt || t('tools.tool.picture') : thing.text)
</script>

<template>
  <section v-if="shown && sorted.length" data-test="made">
    <h2 class="label">{{ t('review.made') }}</h2>
    <ul class="flex flex-col gap-1.5">
      <li
        v-for="[id, thing] in sorted"
        :key="id"
        class="flex items-start gap-2 rounded-lg border border-panel-line p-2"
        :class="waiting(thing) ? 'bg-sunfleck-100 text-stone-950' : ''">
        <img
          v-if="thing.kind === 'picture'"
          :src="
            thing.from === 'library'
              ? libraryAddress(thing.picture)
              : `${pictureAddress(slate, thing.picture)}?${pictures.length}`
          "
          :alt="thing.alt"
          class="h-14 w-14 rounded object-cover" />
        <span class="flex min-w-0 flex-1 flex-col gap-1">
          <span :class="thing.hidden ? 'line-through' : ''"
            ><bdi class="font-semibold">{{ nameOf(thing) }}</bdi
            ><br /><bdi class="line-clamp-2 break-words">{{ labelOf(thing) }}</bdi></span
          >
          <span class="flex flex-wrap gap-1.5">
            <button
              v-if="waiting(thing) || passed(thing)"
              type="button"
              class="button min-h-10 px-3 py-1"
              @click="thing.kind === 'picture' && emit('approve', thing.picture, waiting(thing))">
              {{ t(waiting(thing) ? 'review.letThrough' : 'review.holdBack') }}
            </button>
            <button type="button" class="button min-h-10 px-3 py-1" @click="emit('hide', id, !thing.hidden)">
              {{ t(thing.hidden ? 'review.showAgain' : 'review.hide') }}
            </button>
          </span>
        </span>
      </li>
    </ul>
  </section>
</template>
