<script setup lang="ts">
/**
 * A field whose words are taken when it is left. What is being typed is never written over by news that arrive
 * meanwhile.
 */
const { value, tall = false } = defineProps<{ value: string | number; tall?: boolean }>()
const typed = ref<string | null>(null)
</script>

<template>
  <component
    :is="tall ? 'textarea' : 'input'"
    class="field"
    :value="typed ?? value"
    @input="typed = ($event.target as HTMLInputElement).value"
    @change="typed = null"
    @blur="typed = null" />
</template>
