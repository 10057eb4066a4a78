<script setup lang="ts">
/** The keys of a slate, and which hand works there. */
const { open } = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useWords()
const leftHanded = useLeftHanded()
const KEYS = ['pick', 'choose', 'nudge', 'down', 'turn', 'own', 'letBe', 'undo', 'closer', 'sheet'] as const
const keys = computed(() => KEYS.map(name => ({ name, press: t(`keys.${name}.press`), does: t(`keys.${name}.does`) })))
</script>

<template>
  <UiKeyList :open="open" :title="t('keys.title')" :keys="keys" @close="emit('close')">
    <label class="mt-4 flex min-h-11 items-center gap-2"
      ><input v-model="leftHanded" type="checkbox" class="h-5 w-5 shrink-0 accent-leaf-600" />{{
        t('keys.left')
      }}</label
    >
  </UiKeyList>
</template>
