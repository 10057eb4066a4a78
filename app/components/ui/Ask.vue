<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A dialog with a title, whatever is asked, and its buttons. */
const { open, title, wide = false } = defineProps<{ open: boolean, title: string, wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-stone-950/55" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center overflow-auto p-4">
      <DialogPanel class="panel max-h-full w-full overflow-auto shadow-xl" :class="wide ? 'max-w-4xl' : 'max-w-xl'">
        <DialogTitle class="mb-3 text-xl font-bold">{{ title }}</DialogTitle>
        <slot />
        <div class="mt-5 flex flex-wrap justify-end gap-3"><slot name="buttons" /></div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
