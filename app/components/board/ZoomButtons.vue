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
      v-if="near || dark"
      type="button"
      class="button min-w-14 px-1 text-sm"
      :class="dark ? 'button-dark border-transparent' : ''"
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
