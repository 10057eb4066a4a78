<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { Tool } from '~~/core/board/tools'
import type { Table } from '~~/core/placement/table'
import type { Author } from '~~/core/slate/actor'
import { makeMove, ownFrom, type Choice, type Gesture } from '~~/core/tools/making'
import type { Move } from '~~/core/slate/move'
import { MOST_OWN_POINTS, type Own } from '~~/core/slate/own'

/**
 * The whole page as a sheet for the tool that is in hand. Words and notes are begun, and made once something is
 * written.
 */
const { tool, how, choice, table, by } = defineProps<{
  tool: Tool
  how: Gesture['how']
  choice: Choice
  table: Table
  by: Author
}>()
const emit = defineEmits<{ make: [move: Move]; write: [thing: string, own: Own]; say: [words: string]; leave: [] }>()
const { t } = useWords()
const drawn = (gesture: Gesture) => ownFrom(tool, choice, gesture, table)

function done(gesture: Gesture) {
  const own = drawn(gesture)
  if (!own) return
  if (own.kind === 'text' || own.kind === 'note') return emit('write', nanoid(12), own)
  emit('make', makeMove(own, table.state.own, nanoid(12), by))
}
</script>

<template>
  <BoardSheet
    :key="tool"
    taken
    :box="{ x: 0, y: 0, width: table.page.width, height: table.page.height }"
    :width="table.page.width"
    :height="table.page.height"
    :how="how"
    :most="MOST_OWN_POINTS"
    :label="t('tools.sheet', { tool: t(`tools.tool.${tool}`), how: t(`tools.how.${how}`) })"
    @done="done"
    @say="emit('say', $event)"
    @leave="emit('leave')">
    <template #default="{ soFar }">
      <BoardOwnShape
        v-if="drawn(soFar)"
        :own="drawn(soFar)!"
        :page="table.page"
        :state="table.state"
        :edition="table.edition" />
    </template>
  </BoardSheet>
</template>
