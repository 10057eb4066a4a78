<script setup lang="ts">
import type { Clip, Link } from '~~/core/board/clip'
import { hostOf } from '~~/core/board/webAddress'
import { CARD_TEXT, linesIn, playingTime, signOf, SMALL_TEXT, someLines, wordsBox } from '~~/core/layout/clipCard'
import { baselineShift, LINE_HEIGHT } from '~~/core/text/measure'

/** A clip that isn't played, or where a link leads: printed, with a sign on it. What is played stands over it. */
const { thing } = defineProps<{ thing: Clip | Link }>()
const { t } = useWords()
const clip = computed(() => ('kind' in thing ? thing : null))
const film = computed(() => clip.value?.kind === 'film')
const sign = computed(() => signOf(thing))
const words = computed(() => wordsBox(thing))
/** How long it is, or where it leads: always said, however little room there is for its name. */
const small = computed(() => ('kind' in thing ? playingTime(thing.seconds) : hostOf(thing.address)))
const lines = computed(() => {
  const { width, height } = words.value
  if (film.value) return someLines(thing.name, width - 70, SMALL_TEXT, 1)
  return thing.name
    ? someLines(thing.name, width, CARD_TEXT, linesIn(height - 16 - SMALL_TEXT * LINE_HEIGHT, CARD_TEXT))
    : []
})
const block = computed(() => lines.value.length * CARD_TEXT * LINE_HEIGHT + SMALL_TEXT * LINE_HEIGHT)
const top = computed(() => words.value.y + (words.value.height - block.value) / 2)
const baseline = (y: number, size: number) => y + (size * LINE_HEIGHT) / 2 + baselineShift(size, 'regular')
const hostLine = computed(() => someLines(small.value, words.value.width, SMALL_TEXT, 1)[0]!)
/** A triangle for what is played, an arrow for what leads away. */
const mark = computed(() => {
  const {
    middle: { x, y },
    radius,
  } = sign.value
  const r = radius * 0.48
  return clip.value
    ? `M${x - r * 0.75} ${y - r}L${x + r} ${y}L${x - r * 0.75} ${y + r}Z`
    : `M${x - r} ${y + r}L${x + r} ${y - r}M${x - r * 0.5} ${y - r}H${x + r}V${y + r * 0.5}`
})
const label = computed(() =>
  clip.value
    ? t(`clips.is.${clip.value.kind}`, { name: thing.name, time: small.value })
    : t('clips.linkIs', { name: thing.name, host: small.value }),
)
</script>

<template>
  <g role="img" :aria-label="label">
    <template v-if="film && clip">
      <rect :x="thing.x" :y="thing.y" :width="thing.width" :height="thing.height" fill="#14191a" />
      <image
        v-if="clip.poster"
        :href="`/api/files/${clip.poster}`"
        :x="thing.x"
        :y="thing.y"
        :width="thing.width"
        :height="thing.height"
        preserveAspectRatio="xMidYMid meet" />
      <rect :x="words.x" :y="words.y" :width="words.width" :height="words.height" fill="#14191a" fill-opacity="0.82" />
      <text
        class="board-text"
        :x="words.x + 10"
        :y="baseline(words.y + 2, SMALL_TEXT)"
        :font-size="SMALL_TEXT"
        fill="#ffffff"
        >{{ lines[0] }}</text
      >
      <text
        class="board-text"
        :x="words.x + words.width - 10"
        :y="baseline(words.y + 2, SMALL_TEXT)"
        :font-size="SMALL_TEXT"
        fill="#ffffff"
        text-anchor="end"
        >{{ small }}</text
      >
    </template>
    <template v-else>
      <rect
        :x="thing.x + 1"
        :y="thing.y + 1"
        :width="thing.width - 2"
        :height="thing.height - 2"
        rx="10"
        fill="#ffffff"
        stroke="#6d5732"
        stroke-width="2"
        :stroke-dasharray="clip ? undefined : '7 4'" />
      <text
        v-for="(line, i) in lines"
        :key="i"
        class="board-text"
        :x="words.x"
        :y="baseline(top + i * CARD_TEXT * LINE_HEIGHT, CARD_TEXT)"
        :font-size="CARD_TEXT"
        fill="#14191a"
        >{{ line }}</text
      >
      <text
        class="board-text"
        :x="words.x"
        :y="baseline(top + lines.length * CARD_TEXT * LINE_HEIGHT, SMALL_TEXT)"
        :font-size="SMALL_TEXT"
        fill="#46524f"
        >{{ hostLine }}</text
      >
    </template>
    <circle :cx="sign.middle.x" :cy="sign.middle.y" :r="sign.radius" fill="#6d5732" stroke="#ffffff" stroke-width="2" />
    <path
      :d="mark"
      :fill="clip ? '#ffffff' : 'none'"
      stroke="#ffffff"
      stroke-width="3"
      stroke-linejoin="round"
      stroke-linecap="round" />
  </g>
</template>
