<script setup lang="ts">
/** Words of a board inside sentences of the application: in the language and the direction of the board. */
const language = useBoardLanguage()
</script>

<template>
  <bdi :lang="language()"><slot /></bdi>
</template>
