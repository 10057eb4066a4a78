<script setup lang="ts">
import { onScreen } from '~~/core/drawing/palette'
import {
  turnedPicture,
  type Paint,
  type PathPrimitive,
  type PicturePrimitive,
  type PictureSource,
  type Primitive,
  type TurnedPicture,
} from '~~/core/drawing/primitive'
import { libraryAddress } from '~/composables/board/pictures'

/**
 * Draws what the core says of one thing: paths, lines of text, pictures. Students' own pictures are drawn elsewhere.
 */
const { marks } = defineProps<{ marks: readonly Primitive[] }>()
const uid = useId()
const patterns = computed(() => [
  ...new Set(marks.flatMap(mark => (mark.kind === 'path' && typeof mark.fill === 'object' ? [mark.fill.pattern] : []))),
])
const paint = (fill: Paint | undefined) =>
  fill === undefined ? 'none' : typeof fill === 'object' ? `url(#${uid}-${fill.pattern})` : onScreen(fill)
const pathOf = ({ d, fill, opacity, stroke, multiply }: PathPrimitive) => ({
  d,
  fill: paint(fill),
  'fill-opacity': opacity,
  ...(stroke && {
    stroke: onScreen(stroke.colour),
    'stroke-width': stroke.width,
    'stroke-dasharray': stroke.dash?.join(' '),
    'stroke-linecap': stroke.ends,
    'stroke-linejoin': stroke.corners,
  }),
  style: multiply ? 'mix-blend-mode: multiply' : undefined,
})
function addressOf(source: PictureSource): string | null {
  switch (source.from) {
    case 'file':
      return `/api/files/${source.file}`
    case 'library':
      return libraryAddress(source.name)
    case 'slate':
      return null
  }
}
const viewOf = ({ part }: TurnedPicture) => `${part.x} ${part.y} ${part.width} ${part.height}`
const pictureOf = ({ source, box, fit }: PicturePrimitive) => ({
  href: addressOf(source) ?? undefined,
  ...box,
  preserveAspectRatio: fit === 'within' ? undefined : 'none',
})
</script>

<template>
  <g>
    <defs v-if="patterns.length"
      ><LazyBoardFillPattern v-for="fill in patterns" :id="`${uid}-${fill}`" :key="fill" :fill="fill"
    /></defs>
    <template v-for="(mark, i) in marks" :key="i">
      <path v-if="mark.kind === 'path'" v-bind="pathOf(mark)" />
      <text
        v-else-if="mark.kind === 'text'"
        class="board-text"
        :x="mark.x"
        :y="mark.y"
        :font-size="mark.size"
        :font-weight="mark.bold ? 700 : undefined"
        :text-anchor="mark.anchor"
        :direction="mark.fromRight ? 'rtl' : undefined"
        :fill="onScreen(mark.fill)"
        >{{ mark.text }}</text
      >
      <svg
        v-else-if="turnedPicture(mark)"
        v-bind="mark.box"
        :viewBox="viewOf(turnedPicture(mark)!)"
        preserveAspectRatio="none">
        <image
          :href="addressOf(mark.source) ?? undefined"
          v-bind="turnedPicture(mark)!.whole"
          preserveAspectRatio="none"
          :transform="turnedPicture(mark)!.transform" />
      </svg>
      <image v-else v-bind="pictureOf(mark)" />
    </template>
  </g>
</template>
