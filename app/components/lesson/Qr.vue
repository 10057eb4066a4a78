<script setup lang="ts">
import { toDataURL } from 'qrcode'

/** A QR code large enough for the last row of a classroom. */
const { link } = defineProps<{ link: string }>()
const { t } = useWords()
const picture = computedAsync(
  () => toDataURL(link, { margin: 1, width: 640, color: { dark: '#14191a', light: '#ffffff' } }),
  '',
)
</script>

<template>
  <img
    v-if="picture"
    :src="picture"
    :alt="t('screen.qr')"
    class="aspect-square h-[var(--qr-height,55vh)] rounded-lg border border-panel-line" />
</template>
