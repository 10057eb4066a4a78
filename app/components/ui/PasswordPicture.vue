<script setup lang="ts">
import type { PasswordPicture } from '~~/core/roster/picturePassword'

const ICONS: Record<PasswordPicture, string> = {
  anchor: 'lucide:anchor',
  fish: 'lucide:fish',
  shell: 'lucide:shell',
  sailboat: 'lucide:sailboat',
  sun: 'lucide:sun',
  cloud: 'lucide:cloud',
  star: 'lucide:star',
  tree: 'lucide:tree-deciduous',
  bird: 'lucide:bird',
  cat: 'lucide:cat',
  key: 'lucide:key-round',
  bell: 'lucide:bell',
}
const { picture } = defineProps<{ picture: PasswordPicture }>()
</script>

<template>
  <Icon :name="ICONS[picture]" aria-hidden="true" />
</template>
