<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import { LONGEST_TEXT, type SlateState } from '~~/core/slate/state'
import type { Move } from '~~/core/slate/move'

/** What can be done to the piece that is picked, besides moving it: turn it, flip it, write on it. */
const { edition, state, piece } = defineProps<{ edition: Edition; state: SlateState; piece: PieceId }>()
const emit = defineEmits<{ make: [move: Move]; turn: [degrees: number]; flip: [] }>()
const { t } = useWords()
const known = computed(() => edition.pieces.get(piece)!.piece)
</script>

<template>
  <template v-if="known.turns">
    <button type="button" class="button" @click="emit('turn', 90)">
      <Icon name="lucide:rotate-cw-square" size="20" />{{ t('stage.turnQuarter') }}
    </button>
    <button type="button" class="button" @click="emit('turn', 15)">
      <Icon name="lucide:rotate-cw" size="20" />{{ t('stage.turnLittle') }}
    </button>
  </template>
  <button v-if="known.kind === 'tile' && known.other" type="button" class="button" @click="emit('flip')">
    <Icon name="lucide:flip-horizontal-2" size="20" />{{ t('stage.flip') }}
  </button>
  <BoardWritingField
    v-if="known.kind === 'note'"
    :key="piece"
    class="field w-72"
    :label="t('stage.writeOn', { name: known.text })"
    :placeholder="known.text"
    :text="state.texts[piece] ?? ''"
    :longest="LONGEST_TEXT"
    lines="one"
    @write="emit('make', { kind: 'write', in: piece, text: $event })" />
</template>
