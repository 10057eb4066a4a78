<script setup lang="ts">
const { t } = useWords()
useHead({ titleTemplate: title => (title ? `${title} · ${t('app.name')}` : t('app.name')) })
</script>

<template>
  <NuxtPage />
  <UiFullField />
</template>
