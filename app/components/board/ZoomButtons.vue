<script setup lang="ts">
import type { Zoom } from '~/composables/board/useZoom'

/** How closely the page is looked at, by buttons. */
const { zoom, dark = false } = defineProps<{ zoom: Zoom; dark?: boolean }>()
const { t } = useWords()
const look = computed(() => (dark ? 'button-dark w-9 border-transparent' : 'w-11'))
const near = computed(() => zoom.zoom.value !== 1)
</script>

<template>
  <span class="flex items-center" :class="dark ? '' : 'gap-1'" role="group" :aria-label="t('zoom.title')">
    <!-- Its room is kept, so that nothing beside it moves when it comes. -->
    <button
      v-if="!dark"
      type="button"
      class="button px-2 py-0.5 text-left text-sm leading-tight"
      :class="near ? '' : 'invisible'"
      @click="zoom.whole">
      <span
        ><span class="block max-sm:sr-only">{{ t('zoom.part') }}</span
        >{{ t('zoom.whole') }}</span
      >
    </button>
    <button
      type="button"
      class="button px-0"
      :class="look"
      :disabled="!zoom.canFurther.value"
      :aria-label="t('zoom.further')"
      :title="t('zoom.further')"
      @click="zoom.further">
      <Icon name="lucide:zoom-out" size="20" />
    </button>
    <button
      v-if="dark"
      type="button"
      class="button button-dark min-w-14 border-transparent px-1 text-sm"
      @click="zoom.whole">
      {{ t('zoom.percent', { percent: Math.round(zoom.zoom.value * 100) }) }}
    </button>
    <button
      type="button"
      class="button px-0"
      :class="look"
      :disabled="!zoom.canNearer.value"
      :aria-label="t('zoom.nearer')"
      :title="t('zoom.nearer')"
      @click="zoom.nearer">
      <Icon name="lucide:zoom-in" size="20" />
    </button>
  </span>
</template>
