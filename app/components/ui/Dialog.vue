<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** The dialog itself; see Ask. */
const { open, title, wide = false } = defineProps<{ open: boolean; title: string; wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-stone-950/55" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center overflow-auto p-4">
      <DialogPanel class="panel flex max-h-full w-full flex-col shadow-xl" :class="wide ? 'max-w-4xl' : 'max-w-xl'">
        <DialogTitle class="mb-3 text-xl font-bold">{{ title }}</DialogTitle>
        <div class="-mx-2 min-h-0 flex-1 overflow-auto px-2 pb-1"><slot /></div>
        <div class="mt-4 flex flex-wrap justify-end gap-3"><slot name="buttons" /></div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
