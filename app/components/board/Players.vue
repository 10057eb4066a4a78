<script setup lang="ts">
import type { Clip, Link } from '~~/core/board/clip'
import { hostOf } from '~~/core/board/webAddress'
import type { Page } from '~~/core/board/board'
import type { Point } from '~~/core/geometry/shape'
import { signOf } from '~~/core/layout/clipCard'

/**
 * What students press to play a clip where it stands, or to follow a link: buttons exactly over the signs, so that
 * pieces beside them can be caught; a tap on the rest of a card comes in by `tap`. One clip plays at a time.
 */
const { page, scale } = defineProps<{ page: Page; scale: number }>()
const { t } = useWords()
const idOf = useThingIds()
const clips = computed(() => page.backdrop.clips ?? [])
const links = computed(() => page.backdrop.links ?? [])
const playing = ref<string | null>(null)
const current = computed(() => clips.value.find(clip => clip.id === playing.value))
watch(
  () => page.id,
  () => (playing.value = null),
)
const LEAST = 44
function styleOf(thing: Clip | Link) {
  const { middle, radius } = signOf(thing)
  const size = Math.max(LEAST, 2 * radius * scale)
  return {
    left: `${middle.x * scale - size / 2}px`,
    top: `${middle.y * scale - size / 2}px`,
    width: `${size}px`,
    height: `${size}px`,
  }
}
const buttons = useTemplateRef<HTMLButtonElement[]>('buttons')
async function close() {
  const before = clips.value.findIndex(clip => clip.id === playing.value)
  playing.value = null
  await nextTick()
  buttons.value?.[before]?.focus()
}
/** A tap on a card beside its sign, at a point of the page. True when there was one. */
function tap({ x, y }: Point): boolean {
  const hit = <T extends Clip | Link>(things: readonly T[]) =>
    things.findLast(thing => x >= thing.x && x <= thing.x + thing.width && y >= thing.y && y <= thing.y + thing.height)
  const link = hit(links.value)
  const clip = hit(clips.value)
  if (link) window.open(link.address, '_blank', 'noopener,noreferrer')
  else if (clip) playing.value = clip.id
  return !!(link ?? clip)
}
defineExpose({ tap })
</script>

<template>
  <button
    v-for="clip in clips"
    :id="idOf(clip.id)"
    :key="clip.id"
    ref="buttons"
    type="button"
    class="absolute rounded-full"
    :style="styleOf(clip)"
    :data-clip="clip.id"
    :aria-label="t(`clips.play.${clip.kind}`, { name: clip.name })"
    :title="t(`clips.play.${clip.kind}`, { name: clip.name })"
    @click.stop="playing = clip.id" />
  <a
    v-for="link in links"
    :id="idOf(link.id)"
    :key="link.id"
    class="absolute rounded-full"
    :style="styleOf(link)"
    :href="link.address"
    target="_blank"
    rel="noopener noreferrer"
    :aria-label="t('clips.follow', { name: link.name, host: hostOf(link.address) })"
    :title="t('clips.follow', { name: link.name, host: hostOf(link.address) })"
    @click.stop />
  <BoardPlayer v-if="current" :key="current.id" :clip="current" :page="page" :scale="scale" @close="close" />
</template>
