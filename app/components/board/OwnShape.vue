<script setup lang="ts">
import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { drawOwn, reachOf } from '~~/core/drawing/own'
import { boxPath } from '~~/core/drawing/primitive'
import { SIGN_SIZE, type Own } from '~~/core/slate/own'
import type { SlateState } from '~~/core/slate/state'
import { usePictures } from '~/composables/board/pictures'

/** Something that a student made, as it is drawn everywhere. `chosen` while it is picked, with a rim around it. */
const {
  own,
  page,
  state,
  edition,
  chosen = false,
} = defineProps<{ own: Own; page: Page; state: SlateState; edition: Edition; chosen?: boolean }>()
const look = computed(() => ({ page, state, edition, chosen }))
const marks = computed(() => drawOwn(own, look.value))
const reach = computed(() => reachOf(own, look.value))
const pictures = usePictures()
const picture = computed(() =>
  own.kind === 'picture' ? { address: pictures.addressOf(own), waits: pictures.waits(own) } : null,
)
const RIM = 4
const rim = computed(() => {
  if (!chosen || own.kind === 'ink' || own.kind === 'line' || own.kind === 'colour') return null
  const { width, height } = own.kind === 'sign' ? { width: SIGN_SIZE, height: SIGN_SIZE } : own
  return boxPath({
    x: own.x - width / 2 - RIM,
    y: own.y - height / 2 - RIM,
    width: width + 2 * RIM,
    height: height + 2 * RIM,
  })
})
</script>

<template>
  <g>
    <!-- A thin line is hard to catch: what catches it is wider, and isn't seen. -->
    <path
      v-if="reach"
      :d="reach.d"
      :fill="reach.width ? 'none' : 'transparent'"
      :stroke="reach.width ? 'transparent' : undefined"
      :stroke-width="reach.width || undefined" />
    <BoardOwnPicture v-if="picture && own.kind === 'picture'" :own="own" v-bind="picture" />
    <BoardMarks v-else :marks="marks" />
    <path v-if="rim" :d="rim" fill="none" stroke="#a86a05" stroke-width="2.5" stroke-dasharray="6 4" />
  </g>
</template>
