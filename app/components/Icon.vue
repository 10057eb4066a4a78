<script setup lang="ts">
import icons from '@icons/icons.svg?url'

/** An icon in the colour of the words beside it. Unless it is given a role, it says nothing to a screen reader. */
const { name, size = '1em' } = defineProps<{ name: string; size?: string | number }>()
const drawn = computed(() => `${icons}#${name.slice('lucide:'.length)}`)
</script>

<template>
  <svg
    :width="size"
    :height="size"
    class="inline-block shrink-0"
    :aria-hidden="$attrs.role ? undefined : true"
    focusable="false">
    <use :href="drawn" />
  </svg>
</template>
