<script setup lang="ts">
/** There from the start, so that what comes into it is said. */
const saying = useSaying()
</script>

<template>
  <p class="sr-only" role="status" data-test="announced">
    <span :key="saying.times"><BoardMixed :sentence="saying.words" /></span>
  </p>
</template>
