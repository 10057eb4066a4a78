<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'

/** What can be done to the piece that is picked: turn it, flip it; while words are `written` on it, move it by taps. */
const { edition, piece } = defineProps<{ edition: Edition; piece: PieceId; written: boolean }>()
const emit = defineEmits<{ turn: [degrees: number]; flip: []; move: [] }>()
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
  <button v-if="written" type="button" class="button" @click="emit('move')">
    <Icon name="lucide:move" size="20" />{{ t('stage.moveIt') }}
  </button>
</template>
