<script setup lang="ts">
import { toDataURL } from 'qrcode'

/** An address as a QR code. */
const { link } = defineProps<{ link: string }>()
const { t } = useWords()
const picture = computedAsync(
  () => toDataURL(link, { margin: 1, width: 640, color: { dark: '#14191a', light: '#ffffff' } }),
  '',
)
</script>

<template>
  <img v-if="picture" :src="picture" :alt="t('giveOut.qr')" class="rounded-lg border border-panel-line" />
</template>
