<script setup lang="ts">
import type { Edition } from '~~/core/board/edition'
import type { PieceId } from '~~/core/board/ids'
import type { Joined } from '~~/core/findings/sorts'
import { treePicture } from '~~/core/findings/treePicture'

/** What students put together as a tree: what joins near the cards most put together. */
const { edition, tree } = defineProps<{ edition: Edition; tree: Joined }>()
const { t } = useWords()
const names = useNames(() => edition)
const LEFT = 180
const WIDTH = 420
const picture = computed(() => treePicture(tree, { width: WIDTH, step: 28 }))
const MARKS = [1, 0.75, 0.5, 0.25, 0]
</script>

<template>
  <figure class="overflow-x-auto" tabindex="0" :aria-label="t('findings.treeLabel')">
    <svg
      role="img"
      :aria-label="t('findings.treeLabel')"
      class="max-w-full"
      :width="LEFT + WIDTH + 40"
      :height="picture.height + 34"
      :viewBox="`0 -4 ${LEFT + WIDTH + 40} ${picture.height + 34}`">
      <text
        v-for="leaf in picture.leaves"
        :key="leaf.piece"
        :x="LEFT - 8"
        :y="leaf.y + 5"
        text-anchor="end"
        class="fill-current"
        font-size="15">
        {{ names.piece(leaf.piece as PieceId) }}
      </text>
      <g v-for="share in MARKS" :key="share" class="fill-current">
        <line
          :x1="LEFT + (1 - share) * WIDTH"
          :x2="LEFT + (1 - share) * WIDTH"
          y1="0"
          :y2="picture.height"
          class="stroke-panel-line"
          :stroke-dasharray="share === 0.5 ? 'none' : '3 4'" />
        <text :x="LEFT + (1 - share) * WIDTH" :y="picture.height + 18" text-anchor="middle" font-size="13">
          {{ Math.round(share * 100) }} %
        </text>
      </g>
      <polyline
        v-for="(join, i) in picture.joins"
        :key="i"
        :points="join.points.map(({ x, y }) => `${LEFT + x},${y}`).join(' ')"
        class="fill-none stroke-leaf-700"
        stroke-width="2.5" />
    </svg>
    <figcaption class="note-line">{{ t('findings.treeHow') }}</figcaption>
  </figure>
</template>
