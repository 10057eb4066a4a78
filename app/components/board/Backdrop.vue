<script setup lang="ts">
import type { Page } from '~~/core/board/board'

/** What is printed on the page. Nothing in it takes a pointer: it can't be caught by anybody. */
const { page } = defineProps<{ page: Page }>()
</script>

<template>
  <g class="pointer-events-none">
    <rect :width="page.width" :height="page.height" :fill="page.backdrop.colour" />
    <LazyBoardRuling v-if="page.backdrop.ruling.kind !== 'none'" :page="page" />
    <BoardPicture
      v-for="picture in page.backdrop.pictures"
      :key="picture.id"
      :data-thing="picture.id"
      :picture="picture" />
    <BoardFigureShape
      v-for="figure in page.backdrop.figures"
      :key="figure.id"
      :data-thing="figure.id"
      :figure="figure" />
    <BoardFixedLine v-for="line in page.backdrop.lines" :key="line.id" :data-thing="line.id" :line="line" />
  </g>
</template>
