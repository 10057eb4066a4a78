<script setup lang="ts">
/** One slate on paper, as a picture, and its margin for other programs. */
const { open, slate, page } = defineProps<{ open: boolean; slate: string; page: number }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const at = computed(() => `/api/slates/${slate}`)
const links = computed(
  () =>
    [
      { name: 'marked', icon: 'lucide:file-check', href: `${at.value}/paper?marked=1`, shown: true },
      { name: 'plain', icon: 'lucide:file-text', href: `${at.value}/paper?marked=0`, shown: true },
      { name: 'png', icon: 'lucide:image', href: `${at.value}/picture?format=png&page=${page}`, shown: false },
      { name: 'svg', icon: 'lucide:shapes', href: `${at.value}/picture?format=svg&page=${page}`, shown: false },
      { name: 'annotations', icon: 'lucide:message-square-text', href: `${at.value}/annotations`, shown: false },
    ] as const,
)
</script>

<template>
  <UiAsk :open="open" :title="t('paper.slate.title')" @close="emit('close')">
    <ul class="flex flex-col items-start gap-2">
      <li v-for="{ name, icon, href, shown } in links" :key="name">
        <a
          class="button"
          :href="href"
          :target="shown ? '_blank' : undefined"
          :download="shown ? undefined : ''"
          rel="noopener"
          ><Icon :name="icon" />{{ t(`paper.slate.${name}`) }}</a
        >
      </li>
    </ul>
    <template #buttons
      ><button type="button" class="button" @click="emit('close')">{{ t('app.close') }}</button></template
    >
  </UiAsk>
</template>
