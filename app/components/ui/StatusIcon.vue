<script setup lang="ts">
import type { SlateStatus } from '~~/core/slate/status'

const ICONS: Record<SlateStatus, string> = {
  'not-opened': 'lucide:square-dashed',
  'under-way': 'lucide:pencil-line',
  'handed-in': 'lucide:inbox',
  'handed-back': 'lucide:undo-dot',
}
const { status } = defineProps<{ status: SlateStatus }>()
</script>

<template>
  <Icon :name="ICONS[status]" aria-hidden="true" />
</template>
